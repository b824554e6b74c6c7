import type { Connector } from '@ft/core/rig/connector';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { CONNECTORS } from '@ft/core/rig/connector';
import type { Adaptor } from '@ft/core/rig/rigSchema';
import { typedNumber } from '@ft/core/text/typedNumber';
import { studioFeature } from '../../../state/studio.feature';
import { RigChanges } from '../rig-changes';

/** The adaptors of the studio: what makes one plug of a cord another. */
@Component({
  selector: 'ft-adaptor-list',
  template: `
    <h2>Adaptors</h2>
    @if (adaptors().length === 0) {
      <p class="quiet">None yet. With adaptors the router can join jacks no cord of yours fits.</p>
    } @else {
      <table class="sheet">
        <thead>
          <tr>
            <th scope="col">Adaptor</th>
            <th scope="col">From – to</th>
            <th scope="col" class="right">Number</th>
            <th scope="col"><span class="visually-hidden">Remove</span></th>
          </tr>
        </thead>
        <tbody>
          @for (adaptor of adaptors(); track adaptor.id) {
            <tr>
              <td>{{ adaptor.name }}</td>
              <td>{{ adaptor.connectors[0] }} – {{ adaptor.connectors[1] }}</td>
              <td class="right">
                <input
                  class="num count"
                  type="text"
                  inputmode="numeric"
                  [value]="adaptor.count"
                  [attr.aria-label]="'Number of ' + adaptor.name"
                  (change)="setCount(adaptor, $any($event.target).value)"
                />
              </td>
              <td>
                <button
                  type="button"
                  (click)="changes.removeAdaptor(adaptor)"
                  [attr.aria-label]="'Remove ' + adaptor.name"
                >
                  Remove
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
    }
    <form
      (submit)="add(name.value, endA.value, endB.value, count.value); $event.preventDefault()"
      aria-label="Add adaptors"
    >
      <span>Add adaptors</span>
      <input #name type="text" placeholder="Name" aria-label="Name of the adaptor" />
      <select #endA aria-label="The plug it goes onto">
        @for (plug of plugs; track plug) {
          <option>{{ plug }}</option>
        }
      </select>
      <select #endB aria-label="The plug it makes of it">
        @for (plug of plugs; track plug) {
          <option>{{ plug }}</option>
        }
      </select>
      <input #count class="num count" type="text" placeholder="how many" aria-label="Number of adaptors" />
      <button type="submit">Add</button>
    </form>
  `,
  styles: `
    :host {
      display: block;
      padding: 0.75rem;
      border-top: 1px solid var(--ft-line);
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 0.8rem;
      padding: 0.5rem 0;
    }
    .count {
      width: 5rem;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AdaptorList {
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly changes = inject(RigChanges);
  protected readonly adaptors = computed(() => this.studio()?.rig.adaptors ?? []);
  protected readonly plugs = CONNECTORS.filter((connector) => connector !== 'fixed' && connector !== 'host');

  protected add(name: string, a: string, b: string, count: string): void {
    const number = typedNumber(count);
    if (number === undefined) this.changes.complain('No adaptors were added: they need a number.');
    else
      this.changes.addAdaptor({
        name: name.trim(),
        connectors: [a as Connector, b as Connector],
        count: number,
      });
  }

  protected setCount(adaptor: Adaptor, text: string): void {
    const count = typedNumber(text);
    if (count === undefined) this.changes.complain(`“${text}” is not a number of adaptors.`);
    else this.changes.set('adaptor', adaptor, 'count', count);
  }
}
