import { Directive, ElementRef, inject, input } from '@angular/core';
import { NgbTypeahead } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { debounceTime, fromEvent, map, merge } from 'rxjs';
import type { OperatorFunction } from 'rxjs';
import { ranked } from '@ft/core/text/nameMatch';

/** Something that can be typed into a field, by its name. */
interface Offer {
  readonly name: string;
}

const MOST_OFFERED = 12;
const WAIT_MS = 60;

/**
 * Offers what answers what is typed, best first, below the field; anything else can be typed as well.
 * @see NgbTypeahead, which it is: arrows choose, Enter and Tab take, Esc closes.
 */
@Directive({
  selector: 'input[ftTypeToFind]',
  hostDirectives: [NgbTypeahead],
})
export class TypeToFind {
  readonly offers = input.required<readonly Offer[]>({ alias: 'ftTypeToFind' });
  private readonly field = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;

  constructor() {
    const typeahead = inject(NgbTypeahead);
    const focused = fromEvent(this.field, 'focus').pipe(map(() => this.field.value));
    const find: OperatorFunction<string, readonly string[]> = (typed) =>
      merge(typed.pipe(debounceTime(WAIT_MS)), focused).pipe(map((text) => this.answering(text)));
    typeahead.ngbTypeahead = find;
    typeahead.container = 'body';
    typeahead.editable = true;
    typeahead.focusFirst = false;
  }

  private answering(text: string): readonly string[] {
    const typed = text.trim().toLowerCase();
    const all = ranked(this.offers(), ({ name }) => name, text).map(({ name }) => name);
    // What has the words as they stand comes before what has them here and there.
    const whole = all.filter((name) => name.toLowerCase().includes(typed));
    const found = [...whole, ...all.filter((name) => !whole.includes(name))];
    const isWhole = found.length === 1 && found[0] === text;
    return isWhole ? [] : found.slice(0, MOST_OFFERED);
  }
}
