import type { Quiet } from '../../repatch/step';
import { isPlugged } from '../../session/onFloor';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { openEars } from '../openEars';
import type { Rule } from '../rule';

const QUIETS: readonly Quiet[] = ['monitors', 'cues'];

/** Cords to be pulled or plugged before the floor is as the scene wants it. */
function cordsToMove({ floor, scene }: WorkedScene): number {
  const plug = scene.cords.filter((cord) => !isPlugged(floor, cord)).length;
  const wanted = new Set(scene.cords.map(({ from, to }) => `${from} ${to}`));
  return plug + floor.cords.filter(({ id, to }) => !wanted.has(`${id} ${to}`)).length;
}

function run(context: WorkedScene): readonly Finding[] {
  const cords = cordsToMove(context);
  if (cords === 0) return [];
  return QUIETS.flatMap((quiet): readonly Finding[] => {
    const ears = openEars(context, quiet);
    if (ears.length === 0) return [];
    return [
      {
        rule: 'monitors-open-while-patching',
        at: ears.map((id) => ({ kind: 'device', id })),
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
  why: 'A plug that goes in or out under signal bangs. The work list mutes monitors and cues first; a loudspeaker or pair of headphones that something reaches past every mute stays open.',
  limits:
    'Only a monitor controller, console or amplifier that lies on the way counts. Whether a mute was really pressed is not known; the work list asks for it and keeps the tick.',
  run,
};
