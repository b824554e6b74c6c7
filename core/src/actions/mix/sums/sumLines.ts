import { editSet } from '../../../edits/make';
import { hostOf } from '../../../graph/dawTracks';
import type { StemStand } from '../../../mix/sum/sumStand';
import { linesFrom } from '../../../mix/sum/sumStand';
import type { LaneId, ThreadId } from '../../../rig/ids';
import { idFromName, laneIdOf } from '../../../rig/ids';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';
import { inputsText } from '../../../typed/sum/placeText';
import { sideWord } from '../../../words/mix/sideWord';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits, changeThreadEdits, removeThreadEdits } from '../../track/threadEdits';
import { standstill } from '../jobs/jobRoutes';
import type { PlaceGroup } from './placeOutputs';

/** Lines from outputs of the host to inputs of the sum: those there are go where they should, what is missing comes. */
export function routeLines(
  up: SettingUp,
  groups: readonly PlaceGroup[],
  outputs: ReadonlyMap<string, number>,
): void {
  for (const { key, stands, lanes } of groups) {
    const first = outputs.get(key);
    const names = stands.map(({ track }) => track.name).join(' + ');
    if (first === undefined) {
      for (const { track } of stands)
        up.leaveOut(
          track.name,
          'output',
          'No output of the host is free that reaches its inputs. Free one, or wire the inputs to a bay in Rig.',
        );
      continue;
    }
    const missing = lanes.flatMap((lane, i) => lineTo(up, names, first + i, lane, [i, lanes.length]));
    if (missing.length === 0) continue;
    const isThere = up.attempt(() => {
      up.make(addThreadsEdits(up.it.studio, up.it.place, missing));
      const why = standstill(up, missing);
      if (why !== undefined) up.leaveOut(names, 'line', why);
      return why === undefined;
    });
    if (isThere)
      up.say(names, 'line', `output ${inputsText(lanes.map((_, i) => first + i))} to input ${key}`);
  }
}

/** The line an output lacks to its input; one that leads elsewhere is turned there. */
function lineTo(
  up: SettingUp,
  names: string,
  output: number,
  lane: number,
  [side, sides]: readonly [number, number],
): readonly Thread[] {
  const { context, studio, place } = up.it;
  const host = hostOf(context.rig.devices, context.session);
  const to = context.graph.lanes[lane]?.id;
  if (host === undefined || to === undefined) return [];
  const [there] = linesFrom(context, [output]);
  if (there !== undefined) {
    rename(up, there.thread, sourceOf(names, [side, sides]));
    if (there.thread.to !== to)
      up.make(
        changeThreadEdits(studio, place, there.thread.id, {
          field: 'to',
          value: to,
          was: there.thread.to ?? null,
        }),
      );
    return [];
  }
  return [newLine(up, names, { from: laneIdOf(host.id, 'output', output), to, side, sides })];
}

/** What a line of some stems is called. */
const sourceOf = (names: string, [side, sides]: readonly [number, number]): string =>
  `${names} ${sideWord(side, sides)}`.trim().slice(0, 200);

/** A line that is called by stems takes the names of those it carries now; one that somebody named keeps its name. */
function rename(up: SettingUp, { id, source }: Thread, name: string): void {
  const tracks = new Set(up.it.context.session.tracks.map((track) => track.name));
  const isOfStems = source
    .replace(/ (left|right)$/, '')
    .split(' + ')
    .every((part) => tracks.has(part));
  if (source !== name && isOfStems)
    up.make([
      editSet('thread', { session: up.it.place.session }, id, { field: 'source', value: name, was: source }),
    ]);
}

function newLine(
  { it: { context } }: SettingUp,
  names: string,
  {
    from,
    to,
    side,
    sides,
  }: { readonly from: LaneId; readonly to: LaneId; readonly side: number; readonly sides: number },
): Thread {
  const { threads } = context.session;
  const word = sideWord(side, sides);
  const id = idFromName(
    `${names} to sum ${word}`.trim(),
    new Set(threads.map((thread) => thread.id)),
    'to-sum',
  ) as ThreadId;
  const number = Math.max(0, ...threads.map((thread) => thread.number)) + 1 + side;
  return threadSchema.parse({
    ...{
      id,
      number,
      purpose: 'sum',
      performer: '',
      source: sourceOf(names, [side, sides]),
      from,
      to,
    },
    ...{ inserts: [], trackName: '', pins: {}, scenes: [context.scene.id] },
  });
}

/** Lines to the sum from outputs that no stem goes to any more. */
export function dropLines(up: SettingUp, before: readonly StemStand[], after: readonly StemStand[]): void {
  const still = new Set(after.flatMap(({ outputs }) => outputs));
  const gone = before.flatMap(({ outputs }) => outputs).filter((number) => !still.has(number));
  for (const { thread } of linesFrom(up.it.context, gone))
    if (thread.job === undefined) up.make(removeThreadEdits(up.it.studio, up.it.place, thread.id));
}
