import { timingSafeEqual } from 'node:crypto';
import type { TabletRole } from '@ft/contract/sharing';

/** A code is good for this long, ms. */
const LIFE_MS = 10 * 60_000;
/** An address that named so many wrong codes is not heard until there is a new one. */
const MOST_WRONG_EACH = 5;
/** After so many wrong ones from everywhere the code is void: eight digits, one chance in five hundred thousand. */
const MOST_WRONG = 200;
const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 60_000;
/** Addresses remembered at once. */
const MOST_ADDRESSES = 1000;

/** A code that stands, and what it gives. */
export interface StandingOffer {
  readonly code: string;
  readonly role: TabletRole;
  /** Time it runs out, ms since 1970. */
  readonly until: number;
}

export type Redeemed =
  | { readonly ok: true; readonly role: TabletRole }
  | { readonly ok: false; readonly code: 'no-offer' | 'wrong-code' }
  | { readonly ok: false; readonly code: 'too-fast'; readonly waitMs: number };

const sameCode = (a: string, b: string): boolean =>
  a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

interface Guesser {
  readonly wrong: number;
  readonly notBefore: number;
}

/**
 * One-time pairing codes. One stands at a time; it is used up by the first tablet that names it. Every wrong
 * code makes the next attempt from the same address wait twice as long: who guesses slows nobody but himself.
 */
export class Pairing {
  private offer: StandingOffer | undefined;
  private wrong = 0;
  private readonly guessers = new Map<string, Guesser>();

  /** @param digits eight random digits. */
  constructor(private readonly digits: () => string) {}

  /** Makes a new code; an earlier one is void from then on. */
  make(role: TabletRole, now: number): StandingOffer {
    this.offer = { code: this.digits(), role, until: now + LIFE_MS };
    this.wrong = 0;
    // Waits stand: a new code does not make guessing quicker. The count begins anew.
    for (const [address, { notBefore }] of this.guessers)
      if (notBefore <= now) this.guessers.delete(address);
      else this.guessers.set(address, { wrong: 0, notBefore });
    return this.offer;
  }

  standing(now: number): StandingOffer | undefined {
    if (this.offer !== undefined && now >= this.offer.until) this.offer = undefined;
    return this.offer;
  }

  withdraw(): void {
    this.offer = undefined;
  }

  /** @param address where the attempt comes from. */
  redeem(code: string, address: string, now: number): Redeemed {
    const guesser = this.guessers.get(address) ?? { wrong: 0, notBefore: 0 };
    if (now < guesser.notBefore) return { ok: false, code: 'too-fast', waitMs: guesser.notBefore - now };
    const offer = guesser.wrong < MOST_WRONG_EACH ? this.standing(now) : undefined;
    if (offer !== undefined && sameCode(code, offer.code)) {
      this.offer = undefined;
      this.guessers.delete(address);
      return { ok: true, role: offer.role };
    }
    this.note(address, guesser, now);
    return { ok: false, code: offer === undefined ? 'no-offer' : 'wrong-code' };
  }

  private note(address: string, { wrong }: Guesser, now: number): void {
    const waitMs = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** wrong);
    this.guessers.set(address, { wrong: wrong + 1, notBefore: now + waitMs });
    for (const oldest of this.guessers.keys()) {
      if (this.guessers.size <= MOST_ADDRESSES) break;
      this.guessers.delete(oldest);
    }
    this.wrong++;
    if (this.wrong >= MOST_WRONG) this.offer = undefined;
  }
}
