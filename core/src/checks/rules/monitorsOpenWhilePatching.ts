import type { Quiet } from '../../repatch/step';
import { quietedBy } from '../../repatch/listeners';
import { isPlugged } from '../../session/onFloor';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** What people listen to, by what has to be quiet first. */
const EARS: Readonly<Record<Quiet, string>> = { monitors: 'loudspeaker', cues: 'headphones' };

/** Cords to be pulled or plugged before the floor is as the scene wants it. */
function cordsToMove({ floor, scene }: WorkedScene): number {
  const plug = scene.cords.filter((cord) => !isPlugged(floor, cord)).length;
  const wanted = new Set(scene.cords.map(({ from, to }) => `${from} ${to}`));
  return plug + floor.cords.filter(({ id, to }) => !wanted.has(`${id} ${to}`)).length;
}

function run(context: WorkedScene): readonly Finding[] {
  const cords = cordsToMove(context);
  if (cords === 0) return [];
  return (Object.keys(EARS) as Quiet[]).flatMap((quiet): readonly Finding[] => {
    const ears = context.rig.devices.filter(({ type }) => type === EARS[quiet]);
    if (ears.length === 0 || quietedBy(context.rig, quiet).length > 0) return [];
    return [
      {
        rule: 'monitors-open-while-patching',
        at: ears.map(({ id }) => ({ kind: 'device', id })),
        figures: { quiet, cords },
      },
    ];
  });
}

export const monitorsOpenWhilePatching: Rule = {
  id: 'monitors-open-while-patching',
  title: 'Nothing to mute before patching',
  severity: 'warning',
  stage: 'track',
  why: 'A plug that goes in or out under signal bangs. The work list mutes monitors and cues first; where it finds nothing to mute, somebody may be listening.',
  limits: 'Whether a mute was really pressed is not known; the work list asks for it and keeps the tick.',
  run,
};
