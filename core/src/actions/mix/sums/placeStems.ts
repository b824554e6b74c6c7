import type { Edit } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import { hostOf } from '../../../graph/dawTracks';
import { ChainWishes } from '../../../mix/chainWish';
import { giveChannels } from '../../../mix/giveChannels';
import { hostChannels } from '../../../mix/hostChannels';
import { hostUses } from '../../../mix/hostUses';
import { sharedOut } from '../../../mix/sum/sharedOut';
import type { StemStand } from '../../../mix/sum/sumStand';
import { firstHostOutputs, linesFrom, stemStands } from '../../../mix/sum/sumStand';
import { placeKey } from '../../../mix/sum/sumPlace';
import type { LaneId, SumId, ThreadId } from '../../../rig/ids';
import { idFromName, laneIdOf } from '../../../rig/ids';
import type { SettingKey } from '../../../rig/settings';
import { settingKeyOf } from '../../../rig/settings';
import type { Destination, Track } from '../../../session/daw/trackSchema';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';
import type { Stem, Sum } from '../../../session/sumSchema';
import { inputsText } from '../../../typed/sum/placeText';
import { sideWord } from '../../../words/mix/sideWord';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits, changeThreadEdits, removeThreadEdits } from '../../track/threadEdits';
import { standstill } from '../jobs/jobRoutes';

export const sumNamed = (up: SettingUp, id: SumId): Sum | undefined =>
  up.it.context.session.sums.find((sum) => sum.id === id);

/** Writes down who has which inputs. @returns false where the session does not take it. */
export function putStems(up: SettingUp, sum: Sum, stems: Sum['stems']): boolean {
  if (JSON.stringify(stems) === JSON.stringify(sum.stems)) return true;
  const change = { field: 'stems', value: stems, was: sum.stems } as const;
  return up.make([editSet('sum', { session: up.it.place.session }, sum.id, change)]);
}

/** Gives places to stems that have none, or to all. */
function sharePlaces(up: SettingUp, sum: Sum, isAnew: boolean): void {
  const { ground, assignment } = sharedOut(up.it.context, sum, isAnew);
  const stems = sum.stems.map((stem): Stem => {
    const place = ground.places[assignment.placeOf.get(stem.track) ?? -1];
    if (place === undefined) {
      const { inputs: _inputs, ...without } = stem;
      return stem.isTyped === true ? stem : without;
    }
    return { ...stem, inputs: [...place.inputs] };
  });
  const nameOf = (id: Track['id']): string =>
    up.it.context.session.tracks.find((track) => track.id === id)?.name ?? id;
  sum.stems.forEach((was, i) => {
    const now = stems[i];
    if (now?.inputs === undefined) up.leaveOut(nameOf(was.track), 'place', noPlaceSentence(sum, stems));
    else if (was.inputs?.join() !== now.inputs.join())
      up.say(nameOf(was.track), 'place', inputsText(now.inputs));
  });
  putStems(up, sum, stems);
}

function noPlaceSentence({ school }: Sum, stems: Sum['stems']): string {
  const placed = stems.filter(({ inputs }) => inputs !== undefined).length;
  return `No place is left for it: ${String(placed)} stems have theirs, and none of them may share with it. Call it a long sound or an effect, group it with another under Mix, Tracks, or take another school than ${school}.`;
}

/** Stems of one place: they share its outputs of the host. */
interface PlaceGroup {
  readonly key: string;
  readonly stands: readonly StemStand[];
  readonly lanes: readonly number[];
}

function groupsOf(stands: readonly StemStand[]): readonly PlaceGroup[] {
  const groups = new Map<string, StemStand[]>();
  for (const stand of stands) {
    const { inputs } = stand.stem;
    if (inputs === undefined || stand.inputs.length !== inputs.length) continue;
    const key = placeKey({ inputs });
    groups.set(key, [...(groups.get(key) ?? []), stand]);
  }
  return [...groups].map(([key, own]) => ({
    key,
    stands: own,
    lanes: own[0]?.inputs.map(({ lane }) => lane) ?? [],
  }));
}

/** The outputs a place keeps: lines run from them to its inputs. */
function keptOutputs({ stands, lanes }: PlaceGroup): number | undefined {
  const found = stands.find(
    ({ outputs, lines }) =>
      outputs.length === lanes.length &&
      lines.length === lanes.length &&
      lines.every(({ complete, path }, i) => complete && path.at(-1)?.to === lanes[i]),
  );
  return found?.outputs[0];
}

/** Outputs of the host for every place: those it has, else those that wiring leads from, else free ones. */
function outputsFor(
  up: SettingUp,
  sum: Sum,
  groups: readonly PlaceGroup[],
  isAnew: boolean,
): ReadonlyMap<string, number> {
  const { context } = up.it;
  const wishes = new ChainWishes(context);
  const own = new Set(sum.stems.map(({ track }) => track as string));
  const names = new Set(context.session.tracks.filter(({ id }) => own.has(id)).map(({ name }) => name));
  const given = new Map<string, number>();
  const kept = new Set<number>();
  for (const group of groups) {
    const first = isAnew ? undefined : keptOutputs(group);
    const run = first === undefined ? [] : group.lanes.map((_, i) => first + i);
    if (first === undefined || run.some((n) => kept.has(n))) continue;
    given.set(group.key, first);
    for (const n of run) kept.add(n);
  }
  const used = new Set(
    hostUses(context)
      .outputs.filter(({ what, name }) => !(what === 'track' && names.has(name)) && what !== 'line')
      .map(({ number }) => number),
  );
  const free = new Set(
    hostChannels(context).flatMap(({ number, output }) =>
      output < 0 || used.has(number) || kept.has(number) ? [] : number,
    ),
  );
  const left = groups.filter(({ key }) => !given.has(key)).map(({ key, lanes }) => wishes.into(key, lanes));
  for (const [key, { send }] of giveChannels(left, { outputs: free, inputs: free, isStrict: true }))
    given.set(key, send);
  return given;
}

/** The outputs of a track with its run of host outputs elsewhere. */
function outputsWith(track: Track, first: number, count: number): Destination[] {
  const run: Destination = {
    to: 'host',
    first,
    ...(track.width === 1 && count === 2 && { width: 2 as const }),
  };
  const at = track.outputs.findIndex(({ to }) => to === 'host');
  return at < 0 ? [...track.outputs, run] : track.outputs.map((each, i) => (i === at ? run : each));
}

function routeTracks(
  up: SettingUp,
  groups: readonly PlaceGroup[],
  outputs: ReadonlyMap<string, number>,
): void {
  const edits = groups.flatMap(({ key, stands, lanes }) => {
    const first = outputs.get(key);
    return stands.flatMap(({ track }): readonly Edit[] => {
      if (first === undefined) return [];
      const value = outputsWith(track, first, lanes.length);
      if (JSON.stringify(value) === JSON.stringify(track.outputs)) return [];
      const numbers = firstHostOutputs({ ...track, outputs: value });
      up.say(track.name, 'output', inputsText(numbers));
      const change = { field: 'outputs', value, was: track.outputs } as const;
      return [editSet('track', { session: up.it.place.session }, track.id, change)];
    });
  });
  up.make(edits);
}

/** Single inputs go to both sides by their switch, pairs do not. */
function turnMono(up: SettingUp, stands: readonly StemStand[]): void {
  const knobs = new Map<SettingKey, boolean>();
  for (const { inputs } of stands)
    for (const { station } of inputs)
      if (station?.settings.includes('mono') === true)
        knobs.set(settingKeyOf(station.device, 'mono', station.channel), inputs.length === 1);
  const { settings } = up.it.context.scene;
  up.knobs(new Map([...knobs].filter(([key, value]) => (settings[key] ?? false) !== value)));
}

/** Lines from outputs of the host to inputs of the sum: those there are go where they should, what is missing comes. */
function routeLines(
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
      source: `${names} ${word}`.trim().slice(0, 200),
      from,
      to,
    },
    ...{ inserts: [], trackName: '', pins: {}, scenes: [context.scene.id] },
  });
}

/** Lines to the sum from outputs that no stem goes to any more. */
function dropLines(up: SettingUp, before: readonly StemStand[], after: readonly StemStand[]): void {
  const still = new Set(after.flatMap(({ outputs }) => outputs));
  const gone = before.flatMap(({ outputs }) => outputs).filter((number) => !still.has(number));
  for (const { thread } of linesFrom(up.it.context, gone))
    if (thread.job === undefined) up.make(removeThreadEdits(up.it.studio, up.it.place, thread.id));
}

/** Gives stems their places, and brings their tracks there: outputs of the host, mono switches, lines. */
export function placeStems(up: SettingUp, id: SumId, isAnew: boolean): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  const before = stemStands(up.it.context, sum);
  sharePlaces(up, sum, isAnew);
  const placed = sumNamed(up, id);
  if (placed === undefined) return;
  const groups = groupsOf(stemStands(up.it.context, placed));
  const outputs = outputsFor(up, placed, groups, isAnew);
  routeTracks(up, groups, outputs);
  const stands = stemStands(up.it.context, placed);
  turnMono(up, stands);
  dropLines(up, before, stands);
  routeLines(up, groupsOf(stands), outputs);
}
