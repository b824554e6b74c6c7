import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { controlId } from './live-control';

/** A text or figure that counts once its field is left with something else in it; what does not fit stays, and is told there. */
@Component({
  selector: 'ft-entry',
  imports: [ReactiveFormsModule],
  template: `
    <label [for]="id" [class.visually-hidden]="isLabelHidden()"
      >{{ label() }}
      @if (unit(); as text) {
        <span class="quiet">{{ text }}</span>
      }
    </label>
    <input
      type="text"
      autocomplete="off"
      [id]="id"
      [class.num]="isFigure()"
      [style.width.rem]="widthRem()"
      [maxlength]="most()"
      [placeholder]="typical()"
      [attr.inputmode]="isFigure() ? 'decimal' : null"
      [attr.aria-invalid]="problem() !== undefined"
      [attr.aria-describedby]="problem() === undefined ? null : id + '-problem'"
      [formControl]="control"
      (change)="enter()"
    />
    @if (problem(); as text) {
      <p class="error" role="alert" [id]="id + '-problem'">▲ {{ text }}</p>
    }
  `,
  styleUrl: './beside.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Entry {
  readonly label = input.required<string>();
  readonly isLabelHidden = input(false);
  readonly unit = input<string>();
  readonly isFigure = input(false);
  readonly widthRem = input<number>();
  readonly typical = input('');
  readonly most = input(200);
  readonly value = input.required<string>();
  /** Why a text does not fit; undefined where it does. */
  readonly refusal = input<(text: string) => string | undefined>(() => undefined);
  readonly entered = output<string>();
  protected readonly id = controlId();
  private readonly refused = signal<{ readonly text: string; readonly because: string } | undefined>(
    undefined,
  );
  private readonly typed = signal('');
  protected readonly control = new FormControl('', { nonNullable: true });
  /** It is told as long as what was refused stands there. */
  protected readonly problem = computed(() => {
    const refused = this.refused();
    return refused?.text === this.typed() ? refused.because : undefined;
  });

  constructor() {
    this.control.valueChanges.pipe(takeUntilDestroyed()).subscribe((text) => {
      this.typed.set(text);
    });
    // What does not fit stays although others change what it was to replace.
    effect(() => {
      const value = this.value();
      if (untracked(this.problem) === undefined) this.control.setValue(value);
    });
  }

  protected enter(): void {
    const text = this.typed();
    if (text === this.value()) return;
    const because = this.refusal()(text);
    this.refused.set(because === undefined ? undefined : { text, because });
    if (because === undefined) this.entered.emit(text);
  }
}
