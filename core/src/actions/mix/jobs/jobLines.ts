import type { Edit } from '../../../edits/make';
import { hostOf } from '../../../graph/dawTracks';
import type { LaneId, StationId, ThreadId } from '../../../rig/ids';
import { idFromName, laneIdOf } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Track } from '../../../session/daw/trackSchema';
import type { Job } from '../../../session/jobSchema';
import type { Thread } from '../../../session/sessionSchema';
import { threadSchema } from '../../../session/sessionSchema';
import type { Studio } from '../../../session/studioSchema';
import type { ScenePlace } from '../../../session/scenePlace';
import type { GivenPair } from '../../../mix/giveChannels';
import { sidesOfChain } from '../../../mix/chainUnits';
import { sideWord } from '../../../words/mix/sideWord';
import { chainText } from '../../../views/mix/chainText';
import { after, removeThreadEdits } from '../../track/threadEdits';

/** The input of the host of a number, as a station that a line can be pinned to. */
export const hostInput = ({ graph }: WorkedScene, host: string, n: number): StationId | undefined =>
  graph.stations.find(({ role, device, channel }) => role === 'daw-input' && device === host && channel === n)
    ?.id;

/** An end of a line in line: where one side starts, and where it goes. */
export interface InLineEnd {
  readonly from: LaneId;
  /** An input the line ends at, or the input of the host it comes back to. */
  readonly to?: LaneId;
  readonly input?: StationId;
}

/** The lines of the input list that do a job, one for each side. */
class JobLines {
  private readonly ids: Set<string>;
  private number: number;
  private lead: ThreadId | undefined;

  constructor(
    private readonly context: WorkedScene,
    private readonly job: Job,
    private readonly track: Track,
  ) {
    const { threads } = context.session;
    this.ids = new Set(threads.map(({ id }) => id));
    this.number = Math.max(0, ...threads.map(({ number }) => number));
  }

  line(side: number, own: Pick<Thread, 'purpose' | 'from'> & Partial<Pick<Thread, 'to' | 'pins'>>): Thread {
    const { context, job, track } = this;
    const name = sideWord(side, track.width, job.midSide);
    const id = idFromName(`${track.name} chain ${name}`.trim(), this.ids, 'chain') as ThreadId;
    this.ids.add(id);
    this.number += 1;
    const source = `${track.name}${name === '' ? '' : ` ${name}`}: ${chainText(context, job)}`.slice(0, 200);
    const link = this.lead === undefined ? {} : { link: { lead: this.lead, place: side + 1 } };
    this.lead ??= id;
    return threadSchema.parse({
      ...{ id, number: this.number, performer: '', source, trackName: track.name, job: job.id, pins: {} },
      ...{ inserts: sidesOfChain(context.graph, job, track.width)[side] ?? [], scenes: [context.scene.id] },
      ...own,
      // Lines that end where they say need not stand side by side.
      ...(own.purpose === 'insert' || own.purpose === 'print' ? link : {}),
    });
  }
}

/** Lines out of the host, through the chain and back, over a pair of channels. */
export function slotLines(
  context: WorkedScene,
  job: Job,
  track: Track,
  { send, return: back }: GivenPair,
): readonly Thread[] {
  const host = hostOf(context.rig.devices, context.session);
  if (host === undefined) return [];
  const lines = new JobLines(context, job, track);
  return Array.from({ length: track.width }, (_, side) => {
    const input = hostInput(context, host.id, back + side);
    return lines.line(side, {
      purpose: 'insert',
      from: laneIdOf(host.id, 'output', send + side),
      pins: input === undefined ? {} : { 'daw-input': input },
    });
  });
}

/** Lines from what feeds a chain to what it feeds. */
export function inLineLines(
  context: WorkedScene,
  job: Job,
  track: Track,
  ends: readonly InLineEnd[],
): readonly Thread[] {
  const lines = new JobLines(context, job, track);
  return ends.map(({ from, to, input }, side) =>
    lines.line(side, {
      purpose: input === undefined ? 'sum' : 'print',
      from,
      ...(to !== undefined && { to }),
      ...(input !== undefined && { pins: { 'daw-input': input } }),
    }),
  );
}

/** Takes the lines of a job out, in every scene, with their cords. */
export function withoutLines(studio: Studio, place: ScenePlace, job: Job): readonly Edit[] {
  const edits: Edit[] = [];
  let now: Studio | undefined = studio;
  const session = studio.sessions.find(({ id }) => id === place.session);
  const own = session?.threads.filter((thread) => thread.job === job.id) ?? [];
  // The first side goes last: the others stand by it.
  for (const { id } of [...own].reverse()) {
    if (now === undefined) return edits;
    const more = removeThreadEdits(now, place, id);
    edits.push(...more);
    now = after(now, more);
  }
  return edits;
}
