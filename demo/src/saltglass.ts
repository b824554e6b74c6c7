import { editKnob, editSet } from '@ft/core/edits/make';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import { readTracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { addThreadEdits } from '@ft/core/actions/track/threadEdits';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { newSceneEdits, threadInSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import type { DeviceId, ThreadId } from '@ft/core/rig/ids';
import type { SettingKey } from '@ft/core/rig/settings';
import { settingKeyOf } from '@ft/core/rig/settings';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { withCompany } from './company';
import { withConsoles } from './consoles';
import type { Line } from './inputList';
import { CRUSH, LINES } from './inputList';
import { withMixdown } from './mixdown';
import { LISTENING, PERFORMERS } from './performers';
import { withRehearsal } from './rehearsal';
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
            settings: { 'opto-compressor/netGainDb/1': -2, 'transistor-compressor-a/netGainDb/1': 6 },
          },
        ],
        waivers: [],
        host: 'daw',
        performers: PERFORMERS,
        automatedConsole: 'split-console',
        panLawDb: -4.5,
      },
    ],
  });
}

function changed(studio: Studio, edits: readonly Edit[]): Studio {
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
  const now = changed(studio, read.edits);
  const listening = (now.sessions[0]?.tracks ?? []).filter(({ name }) => LISTENING.has(name));
  return changed(
    now,
    listening.map(({ id }) =>
      editSet('track', { session: PLACE.session }, id, { field: 'inputMonitor', value: true, was: false }),
    ),
  );
}

/** Where the foley artist works alone: the scene that follows Tracking. */
const FOLEY = { ...PLACE, scene: 'tracking-foley' } as ScenePlace;
/** Lines that stay in it: foley, the two of the room, and the insert that the tracks play through. */
const FOLEY_LINES: ReadonlySet<number> = new Set([3, 11, 12, 13]);
/** How much closer the foley artist stands: the gain goes down with it, dB. */
const FOLEY_CLOSER_DB = 6;

function withFoley(studio: Studio): Studio {
  const made = newSceneEdits(studio, PLACE, 'Tracking foley', 'branch');
  if (made?.id !== FOLEY.scene) throw new Error('the demo has no scene to follow');
  const begun = changed(studio, [
    ...made.edits,
    editSet('scene', { session: PLACE.session }, made.id, {
      field: 'name',
      value: 'Foley overdub',
      was: 'Tracking foley',
    }),
  ]);
  const others = begun.sessions[0]?.threads.filter(({ number }) => !FOLEY_LINES.has(number)) ?? [];
  const alone = others.reduce(
    (now, { id }) => changed(now, threadInSceneEdits(now, FOLEY, id, false)),
    begun,
  );
  const key: SettingKey = settingKeyOf('mic-preamp' as DeviceId, 'gainDb', 3);
  const was = findScene(alone, FOLEY)?.scene.settings[key];
  if (typeof was !== 'number') throw new Error('the foley line of the demo runs over preamp 3');
  return changed(alone, [editKnob(FOLEY, { key, value: was - FOLEY_CLOSER_DB, was })]);
}

/** The narrator on her own line, and the ensemble as it stands round the split console. */
const COMPANY_LINES = [1, 13, 21, 22, 23, 24, 25].map((number) => `line-${String(number)}`) as ThreadId[];

/** Saltglass Rooms with "The Lamplighter's Ledger": built by the program's own looms, edits and router. */
export const saltglassRooms = (): Studio =>
  withMixdown(
    withRehearsal(
      withCompany(
        withConsoles(
          withFoley(withTracks([...LINES, CRUSH].reduce(withLine, canonicalStudio(emptyStudio())))),
          PLACE,
        ),
        PLACE,
        COMPANY_LINES,
      ),
      PLACE,
    ),
  );

/** Where the demo opens. */
export const SALTGLASS_PLACE = PLACE;
