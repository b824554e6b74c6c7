import { carrierOutputs } from '../../../consoles/cues/carrierOutputs';
import { carrierText } from '../../../consoles/cues/carrierText';
import type { StationRole } from '../../../rig/deviceModel';
import type { DeviceId, LaneId } from '../../../rig/ids';
import type { Cue } from '../../../session/cueSchema';
import type { Thread } from '../../../session/sessionSchema';
import { addThreadsEdits } from '../../track/threadEdits';
import { ownMixers } from './boxKnobs';
import { workPlaceAfter } from '../../workPlace';
import { cueLegs, cueTargets, cueThreads } from './cueLines';
import type { SettingUp } from '../../settingUp';
import { talkbackLine } from './talkbackLine';

/** What a cue or talkback never passes on its way: a way that does is none, be it that it conducts. */
const NO_WAY: ReadonlySet<StationRole> = new Set(['preamp', 'di', 're-amp', 'processor']);

/** Lines that run when they are added, without passing a preamp or an effect. */
function running({ it }: SettingUp, threads: readonly Thread[]): readonly Thread[] {
  const then = workPlaceAfter(it, addThreadsEdits(it.studio, it.place, threads));
  const ways = new Map((then?.context.threads ?? []).map((way) => [way.thread.id, way]));
  return threads.filter(({ id }) => {
    const way = ways.get(id);
    return way?.complete === true && !way.stations.some(({ role }) => NO_WAY.has(role));
  });
}

/** Puts lines in and routes them; those that have no way are left out and told. @returns how many run. */
function addLines(up: SettingUp, threads: readonly Thread[]): number {
  const { graph } = up.it.context;
  const nameOf = (id: string | undefined): string =>
    graph.lanes[(id === undefined ? undefined : graph.laneIndex.get(id as LaneId)) ?? -1]?.name ?? '';
  const runs = running(up, threads);
  if (runs.length > 0) up.make(addThreadsEdits(up.it.studio, up.it.place, runs));
  for (const { source, from, to } of threads.filter((thread) => runs.includes(thread)))
    up.say(source, 'way', `${nameOf(from)} to ${nameOf(to)}`);
  for (const { source, from, to } of threads.filter((thread) => !runs.includes(thread)))
    up.leaveOut(
      source,
      'way',
      `Nothing leads from ${nameOf(from)} to ${nameOf(to)} without passing a preamp or an effect. Wire the box to where a cord reaches it in Rig, or choose another carrier.`,
    );
  return runs.length;
}

/**
 * Brings the sides of the carrier to the amplifiers and boxes, as lines of the input list; those there are stay.
 * @returns false where it needs lines and none of them runs.
 */
export function routeCue(up: SettingUp, { id, name, carrier, headphones }: Cue): boolean {
  const { context } = up.it;
  const pairs = headphones.map((pair) => pair.id);
  const targets = cueTargets(context, pairs);
  const outputs = carrierOutputs(context, carrier, targets.towards);
  if (!outputs.ok) {
    up.leaveOut(
      carrierText(context, carrier),
      'outputs',
      'No output is free for it. Free one on the sheet of its console, then set the cue up again.',
    );
    return false;
  }
  if (carrier.on === 'console')
    up.cells(
      carrier.device,
      outputs.sides.flatMap(({ cells }) => cells),
    );
  const there = new Set(
    context.session.threads.flatMap((thread) => (thread.cue === id ? (thread.to ?? []) : [])),
  );
  const legs = cueLegs(up.it.context, outputs.sides, targets).filter(({ to }) => !there.has(to));
  const threads = cueThreads(up.it.context, { id, name }, legs);
  const runs = addLines(up, threads);
  up.knobs(ownMixers(up.it.context, legs));
  return threads.length === 0 || runs > 0;
}

/** Headphones the rig does not have, or that nothing drives, with what to do. */
export function drivenOf(up: SettingUp, wanted: readonly DeviceId[]): readonly DeviceId[] {
  const { context } = up.it;
  const { undriven } = cueTargets(context, wanted);
  return wanted.filter((id) => {
    const device = context.devices.get(id);
    if (device?.type !== 'headphones')
      up.leaveOut(
        device?.name ?? id,
        'headphones',
        'These are no headphones of the rig. Choose a pair in Rig.',
      );
    else if (undriven.includes(id))
      up.leaveOut(
        device.name,
        'headphones',
        'Nothing drives them: no box has a way to them. Wire them to an output of a headphone box or amplifier in Rig first.',
      );
    else return true;
    return false;
  });
}

/** Brings a talkback microphone to the talkback input of a console that none reaches yet. */
export function bringTalkback(up: SettingUp, console: DeviceId): void {
  const line = talkbackLine(up.it.context, console);
  if (line !== undefined) addLines(up, [line]);
}
