import { carrierOutputs } from '../../consoles/cues/carrierOutputs';
import { carrierText } from '../../consoles/cues/carrierText';
import type { DeviceId } from '../../rig/ids';
import type { Cue } from '../../session/cueSchema';
import type { Thread } from '../../session/sessionSchema';
import { addThreadsEdits } from '../track/threadEdits';
import { ownMixers } from './boxKnobs';
import { cueLegs, cueTargets, cueThreads } from './cueLines';
import type { SettingUp } from './settingUp';
import { talkbackLine } from './talkbackLine';

/** Lines put in and routed, each told with whether it runs. */
function addLines(up: SettingUp, threads: readonly Thread[]): void {
  up.make(addThreadsEdits(up.it.studio, up.it.place, threads));
  const { threads: worked, graph } = up.it.context;
  const running = new Map(worked.map(({ thread, complete }) => [thread.id, complete]));
  for (const { id, source, to } of threads) {
    const name = graph.lanes[(to === undefined ? undefined : graph.laneIndex.get(to)) ?? -1]?.name ?? '';
    up.say(source, 'way', running.get(id) === true ? `to ${name}` : `to ${name}, not yet possible`);
  }
}

/** Brings the sides of the carrier to the amplifiers and boxes, as lines of the input list; those there are stay. */
export function routeCue(up: SettingUp, { id, name, carrier, headphones }: Cue): void {
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
    return;
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
  if (threads.length > 0) addLines(up, threads);
  up.knobs(ownMixers(up.it.context, legs));
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
