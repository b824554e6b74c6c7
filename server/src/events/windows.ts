import type { Gone, Pointing } from '@ft/contract/events';
import type { UndoState } from '@ft/contract/history';
import type { LogEvent } from '@ft/contract/takeLog';
import type { StoredEntry } from '../history/storedEntry';
import { entryJson } from '../history/storedEntry';
import type { EventStream } from './eventStream';

/** A window that looks at a studio. */
export interface Window {
  readonly stream: EventStream;
  readonly author: string;
  readonly tablet?: { readonly id: string; readonly name: string };
}

/** Proxies and browsers drop a silent connection; a comment now and then keeps it. */
const HEARTBEAT_MS = 20_000;

/** The windows that look at each studio, and what they are told. */
export class Windows {
  private readonly open = new Map<string, Set<Window>>();
  private readonly pointings = new Map<string, Pointing>();
  private readonly heartbeat = setInterval(() => {
    for (const { stream } of this.all()) stream.beat();
  }, HEARTBEAT_MS).unref();

  join(studioId: string, window: Window): void {
    this.open.set(studioId, (this.open.get(studioId) ?? new Set<Window>()).add(window));
  }

  leave(studioId: string, window: Window): void {
    const left = this.open.get(studioId);
    if (left?.delete(window) !== true) return;
    if (left.size === 0) {
      this.open.delete(studioId);
      this.pointings.delete(studioId);
    }
    this.announce(studioId);
  }

  /** Tells every window of a studio how many there are. */
  announce(studioId: string): void {
    const there = this.open.get(studioId) ?? new Set<Window>();
    for (const { stream } of there) stream.tell('presence', { windows: there.size });
  }

  /** What somebody points at, for all windows of the studio; those that come later hear it as well. */
  point(studioId: string, pointing: Pointing): void {
    const there = this.open.get(studioId);
    if (there === undefined) return;
    this.pointings.set(studioId, pointing);
    for (const { stream } of there) stream.tell('pointing', pointing);
  }

  /** Tells a window that has just come what is pointed at. */
  tellPointing(studioId: string, { stream }: Window): void {
    const pointing = this.pointings.get(studioId);
    if (pointing !== undefined) stream.tell('pointing', pointing);
  }

  /** A line of the history; whoever made it also hears what undo would take next. */
  entry(studioId: string, entry: StoredEntry, undo?: UndoState): void {
    const [plain, own] = [entryJson(entry), entryJson(entry, undo)];
    for (const { stream, author } of [...(this.open.get(studioId) ?? [])])
      stream.entry(entry.revision, author === entry.author ? own : plain);
  }

  /** Rows of a take log, as they are written. */
  log(studioId: string, event: LogEvent): void {
    for (const { stream } of [...(this.open.get(studioId) ?? [])]) stream.tell('log', event);
  }

  /** The studio is gone: its windows are told and let go. */
  gone(studioId: string, because: Gone['because']): void {
    for (const { stream } of [...(this.open.get(studioId) ?? [])]) {
      stream.tell('gone', { because } satisfies Gone);
      stream.end();
    }
  }

  /** A tablet that was revoked hears nothing more from that moment. */
  revoked(tabletId: string): void {
    for (const { stream, tablet } of this.all()) if (tablet?.id === tabletId) stream.end();
  }

  /** Paired tablets that are here, by name, with how many windows each has. */
  tablets(): readonly { name: string; windows: number }[] {
    const counts = new Map<string, number>();
    for (const { tablet } of this.all())
      if (tablet !== undefined) counts.set(tablet.name, (counts.get(tablet.name) ?? 0) + 1);
    return [...counts].map(([name, windows]) => ({ name, windows }));
  }

  get count(): number {
    return this.all().length;
  }

  close(): void {
    clearInterval(this.heartbeat);
    for (const { stream } of this.all()) stream.end();
  }

  private all(): readonly Window[] {
    return [...this.open.values()].flatMap((windows) => [...windows]);
  }
}
