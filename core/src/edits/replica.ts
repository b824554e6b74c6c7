import type { Studio } from '../session/studioSchema';
import type { Change } from './change';
import { applyChange, applyNewChange } from './change';
import type { EditJson } from './editKind';
import type { Refusal } from './refusal';

/**
 * A window's copy of a studio: what the server last said, and the changes it has not yet confirmed.
 * `studio` is always the first with the second applied on top.
 */
export interface Replica {
  readonly revision: number;
  readonly confirmed: Studio;
  readonly pending: readonly Change[];
  readonly studio: Studio;
}

/** What the server says happened: one line of the history. */
export interface ServerEntry {
  readonly revision: number;
  readonly change: string;
  readonly edits: readonly EditJson[];
}

export const replicaOf = (studio: Studio, revision: number, pending: readonly Change[] = []): Replica =>
  rebuilt({ revision, confirmed: studio, pending, studio });

/** Applies the pending changes to the confirmed studio; one that no longer fits waits for the server's word. */
function rebuilt(replica: Replica): Replica {
  let studio = replica.confirmed;
  for (const change of replica.pending) {
    const result = applyChange(studio, change.edits);
    if (result.ok) studio = result.value;
  }
  return { ...replica, studio };
}

export type Proposal =
  { readonly ok: true; readonly replica: Replica } | { readonly ok: false; readonly refusal: Refusal };

/** Makes a change locally; it stays pending until the server confirms or refuses it. */
export function propose(replica: Replica, change: Change): Proposal {
  const result = applyNewChange(replica.studio, change.edits);
  if (!result.ok) return result;
  return { ok: true, replica: { ...replica, pending: [...replica.pending, change], studio: result.value } };
}

/** Whether a line is the change that was made here first, as it was made: then all stands here as it says. */
function isFirstPending({ pending: [first] }: Replica, entry: ServerEntry): boolean {
  return first?.id === entry.change && JSON.stringify(first.edits) === JSON.stringify(entry.edits);
}

/**
 * Takes in a line of the history, own or somebody else's. A line already known changes nothing but that
 * its change is no longer pending: after a reload the answer to it may come later than the line did.
 */
export function receive(replica: Replica, entry: ServerEntry): Replica {
  if (entry.revision <= replica.revision) return withdraw(replica, entry.change);
  if (entry.revision !== replica.revision + 1) throw new Error('a line of the history is missing');
  const { revision } = entry;
  const isFirst = isFirstPending(replica, entry);
  // The usual case, and nothing to work out: what was shown before the server's word is what it says.
  if (isFirst && replica.pending.length === 1 && replica.studio !== replica.confirmed)
    return { ...replica, revision, confirmed: replica.studio, pending: [] };
  const result = applyChange(replica.confirmed, entry.edits);
  if (!result.ok) throw new Error('the server accepted a change that does not apply here');
  const pending = replica.pending.filter((change) => change.id !== entry.change);
  const next = { ...replica, revision, confirmed: result.value, pending };
  return isFirst ? next : rebuilt(next);
}

/** Drops a pending change: one the server refused, or has had for long. */
export function withdraw(replica: Replica, changeId: string): Replica {
  const pending = replica.pending.filter((change) => change.id !== changeId);
  return pending.length === replica.pending.length ? replica : rebuilt({ ...replica, pending });
}
