import type { Edit } from '../../../edits/make';
import { editSet } from '../../../edits/make';
import { ChainWishes } from '../../../mix/chainWish';
import { giveChannels } from '../../../mix/giveChannels';
import { hostChannels } from '../../../mix/hostChannels';
import { hostUses } from '../../../mix/hostUses';
import { placeKey } from '../../../mix/sum/sumPlace';
import type { StemStand } from '../../../mix/sum/sumStand';
import { firstHostOutputs } from '../../../mix/sum/sumStand';
import type { Destination, Track } from '../../../session/daw/trackSchema';
import type { Sum } from '../../../session/sumSchema';
import { inputsText } from '../../../typed/sum/placeText';
import type { SettingUp } from '../../settingUp';

/** Stems of one place: they share its outputs of the host. */
export interface PlaceGroup {
  readonly key: string;
  readonly stands: readonly StemStand[];
  readonly lanes: readonly number[];
}

export function groupsOf(stands: readonly StemStand[]): readonly PlaceGroup[] {
  const groups = new Map<string, StemStand[]>();
  for (const stand of stands) {
    const { inputs } = stand.stem;
    if (inputs?.length !== stand.inputs.length) continue;
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
function runningOutputs({ stands, lanes }: PlaceGroup): number | undefined {
  const found = stands.find(
    ({ outputs, lines }) =>
      outputs.length === lanes.length &&
      lines.length === lanes.length &&
      lines.every(({ complete, path }, i) => complete && path.at(-1)?.to === lanes[i]),
  );
  return found?.outputs[0];
}

/** The outputs of a track that is summed elsewhere in another scene: they stay, and other cords lead on from them. */
function outputsElsewhere({ stands, lanes }: PlaceGroup, others: readonly Sum[]): number | undefined {
  const found = stands.find(
    ({ track, outputs }) =>
      outputs.length === lanes.length &&
      others.some(({ stems }) => stems.some((stem) => stem.track === track.id)),
  );
  return found?.outputs[0];
}

/**
 * Places that can have outputs of their own. Stems that share outputs in a sum of another scene cannot stand apart here:
 * their tracks would leave that sum.
 */
export function apartHere(up: SettingUp, sum: Sum, groups: readonly PlaceGroup[]): readonly PlaceGroup[] {
  const others = up.it.context.session.sums.filter(({ id }) => id !== sum.id);
  const holders = new Map<number, PlaceGroup>();
  return groups.filter((group) => {
    const first = outputsElsewhere(group, others);
    if (first === undefined) return true;
    const run = group.lanes.map((_, i) => first + i);
    const holder = run.map((n) => holders.get(n)).find((each) => each !== undefined);
    for (const n of run) holders.set(n, holder ?? group);
    if (holder === undefined) return true;
    const names = holder.stands.map(({ track }) => track.name).join(' and ');
    for (const { track } of group.stands)
      up.leaveOut(
        track.name,
        'output',
        `${track.name} shares outputs ${inputsText(run)} with ${names} in another sum, so both come together. Give it inputs of its own there first, or leave it out of this one.`,
      );
    return false;
  });
}

/** Outputs of the host for every place: those it has, else those that wiring leads from, else free ones. */
export function outputsFor(
  up: SettingUp,
  sum: Sum,
  groups: readonly PlaceGroup[],
  isAnew: boolean,
): ReadonlyMap<string, number> {
  const { context } = up.it;
  const wishes = new ChainWishes(context);
  const own = new Set(sum.stems.map(({ track }) => track as string));
  const names = new Set(context.session.tracks.filter(({ id }) => own.has(id)).map(({ name }) => name));
  const others = context.session.sums.filter(({ id }) => id !== sum.id);
  const given = new Map<string, number>();
  const kept = new Set<number>();
  for (const group of groups) {
    const first = outputsElsewhere(group, others) ?? (isAnew ? undefined : runningOutputs(group));
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

export function routeTracks(
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
