import type { UndoState } from '@ft/contract/history';
import { undoStacks } from '@ft/core/edits/undoStack';
import type { Studio } from '@ft/core/session/studioSchema';
import { bare } from '../../server/src/history/bareLabel';
import type { StoredEntry } from '../../server/src/history/storedEntry';
import type { Documents, Standing, StoredStudio, StudioWrite } from '../../server/src/studios/documents';
import { documentsOf } from '../../server/src/studios/documents';
import { StaleWrite } from '../../server/src/studios/staleWrite';
import type { KeeperParts } from '../../server/src/studios/studioKeeper';

/** One studio and its history, kept in memory the way the database keeps them: as documents and lines. */
export class MemoryStudios {
  incarnation = 'first';
  readonly lines: StoredEntry[] = [];
  private documents: Documents;

  constructor(studio: Studio) {
    this.documents = documentsOf(studio);
  }

  /** Puts another studio in the place of this one, as if it had stood there from the start. */
  put(studio: Studio): void {
    this.documents = documentsOf(studio);
  }

  readonly store: KeeperParts['store'] = {
    read: (id) => Promise.resolve(id === this.documents.id ? this.stored() : undefined),
    standing: (id) => Promise.resolve(id === this.documents.id ? this.standing() : undefined),
    remove: () => Promise.resolve(false),
    append: (_id, from, write, entry) => {
      const { revision, incarnation } = this.standing();
      if (from.revision !== revision || from.incarnation !== incarnation)
        return Promise.reject(new StaleWrite(this.documents.id));
      this.documents = written(this.documents, write);
      this.lines.push(entry);
      return Promise.resolve();
    },
  };

  readonly history: KeeperParts['history'] = {
    entryAt: (_id, revision) => Promise.resolve(this.lines.find((line) => line.revision === revision)),
    entryOfChange: (_id, change) => Promise.resolve(this.lines.find((line) => line.change === change)),
    undoState: (_id, author) => Promise.resolve(this.undoState(author)),
  };

  undoState(author: string): UndoState {
    const { done, undone } = undoStacks(this.lines, author);
    const line = (revision: number | undefined): UndoState['undo'] => {
      const found = this.lines.find((each) => each.revision === revision);
      return found && { revision: found.revision, label: bare(found.label) };
    };
    const [undo, redo] = [line(done.at(-1)), line(undone.at(-1))];
    return { ...(undo && { undo }), ...(redo && { redo }) };
  }

  stored(): StoredStudio {
    return { documents: this.documents, ...this.standing() };
  }

  private standing(): Standing {
    return { revision: this.lines.length, incarnation: this.incarnation };
  }
}

function written(before: Documents, { name, rig, floor, sessions, gone }: StudioWrite): Documents {
  const changed = new Set([...sessions.map(({ id }) => id), ...gone]);
  const kept = before.sessions.filter(({ id }) => !changed.has(id));
  return {
    ...before,
    name,
    rig: rig ?? before.rig,
    floor: floor ?? before.floor,
    sessions: [...kept, ...sessions].sort((a, b) => (a.id < b.id ? -1 : 1)),
  };
}
