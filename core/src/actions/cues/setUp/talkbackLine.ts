import { talkbackField } from '../../../cues/talkbackField';
import { arrivalsAt } from '../../../levels/laneSum';
import type { DeviceId, ThreadId } from '../../../rig/ids';
import { idFromName, laneIdOf } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';

/** The line from a talkback microphone to a console; undefined where one is there, or there is nothing to join. */
export function talkbackLine(context: WorkedScene, console: DeviceId): Thread | undefined {
  const { session, scene, graph, rig } = context;
  const to = laneIdOf(console, 'talkback', 1);
  const input = graph.laneIndex.get(to);
  const microphone = rig.devices.find(({ type }) => type === 'talkback');
  if (input === undefined || microphone === undefined) return undefined;
  const isThere =
    arrivalsAt(talkbackField(context), input).length > 0 ||
    session.threads.some((thread) => thread.to === to && thread.scenes.includes(scene.id));
  if (isThere) return undefined;
  const ids = new Set<string>(session.threads.map(({ id }) => id));
  const name = context.devices.get(console)?.name ?? console;
  return threadSchema.parse({
    id: idFromName(`to ${name} talkback`, ids, 'to-talkback') as ThreadId,
    number: Math.max(0, ...session.threads.map((thread) => thread.number)) + 1,
    ...{ purpose: 'talkback', performer: '', source: `Talkback to ${name}` },
    ...{
      from: laneIdOf(microphone.id, 'out', 1),
      to,
      inserts: [],
      trackName: '',
      pins: {},
      scenes: [scene.id],
    },
  });
}
