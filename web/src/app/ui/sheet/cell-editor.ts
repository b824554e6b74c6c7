import type { AfterViewInit, OnInit } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { NgbTypeaheadSelectItemEvent } from '@ng-bootstrap/ng-bootstrap/typeahead';
import { NgbTypeaheadModule } from '@ng-bootstrap/ng-bootstrap/typeahead';
import type { OperatorFunction } from 'rxjs';
import { debounceTime, merge, Subject, switchMap } from 'rxjs';
import type { SheetChoice } from './sheet-column';

const WAIT_MS = 60;

export type EditorMove = 'down' | 'right' | 'left' | 'none';

/** Where a key that leaves the editor goes on, rows and columns. */
export const EDITOR_STEPS: Readonly<Record<EditorMove, readonly [number, number]>> = {
  down: [1, 0],
  right: [0, 1],
  left: [0, -1],
  none: [0, 0],
};

/**
 * Edits one cell. In a choice cell, what is typed searches what can go there, best first; what others
 * would have to move for, and what cannot go there, stand below with a remark. Every keystroke is
 * reported, so that none is lost.
 */
@Component({
  selector: 'ft-cell-editor',
  imports: [NgbTypeaheadModule],
  template: `
    <ng-template #row let-choice="result">
      <span [class.quiet]="choice.because">{{ choice.name }}</span>
      @if (choice.because ?? choice.note; as remark) {
        <small class="quiet reason">{{ remark }}</small>
      }
    </ng-template>
    @if (search(); as find) {
      <input
        #field
        type="text"
        [attr.aria-label]="label()"
        [value]="text()"
        [ngbTypeahead]="choices"
        [resultTemplate]="row"
        [inputFormatter]="nameOf"
        container="body"
        (input)="typed.emit(field.value)"
        (selectItem)="pick($event)"
        (keydown)="onChoiceKey($event)"
        (blur)="left.emit()"
      />
    } @else {
      <input
        #field
        type="text"
        [attr.inputmode]="isFigure() ? 'decimal' : 'text'"
        maxlength="200"
        autocomplete="off"
        [attr.aria-label]="label()"
        [value]="text()"
        (input)="typed.emit(field.value)"
        (keydown)="onTextKey($event, field.value)"
        (blur)="leave(field.value)"
      />
    }
  `,
  styles: `
    input {
      width: 100%;
      min-width: 5.5rem;
      padding: 0 0.25rem;
      margin: -1px -0.25rem;
    }
    .reason {
      display: block;
      max-width: 26rem;
      white-space: normal;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CellEditor implements OnInit, AfterViewInit {
  readonly label = input.required<string>();
  readonly isFigure = input(false);
  /** Finds what can go into a choice cell; a cell that is simply typed has none. */
  readonly search = input<(text: string) => Promise<readonly SheetChoice[]>>();
  /** The text to start with. */
  readonly start = input.required<string>();
  /** True when the text was typed and should be added to, not replaced. */
  readonly keepText = input(false);

  readonly typed = output<string>();
  readonly entered = output<{ text: string; move: EditorMove }>();
  readonly chosen = output<SheetChoice>();
  readonly cancelled = output();
  readonly left = output();

  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  private readonly opened = new Subject<string>();
  private done = false;
  protected readonly text = signal('');

  protected readonly nameOf = (choice: SheetChoice | string): string =>
    typeof choice === 'string' ? choice : choice.name;
  protected readonly choices: OperatorFunction<string, readonly SheetChoice[]> = (text$) =>
    merge(text$.pipe(debounceTime(WAIT_MS)), this.opened).pipe(
      switchMap(async (text) => {
        const found = (await this.search()?.(text)) ?? [];
        this.foundFor = text;
        return found;
      }),
    );
  /** The text that the list below answers. */
  private foundFor: string | undefined;

  constructor() {
    // Before the list takes the key: it may still answer what was typed a moment ago.
    const { nativeElement } = inject<ElementRef<HTMLElement>>(ElementRef);
    nativeElement.addEventListener('keydown', (event) => void this.onQuickKey(event), true);
  }

  ngOnInit(): void {
    this.text.set(this.start());
  }

  /** At once, so that the next key already lands here. */
  ngAfterViewInit(): void {
    const field = this.field().nativeElement;
    field.focus();
    if (!this.keepText()) field.select();
    // Opened without a text of one's own, the list offers everything.
    this.opened.next(this.keepText() ? field.value : '');
  }

  protected pick(event: NgbTypeaheadSelectItemEvent<SheetChoice>): void {
    event.preventDefault();
    if (event.item.because !== undefined) return;
    this.done = true;
    this.chosen.emit(event.item);
  }

  /** Who types fast presses Enter before the list answers the last letter: the best answer is waited for. */
  private async onQuickKey(event: KeyboardEvent): Promise<void> {
    const [search, text] = [this.search(), this.field().nativeElement.value];
    const isQuick = (event.key === 'Enter' || event.key === 'Tab') && text !== this.foundFor;
    if (search === undefined || !isQuick || this.done) return;
    event.preventDefault();
    event.stopPropagation();
    this.done = true;
    const possible = (text === '' ? [] : await search(text)).filter(({ because }) => because === undefined);
    const best = possible.find(({ name }) => name.toLowerCase() === text.toLowerCase()) ?? possible[0];
    if (best === undefined) this.entered.emit({ text, move: 'none' });
    else this.chosen.emit(best);
  }

  protected onChoiceKey(event: KeyboardEvent): void {
    if (event.key === 'Escape') this.cancel(event);
  }

  protected onTextKey(event: KeyboardEvent, text: string): void {
    if (event.key === 'Escape') this.cancel(event);
    else if (event.key === 'Enter') this.enter(event, text, 'down');
    else if (event.key === 'Tab') this.enter(event, text, event.shiftKey ? 'left' : 'right');
  }

  /** Somebody clicked elsewhere: what stands there counts. */
  protected leave(text: string): void {
    if (this.done) return;
    this.done = true;
    this.entered.emit({ text, move: 'none' });
  }

  private enter(event: KeyboardEvent, text: string, move: EditorMove): void {
    event.preventDefault();
    event.stopPropagation();
    if (this.done) return;
    this.done = true;
    this.entered.emit({ text, move });
  }

  private cancel(event: KeyboardEvent): void {
    event.stopPropagation();
    this.done = true;
    this.cancelled.emit();
  }
}
