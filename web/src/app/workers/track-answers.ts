import type { Edit } from '@ft/core/edits/make';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import { readTracksCsv, tracksCsv } from '@ft/core/formats/csv/tracksCsv';
import type { CellsEdits } from '@ft/core/actions/cellsEdits';
import type { TrackCell } from '@ft/core/actions/mix/trackCellsEdits';
import { trackCellsEdits } from '@ft/core/actions/mix/trackCellsEdits';
import { removedTrackEdits } from '@ft/core/actions/mix/removedTrack';
import { hostEdits, removeBusEdits, templateEdits } from '@ft/core/actions/mix/trackEdits';
import type { TrackRow } from '@ft/core/views/mix/trackView';
import { trackRows } from '@ft/core/views/mix/trackView';
import type { Bus, Track } from '@ft/core/session/daw/trackSchema';
import type { TrackTemplate } from '@ft/core/session/daw/trackTemplate';
import type { WorkerState } from './worker-state';

/** What the screen of the DAW's tracks may ask. */
export interface TrackAnswers {
  trackRows(): readonly TrackRow[];
  /** Texts for cells of the track sheet: typed, pasted, filled down, emptied. */
  trackCells(cells: readonly TrackCell[]): CellsEdits;
  templateTracks(template: TrackTemplate): readonly Edit[];
  removeTrack(track: Track): readonly Edit[];
  removeBus(bus: Bus): readonly Edit[];
  readTracks(text: string): TableReading;
  writeTracks(): string;
}

/** Answers about the tracks of the session last planned. */
export function createTrackAnswers(there: () => WorkerState): TrackAnswers {
  const session = (): WorkerState['context']['session'] => there().context.session;
  const withHost = (): readonly Edit[] => hostEdits(there().studio.rig, session());
  return {
    trackRows: () => trackRows(there().context),
    trackCells: (cells) => trackCellsEdits(there().studio, session().id, cells),
    templateTracks: (template) => [...withHost(), ...templateEdits(session(), template)],
    removeTrack: (track) => removedTrackEdits(there(), track),
    removeBus: (bus) => removeBusEdits(session(), bus),
    readTracks(text) {
      const read = readTracksCsv(text, session());
      return read.ok && read.edits.length > 0 ? { ...read, edits: [...withHost(), ...read.edits] } : read;
    },
    writeTracks: () => tracksCsv(session()),
  };
}
