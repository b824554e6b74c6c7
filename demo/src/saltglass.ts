import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import { readTracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { applyChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { addThreadEdits } from '@ft/core/plan/threadEdits';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import type { Line } from './inputList';
import { LINES } from './inputList';
import { saltglassRig } from './saltglassRig';
import { TRACK_LIST } from './trackList';

const PLACE = { session: 'lamplighters-ledger', scene: 'tracking' } as ScenePlace;

/** The studio before its threads: rig, session and an empty scene. */
function emptyStudio(): Studio {
  return studioSchema.parse({
    id: 'saltglass-rooms',
    name: 'Saltglass Rooms',
    rig: saltglassRig(),
    sessions: [
      {
        id: PLACE.session,
        name: 'The Lamplighter’s Ledger',
        sampleRateHz: 48_000,
        wordLengthBits: 24,
        bufferSamples: 64,
        lineUp: { dbfs: -18, dbu: 4 },
        threads: [],
        scenes: [
          {
            id: PLACE.scene,
            name: 'Tracking',
            cords: [],
            settings: { 'opto-compressor/netGainDb/1': -2 },
          },
        ],
        waivers: [],
        host: 'daw',
        panLawDb: -4.5,
      },
    ],
  });
}

function changed(studio: Studio, edits: readonly EditJson[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(`the demo does not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

const withLine = (studio: Studio, { thread, preamp }: Line): Studio =>
  changed(studio, addThreadEdits(studio, PLACE, thread, preamp));

function withTracks(studio: Studio): Studio {
  const [session] = studio.sessions;
  if (session === undefined) return studio;
  const read = readTracksCsv(TRACK_LIST, session);
  if (!read.ok) throw new Error(read.problems.map(csvProblemLine).join('\n'));
  return changed(studio, read.edits);
}

/** Saltglass Rooms with "The Lamplighter's Ledger": built by the program's own looms, edits and router. */
export const saltglassRooms = (): Studio =>
  withTracks(LINES.reduce(withLine, canonicalStudio(emptyStudio())));

/** Where the demo opens. */
export const SALTGLASS_PLACE = PLACE;
