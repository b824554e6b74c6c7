import type { Signal } from '@angular/core';
import { effect } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';

/**
 * A control outside any form: it shows a value that others may change as well, and tells when the person at it does.
 * In an injection context.
 */
export function liveControl<T>(value: Signal<T>, tell: (value: T) => void): FormControl<T | null> {
  const control = new FormControl<T | null>(null);
  effect(() => {
    control.setValue(value(), { emitEvent: false });
  });
  control.valueChanges.pipe(takeUntilDestroyed()).subscribe((chosen) => {
    tell(chosen as T);
  });
  return control;
}

let made = 0;

/** An id for a control, so that its label leads to it. */
export const controlId = (): string => `control-${String(++made)}`;
