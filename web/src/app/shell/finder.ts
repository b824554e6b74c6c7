import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { NgbTypeaheadSelectItemEvent } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { NgbTypeaheadModule } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { Store } from '@ngrx/store';
import type { OperatorFunction } from 'rxjs';
import { debounceTime, distinctUntilChanged, from, switchMap } from 'rxjs';
import type { FoundPlace } from '@ft/core/views/find';
import { PlanActions } from '../state/plan.feature';
import { Planner } from '../workers/planner.service';

const WAIT_MS = 80;

/** Finds a thread, device, station or jack; the strip shows what is chosen. */
@Component({
  selector: 'ft-finder',
  imports: [NgbTypeaheadModule],
  template: `
    <ng-template #row let-place="result">
      {{ place.name }} <span class="quiet">· {{ place.what }}</span>
    </ng-template>
    <input
      #field
      id="finder"
      type="text"
      placeholder="Find  /"
      aria-label="Find a thread, track, device, jack or label"
      [ngbTypeahead]="search"
      [inputFormatter]="nothing"
      [resultTemplate]="row"
      (selectItem)="choose($event, field)"
      (keydown.escape)="field.blur()"
    />
  `,
  styles: `
    input {
      width: 9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Finder {
  private readonly planner = inject(Planner);
  private readonly store = inject(Store);

  protected readonly search: OperatorFunction<string, readonly FoundPlace[]> = (text$) =>
    text$.pipe(
      debounceTime(WAIT_MS),
      distinctUntilChanged(),
      switchMap((text) => from(this.planner.api.find(text))),
    );
  protected readonly nothing = (): string => '';

  protected choose({ item }: NgbTypeaheadSelectItemEvent<FoundPlace>, field: HTMLInputElement): void {
    this.store.dispatch(PlanActions.select({ ref: item.ref }));
    field.value = '';
    field.blur();
  }
}
