import { timecodeReaches } from '../graph/timecodeReaches';
import type { DeviceId } from '../rig/ids';
import type { WorkedScene } from '../scene/workedScene';

/** A step of the work with a console's automation; some are checked against the rig. */
export interface AutomationStep {
  readonly title: string;
  readonly why: string;
  /** Left out where only the engineer can know. */
  readonly isDone?: boolean;
}

/** How the faders are automated, and why one would do it otherwise. */
export interface AutomationPlan {
  readonly steps: readonly AutomationStep[];
  readonly otherSchool: string;
}

/** The order that keeps work. Common practice, no source. */
const KEPT = [
  ['Choose what is written', 'Faders, mutes or sends; what is not chosen is read and stays as it was.'],
  ['Arm the channels', 'Only those whose moves are wanted.'],
  ['Write one pass', 'Touch, move, let go; the first passes are the rough ones.'],
  ['Keep the pass or drop it', 'Before the next one starts, since most consoles hold one pass only.'],
  ['Store the automation', 'Under a number of its own, beside the one before.'],
  ['Store the scene', 'Moves and the state they start from belong together.'],
] as const;

const OTHER_SCHOOL =
  'The other school leaves the console still and automates in the host: it is recalled with the session, and the console only sums. Then the faders here stay where the scene says.';

/** What automation of a console takes; undefined for one that has none. */
export function automationPlan(context: WorkedScene, id: DeviceId): AutomationPlan | undefined {
  const device = context.devices.get(id);
  if (device?.params['automation'] !== true) return undefined;
  const { session, graph } = context;
  return {
    steps: [
      {
        title: 'Store the scene first',
        why: 'What is written starts from it, and a pass that fails goes back to it.',
      },
      {
        title: 'Timecode reaches the console',
        why: 'Without it a pass starts by hand and lies elsewhere every time.',
        isDone: timecodeReaches(graph, id),
      },
      {
        title: 'Enable automation',
        why: 'The session says which console follows timecode; rules look at that one.',
        isDone: session.automatedConsole === id,
      },
      ...KEPT.map(([title, why]) => ({ title, why })),
    ],
    otherSchool: OTHER_SCHOOL,
  };
}
