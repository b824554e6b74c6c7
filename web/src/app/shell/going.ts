import { DOCUMENT, inject, Injectable, signal } from '@angular/core';
import { Here } from './here';
import { addressOf, OPEN_PLACES } from './stages';

/** How long `g` waits for its second key, ms. */
const WAITS_MS = 3000;

/** Two keys lead to any place: `g` and its letter; `g` and a number to that part of the place one is at. */
@Injectable({ providedIn: 'root' })
export class Going {
  private readonly document = inject(DOCUMENT);
  private readonly here = inject(Here);
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Whether the second key is waited for: the rail then shows the letters. */
  readonly waits = signal(false);

  begin(): void {
    this.end();
    this.waits.set(true);
    // Before anybody else: in a sheet the same letter would begin a cell.
    this.document.addEventListener('keydown', this.take, { capture: true });
    this.timer = setTimeout(this.end, WAITS_MS);
  }

  private readonly end = (): void => {
    clearTimeout(this.timer);
    this.document.removeEventListener('keydown', this.take, { capture: true });
    this.waits.set(false);
  };

  /** Takes the second key; one that leads nowhere ends the waiting. */
  private readonly take = (event: KeyboardEvent): void => {
    if (event.key.length > 1 && event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    this.end();
    const address = this.leadsTo(event.key.toLowerCase());
    if (address !== undefined) this.here.go(address);
  };

  private leadsTo(key: string): string | undefined {
    const place = OPEN_PLACES.find((each) => each.key === key);
    if (place !== undefined) return place.path;
    const at = this.here.at()?.place;
    const part = at?.parts[Number(key) - 1];
    return at === undefined || part === undefined ? undefined : addressOf(at, part);
  }
}
