import { timingSafeEqual } from 'node:crypto';
import type { DeviceRole } from '@ft/contract/sharing';

/** A code is good for this long, ms. */
const LIFE_MS = 10 * 60_000;
/** After this many wrong ones the code is void: eight digits guessed five times are one in twenty million. */
const MOST_WRONG = 5;
const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 60_000;

/** A code that stands, and what it gives. */
export interface StandingOffer {
  readonly code: string;
  readonly role: DeviceRole;
  /** Time it runs out, ms since 1970. */
  readonly until: number;
}

export type Redeemed =
  | { readonly ok: true; readonly role: DeviceRole }
  | { readonly ok: false; readonly code: 'no-offer' | 'wrong-code' }
  | { readonly ok: false; readonly code: 'too-fast'; readonly waitMs: number };

const sameCode = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/**
 * One-time pairing codes. One stands at a time; it is used up by the first device that names it. Every
 * wrong code makes the next attempt wait twice as long, whoever makes it.
 */
export class Pairing {
  private offer: StandingOffer | undefined;
  private wrong = 0;
  private notBefore = 0;

  /** @param digits eight random digits. */
  constructor(private readonly digits: () => string) {}

  /** Makes a new code; an earlier one is void from then on. */
  make(role: DeviceRole, now: number): StandingOffer {
    this.offer = { code: this.digits(), role, until: now + LIFE_MS };
    this.wrong = 0;
    return this.offer;
  }

  standing(now: number): StandingOffer | undefined {
    if (this.offer !== undefined && now >= this.offer.until) this.offer = undefined;
    return this.offer;
  }

  withdraw(): void {
    this.offer = undefined;
  }

  redeem(code: string, now: number): Redeemed {
    if (now < this.notBefore) return { ok: false, code: 'too-fast', waitMs: this.notBefore - now };
    const offer = this.standing(now);
    if (offer !== undefined && sameCode(code, offer.code)) {
      this.offer = undefined;
      this.wrong = 0;
      return { ok: true, role: offer.role };
    }
    this.wrong++;
    this.notBefore = now + Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (this.wrong - 1));
    if (this.wrong >= MOST_WRONG) this.offer = undefined;
    return { ok: false, code: offer === undefined ? 'no-offer' : 'wrong-code' };
  }
}
