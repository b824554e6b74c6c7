import type { Change } from '@ft/core/edits/change';
import type { Entry, Making } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import type { Refusal } from '@ft/core/edits/refusal';
import type { UndoTargets } from '@ft/core/edits/undoStack';
import { undoTargets } from '@ft/core/edits/undoStack';
import type { Studio } from '@ft/core/session/studioSchema';
import type { StudioAt, StudioStore } from './studioStore';

export type DeskAnswer =
  | { readonly ok: true; readonly entry: Entry }
  | { readonly ok: false; readonly refusal: Refusal; readonly studio: Studio }
  | { readonly ok: false; readonly missing: 'studio' | 'nothing-to-undo' | 'nothing-to-redo' };

/** Who makes a change, and on which paired device. */
export type Maker = Pick<Making, 'author' | 'device'>;

export type Listener = (studioId: string, entry: Entry) => void;

/**
 * Takes changes one after another, for all studios: each is applied to the latest revision, stored,
 * and only then told to anybody.
 */
export class StudioDesk {
  private queue: Promise<unknown> = Promise.resolve();
  private readonly listeners = new Set<Listener>();
  /** The latest of each studio, so that a change does not parse the whole document again. */
  private readonly latest = new Map<string, StudioAt>();

  constructor(
    private readonly store: StudioStore,
    private readonly now: () => string,
  ) {}

  onEntry(listener: Listener): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  async read(studioId: string): Promise<StudioAt | undefined> {
    const known = this.latest.get(studioId);
    if (known !== undefined) return known;
    const read = await this.store.read(studioId);
    if (read !== undefined) this.latest.set(studioId, read);
    return read;
  }

  /** Runs something that replaces or removes a studio, between changes. */
  exclusively<T>(studioId: string, work: () => Promise<T>): Promise<T> {
    return this.inTurn(async () => {
      this.latest.delete(studioId);
      return work();
    });
  }

  /** Applies a change. One that is already in the history is answered with its line, and not applied twice. */
  submit(studioId: string, change: Change, by: Maker): Promise<DeskAnswer> {
    return this.inTurn(() => this.apply(studioId, change, { ...by, at: this.now() }));
  }

  /** Takes back the author's last change, or the one at a revision. */
  undo(studioId: string, by: Maker, changeId: string, revision?: number): Promise<DeskAnswer> {
    return this.inTurn(async () => {
      const target = revision ?? (await this.targets(studioId, by.author)).undo;
      const entry = target === undefined ? undefined : await this.store.entryAt(studioId, target);
      if (entry === undefined) return { ok: false, missing: 'nothing-to-undo' };
      const change = { id: changeId, label: `Undo: ${entry.label}`, edits: [...entry.inverse] };
      return this.apply(studioId, change, { ...by, at: this.now(), undoes: entry.revision });
    });
  }

  /** Puts back what the author last undid. */
  redo(studioId: string, by: Maker, changeId: string): Promise<DeskAnswer> {
    return this.inTurn(async () => {
      const target = (await this.targets(studioId, by.author)).redo;
      const entry = target === undefined ? undefined : await this.store.entryAt(studioId, target);
      if (entry === undefined) return { ok: false, missing: 'nothing-to-redo' };
      const label = entry.label.replace(/^Undo: /, 'Redo: ');
      const change = { id: changeId, label, edits: [...entry.inverse] };
      return this.apply(studioId, change, { ...by, at: this.now(), redoes: entry.revision });
    });
  }

  async targets(studioId: string, author: string): Promise<UndoTargets> {
    return undoTargets(await this.store.stackOf(studioId), author);
  }

  private async apply(studioId: string, change: Change, making: Making): Promise<DeskAnswer> {
    const known = await this.store.entryOfChange(studioId, change.id);
    if (known !== undefined) return { ok: true, entry: known };
    const current = await this.read(studioId);
    if (current === undefined) return { ok: false, missing: 'studio' };
    const result = accept(current.studio, current.revision, change, making);
    if (!result.ok) return { ...result, studio: current.studio };
    await this.store.append(current.studio, result.studio, result.entry);
    this.latest.set(studioId, { studio: result.studio, revision: result.entry.revision });
    for (const listener of this.listeners) listener(studioId, result.entry);
    return { ok: true, entry: result.entry };
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.queue.then(work, work);
    this.queue = turn.catch(() => undefined);
    return turn;
  }
}
