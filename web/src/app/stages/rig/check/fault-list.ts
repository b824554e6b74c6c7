import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { asked } from '../../../state/asked';
import { AnswerState } from '../../../ui/answer';
import { Entry } from '../../../ui/form/entry';
import { RigChanges } from '../rig-changes';

/** What does not work until somebody mends it. Nothing is routed over it. */
@Component({
  selector: 'ft-fault-list',
  imports: [AnswerState, Entry],
  template: `
    <h2>Faulty jacks</h2>
    <ft-answer [of]="faults" what="the faulty jacks" />
    @if (faults()?.length === 0) {
      <p class="quiet">
        None. Where a jack is dead, say so at the bay or on the work list: nothing is routed over it then.
      </p>
    }
    <ul>
      @for (fault of faults(); track fault.lane) {
        <li>
          <span class="error">▲</span>
          <strong>{{ fault.name }}</strong>
          <ft-entry
            typical="what is wrong"
            [isLabelHidden]="true"
            [label]="'What is wrong with ' + fault.name"
            [value]="fault.note"
            (entered)="changes.noteFault(fault, $event)"
          />
          <button type="button" (click)="changes.mend(fault)" [attr.aria-label]="fault.name + ' works again'">
            Works again
          </button>
        </li>
      }
    </ul>
  `,
  styles: `
    ul {
      list-style: none;
      padding: 0;
      margin: 0.4rem 0 1rem;
    }
    li {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.6rem;
      padding: 0.2rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FaultList {
  protected readonly changes = inject(RigChanges);
  protected readonly faults = asked((api) => api.faults());
}
