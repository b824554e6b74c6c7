import type { JobFault } from '../../mix/jobFaults';
import { MOST_SLOTS } from '../../session/daw/trackSchema';
import type { Naming } from '../naming';

const widthWord = (sides: number): string =>
  sides === 1 ? 'mono' : sides === 2 ? 'stereo' : `${String(sides)} wide`;

/** What is wrong with a job, and what to do: one sentence each. */
export function jobSentence(fault: JobFault, track: string, naming: Naming): string {
  switch (fault.code) {
    case 'gone':
      return `${fault.station} is not in the rig any more. Choose another unit for the chain.`;
    case 'unit-twice':
      return `${naming.station(fault.station)} stands twice in the chain, and passes one signal at a time. Leave one out, or make two jobs of it and commit the first.`;
    case 'sides': {
      const names = fault.stations.map((id) => naming.station(id)).join(' and ');
      const less = fault.stations.length < fault.sides;
      return less
        ? `${track} is ${widthWord(fault.sides)}, and ${names} has no channel for every side. Name a unit for each, with + between them.`
        : `${track} is ${widthWord(fault.sides)}, and ${names} are more channels than that. Leave some out.`;
    }
    case 'empty-loop':
      return `Nothing hangs in ${naming.station(fault.station)}. Wire a unit into the loop in Rig, Fixed wiring, or leave it out.`;
    case 'loop-order':
      return `${naming.station(fault.station)} comes before the loop named before it: a switcher has its loops in a fixed order. Name them in that order.`;
    case 'mid-side-mono':
      return `${track} is not stereo: only left and right make a middle and a side. Leave mid/side out.`;
    case 'vca':
      return `${track} is a VCA and carries no sound. Put the job on a track or a group.`;
    case 'in-line-only':
      return `A chain in line has no ${fault.what === 'parallel' ? 'dry signal beside it' : 'matrix before it'}. Put it into a slot, or leave ${fault.what} out.`;
    case 'no-host':
      return 'The session has no host for its tracks. Choose one under Mix, Tracks.';
    case 'no-slot':
      return `Slot ${String(fault.slot)} of ${track} holds something else. Choose another from 1 to ${String(MOST_SLOTS)}.`;
  }
}
