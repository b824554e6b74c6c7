import { editAdd } from '../../../edits/make';
import { ChainWishes } from '../../../mix/chainWish';
import { SumDesks } from '../../../consoles/mixing/deskOfSum';
import { directsOf } from '../../../consoles/mixing/directs';
import { giveChannels } from '../../../mix/giveChannels';
import { hostChannels } from '../../../mix/hostChannels';
import { hostUses } from '../../../mix/hostUses';
import { stemStands } from '../../../mix/sum/sumStand';
import type { TrackId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Track } from '../../../session/daw/trackSchema';
import { plainTrack } from '../../../session/daw/trackTemplate';
import type { Sum } from '../../../session/sumSchema';
import { inputsText } from '../../../typed/sum/placeText';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits } from '../../track/threadEdits';
import { standstill } from '../jobs/jobRoutes';
import { recordLines } from '../sums/recordLines';

/** A stem whose channels are to be recorded. */
interface Wanted {
  readonly id: TrackId;
  readonly name: string;
  /** Its direct outs, side by side. */
  readonly lanes: readonly number[];
}

/** Stems whose channels have direct outs that nothing records. */
function wanted(context: WorkedScene, sum: Sum): readonly Wanted[] {
  const desks = new SumDesks(context, sum);
  return stemStands(context, sum).flatMap(({ track, inputs }) => {
    const directs = directsOf(context, desks.pointsOf(inputs));
    const isOpen = directs.length > 0 && directs.every(({ line }) => line === undefined);
    return isOpen ? [{ id: track.id, name: track.name, lanes: directs.map(({ lane }) => lane) }] : [];
  });
}

/** Inputs of the host for every stem: free ones that the direct outs can be brought to, pairs from an odd number on. */
function inputsFor(context: WorkedScene, stems: readonly Wanted[]): ReadonlyMap<string, number> {
  const uses = hostUses(context).inputs;
  const idle = new Set(uses.flatMap(({ number, isIdle }) => (isIdle === true ? number : [])));
  const used = new Set(uses.flatMap(({ number, isIdle }) => (isIdle === true ? [] : number)));
  const free = new Set(
    hostChannels(context).flatMap(({ number, input }) => (input < 0 || used.has(number) ? [] : number)),
  );
  const wishes = new ChainWishes(context, idle);
  const given = giveChannels(
    stems.map(({ id, lanes }) => wishes.outOf(id, lanes)),
    { outputs: free, inputs: free, isStrict: true },
  );
  return new Map([...given].map(([id, pair]) => [id, pair.return]));
}

/** The track a stem is recorded on through the console: a new one behind the others. */
function recordTrack(context: WorkedScene, { name, lanes }: Wanted, first: number): Track {
  const { tracks } = context.session;
  const names = new Set(tracks.map((track) => track.name.toLowerCase()));
  const own = [`${name} desk`, ...tracks.map((_, i) => `${name} desk ${String(i + 2)}`)]
    .map((each) => each.slice(0, 80))
    .find((each) => !names.has(each.toLowerCase()));
  const id = idFromName(own ?? name, new Set(tracks.map((track) => track.id)), 'track') as TrackId;
  const number = Math.max(0, ...tracks.map((track) => track.number)) + 1;
  return {
    ...plainTrack({ id, number, name: own ?? name, kind: 'audio', width: lanes.length }),
    input: { from: 'host', first },
  };
}

/**
 * Brings the direct outs of the channels of a sum back to inputs of the host, each stem on a track of its own, armed in
 * this scene, to record what the console made of it.
 */
export function recordChannels(up: SettingUp, sum: Sum): void {
  const stems = wanted(up.it.context, sum);
  if (stems.length === 0) {
    up.leaveOut(
      sum.name,
      'recording',
      'No channel has a direct out that nothing records yet. Place the stems on a console with direct outs first.',
    );
    return;
  }
  const inputs = inputsFor(up.it.context, stems);
  for (const stem of stems) {
    const first = inputs.get(stem.id);
    if (first === undefined)
      up.leaveOut(
        stem.name,
        'recording',
        'No free input of the host can be reached from its direct out. Free one, or wire the direct outs to a bay in Rig.',
      );
    else recordOne(up, stem, first);
  }
}

function recordOne(up: SettingUp, stem: Wanted, first: number): void {
  const { session } = up.it.place;
  const track = recordTrack(up.it.context, stem, first);
  const ends = stem.lanes.map((lane, side) => ({ lane, input: first + side }));
  const isThere = up.attempt(() => {
    const lines = recordLines(up.it.context, `${stem.name} direct out`, ends);
    const armed = { id: track.id, recordArm: true, inputMonitor: false };
    up.make([editAdd('track', { session }, track), editAdd('trackState', up.it.place, armed)]);
    up.make(addThreadsEdits(up.it.studio, up.it.place, lines));
    const why = standstill(up, lines);
    if (why !== undefined) up.leaveOut(stem.name, 'recording', why);
    return why === undefined;
  });
  const numbers = ends.map(({ input }) => input);
  if (isThere) up.say(stem.name, 'recording', `${track.name}, input ${inputsText(numbers)}`);
}
