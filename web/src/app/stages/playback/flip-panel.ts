import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { WorkList } from '@ft/core/views/bay/workList';
import type { CheckView } from '@ft/core/views/playback/playbackView';
import { Here } from '../../shell/here';
import { askedAbout } from '../../state/asked';
import { AnswerState } from '../../ui/answer';
import { SidePanel } from '../../ui/side-panel';

interface Way {
  readonly title: string;
  readonly list: WorkList;
  readonly link: readonly string[];
}

/** The flip and its reverse: few switches, each way from mute to open. */
@Component({
  selector: 'ft-flip-panel',
  imports: [AnswerState, RouterLink, SidePanel],
  template: `
    <ft-side-panel title="The flip, and its reverse" (closed)="closed.emit()">
      <div class="stack">
        <ft-answer [of]="flip" what="the switches" />
        @for (way of ways(); track way.title) {
          <h3>{{ way.title }}</h3>
          @if (way.list.rises.length > 0) {
            <p>
              <span class="warning" aria-hidden="true">◆</span> <strong>Rises by more than 6 dB:</strong>
              {{ way.list.rises.join('; ') }}. They are set while everything is muted.
            </p>
          }
          <ol>
            @for (step of way.list.steps; track step.id) {
              <li>
                {{ step.title }}
                @for (turn of shown(step.turns); track $index) {
                  <span class="turn num">{{ turn.knob }}: {{ turn.was }} → {{ turn.value }}</span>
                }
                @if (step.turns.length > most) {
                  <span class="quiet turn">and {{ step.turns.length - most }} more</span>
                }
              </li>
            } @empty {
              <li class="quiet">Nothing: both scenes are alike.</li>
            }
          </ol>
          <p>
            <a class="press" [routerLink]="way.link">Work list of {{ way.list.target }}</a>
          </p>
        }
        <p class="quiet">
          The work list starts from how the rooms really stand. Going live opens microphones into
          loudspeakers: nobody stands in front of them until the last step is done. House rules come first.
        </p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: '../consoles/panel.scss',
  styles: `
    .turn {
      display: block;
      font-size: 0.9em;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FlipPanel {
  readonly check = input.required<CheckView>();
  readonly session = input.required<string>();
  readonly closed = output();
  private readonly here = inject(Here);
  protected readonly most = 6;
  protected readonly flip = askedAbout(
    computed(() => this.check().id),
    (api, id) => api.flip(id),
  );
  protected readonly ways = computed((): readonly Way[] => {
    const [flip, { live, playback }] = [this.flip(), this.check()];
    if (flip === undefined) return [];
    const link = (scene: string): readonly string[] => this.here.linkIn(this.session(), scene, 'work-list');
    return [
      { title: `${live.name} to ${playback.name}`, list: flip.toPlayback, link: link(playback.id) },
      { title: `${playback.name} to ${live.name}`, list: flip.toLive, link: link(live.id) },
    ];
  });

  protected shown<T>(turns: readonly T[]): readonly T[] {
    return turns.slice(0, this.most);
  }
}
