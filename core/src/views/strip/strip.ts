import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { EntityRef } from '../../session/entityRef';
import { threadName } from '../../session/threadName';
import { hostOf, trackLane } from '../../graph/dawTracks';
import type { Edge, EdgeKind } from '../../graph/signalGraph';
import { copperFrom } from '../../graph/nets';
import { edgesFrom, edgesInto } from '../../graph/walk';
import type { Ladder, Rung } from '../../levels/ladder';
import { ladder } from '../../levels/ladder';
import { playbackLevel } from '../../levels/soundSources';
import type { SourceLevel } from '../../levels/sourceLevel';
import type { CordId, DeviceId, LaneId, ThreadId } from '../../rig/ids';
import { isPlugged } from '../../session/onFloor';
import { airDelayMs } from '../../units/air';
import { msFromSamples } from '../../units/duration';
import type { SettingCell } from '../settingCells';
import { knobCells, settingCells } from '../settingCells';
import { edgeLines, gapLine, termLine } from '../../words/termWording';
import { lineLadder } from './lineLadder';

/** One lane of the strip: how the signal came here, and its figures. Plain data, ready to draw. */
export interface StripHop {
  readonly lane: LaneId;
  readonly laneName: string;
  readonly device: DeviceId;
  readonly deviceName: string;
  readonly roomName: string;
  /** How the signal arrives; the first hop has none. */
  readonly kind?: EdgeKind;
  readonly cord?: CordId;
  readonly plugged?: boolean;
  readonly unit: 'dBu' | 'dBFS';
  readonly nominal?: number;
  readonly peak?: number;
  readonly noise?: number;
  readonly max?: number;
  readonly headroomDb?: number;
  readonly delaySamples: number;
  readonly delayMs: number;
  readonly inverted: boolean;
  /** The knobs of the unit this lane goes into or comes out of. */
  readonly settings: readonly SettingCell[];
  /** The arithmetic from the hop before, a line a step. */
  readonly arithmetic: readonly string[];
}

/** The whole path through whatever is selected, source to end. */
export interface Strip {
  readonly title: string;
  readonly thread?: ThreadId;
  readonly complete: boolean;
  readonly hops: readonly StripHop[];
  /** Index of the hop with the least headroom, or -1. */
  readonly worst: number;
  /** Index of the hop that was selected, or -1. */
  readonly selected: number;
  readonly gaps: readonly string[];
  /** At the listening place of the loudspeaker it ends at: delay since the source, the air counted. */
  readonly heard?: { readonly distanceM: number; readonly delayMs: number };
}

/** The knobs at a lane: those of the station that starts or ends there, and of the way that leads to it. */
function settingsAt(context: WorkedScene, lane: number, edge: Edge | undefined): readonly SettingCell[] {
  const { graph } = context;
  const station = graph.stations.find((candidate) => candidate.in === lane || candidate.out === lane);
  const own = station === undefined ? [] : settingCells(context, station);
  const device = graph.lanes[edge?.from ?? -1]?.device;
  const passed = device === undefined ? [] : knobCells(context, device, edge?.knobs ?? []);
  const known = new Set(own.map(({ key }) => key));
  return [...own, ...passed.filter(({ key }) => !known.has(key))];
}

function hopOf(context: WorkedScene, rung: Rung): StripHop {
  const { graph, rig, scene, floor } = context;
  const lane = graph.lanes[rung.lane];
  if (lane === undefined) throw new Error('a rung stands on a lane of its graph');
  const edge = graph.edges[rung.edge ?? -1];
  const cord = scene.cords.find((candidate) => candidate.id === edge?.cord);
  return {
    lane: lane.id,
    laneName: lane.name,
    device: lane.device,
    deviceName: rig.devices.find((device) => device.id === lane.device)?.name ?? lane.device,
    roomName: rig.rooms.find((room) => room.id === lane.room)?.name ?? lane.room,
    ...(edge && { kind: edge.kind }),
    ...(cord && { cord: cord.id, plugged: isPlugged(floor, cord) }),
    unit: rung.unit,
    ...figuresOf(rung),
    delaySamples: rung.delaySamples,
    delayMs: msFromSamples(rung.delaySamples, graph.sampleRateHz),
    inverted: rung.inverted,
    settings: settingsAt(context, rung.lane, edge),
    arithmetic: [...rung.terms.map(termLine), ...edgeLines(edge, rung.unit)],
  };
}

const figuresOf = ({ nominal, peak, noise, max, headroomDb }: Rung): Partial<StripHop> => ({
  ...(nominal !== undefined && { nominal }),
  ...(peak !== undefined && { peak }),
  ...(noise !== undefined && { noise }),
  ...(max !== undefined && { max }),
  ...(headroomDb !== undefined && { headroomDb }),
});

/** When the sound of the loudspeaker a path ends at is heard, where the rig says how far away one sits. */
function heardAt({ graph, devices }: WorkedScene, { rungs }: Ladder): Pick<Strip, 'heard'> {
  const last = rungs.at(-1);
  const device = devices.get(graph.lanes[last?.lane ?? -1]?.device ?? ('' as DeviceId));
  const distanceM = device?.type === 'loudspeaker' ? device.params['distanceM'] : undefined;
  if (last === undefined || typeof distanceM !== 'number') return {};
  const delayMs = msFromSamples(last.delaySamples, graph.sampleRateHz) + airDelayMs(distanceM);
  return { heard: { distanceM, delayMs } };
}

function stripFrom(context: WorkedScene, title: string, levels: Ladder, selectedLane: number): Strip {
  const { graph } = context;
  return {
    title,
    complete: true,
    hops: levels.rungs.map((rung) => hopOf(context, rung)),
    worst: levels.worst,
    selected: levels.rungs.findIndex((rung) => rung.lane === selectedLane),
    gaps: levels.gaps.map((gap) => gapLine(gap, graph.lanes[gap.lane]?.name ?? '')),
    ...heardAt(context, levels),
  };
}

const threadStrip = (context: WorkedScene, planned: PlannedThread, selectedLane: number): Strip => ({
  ...stripFrom(context, threadName(planned.thread), lineLadder(context, planned), selectedLane),
  thread: planned.thread.id,
  complete: planned.complete,
});

/** Whether copper leads from a lane to electronics; an empty jack leads nowhere. */
function leadsOn({ graph }: WorkedScene, from: number, direction: 'from' | 'to'): boolean {
  return copperFrom(graph, from, direction).some((lane) => graph.lanes[lane]?.medium !== 'any');
}

/** Of several ways on, the first that leads somewhere. */
function wayOn(context: WorkedScene, lane: number, direction: 'from' | 'to'): Edge | undefined {
  const ways = (direction === 'from' ? edgesFrom : edgesInto)(context.graph, lane);
  if (ways.length < 2) return ways[0];
  return (
    ways.find((edge) => leadsOn(context, direction === 'from' ? edge.to : edge.from, direction)) ?? ways[0]
  );
}

/** Follows one conducting edge after another in one direction until it ends or comes back. */
function follow(context: WorkedScene, from: number, direction: 'from' | 'to'): readonly Edge[] {
  const edges: Edge[] = [];
  const seen = new Set([from]);
  for (let lane = from; ;) {
    const edge = wayOn(context, lane, direction);
    const next = direction === 'from' ? edge?.to : edge?.from;
    if (edge === undefined || next === undefined || seen.has(next)) return edges;
    edges.push(edge);
    seen.add(next);
    lane = next;
  }
}

/** What a track plays that begins at a lane. */
function playedAt({ field, session }: WorkedScene, lane: number): SourceLevel | undefined {
  const id = field.sources.find((source) => source.lane === lane)?.track;
  const track = id && session.tracks.find((candidate) => candidate.id === id);
  return track && playbackLevel(session, track);
}

/**
 * The path through a lane that no thread uses: back to what feeds it, on to what it feeds. Where it
 * begins at the microphone of a thread, that thread's source sounds in it; where it begins at a track,
 * what the track plays.
 */
function looseStrip(context: WorkedScene, lane: number): Strip {
  const back = [...follow(context, lane, 'to')].reverse();
  const path = [...back, ...follow(context, lane, 'from')];
  const start = path[0]?.from ?? lane;
  const source =
    context.threads.find((planned) => planned.start === start)?.thread ?? playedAt(context, start);
  const levels = ladder(context.graph, start, path, source ?? {});
  // Where no source is meant to sound, that its figures are missing says nothing.
  const gaps = levels.gaps.filter(({ lane: at }) => source !== undefined || at !== start);
  return stripFrom(context, context.graph.lanes[lane]?.name ?? '', { ...levels, gaps }, lane);
}

/** The lane a selection stands for. */
function laneOf(context: WorkedScene, ref: EntityRef): number | undefined {
  const { graph, scene } = context;
  switch (ref.kind) {
    case 'lane':
      return graph.laneIndex.get(ref.id);
    case 'station':
      return graph.stations[graph.stationIndex.get(ref.id) ?? -1]?.in;
    case 'cord': {
      const cord = scene.cords.find((candidate) => candidate.id === ref.id);
      return cord && graph.laneIndex.get(cord.to);
    }
    case 'device':
      return graph.lanes.find((lane) => lane.device === ref.id)?.index;
    case 'track': {
      const host = hostOf(context.rig.devices, context.session);
      const track = context.session.tracks.find((candidate) => candidate.id === ref.id);
      return host && track && graph.laneIndex.get(trackLane(host, track));
    }
    case 'performer': {
      const worn = context.session.performers.find(({ id }) => id === ref.id)?.headphones;
      return graph.lanes.find((lane) => lane.device === worn)?.index;
    }
    case 'cue': {
      const worn = context.session.cues.find(({ id }) => id === ref.id)?.headphones[0]?.id;
      return graph.lanes.find((lane) => lane.device === worn)?.index;
    }
    case 'thread':
      return undefined;
  }
}

function titleOf({ rig, session }: WorkedScene, ref: EntityRef): string {
  const list: readonly { readonly id: string; readonly name: string }[] =
    ref.kind === 'track' ? session.tracks : rig.devices;
  return list.find(({ id }) => id === ref.id)?.name ?? '';
}

/** The strip of a selection: the thread through it, or, where none runs there, the loose path. */
export function stripOf(context: WorkedScene, ref: EntityRef): Strip | undefined {
  if (ref.kind === 'thread') {
    const planned = context.threads.find(({ thread }) => thread.id === ref.id);
    return planned && threadStrip(context, planned, -1);
  }
  const lane = laneOf(context, ref);
  if (lane === undefined) return undefined;
  // Of a track or a device the whole way is meant, no one place on it.
  if (ref.kind === 'track' || ref.kind === 'device')
    return { ...looseStrip(context, lane), title: titleOf(context, ref), selected: -1 };
  const planned = context.threads.find(({ ladder: { rungs } }) => rungs.some((rung) => rung.lane === lane));
  return planned === undefined ? looseStrip(context, lane) : threadStrip(context, planned, lane);
}
