import { deskOf } from '../../consoles/desk';
import type { DeskRow } from '../../consoles/desk';
import { laneAtOf } from '../../consoles/desk';
import type { CueColumn } from '../../cues/cueSources';
import { drivenBy } from '../../cues/volume';
import { cueMatrix } from '../../cues/cueSources';
import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import { hostOf } from '../../graph/dawTracks';
import { edgesInto } from '../../graph/walk';
import type { CueId, DeviceId, LaneId, ThreadId, TrackId } from '../../rig/ids';
import { idFromName, laneIdOf } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { hostOutputsOf } from '../../session/daw/hostOutputs';
import { plainTrack } from '../../session/daw/trackTemplate';
import type { Track } from '../../session/daw/trackSchema';
import { threadSchema } from '../../session/sessionSchema';
import { formatNumber } from '../../units/format';
import type { ChannelPlan, ChannelRefusal } from '../consoles/channelPlan';
import { plannedCells } from '../consoles/plannedCells';
import { addThreadEdits } from '../track/threadEdits';
import type { CueEntry } from './cueCells';
import { cueCells } from './cueCells';
import type { WorkPlace } from '../workPlace';
import { workPlaceAfter } from '../workPlace';

/** A click for some cues, at a level. */
export interface ClickWish {
  readonly cues: readonly CueId[];
  readonly levelDb: number;
}

/** The key of the click on the cue sheet, where the session has one; other keys where it comes to no carrier. */
function clickKeys({ session }: WorkedScene): readonly string[] {
  return [
    ...session.threads.filter(({ click }) => click === true).map(({ id }) => `line:${id}`),
    ...session.tracks.filter(({ click }) => click === true).map(({ id }) => `track:${id}`),
  ];
}

/** Host outputs that no track, slot or line takes. */
function freeOutput({ session, rig, graph }: WorkedScene): number | undefined {
  const host = hostOf(rig.devices, session);
  const taken = new Set<number>([
    ...session.tracks.flatMap((track) => [
      ...track.outputs.flatMap((to) => hostOutputsOf(to, track.width)),
      ...track.sends.flatMap(({ destination }) => hostOutputsOf(destination, track.width)),
      ...track.inserts.flatMap((slot) => (slot?.kind === 'hardware' ? [slot.send, slot.send + 1] : [])),
    ]),
  ]);
  const from = new Set<string>(session.threads.map((thread) => thread.from));
  const outputs = Number(host?.params['outputs'] ?? 0);
  return Array.from({ length: outputs }, (_, i) => i + 1).find((n) => {
    const lane = laneIdOf(host?.id ?? '', 'output', n);
    return !taken.has(n) && !from.has(lane) && graph.laneIndex.has(lane);
  });
}

function clickTrack({ session }: WorkedScene, output: number | undefined): Track {
  const ids = new Set<string>(session.tracks.map(({ id }) => id));
  const number = Math.max(0, ...session.tracks.map((track) => track.number)) + 1;
  return {
    ...plainTrack({
      ...{ id: idFromName('click', ids, 'track') as TrackId, name: 'CLICK', kind: 'instrument', width: 1 },
      number,
    }),
    click: true,
    outputs: output === undefined ? [] : [{ to: 'host', first: output }],
  };
}

/** Channels of a console that nothing comes to, with a line input: those that are wired to something first. */
function freeChannels(context: WorkedScene, device: DeviceId): readonly DeskRow[] {
  const desk = deskOf(context, device);
  const free = (desk?.rows ?? []).flatMap((row) => {
    const input = desk && row.row.lineIn && laneAtOf(context, desk.device, row.row.lineIn.lane);
    const isHeard = (context.field.arrivals[row.lane ?? -1]?.length ?? 0) > 0;
    if (input === undefined || isHeard || drivenBy(context, input) !== undefined) return [];
    return [{ row, isWired: edgesInto(context.graph, input).length > 0 }];
  });
  return [...free.filter(({ isWired }) => isWired), ...free.filter(({ isWired }) => !isWired)].map(
    ({ row }) => row,
  );
}

const clickLine = ({ session, scene }: WorkedScene, from: LaneId, to: LaneId, device: string) => {
  const ids = new Set<string>(session.threads.map(({ id }) => id));
  return threadSchema.parse({
    id: idFromName(`to ${device} click`, ids, 'to-click') as ThreadId,
    number: Math.max(0, ...session.threads.map((thread) => thread.number)) + 1,
    ...{ purpose: 'cue', performer: '', source: `Click to ${device}`, from, to, inserts: [], trackName: '' },
    ...{ pins: {}, scenes: [scene.id] },
  });
};

/** The click on one channel of a console; undefined where no way leads there. */
function onChannel(it: WorkPlace, device: DeviceId, row: DeskRow, from: LaneId): ChannelPlan | undefined {
  const { lineIn } = row.row;
  const name = it.context.devices.get(device)?.name ?? device;
  if (lineIn === undefined) return undefined;
  const to = laneIdOf(device, lineIn.lane.port, lineIn.lane.lane);
  const thread = clickLine(it.context, from, to, name);
  const added = addThreadEdits(it.studio, it.place, thread);
  const then = workPlaceAfter(it, added);
  if (then?.context.threads.find((each) => each.thread.id === thread.id)?.complete !== true) return undefined;
  const cells = plannedCells({ ...then, device }, [{ row: row.id, column: 'source', text: lineIn.source }]);
  return {
    edits: [...added, ...cells.edits],
    changes: [{ row: 'Click', column: 'way', from: '', to: `to ${name} ${row.name}` }, ...cells.changes],
    refused: cells.refused,
  };
}

/** Each is routed to see whether it can be had: more would take long, and be as hopeless. */
const MOST_TRIED = 8;

/** Brings the click to a free channel of a console; nothing where none can be had. */
function toConsole(it: WorkPlace, device: DeviceId, from: LaneId): ChannelPlan {
  for (const row of freeChannels(it.context, device).slice(0, MOST_TRIED)) {
    const plan = onChannel(it, device, row, from);
    if (plan !== undefined) return plan;
  }
  return { edits: [], changes: [], refused: [] };
}

/** Whether the click comes to the carrier of a cue. */
const hasClick = (context: WorkedScene, { sends }: CueColumn): boolean =>
  [...sends.keys()].some((key) => clickKeys(context).includes(key));

class Clicking {
  readonly edits: Edit[] = [];
  readonly changes: ChannelPlan['changes'][number][] = [];
  readonly refused: ChannelRefusal[] = [];

  constructor(public it: WorkPlace) {}

  take({ edits, changes, refused }: ChannelPlan): void {
    const next = workPlaceAfter(this.it, edits);
    if (next === undefined) return;
    this.it = next;
    this.edits.push(...edits);
    this.changes.push(...changes);
    this.refused.push(...refused);
  }
}

/** Makes a click where the session has none: a track that plays it, out of a free output of the host. */
function makeClick(work: Clicking): void {
  const { context, place } = work.it;
  if (clickKeys(context).length > 0 || hostOf(context.rig.devices, context.session) === undefined) return;
  const track = clickTrack(context, freeOutput(context));
  work.take({
    edits: [editAdd('track', { session: place.session }, track)],
    changes: [{ row: track.name, column: 'track', from: '', to: 'plays the click' }],
    refused: [],
  });
}

/** The send of the click to one cue, as a text in the words of its carrier. */
function clickEntry(context: WorkedScene, column: CueColumn, levelDb: number): readonly CueEntry[] {
  const keys = clickKeys(context);
  const found = [...column.sends].find(([key]) => keys.includes(key));
  if (found === undefined) return [];
  const [source, [first]] = found;
  const words = first?.send.kind === 'desk' ? first.send.cell.taps.map(({ word }) => word) : ['pre'];
  const tap = words.includes('both') ? ' both' : words.includes('pre') ? ' pre' : '';
  return [{ source, cue: column.cue.id, text: `${formatNumber(levelDb)}${tap}` }];
}

/** The output the click track plays to. */
function clickOutput({ session, rig }: WorkedScene): LaneId | undefined {
  const output = session.tracks.find(({ click }) => click === true)?.outputs[0];
  const host = hostOf(rig.devices, session);
  return output?.to === 'host' && host !== undefined ? laneIdOf(host.id, 'output', output.first) : undefined;
}

/**
 * Click in some cues: the one there is, else a track that plays one; brought to a free channel of each console that it
 * does not come to yet, and sent from there. It goes to no mix.
 */
export function clickInCues(it: WorkPlace, { cues, levelDb }: ClickWish): ChannelPlan {
  const work = new Clicking(it);
  makeClick(work);
  const wanted = (): readonly CueColumn[] =>
    cueMatrix(work.it.context).columns.filter(({ cue }) => cues.includes(cue.id));
  for (const { carrier } of wanted().map(({ cue }) => cue)) {
    const isThere = wanted().some((each) => each.cue.carrier === carrier && hasClick(work.it.context, each));
    const from = clickOutput(work.it.context);
    if (!isThere && from !== undefined && carrier.on === 'console')
      work.take(toConsole(work.it, carrier.device, from));
  }
  const columns = wanted();
  work.take(
    cueCells(
      work.it,
      columns.flatMap((each) => clickEntry(work.it.context, each, levelDb)),
    ),
  );
  const without = columns.filter((each) => !hasClick(work.it.context, each));
  const refused = without.map(({ cue }, at): ChannelRefusal => ({
    ...{ at, row: cue.name, column: 'click' },
    sentence: 'No click comes to its carrier. Bring one to a channel there, and mark its line as the click.',
  }));
  // A track nobody hears is no click.
  if (columns.length === without.length) return { edits: [], changes: [], refused };
  return { edits: work.edits, changes: work.changes, refused: [...work.refused, ...refused] };
}
