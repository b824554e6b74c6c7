import { carrierPlaces } from '../session/cueProblems';
import type { JobId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { WorkedScene } from '../scene/workedScene';
import { hostOutputsOf } from '../session/daw/hostOutputs';
import { tracksIn } from '../session/daw/tracksIn';
import type { Slot, Track } from '../session/daw/trackSchema';
import { threadName } from '../session/threadName';

/** What an input or output of the host is for. */
export interface HostUse {
  readonly number: number;
  readonly what: 'track' | 'send' | 'insert' | 'cue' | 'line';
  /** Of whom: a track, a cue, a line of the input list. */
  readonly name: string;
  /** Which side of it, from 0, and of how many. */
  readonly side: number;
  readonly sides: number;
  /** Of an insert: which slot, from 1, and the job it does. */
  readonly slot?: number;
  readonly job?: JobId;
  /** A recording input that listens to nothing just now: neither armed nor monitored. */
  readonly isIdle?: true;
}

/** What every input and output of the host is used for; what is used by nothing is left out. */
export interface HostUses {
  readonly inputs: readonly HostUse[];
  readonly outputs: readonly HostUse[];
}

const run = (
  first: number,
  sides: number,
  use: Omit<HostUse, 'number' | 'side' | 'sides'>,
): readonly HostUse[] =>
  Array.from({ length: sides }, (_, side) => ({ ...use, number: first + side, side, sides }));

function slotUses(track: Track, slot: Slot | null, at: number, end: 'send' | 'return'): readonly HostUse[] {
  if (slot?.kind !== 'hardware') return [];
  const { job } = slot;
  const own = { what: 'insert', name: track.name, slot: at + 1, ...(job !== undefined && { job }) } as const;
  return run(slot[end], track.width, own);
}

const outputsOf = (track: Track): readonly HostUse[] => [
  ...track.outputs.flatMap((to) => {
    const numbers = hostOutputsOf(to, track.width);
    return run(numbers[0] ?? 0, numbers.length, { what: 'track', name: track.name });
  }),
  ...track.sends.flatMap(({ destination }) => {
    const numbers = hostOutputsOf(destination, track.width);
    return run(numbers[0] ?? 0, numbers.length, { what: 'send', name: track.name });
  }),
  ...track.inserts.flatMap((slot, i) => slotUses(track, slot, i, 'send')),
];

const inputsOf = (track: Track): readonly HostUse[] => [
  ...(track.input.from === 'host'
    ? run(track.input.first, track.width, {
        ...{ what: 'track', name: track.name },
        ...(track.kind === 'audio' && !track.recordArm && !track.inputMonitor && { isIdle: true }),
      })
    : []),
  ...track.inserts.flatMap((slot, i) => slotUses(track, slot, i, 'return')),
];

/** Lines of the scene that start at an output of the host, or end at an input of it. */
function lineUses({ graph, session, threads }: WorkedScene): HostUses {
  const host = session.host ?? '';
  const numberOf = (port: 'input' | 'output', lane: number | undefined): number | undefined => {
    const id = lane === undefined ? undefined : graph.lanes[lane]?.id;
    const start = laneIdOf(host, port, 1).slice(0, -1);
    return id?.startsWith(start) === true ? Number(id.slice(start.length)) : undefined;
  };
  const uses = (port: 'input' | 'output'): readonly HostUse[] =>
    threads.flatMap(({ thread, start, path, complete }) => {
      const end = complete ? path.at(-1)?.to : undefined;
      const number = numberOf(port, port === 'output' ? start : end);
      const { job } = thread;
      return number === undefined
        ? []
        : run(number, 1, { what: 'line', name: threadName(thread), ...(job !== undefined && { job }) });
    });
  return { inputs: uses('input'), outputs: uses('output') };
}

/** Who uses what of the host, in the order of the tracks. */
export function hostUses(context: WorkedScene): HostUses {
  const { session } = context;
  const lines = lineUses(context);
  const cues = session.cues.flatMap(({ name, carrier }): readonly HostUse[] =>
    carrier.on === 'console' ? [] : run(carrier.first, carrierPlaces(carrier).length, { what: 'cue', name }),
  );
  return {
    inputs: [...tracksIn(session, context.scene).flatMap(inputsOf), ...lines.inputs],
    outputs: [...session.tracks.flatMap(outputsOf), ...cues, ...lines.outputs],
  };
}
