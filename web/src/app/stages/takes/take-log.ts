import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { OnDestroy } from '@angular/core';
import { Store } from '@ngrx/store';
import type { LogOp, LogRow, Note, NoteKind, Punch } from '@ft/core/takes/logRows';
import { counterAt, heardAt, startOf, syncRefusal } from '@ft/core/takes/counter';
import { runningIn } from '@ft/core/takes/applyOps';
import type { Made } from '@ft/core/takes/newRows';
import { changesOf } from '@ft/core/takes/takeBack';
import { rowName } from '@ft/core/views/takes/logLines';
import { newNote, newTake, punchOf, takeSettings, tracksOf } from '@ft/core/takes/newRows';
import { threadsIn } from '@ft/core/session/sessionSchema';
import { Changes } from '../../state/changes';
import { keptOps, pendingOps } from '../../state/log-pending';
import { LogActions, logFeature } from '../../state/log.feature';
import { newId } from '../../state/new-id';
import { studioFeature } from '../../state/studio.feature';
import { TimecodeSource } from './timecode-source';

const BY_KEY = 'ft-notes-by';

/** What a take is started with. */
export interface Run {
  readonly reel: string;
  readonly performers: readonly string[];
  readonly counterS: number;
  readonly of?: string;
  readonly punch?: Punch;
}

/** The take log of the session, and everything that is done with it. Nothing here waits for the server. */
@Injectable()
export class TakeLog implements OnDestroy {
  private readonly store = inject(Store);
  private readonly changes = inject(Changes);
  private readonly host = inject(TimecodeSource);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  readonly log = this.store.selectSignal(logFeature.selectLog);
  readonly isLoaded = this.store.selectSignal(logFeature.selectIsLoaded);
  readonly waiting = computed(() => this.pending().length);
  readonly running = computed(() => runningIn(this.log()));
  readonly settings = computed(() => takeSettings(this.found()?.session ?? {}));
  readonly lines = computed(() => {
    const found = this.found();
    return found === undefined ? [] : threadsIn(found.session, found.scene);
  });
  private readonly pending = this.store.selectSignal(logFeature.selectPending);
  private readonly undoState = this.store.selectSignal(studioFeature.selectUndoState);
  private readonly sessionId = computed(() => this.found()?.session.id);
  /** Who notes at this browser. */
  readonly by = signal(localStorage.getItem(BY_KEY) ?? 'Control room');

  constructor() {
    effect(() => {
      const [studioId, session] = [this.studioId(), this.sessionId()];
      if (studioId !== null && session !== undefined)
        this.store.dispatch(LogActions.open({ studioId, session, kept: keptOps(studioId, session) }));
    });
  }

  ngOnDestroy(): void {
    this.store.dispatch(LogActions.close());
  }

  /** The counter at a moment: the host's where it is followed, else that of the take that runs. */
  counterS(nowMs: number): number | undefined {
    const take = this.running();
    return this.host.nowS(nowMs) ?? (take === undefined ? undefined : counterAt(take, nowMs));
  }

  start({ reel, performers, counterS, of, punch }: Run): void {
    const made = this.made();
    if (made === undefined) return;
    const nowMs = Date.now();
    const tracks = punch?.tracks ?? tracksOf(this.lines(), performers);
    const take = newTake(made, this.log(), {
      ...{ reel, performers: [...performers], tracks, atMs: nowMs },
      counterS: punch === undefined ? (this.host.nowS(nowMs) ?? counterS) : counterS,
      ...(of !== undefined && { of }),
      ...(punch !== undefined && { punch: punch.id }),
    });
    this.send(rowName(take), [{ op: 'add', row: take }]);
  }

  stop(): void {
    const [take, nowMs] = [this.running(), Date.now()];
    if (take === undefined) return;
    const endS = Math.max(startOf(take), this.counterS(nowMs) ?? startOf(take));
    this.set(take, { endedAt: new Date(nowMs).toISOString(), endS }, 'stopped');
  }

  /** Drops a note at what was heard a moment ago; nothing of the run is interrupted. */
  note(about?: NoteKind): void {
    const [take, made] = [this.running(), this.made()];
    if (take === undefined || made === undefined) {
      this.changes.complain(
        'No take runs: a note has no time yet. Start one, or type the time into a note of a take.',
      );
      return;
    }
    const nowMs = Date.now();
    const { reactionS } = this.settings();
    const host = this.host.nowS(nowMs);
    const heardS =
      host === undefined ? heardAt(take, nowMs, reactionS) : Math.max(startOf(take), host - reactionS);
    const row = newNote(made, take, heardS, about);
    this.send(rowName(row), [{ op: 'add', row }]);
  }

  /** Sets the counter of the take that runs to where the host stands. */
  sync(): void {
    const [take, nowMs] = [this.running(), Date.now()];
    const counterS = this.host.nowS(nowMs);
    if (take === undefined || counterS === undefined) {
      this.changes.complain(
        'There is no reading of the host. Choose what is followed, and let the host run.',
      );
      return;
    }
    const sync = { atMs: nowMs, counterS };
    const why = syncRefusal(take, sync);
    if (why === undefined) this.set(take, { syncs: [...take.syncs, sync] }, 'set to the host');
    else this.changes.complain(why);
  }

  called(name: string): void {
    this.by.set(name);
    localStorage.setItem(BY_KEY, name);
  }

  /** @param deed what is done to the row, as undo calls it. */
  set(row: LogRow, fields: Readonly<Record<string, unknown>>, deed = 'changed'): void {
    this.send(`${rowName(row)} ${deed}`, [{ op: 'set', id: row.id, fields: { ...fields } }]);
  }

  /** Agreed, it becomes a punch of everybody who played; not agreed any more, the punch is crossed out. */
  agree(note: Note, agreed: boolean | null): void {
    const [made, found, take] = [this.made(), this.found(), this.log().get(note.take)];
    if (made === undefined || found === undefined || take?.kind !== 'take') return;
    const own = [...this.log().values()].filter(
      (row): row is Punch => row.kind === 'punch' && row.note === note.id,
    );
    const ops: LogOp[] = [
      { op: 'set', id: note.id, fields: { agreed, agreedBy: agreed === null ? null : made.by } },
      ...own.map(({ id }): LogOp => ({ op: 'set', id, fields: { struck: agreed === true ? null : true } })),
    ];
    if (agreed === true && own.length === 0)
      for (const performer of take.performers.length === 0 ? [''] : take.performers) {
        const who = {
          performer,
          tracks: performer === '' ? take.tracks : tracksOf(this.lines(), [performer]),
        };
        const punch = punchOf({ ...made, id: newId() }, found.session, note, take, who);
        ops.push({ op: 'add', row: punch });
      }
    this.send(`${rowName(note)} ${agreed === true ? 'agreed' : 'not agreed'}`, ops);
  }

  private made(): Made | undefined {
    const session = this.sessionId();
    if (session === undefined) return undefined;
    return { id: newId(), session, at: new Date().toISOString(), by: this.by() };
  }

  /** Makes operations at once; undo calls them by the label. */
  private send(label: string, ops: readonly LogOp[]): void {
    const changes = changesOf(this.log(), ops);
    const step = { label, changes, after: this.undoState().undo?.revision ?? 0 };
    this.store.dispatch(LogActions.make({ ops: pendingOps(ops), ...(changes.length > 0 && { step }) }));
  }
}
