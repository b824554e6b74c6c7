import type { Signal } from '@angular/core';
import { linkedSignal } from '@angular/core';

/** The row of a sheet the keys have come to, as it is now and as long as it is there. */
export class Reached<R> {
  private readonly last;
  readonly row: Signal<R | undefined>;

  constructor(rows: Signal<readonly R[]>, rowId: (row: R) => string) {
    const last = linkedSignal<readonly R[], R | undefined>({
      source: rows,
      computation: (now, before) => {
        const was = before?.value;
        return was === undefined ? undefined : now.find((row) => rowId(row) === rowId(was));
      },
    });
    this.last = last;
    this.row = last.asReadonly();
  }

  come(row: R): void {
    this.last.set(row);
  }
}
