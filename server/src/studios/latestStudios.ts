import type { StudioAt } from './documents';

/** This many studios are kept read: who works in one does not wait for it to be read again. */
const MOST_KEPT = 12;

/**
 * The latest of each studio in memory. Whatever was read before a studio changed cannot come in after it: a
 * reader takes a mark first, and every change makes earlier marks worthless.
 */
export class LatestStudios {
  private readonly kept = new Map<string, StudioAt>();
  private readonly marks = new Map<string, number>();

  get(studioId: string): StudioAt | undefined {
    const found = this.kept.get(studioId);
    if (found === undefined) return undefined;
    // The one asked for last is let go last.
    this.kept.delete(studioId);
    this.kept.set(studioId, found);
    return found;
  }

  mark(studioId: string): number {
    return this.marks.get(studioId) ?? 0;
  }

  /** Keeps what was read, unless the studio has changed since the mark was taken. */
  put(studioId: string, at: StudioAt, mark: number): void {
    if (mark !== this.mark(studioId)) return;
    this.kept.set(studioId, at);
    for (const oldest of this.kept.keys()) {
      if (this.kept.size <= MOST_KEPT) return;
      this.kept.delete(oldest);
    }
  }

  /** Keeps what a change made. */
  renew(studioId: string, at: StudioAt): void {
    this.forget(studioId);
    this.put(studioId, at, this.mark(studioId));
  }

  forget(studioId: string): void {
    this.marks.set(studioId, this.mark(studioId) + 1);
    this.kept.delete(studioId);
  }
}
