import { deskOf } from '../../consoles/desk';
import type { DeskRow } from '../../consoles/desk';
import { laneAtOf } from '../../consoles/desk';
import type { CueColumn } from '../../cues/cueSources';
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
import type { CuePlace } from './cuePlace';
import { cuePlaceAfter } from './cuePlace';

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

/** The first channel of a console that nothing comes to, with a line input. */
function freeChannel(context: WorkedScene, device: DeviceId): DeskRow | undefined {
  const desk = deskOf(context, device);
  return desk?.rows.find(({ row, lane = -1 }) => {
    const input = row.lineIn && laneAtOf(context, desk.device, row.lineIn.lane);
    const isTaken = input !== undefined && edgesInto(context.graph, input).length > 0;
    return row.lineIn !== undefined && !isTaken && (context.field.arrivals[lane]?.length ?? 0) === 0;
  });
}

const clickLine = (context: WorkedScene, from: LaneId, to: LaneId, device: string) => {
  const { session, scene } = context;
  const ids = new Set<string>(session.threads.map(({ id }) => id));
  return threadSchema.parse({
    id: idFromName(`to ${device} click`, ids, 'to-click') as ThreadId,
    number: Math.max(0, ...session.threads.map((thread) => thread.number)) + 1,
    ...{ purpose: 'feed', performer: '', source: 'Click', from, to, inserts: [], trackName: '', click: true },
    ...{ pins: {}, scenes: [scene.id] },
  });
};

/** Brings the click to a free channel of a console. */
function toConsole(it: CuePlace, device: DeviceId, output: number): ChannelPlan {
  const { context } = it;
  const host = hostOf(context.rig.devices, context.session);
  const row = freeChannel(context, device);
  const name = context.devices.get(device)?.name ?? device;
  if (row?.row.lineIn === undefined || host === undefined)
    return {
      ...{ edits: [], changes: [] },
      refused: [
        {
          ...{ at: 0, row: name, column: 'click' },
          sentence: `${name} has no free channel with a line input. Bring the click to a channel of it yourself, and mark its line as the click.`,
        },
      ],
    };
  const { lane, source } = row.row.lineIn;
  const to = laneIdOf(device, lane.port, lane.lane);
  const thread = clickLine(context, laneIdOf(host.id, 'output', output), to, name);
  const added = addThreadEdits(it.studio, it.place, thread);
  const then = cuePlaceAfter(it, added);
  const cells =
    then === undefined
      ? { edits: [], changes: [], refused: [] }
      : plannedCells({ ...then, device }, [{ row: row.id, column: 'source', text: source }]);
  return {
    edits: [...added, ...cells.edits],
    changes: [{ row: 'Click', column: 'way', from: '', to: `to ${name} ${row.name}` }, ...cells.changes],
    refused: cells.refused,
  };
}

/** Whether the click comes to the carrier of a cue. */
const hasClick = (context: WorkedScene, { sends }: CueColumn): boolean =>
  [...sends.keys()].some((key) => clickKeys(context).includes(key));

class Clicking {
  readonly edits: Edit[] = [];
  readonly changes: ChannelPlan['changes'][number][] = [];
  readonly refused: ChannelRefusal[] = [];

  constructor(public it: CuePlace) {}

  take({ edits, changes, refused }: ChannelPlan): void {
    const next = cuePlaceAfter(this.it, edits);
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

/**
 * Click in some cues: the one there is, else a track that plays one; brought to a free channel of each console that it
 * does not come to yet, and sent from there. It goes to no mix.
 */
export function clickInCues(it: CuePlace, { cues, levelDb }: ClickWish): ChannelPlan {
  const work = new Clicking(it);
  makeClick(work);
  const wanted = (): readonly CueColumn[] =>
    cueMatrix(work.it.context).columns.filter(({ cue }) => cues.includes(cue.id));
  for (const { cue } of wanted()) {
    const column = wanted().find((each) => each.cue.id === cue.id);
    const output = work.it.context.session.tracks.find(({ click }) => click === true)?.outputs[0];
    if (column === undefined || hasClick(work.it.context, column) || cue.carrier.on !== 'console') continue;
    if (output?.to === 'host') work.take(toConsole(work.it, cue.carrier.device, output.first));
  }
  const entries = wanted().flatMap((column): readonly CueEntry[] => {
    const key = [...column.sends.keys()].find((each) => clickKeys(work.it.context).includes(each));
    const [first] = (key === undefined ? undefined : column.sends.get(key)) ?? [];
    if (key === undefined || first === undefined) return [];
    const words = first.send.kind === 'desk' ? first.send.cell.taps.map(({ word }) => word) : ['pre'];
    const tap = words.includes('both') ? ' both' : words.includes('pre') ? ' pre' : '';
    return [{ source: key, cue: column.cue.id, text: `${formatNumber(levelDb)}${tap}` }];
  });
  const without = wanted().filter((column) => !hasClick(work.it.context, column));
  for (const { cue } of without)
    if (!work.refused.some(({ row }) => row === cue.name))
      work.refused.push({
        ...{ at: work.refused.length, row: cue.name, column: 'click' },
        sentence:
          'No click comes to its carrier. Bring one to a channel there, and mark its line as the click.',
      });
  work.take(cueCells(work.it, entries));
  return { edits: work.edits, changes: work.changes, refused: work.refused };
}
