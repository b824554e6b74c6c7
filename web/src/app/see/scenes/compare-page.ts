import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { KnobGroup, KnobLine } from '@ft/core/views/scenes/comparison';
import { KNOB_GROUPS } from '@ft/core/views/scenes/comparison';
import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import { sessionsInOrder, templatesOf } from '@ft/core/session/sessionsInOrder';
import { askedAbout } from '../../state/asked';
import { studioFeature } from '../../state/studio.feature';
import type { Side } from '../../workers/scene-answers';
import { AnswerState } from '../../ui/answer';
import { Pick } from '../../ui/form/pick';
import { PartPage } from '../../shell/part';

/** One thing that can stand on a side. */
interface SideChoice {
  readonly value: string;
  readonly name: string;
  readonly side: Side;
}

/** Two scenes side by side, of this session or another, and what is on the floor. */
@Component({
  selector: 'ft-compare-page',
  imports: [AnswerState, PartPage, Pick],
  templateUrl: './compare-page.html',
  styleUrl: './compare-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ComparePage {
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);

  protected readonly choices = computed((): readonly SideChoice[] => {
    const studio = this.studio() ?? { sessions: [] };
    const sessions = [...sessionsInOrder(studio), ...templatesOf(studio)];
    const scenes = sessions.flatMap((session) =>
      scenesInOrder(session).map((scene): SideChoice => ({
        value: `${session.id}/${scene.id}`,
        name: sessions.length > 1 ? `${scene.name} · ${session.name}` : scene.name,
        side: { session: session.id, scene: scene.id },
      })),
    );
    return [
      { value: 'floor', name: 'What is on the floor', side: 'floor' },
      ...scenes,
      { value: 'all-normals', name: 'All normals', side: 'all-normals' },
    ];
  });
  private readonly hereKey = computed(() => {
    const place = this.place();
    return place === null ? 'floor' : `${place.session}/${place.scene}`;
  });
  private readonly chosenLeft = signal<string | undefined>(undefined);
  private readonly chosenRight = signal<string | undefined>(undefined);
  protected readonly left = computed(() => this.chosenLeft() ?? 'floor');
  protected readonly right = computed(() => this.chosenRight() ?? this.hereKey());

  protected readonly difference = askedAbout(
    computed(() => ({ left: this.sideOf(this.left()), right: this.sideOf(this.right()) })),
    (api, { left, right }) => api.compare(left, right),
  );
  protected readonly isAlike = computed(() => {
    const it = this.difference();
    return it?.threads.length === 0 && it.cords.length === 0 && it.knobs.length === 0;
  });
  protected readonly groups = computed(
    (): readonly { readonly group: KnobGroup; readonly knobs: readonly KnobLine[] }[] =>
      KNOB_GROUPS.map((group) => ({
        group,
        knobs: this.difference()?.knobs.filter((knob) => knob.group === group) ?? [],
      })).filter(({ knobs }) => knobs.length > 0),
  );

  protected choose(which: 'left' | 'right', key: string): void {
    (which === 'left' ? this.chosenLeft : this.chosenRight).set(key);
  }

  protected swap(): void {
    const [left, right] = [this.left(), this.right()];
    this.chosenLeft.set(right);
    this.chosenRight.set(left);
  }

  private sideOf(key: string): Side {
    return this.choices().find((choice) => choice.value === key)?.side ?? 'floor';
  }
}
