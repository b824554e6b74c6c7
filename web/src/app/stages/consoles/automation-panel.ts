import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { editSet } from '@ft/core/edits/make';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { askedAbout } from '../../state/asked';
import { Changes } from '../../state/changes';
import { studioFeature } from '../../state/studio.feature';
import { AnswerState } from '../../ui/answer';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';

/** Automation of a console: the order that keeps work, with what the rig says of it. */
@Component({
  selector: 'ft-automation-panel',
  imports: [AnswerState, SidePanel, Tick],
  template: `
    <ft-side-panel [title]="'Automation of ' + sheet().name" (closed)="closed.emit()">
      <div class="stack">
        <ft-answer [of]="plan" what="its automation" />
        @if (plan(); as it) {
          <ft-tick label="It follows timecode in this session" [isOn]="follows()" (ticked)="follow($event)" />
          <h3>The order that keeps work</h3>
          <ol>
            @for (step of it.steps; track step.title) {
              <li>
                @if (step.isDone === true) {
                  <span aria-hidden="true">✓</span><span class="visually-hidden">done:</span>
                } @else if (step.isDone === false) {
                  <span class="warning" aria-hidden="true">◆</span
                  ><span class="visually-hidden">missing:</span>
                }
                {{ step.title }}. <span class="quiet">{{ step.why }}</span>
              </li>
            }
          </ol>
          <p class="quiet">{{ it.otherSchool }}</p>
        } @else if (plan.waits() === false) {
          <p class="quiet">
            {{ sheet().name }} has no automation. If it has, say so in its data under Rig, then the order of
            the work stands here.
          </p>
        }
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AutomationPanel {
  readonly sheet = input.required<ChannelSheetView>();
  readonly closed = output();
  private readonly changes = inject(Changes);
  private readonly found = inject(Store).selectSignal(studioFeature.selectFound);
  protected readonly plan = askedAbout(
    computed(() => this.sheet().device),
    (api, id) => api.automation(id),
  );
  protected readonly follows = computed(() => this.found()?.session.automatedConsole === this.sheet().device);

  protected follow(isOn: boolean): void {
    const session = this.found()?.session;
    if (session === undefined) return;
    const { device, name } = this.sheet();
    const value = isOn ? device : null;
    this.changes.make(`${name} ${isOn ? 'follows' : 'does not follow'} timecode`, [
      editSet('session', {}, session.id, {
        ...{ field: 'automatedConsole', value, was: session.automatedConsole ?? null },
      }),
    ]);
  }
}
