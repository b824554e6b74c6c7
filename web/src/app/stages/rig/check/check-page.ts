import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { AES59_ANALOGUE, DB25_UNUSED } from '@ft/core/rig/aes59';
import type { RigNoteView } from '@ft/core/words/rigNoteWording';
import { RigNotes } from '../../../state/rig-notes';
import { AnswerState } from '../../../ui/answer';
import { Tick } from '../../../ui/form/tick';
import { FaultList } from './fault-list';
import { PlanActions } from '../../../state/plan.feature';
import { PartPage } from '../../../shell/part';

const SIGNS: Readonly<Record<RigNoteView['severity'], string>> = { error: '▲', warning: '◆', note: '●' };

/** What a technician would look at: wiring that cannot be right, adaptors, free connectors, the DB-25 contacts. */
@Component({
  selector: 'ft-check-page',
  imports: [AnswerState, FaultList, PartPage, Tick],
  template: `
    <ft-part of="rig/check">
      <div class="columns">
        <div class="notes">
          <ft-fault-list />
          <h2>Wiring</h2>
          <ft-tick label="list connectors with no wire" [isOn]="free()" (ticked)="free.set($event)" />
          <ft-answer [of]="told" what="the rig check" />
          @if (told() !== undefined && shown().length === 0) {
            <p class="empty">
              Nothing to look at: no input is fed twice, nothing of different kinds is joined.
            </p>
          }
          <ul>
            @for (note of shown(); track $index) {
              <li>
                <span [class]="note.severity">{{ signs[note.severity] }}</span>
                <span>{{ note.text }}</span>
                @if (note.at !== undefined) {
                  <button type="button" class="bare" (click)="show(note)">show</button>
                }
              </li>
            }
          </ul>
        </div>
        <aside>
          <h2>DB-25, eight channels</h2>
          <p class="quiet">
            Contacts for balanced analogue audio after AES59. Contact {{ unused }} is not used.
          </p>
          <table class="num">
            <thead>
              <tr>
                <th scope="col">channel</th>
                <th scope="col">hot</th>
                <th scope="col">cold</th>
                <th scope="col">ground</th>
              </tr>
            </thead>
            <tbody>
              @for (row of pinOut; track row.channel) {
                <tr>
                  <td>{{ row.channel }}</td>
                  <td>{{ row.hot }}</td>
                  <td>{{ row.cold }}</td>
                  <td>{{ row.ground }}</td>
                </tr>
              }
            </tbody>
          </table>
          <p class="quiet">XLR: contact 2 is hot, 3 cold, 1 screen.</p>
          <p class="quiet">
            Mains and protective earth are for licensed hands; never lift an earth to cure hum.
          </p>
        </aside>
      </div>
    </ft-part>
  `,
  styles: `
    :host {
      flex: 1;
      min-height: 0;
      overflow: auto;
    }
    .columns {
      display: flex;
      gap: 2rem;
      padding: 0.6rem 0.75rem;
    }
    .notes {
      flex: 1;
    }
    ul {
      list-style: none;
      padding: 0;
      margin: 0.5rem 0;
    }
    li {
      display: flex;
      gap: 0.5rem;
      padding: 0.2rem 0;
      border-bottom: 1px solid color-mix(in srgb, var(--ft-line) 55%, transparent);
    }
    aside {
      width: 17rem;
    }
    h2 {
      margin-bottom: 0.3rem;
    }
    th,
    td {
      text-align: right;
      padding: 0.1rem 0.6rem 0.1rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CheckPage {
  protected readonly told = inject(RigNotes).told;
  private readonly store = inject(Store);
  protected readonly signs = SIGNS;
  protected readonly pinOut = AES59_ANALOGUE;
  protected readonly unused = DB25_UNUSED;
  protected readonly free = signal(true);
  protected readonly shown = computed(() =>
    (this.told() ?? []).filter(({ code }) => this.free() || code !== 'unwired'),
  );

  protected show(note: RigNoteView): void {
    if (note.at !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: note.at } }));
  }
}
