import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import type { NgbTypeaheadSelectItemEvent } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { NgbTypeaheadModule } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { Store } from '@ngrx/store';
import type { OperatorFunction } from 'rxjs';
import { debounceTime, distinctUntilChanged, switchMap } from 'rxjs';
import { ranked } from '@ft/core/text/nameMatch';
import type { FoundPlace } from '@ft/core/views/find';
import { PlanActions } from '../state/plan.feature';
import { Planner } from '../workers/planner.service';
import { Here } from './here';
import type { PartAddress } from './stages';
import { fullName, PARTS } from './stages';

const WAIT_MS = 80;
/** Of the pages the nearest few: what is in the studio is looked for more often. */
const MOST_PAGES = 3;

/** A page of the program, found by its name. */
interface FoundPage {
  readonly address: PartAddress;
  readonly name: string;
  readonly what: 'page';
}
type Found = FoundPlace | FoundPage;

const PAGES: readonly FoundPage[] = PARTS.map((located) => ({
  address: located.address,
  name: fullName(located),
  what: 'page',
}));

/** Finds a page, thread, device, station or jack; goes to a page, and shows the strip of anything else. */
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
      aria-label="Find a page, thread, track, device, jack or label"
      [ngbTypeahead]="search"
      [inputFormatter]="nothing"
      [resultTemplate]="row"
      (selectItem)="choose($event, field)"
      (keydown.escape)="field.blur()"
    />
  `,
  styles: `
    input {
      width: 7.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Finder {
  private readonly here = inject(Here);
  private readonly planner = inject(Planner);
  private readonly store = inject(Store);

  protected readonly search: OperatorFunction<string, readonly Found[]> = (text$) =>
    text$.pipe(
      debounceTime(WAIT_MS),
      distinctUntilChanged(),
      switchMap((text) => this.find(text)),
    );
  protected readonly nothing = (): string => '';

  private async find(text: string): Promise<readonly Found[]> {
    if (text.trim() === '') return [];
    const pages = ranked(PAGES, ({ name }) => name, text).slice(0, MOST_PAGES);
    // Without a plan the pages can be found all the same.
    const places = await this.planner.api.find(text).catch(() => []);
    return [...pages, ...places];
  }

  protected choose({ item }: NgbTypeaheadSelectItemEvent<Found>, field: HTMLInputElement): void {
    if (item.what === 'page') this.here.go(item.address);
    else this.store.dispatch(PlanActions.select({ ref: item.ref }));
    field.value = '';
    field.blur();
  }
}
