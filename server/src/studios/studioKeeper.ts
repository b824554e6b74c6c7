import type { Change } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import type { Making } from '@ft/core/edits/ledger';
import { trustRig } from '@ft/core/session/integrity';
import type { HistoryStore } from '../history/historyStore';
import type { StoredEntry } from '../history/storedEntry';
import type { AcceptOutput } from '../jobs/acceptTask';
import type { JobPool } from '../jobs/jobPool';
import type { Order } from './acceptance';
import { acceptOrder } from './acceptance';
import type { StoredStudio, StudioAt } from './documents';
import { LARGE_TEXT, sizeOf, studioOf } from './documents';
import type { Answer, Listener, Maker } from './keeping';
import { LatestStudios } from './latestStudios';
import type { StudioStore } from './studioStore';
import { StaleWrite } from './staleWrite';
import { Turns } from './turns';
import { warmRig } from './warmRig';

/** More edits than this in one change are applied beside the server. */
const MANY_EDITS = 500;

/** What it needs of the stores; the tests of the screen keep a studio in memory behind it. */
export interface KeeperParts {
  readonly store: Pick<StudioStore, 'read' | 'standing' | 'append' | 'remove'>;
  readonly history: Pick<HistoryStore, 'entryOfChange' | 'entryAt' | 'undoState'>;
  readonly pool: Pick<JobPool, 'run'>;
  /** The current time, ISO 8601. */
  readonly now: () => string;
  /** Told when somebody who listens fails; what was stored stays stored. */
  readonly onListenerError: (error: unknown) => void;
}

/**
 * Takes the changes of each studio one after another: each is applied to the latest revision, stored, and only
 * then told to anybody. Studios do not wait for each other.
 */
export class StudioKeeper {
  private readonly turns = new Turns();
  private readonly listeners = new Set<Listener>();
  private readonly latest = new LatestStudios();

  constructor(private readonly parts: KeeperParts) {}

  listen(listener: Listener): void {
    this.listeners.add(listener);
  }

  /** A studio as it stands. What is read while somebody writes is one moment, and never replaces a newer one. */
  async read(studioId: string): Promise<StudioAt | undefined> {
    const known = this.latest.get(studioId);
    if (known !== undefined) return known;
    const mark = this.latest.mark(studioId);
    const stored = await this.parts.store.read(studioId);
    if (stored === undefined) return undefined;
    const at = await this.parsed(stored);
    trustRig(at.studio.rig);
    this.latest.put(studioId, at, mark);
    return at;
  }

  /** Runs something that makes, replaces or removes a studio, between its changes. */
  exclusively<T>(studioId: string, work: () => Promise<T>): Promise<T> {
    return this.turns.take(studioId, async () => {
      try {
        return await work();
      } finally {
        this.latest.forget(studioId);
      }
    });
  }

  /** Removes a studio, and tells its windows. */
  async remove(studioId: string): Promise<boolean> {
    const isRemoved = await this.exclusively(studioId, () => this.parts.store.remove(studioId));
    if (isRemoved)
      this.tell((listener) => {
        listener.gone(studioId);
      });
    return isRemoved;
  }

  /** Applies a change. One that is already in the history is answered with its line, and not applied twice. */
  submit(studioId: string, change: Change, by: Maker, incarnation?: string): Promise<Answer> {
    return this.inTurn(studioId, incarnation, async () => {
      const known = await this.parts.history.entryOfChange(studioId, change.id);
      if (known === undefined) return this.apply(studioId, this.order(change, by));
      const isSame =
        known.author === by.author &&
        known.label === change.label &&
        known.edits === JSON.stringify(change.edits);
      return isSame ? this.stored(studioId, known) : { ok: false, clash: 'change-id-taken' };
    });
  }

  /** Takes back the author's last change, or the one at a revision. */
  undo(
    studioId: string,
    by: Maker,
    changeId: string,
    { revision, incarnation }: { readonly revision?: number; readonly incarnation?: string } = {},
  ): Promise<Answer> {
    return this.inTurn(studioId, incarnation, async () => {
      const done = await this.already(studioId, changeId, by);
      if (done !== undefined) return done;
      const target = revision ?? (await this.parts.history.undoState(studioId, by.author)).undo?.revision;
      const entry = target === undefined ? undefined : await this.parts.history.entryAt(studioId, target);
      if (entry === undefined) return { ok: false, missing: 'nothing-to-undo' };
      return this.takeBack(studioId, entry, by, {
        ...{ id: changeId, label: `Undo: ${entry.label}` },
        undoes: entry.revision,
      });
    });
  }

  /** Puts back what the author last undid. */
  redo(studioId: string, by: Maker, changeId: string, incarnation?: string): Promise<Answer> {
    return this.inTurn(studioId, incarnation, async () => {
      const done = await this.already(studioId, changeId, by);
      if (done !== undefined) return done;
      const target = (await this.parts.history.undoState(studioId, by.author)).redo?.revision;
      const entry = target === undefined ? undefined : await this.parts.history.entryAt(studioId, target);
      if (entry === undefined) return { ok: false, missing: 'nothing-to-redo' };
      return this.takeBack(studioId, entry, by, {
        ...{ id: changeId, label: entry.label.replace(/^Undo: /, 'Redo: ') },
        redoes: entry.revision,
      });
    });
  }

  /** Waits for every change that was taken in. */
  idle(): Promise<void> {
    return this.turns.idle();
  }

  /** Between the changes of a studio, and only if it is the one that is meant. */
  private inTurn(
    studioId: string,
    incarnation: string | undefined,
    work: () => Promise<Answer>,
  ): Promise<Answer> {
    return this.turns.take(studioId, async () => {
      const standing = await this.parts.store.standing(studioId);
      if (standing === undefined) return { ok: false, missing: 'studio' };
      if (incarnation !== undefined && incarnation !== standing.incarnation)
        return { ok: false, clash: 'replaced' };
      return work();
    });
  }

  /** A request sent again: its change has been made. */
  private async already(studioId: string, changeId: string, by: Maker): Promise<Answer | undefined> {
    const known = await this.parts.history.entryOfChange(studioId, changeId);
    if (known === undefined) return undefined;
    const takesBack = known.undoes !== undefined || known.redoes !== undefined;
    return known.author === by.author && takesBack
      ? this.stored(studioId, known)
      : { ok: false, clash: 'change-id-taken' };
  }

  private async takeBack(
    studioId: string,
    entry: StoredEntry,
    by: Maker,
    { id, label, ...about }: Pick<Change, 'id' | 'label'> & Pick<Making, 'undoes' | 'redoes'>,
  ): Promise<Answer> {
    const edits = JSON.parse(entry.inverse) as EditJson[];
    return this.apply(studioId, this.order({ id, label, edits }, by, about));
  }

  private order(
    change: Change,
    { author, tablet, ticksOnly }: Maker,
    about: Pick<Making, 'undoes' | 'redoes'> = {},
  ): Order {
    const making = { author, at: this.parts.now(), ...(tablet !== undefined && { tablet }), ...about };
    return { change, making, ticksOnly };
  }

  /** What was worked out from a studio that has changed since is worked out once more. */
  private async apply(studioId: string, order: Order): Promise<Answer> {
    try {
      return await this.applyOnce(studioId, order);
    } catch (error) {
      // Whatever could not be stored: what is kept in memory is read anew before it is trusted again.
      this.latest.forget(studioId);
      if (error instanceof StaleWrite) return this.applyOnce(studioId, order);
      throw error;
    }
  }

  private applyOnce(studioId: string, order: Order): Promise<Answer> {
    return order.change.edits.length > MANY_EDITS
      ? this.applyMany(studioId, order)
      : this.applyFew(studioId, order);
  }

  private async applyFew(studioId: string, order: Order): Promise<Answer> {
    const current = await this.read(studioId);
    if (current === undefined) return { ok: false, missing: 'studio' };
    const result = acceptOrder(current.studio, current.revision, order);
    if (!result.ok) return result;
    await this.parts.store.append(studioId, current, result.write, result.entry);
    const { incarnation } = current;
    this.latest.renew(studioId, { studio: result.after, revision: result.entry.revision, incarnation });
    return this.told(studioId, result.entry);
  }

  private async applyMany(studioId: string, order: Order): Promise<Answer> {
    const stored = await this.parts.store.read(studioId);
    if (stored === undefined) return { ok: false, missing: 'studio' };
    const { documents, revision } = stored;
    const result: AcceptOutput = await this.parts.pool.run('accept', { documents, revision, order });
    if (!result.ok) return result;
    await this.parts.store.append(studioId, stored, result.write, result.entry);
    this.latest.forget(studioId);
    return this.told(studioId, result.entry);
  }

  /** Tells everybody. It is stored: whatever fails from here on fails for whoever it concerns alone. */
  private async told(studioId: string, entry: StoredEntry): Promise<Answer> {
    const answer = await this.stored(studioId, entry);
    this.tell((listener) => {
      listener.entry(studioId, entry, answer.undo);
    });
    return answer;
  }

  private async stored(studioId: string, entry: StoredEntry): Promise<Extract<Answer, { ok: true }>> {
    const undo = await this.parts.history.undoState(studioId, entry.author).catch(() => undefined);
    return { ok: true, entry, ...(undo && { undo }) };
  }

  private async parsed({ documents, revision, incarnation }: StoredStudio): Promise<StudioAt> {
    if (sizeOf(documents) <= LARGE_TEXT) return { studio: studioOf(documents), revision, incarnation };
    const studio = await this.parts.pool.run('readStudio', documents);
    await warmRig(studio.rig);
    return { studio, revision, incarnation };
  }

  private tell(what: (listener: Listener) => void): void {
    for (const listener of this.listeners)
      try {
        what(listener);
      } catch (error) {
        this.parts.onListenerError(error);
      }
  }
}
