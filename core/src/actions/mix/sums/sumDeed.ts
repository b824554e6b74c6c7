import { editAdd, editRemove, editSet } from '../../../edits/make';
import { guessSound } from '../../../mix/sum/guessSound';
import { canSum, sumInputs } from '../../../mix/sum/sumInputs';
import { linesFrom, stemStands } from '../../../mix/sum/sumStand';
import type { DeviceId, SumId, TrackId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { School, Stem, Sum } from '../../../session/sumSchema';
import { sumSchema } from '../../../session/sumSchema';
import type { ChannelPlan } from '../../consoles/channelPlan';
import { SettingUp } from '../../settingUp';
import { removeThreadEdits } from '../../track/threadEdits';
import type { WorkPlace } from '../../workPlace';
import type { ParallelWish } from '../desk/parallelBus';
import { parallelBus } from '../desk/parallelBus';
import { recordChannels } from '../desk/recordChannels';
import { fadersToUnity } from './faderToUnity';
import { placeStems } from './placeStems';
import { putStems, sumNamed } from './sharePlaces';
import { printReturn, setPrint } from './printReturn';

/** What a sum is set up with. */
export interface SumWish {
  readonly name: string;
  readonly mixers: readonly DeviceId[];
  readonly school: School;
  readonly layout?: Sum['layout'];
  readonly tracks: readonly TrackId[];
  readonly print?: TrackId;
}

/** What is done with a sum in one step: looked at as a plan first, then made as one change. */
export type SumDeed =
  | { readonly does: 'set-up-sum'; readonly wish: SumWish }
  /** Whoever has no place gets one; nothing else moves. */
  | { readonly does: 'place'; readonly sum: SumId }
  /** All places anew, but for those that were typed. */
  | {
      readonly does: 'place-anew';
      readonly sum: SumId;
      readonly school?: School;
      readonly layout?: Sum['layout'];
    }
  | { readonly does: 'add-stems'; readonly sum: SumId; readonly tracks: readonly TrackId[] }
  | { readonly does: 'remove-stem'; readonly sum: SumId; readonly track: TrackId }
  | { readonly does: 'print-on'; readonly sum: SumId; readonly track?: TrackId }
  | { readonly does: 'to-unity'; readonly sum: SumId; readonly track?: TrackId }
  /** On a console: a bus beside the mix, over outboard and back. */
  | { readonly does: 'parallel-bus'; readonly sum: SumId; readonly wish: ParallelWish }
  /** On a console: every channel on a track of its own, by its direct out. */
  | { readonly does: 'record-channels'; readonly sum: SumId }
  | { readonly does: 'remove-sum'; readonly sum: SumId };

function stemsFor(up: SettingUp, tracks: readonly TrackId[]): Stem[] {
  return tracks.flatMap((id) => {
    const track = up.it.context.session.tracks.find((each) => each.id === id);
    return track === undefined ? [] : [{ track: id, sound: guessSound(track) }];
  });
}

/** What keeps a sum from being set up, as a sentence. */
function refusal(up: SettingUp, { name, mixers, tracks, school, layout }: SumWish): string | undefined {
  const { context } = up.it;
  if (name.trim() === '') return 'A sum needs a name.';
  if (context.session.sums.some((sum) => sum.name.toLowerCase() === name.trim().toLowerCase()))
    return `There is a sum called “${name.trim()}” already. Give this one a name of its own.`;
  if (mixers.length === 0) return 'Choose a summing mixer, or a console that is used as one.';
  for (const id of mixers) {
    const device = context.devices.get(id);
    if (device === undefined || !canSum(context, device))
      return `${device?.name ?? id} has no inputs to sum by. Choose a summing mixer or a console with line inputs.`;
  }
  if (tracks.length === 0) return 'Choose the tracks that are to be summed.';
  return school === 'own' && (layout ?? []).length === 0
    ? 'A school of your own needs its places: 1, 2, 3–4, 5–6.'
    : undefined;
}

function setUp(up: SettingUp, wish: SumWish): void {
  const why = refusal(up, wish);
  if (why !== undefined) {
    up.leaveOut(wish.name.trim() || 'New sum', 'sum', why);
    return;
  }
  const { session, scene } = up.it.context;
  const id = idFromName(wish.name, new Set(session.sums.map((sum) => sum.id)), 'sum') as SumId;
  const sum = sumSchema.parse({
    ...{ id, name: wish.name.trim(), mixers: wish.mixers, school: wish.school, scenes: [scene.id] },
    ...(wish.layout && { layout: wish.layout }),
    ...(wish.print !== undefined && { print: wish.print }),
    stems: stemsFor(up, wish.tracks),
  });
  if (!up.make([editAdd('sum', { session: session.id }, sum)])) return;
  const count = sumInputs(up.it.context, sum).length;
  up.say(sum.name, 'sum', `${String(count)} inputs, ${sum.school}`);
  placeStems(up, id, false);
  printReturn(up, sum);
}

function anew(up: SettingUp, { sum: id, school, layout }: Extract<SumDeed, { does: 'place-anew' }>): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  const place = { session: up.it.place.session };
  if (school !== undefined && school !== sum.school)
    up.make([editSet('sum', place, id, { field: 'school', value: school, was: sum.school })]);
  if (layout !== undefined)
    up.make([editSet('sum', place, id, { field: 'layout', value: layout, was: sum.layout ?? null })]);
  placeStems(up, id, true);
}

function addStems(up: SettingUp, id: SumId, tracks: readonly TrackId[]): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  const known = new Set(sum.stems.map(({ track }) => track));
  const fresh = stemsFor(
    up,
    tracks.filter((track) => !known.has(track)),
  );
  if (putStems(up, sum, [...sum.stems, ...fresh])) placeStems(up, id, false);
}

/** A stem leaves the sum, with its lines; its track keeps its outputs. */
export function removeStem(up: SettingUp, id: SumId, track: TrackId): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  const stands = stemStands(up.it.context, sum);
  const gone = stands.find((stand) => stand.track.id === track);
  const others = new Set(stands.filter((stand) => stand !== gone).flatMap(({ outputs }) => outputs));
  for (const { thread } of linesFrom(
    up.it.context,
    (gone?.outputs ?? []).filter((n) => !others.has(n)),
  ))
    up.make(removeThreadEdits(up.it.studio, up.it.place, thread.id));
  const now = sumNamed(up, id);
  if (now !== undefined)
    putStems(
      up,
      now,
      now.stems.filter((stem) => stem.track !== track),
    );
  up.say(gone?.track.name ?? track, 'place', 'out of the sum');
}

function removeSum(up: SettingUp, id: SumId): void {
  const sum = sumNamed(up, id);
  if (sum === undefined) return;
  for (const { track } of sum.stems) removeStem(up, id, track);
  if (up.make([editRemove('sum', { session: up.it.place.session }, id)])) up.say(sum.name, 'sum', 'removed');
}

function done(up: SettingUp, deed: SumDeed): void {
  switch (deed.does) {
    case 'set-up-sum':
      setUp(up, deed.wish);
      break;
    case 'place':
      placeStems(up, deed.sum, false);
      break;
    case 'place-anew':
      anew(up, deed);
      break;
    case 'add-stems':
      addStems(up, deed.sum, deed.tracks);
      break;
    case 'remove-stem':
      removeStem(up, deed.sum, deed.track);
      break;
    case 'remove-sum':
      removeSum(up, deed.sum);
      break;
    default: {
      const sum = sumNamed(up, deed.sum);
      if (sum !== undefined) doneWith(up, sum, deed);
    }
  }
}

/** What is done with a sum that stands as it is. */
function doneWith(
  up: SettingUp,
  sum: Sum,
  deed: Extract<SumDeed, { does: 'print-on' | 'to-unity' | 'parallel-bus' | 'record-channels' }>,
): void {
  switch (deed.does) {
    case 'print-on':
      setPrint(up, sum, deed.track);
      break;
    case 'to-unity':
      fadersToUnity(up, deed.track === undefined ? sum.stems.map(({ track }) => track) : [deed.track]);
      break;
    case 'parallel-bus':
      parallelBus(up, sum, deed.wish);
      break;
    case 'record-channels':
      recordChannels(up, sum);
  }
}

/** What a deed comes to. */
export function sumDeed(it: WorkPlace, deed: SumDeed): ChannelPlan {
  const up = new SettingUp(it);
  done(up, deed);
  return { edits: up.edits, changes: up.changes, refused: up.refused };
}
