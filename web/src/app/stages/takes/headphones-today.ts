import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { asked } from '../../state/asked';
import { Changes } from '../../state/changes';

/** Before each run: which cues are live and worn, and which pairs lie about. */
@Component({
  selector: 'ft-headphones-today',
  template: `
    @if (ears().length > 0) {
      <p>
        <strong>Headphones:</strong>
        {{ worn() || 'nobody wears any' }}
        @if (lying(); as pairs) {
          <span class="warning">◆ Nobody wears {{ pairs }}.</span>
          <button type="button" (click)="mute()">Mute what nobody wears</button>
        }
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: 0.2rem 0.6rem;
      margin: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeadphonesToday {
  private readonly changes = inject(Changes);
  private readonly sheet = asked((api) => api.cueSheet());
  protected readonly ears = computed(() => this.sheet()?.ears ?? []);
  /** "Actors: Joss Verrill, Aud Pellow", cue by cue. */
  protected readonly worn = computed(() => {
    const worn = this.ears().filter(({ isLying }) => !isLying);
    const cues = [...new Set(worn.map(({ cueName }) => cueName))];
    return cues
      .map((cue) => {
        const who = worn.filter(({ cueName }) => cueName === cue).map(({ performerName }) => performerName);
        return `${cue}: ${who.join(', ')}`;
      })
      .join('; ');
  });
  /** Pairs that are still up: those that are down already are nobody's trouble. */
  protected readonly lying = computed(() =>
    this.ears()
      .filter(({ isLying, volume }) => isLying && volume?.isDown !== true)
      .map(({ name }) => name)
      .join(', '),
  );

  protected async mute(): Promise<void> {
    await this.changes.work('Muted what nobody wears', (api) => api.mutedUnworn());
  }
}
