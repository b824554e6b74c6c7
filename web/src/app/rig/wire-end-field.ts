import { ChangeDetectionStrategy, Component, inject, input, model, output } from '@angular/core';
import type { NgbTypeaheadSelectItemEvent } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { NgbTypeaheadModule } from '@ng-bootstrap/ng-bootstrap/typeahead';
import type { OperatorFunction } from 'rxjs';
import { debounceTime, from, switchMap } from 'rxjs';
import type { WireEnd } from '@ft/core/plan/rigView';
import { Planner } from '../workers/planner.service';

const WAIT_MS = 60;

/** Finds a rear connector by name, free ones first. */
@Component({
  selector: 'ft-wire-end-field',
  imports: [NgbTypeaheadModule],
  template: `
    <ng-template #row let-end="result">
      {{ end.name }}
      @if (end.wired) {
        <span class="quiet">· wired already</span>
      }
    </ng-template>
    <input
      type="text"
      [attr.aria-label]="label()"
      [placeholder]="label()"
      [value]="text()"
      [ngbTypeahead]="search"
      [resultTemplate]="row"
      [inputFormatter]="nameOf"
      (input)="text.set($any($event.target).value)"
      (selectItem)="choose($event)"
    />
  `,
  styles: `
    input {
      width: 15rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WireEndField {
  readonly direction = input.required<'in' | 'out'>();
  readonly label = input.required<string>();
  readonly text = model('');
  readonly chosen = output<WireEnd>();
  private readonly planner = inject(Planner);

  protected readonly nameOf = (end: WireEnd | string): string => (typeof end === 'string' ? end : end.name);
  protected readonly search: OperatorFunction<string, readonly WireEnd[]> = (text$) =>
    text$.pipe(
      debounceTime(WAIT_MS),
      switchMap((text) => from(this.planner.api.wireEnds(this.direction(), text))),
    );

  protected choose({ item }: NgbTypeaheadSelectItemEvent<WireEnd>): void {
    this.text.set(item.name);
    this.chosen.emit(item);
  }
}
