import { createActionGroup, emptyProps, props } from '@ngrx/store';
import type { Gone, Pointing } from '@ft/contract/events';
import type { EntryMessage, UndoState } from '@ft/contract/history';
import type { StudioAt } from '@ft/contract/studioAt';
import type { Change } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import type { Draft } from './draft.feature';
import type { KeptChanges } from './pending-store';

export const StudioActions = createActionGroup({
  source: 'Studio',
  events: {
    Open: props<{ studioId: string; place: ScenePlace }>(),
    Opened: props<{ studioId: string; at: StudioAt; kept: KeptChanges }>(),
    /** Loads the studio anew; what is not sent yet is kept. */
    Reload: emptyProps(),
    /** The studio is not there any more, or another one has its id. */
    Gone: props<{ because: Gone['because'] }>(),
    /** What could not be sent is kept here and tried again; why. */
    'Kept waiting': props<{ reason: string }>(),
    /** Changes made in an earlier studio of this id: made in this one, or given up. */
    'Take strays': emptyProps(),
    'Drop strays': emptyProps(),
    'Open failed': props<{ message: string }>(),
    Close: emptyProps(),
    /** The server now knows what it was not told yet when the studio was left, or which session is open. */
    'Caught up': emptyProps(),
    /** A person's change: what it is called, and its edits. `draft` is kept should the server refuse. */
    Change: props<{ label: string; edits: readonly Edit[]; draft?: Draft }>(),
    Proposed: props<{ change: Change; draft?: Draft }>(),
    'Entry arrived': props<{ entry: EntryMessage }>(),
    Refused: props<{ changeId: string; label: string; message: string }>(),
    Undo: props<{ revision?: number }>(),
    Redo: emptyProps(),
    'Undo state': props<{ state: UndoState }>(),
    Connection: props<{ live: boolean }>(),
    Presence: props<{ windows: number }>(),
    /** Somebody selected something in a window that shares its selection. */
    Pointed: props<{ pointing: Pointing }>(),
    Notice: props<{ tone: 'said' | 'trouble'; text: string }>(),
    'Dismiss notice': props<{ id: number }>(),
  },
});
