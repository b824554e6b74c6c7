import { namingOf } from '../../words/naming';
import { compile } from '../../graph/compile';
import { floorScene } from '../../repatch/floorScene';
import type { Step } from '../../repatch/step';
import type { Studio } from '../../session/studioSchema';
import type { Target } from '../../repatch/target';

/** The name of a step for the history: "Plugged Bay A 12 upper to Bay A 3 lower". */
export function stepLabel(studio: Studio, { session }: Target, step: Step): string {
  const naming = namingOf(studio.rig, session, compile(studio.rig, session, floorScene(studio.floor)));
  switch (step.kind) {
    case 'pull':
      return `Pulled ${naming.lane(step.cord.id)} from ${naming.lane(step.cord.to)}`;
    case 'plug':
      return `Plugged ${naming.lane(step.becomes.from)} to ${naming.lane(step.becomes.to)}`;
    case 'move':
      return `Moved the plug from ${naming.lane(step.end === 'from' ? step.cord.id : step.cord.to)} to ${naming.lane(step.becomes[step.end])}`;
    case 'mute':
      return `Muted the ${step.quiet}`;
    case 'open':
      return `Opened the ${step.quiet}`;
    case 'power-off':
      return `Switched 48 V off at ${naming.device(step.device)}`;
    case 'drain':
      return 'Waited for 48 V to drain';
    case 'disarm':
      return 'Took the arming off tracks';
    case 'arm':
      return 'Armed tracks';
    case 'set':
      return `Set ${naming.device(step.device)}`;
  }
}
