import { threadAdvice } from '../actions/advice/threadAdvice';
import { settingSet } from '../actions/patchEdits';
import { routeEdits } from '../actions/track/threadEdits';
import { applyChange } from '../edits/change';
import type { Edit } from '../edits/make';
import { editAdd } from '../edits/make';
import { canonicalStudio } from '../formats/canonicalStudio';
import { csvProblemLine } from '../formats/csv/tableReading';
import { readTracksCsv } from '../formats/csv/tracksCsv';
import type { DeviceId, SceneId, SessionId, StudioId, ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import { settingKeyOf } from '../rig/settings';
import { stationOfRole } from '../routing/realise';
import { workedScene } from '../scene/workedScene';
import { emptySession } from '../session/emptySession';
import { BARE_FLOOR } from '../session/floorSchema';
import type { ScenePlace } from '../session/scenePlace';
import { findScene } from '../session/scenePlace';
import type { Thread } from '../session/sessionSchema';
import { threadSchema } from '../session/sessionSchema';
import type { Studio } from '../session/studioSchema';
import type { StarterLine, StarterPlan } from './starter';

const PLACE: ScenePlace = { session: 'session-1' as SessionId, scene: 'tracking' as SceneId };

/** A converter's line-up: 0 dBFS stands so far above the level of work. Common practice, no source. */
const LINE_UP_DBFS = -18;

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(`a starter room does not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

const threadOf = (line: StarterLine, number: number): Thread => {
  const { source, from, purpose = 'input', inserts = [], pins = {}, trackName } = line;
  const { levelDbSpl, levelDbu, crestDb } = line;
  return threadSchema.parse({
    ...{ id: `line-${String(number)}`, number, purpose, performer: '', source, from },
    ...{ inserts, trackName, pins, scenes: [PLACE.scene] },
    ...(levelDbSpl !== undefined && { levelDbSpl }),
    ...(levelDbu !== undefined && { levelDbu }),
    ...(crestDb !== undefined && { crestDb }),
  });
};

/** 48 V for condensers, at the preamps their lines came to. */
function phantomEdits(studio: Studio, wanted: ReadonlySet<ThreadId>): readonly Edit[] {
  const found = findScene(studio, PLACE);
  if (found === undefined) return [];
  const { threads } = workedScene(studio.rig, found.session, found.scene, studio.floor);
  return threads.flatMap((planned) => {
    const preamp = stationOfRole(planned, 'preamp');
    return preamp === undefined || !wanted.has(planned.thread.id)
      ? []
      : [settingSet(PLACE, found.scene, settingKeyOf(preamp.device, 'phantom', preamp.channel), true)];
  });
}

/** Every preamp where the advice puts it. */
function gainEdits(studio: Studio): readonly Edit[] {
  const found = findScene(studio, PLACE);
  if (found === undefined) return [];
  const context = workedScene(studio.rig, found.session, found.scene, studio.floor);
  return context.threads.flatMap((planned) => threadAdvice(context, PLACE, planned).preamp?.edits ?? []);
}

function withTracks(studio: Studio, list: string | undefined): Studio {
  const [session] = studio.sessions;
  if (list === undefined || session === undefined) return studio;
  const read = readTracksCsv(list, session);
  if (!read.ok) throw new Error(read.problems.map(csvProblemLine).join('\n'));
  return changed(studio, read.edits);
}

function bareStudio(
  rig: Rig,
  name: string,
  session: string,
  { referenceDbu, host, knobs }: StarterPlan,
): Studio {
  const first = emptySession(PLACE.session, session);
  const [scene] = first.scenes;
  return {
    ...{ id: 'starter' as StudioId, name, rig, floor: BARE_FLOOR },
    sessions: [
      {
        ...first,
        host: host as DeviceId,
        lineUp: { dbfs: LINE_UP_DBFS, dbu: referenceDbu + LINE_UP_DBFS },
        scenes: scene === undefined ? [] : [{ ...scene, settings: knobs ?? {} }],
      },
    ],
  };
}

/**
 * A studio with the rig of a starter room and a session that runs: lines routed by the program's own router, gains
 * where the advice puts them. Its id is for the server to give.
 */
export function startedStudio(
  rig: Rig,
  plan: StarterPlan,
  { name, session }: { readonly name: string; readonly session: string },
): Studio {
  const threads = plan.lines.map((line, i) => threadOf(line, i + 1));
  const withLines = changed(
    canonicalStudio(bareStudio(rig, name, session, plan)),
    threads.map((thread) => editAdd('thread', { session: PLACE.session }, thread)),
  );
  const routed = changed(withLines, routeEdits(withLines, PLACE));
  const condensers = new Set(threads.flatMap(({ id }, i) => (plan.lines[i]?.phantom === true ? [id] : [])));
  const powered = changed(routed, phantomEdits(routed, condensers));
  return withTracks(changed(powered, gainEdits(powered)), plan.tracks);
}
