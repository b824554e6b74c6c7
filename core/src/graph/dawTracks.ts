import type { BusId, LaneId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { Bus, Destination, Send, Slot, Track } from '../session/daw/trackSchema';
import type { Session } from '../session/sessionSchema';
import type { PanLawDb } from '../units/panLaw';
import { panGainsDb, SILENT_DB } from '../units/panLaw';
import type { LaneLookup } from './laneLookup';
import type { Edge, Lane } from './signalGraph';
import type { SlotLanes } from './slotEdges';
import { slotEdges } from './slotEdges';

/** What the tracks of a session add to a graph. */
export interface DawParts {
  readonly lanes: readonly Lane[];
  /** Edges without their index, which the compiler gives. */
  readonly edges: readonly Omit<Edge, 'index'>[];
}

/** A point in a track, one lane for each of its width. */
type Point = readonly number[];

/** The key of a track's point: "track-narr-fader". Ids are at most 64 letters, keys have no limit. */
export const trackPort = (track: Track, point: 'in' | 'play' | 'pre' | 'fader' | `slot-${number}`): string =>
  `track-${track.id}-${point}`;

const SIDES: Readonly<Record<number, readonly string[]>> = { 2: ['left', 'right'] };

/** Lays out the lanes and edges of tracks and buses inside their host. */
class DawLayout {
  readonly lanes: Lane[] = [];
  readonly edges: Omit<Edge, 'index'>[] = [];
  private readonly buses = new Map<BusId, Point>();
  private readonly vcaDb: ReadonlyMap<string, number>;

  constructor(
    private readonly host: Device,
    private readonly session: Session,
    private readonly lookup: LaneLookup,
  ) {
    this.vcaDb = new Map(
      session.tracks
        .filter(({ kind }) => kind === 'vca')
        .map(({ id, faderDb, muted }) => [id, muted ? -Infinity : faderDb]),
    );
  }

  build(): DawParts {
    for (const bus of this.session.buses) this.buses.set(bus.id, this.busPoint(bus));
    for (const track of this.session.tracks) if (track.kind !== 'vca') this.track(track);
    return { lanes: this.lanes, edges: this.edges };
  }

  private busPoint(bus: Bus): Point {
    return this.point(`bus-${bus.id}`, `bus ${bus.name}`, bus.width);
  }

  /** Adds the lanes of a point. */
  private point(key: string, name: string, width: number): Point {
    const base = this.lookup.lanes.length + this.lanes.length;
    return Array.from({ length: width }, (_, i) => {
      const side = width === 1 ? '' : ` ${SIDES[width]?.[i] ?? String(i + 1)}`;
      this.lanes.push({
        index: base + i,
        id: laneIdOf(this.host.id, key, i + 1),
        name: `${name}${side}`,
        device: this.host.id,
        room: this.host.room,
        direction: 'out',
        medium: 'digital',
        connector: 'fixed',
        face: 'inside',
      });
      return base + i;
    });
  }

  private join(
    from: number,
    to: number,
    kind: 'route' | 'crosspoint',
    track: Track,
    more: Partial<Edge> = {},
  ): void {
    this.edges.push({
      kind,
      from,
      to,
      passive: false,
      gainDb: 0,
      inverts: false,
      delaySamples: 0,
      openedBy: [],
      closed: true,
      track: track.id,
      ...more,
    });
  }

  /** Host inputs or outputs from a number on; those the host does not have are left out. */
  private hostLane(port: 'input' | 'output', number: number): number | undefined {
    return this.lookup.laneIndex.get(laneIdOf(this.host.id, port, number));
  }

  private track(track: Track): void {
    const point = (at: Parameters<typeof trackPort>[1], name: string): Point =>
      this.point(trackPort(track, at), `${track.name} ${name}`, track.width);
    const into = point('in', 'in');
    this.selectInput(track, into);
    let at = this.source(track, into, point);
    track.inserts.forEach((slot, i) => {
      if (slot === null) return;
      const after = point(`slot-${i + 1}`, `after slot ${i + 1}`);
      this.slot(track, slot, at, after);
      at = after;
    });
    const fader = point('fader', 'after fader');
    const gainDb = track.faderDb + (track.vca === undefined ? 0 : (this.vcaDb.get(track.vca) ?? 0));
    if (!track.muted && gainDb > SILENT_DB)
      at.forEach((lane, i) => {
        this.join(lane, fader[i] ?? -1, 'route', track, { gainDb });
      });
    for (const output of track.outputs) this.sendTo(track, fader, output, 0, track.pan);
    for (const send of track.sends) this.send(track, send, at, fader);
  }

  private selectInput(track: Track, into: Point): void {
    const { input } = track;
    into.forEach((lane, i) => {
      const from =
        input.from === 'host'
          ? this.hostLane('input', input.first + i)
          : input.from === 'bus'
            ? this.buses.get(input.bus)?.[i]
            : undefined;
      if (from !== undefined) this.join(from, lane, 'crosspoint', track);
    });
  }

  /**
   * Where the chain starts: tracks that record play what is on disk until their input is monitored;
   * instruments play; the others pass on what comes in.
   */
  private source(track: Track, into: Point, point: (at: 'play' | 'pre', name: string) => Point): Point {
    if (track.kind === 'aux' || track.kind === 'group') return into;
    const play = point('play', track.kind === 'instrument' ? 'instrument' : 'playback');
    const pre = point('pre', 'before the slots');
    const live = track.kind !== 'instrument' && track.inputMonitor;
    pre.forEach((lane, i) => {
      this.join((live ? into : play)[i] ?? -1, lane, 'route', track);
    });
    return pre;
  }

  private slot(track: Track, slot: Slot, before: Point, after: Point): void {
    const lanes = (port: 'input' | 'output', first: number): SlotLanes['out'] =>
      before.map((_, i) => this.hostLane(port, first + i));
    const own = slot.kind === 'hardware' ? slot : undefined;
    const [out, back] = [lanes('output', own?.send ?? 0), lanes('input', own?.return ?? 0)];
    const ways = slotEdges(slot, { before, after, out, back }, this.session.hostProfile);
    for (const { from, to, kind, more } of ways) this.join(from, to, kind, track, more);
  }

  private send(track: Track, { destination, preFader, levelDb, pan }: Send, pre: Point, fader: Point): void {
    this.sendTo(track, preFader ? pre : fader, destination, levelDb, pan);
  }

  /** Lanes of a destination, as many as the signal is wide, and two for a mono one that is panned. */
  private destination(destination: Destination, width: number): Point {
    if (destination.to === 'bus') return this.buses.get(destination.bus) ?? [];
    const lanes = Array.from({ length: destination.width ?? width }, (_, i) =>
      this.hostLane('output', destination.first + i),
    );
    return lanes.filter((lane) => lane !== undefined);
  }

  private sendTo(track: Track, from: Point, destination: Destination, levelDb: number, pan: number): void {
    const to = this.destination(destination, from.length);
    for (const { source, target, gainDb } of mixing(from, to, pan, this.session.panLawDb)) {
      const total = levelDb + gainDb;
      if (total > SILENT_DB) this.join(source, target, 'crosspoint', track, { gainDb: total });
    }
  }
}

interface Mixed {
  readonly source: number;
  readonly target: number;
  readonly gainDb: number;
}

/** Turning a stereo signal lowers the side turned away from; the law of the centre does not apply. */
const balanceDb = (side: number, pan: number): number => {
  const away = side === 0 ? pan : -pan;
  return away <= 0 ? 0 : 20 * Math.log10(Math.max(1e-9, 1 - away / 100));
};

/**
 * How lanes go into lanes: mono is panned into stereo, stereo is balanced, several into one are added,
 * all else goes lane by lane.
 */
function mixing(from: Point, to: Point, pan: number, law: PanLawDb): readonly Mixed[] {
  const [first] = from;
  if (first !== undefined && from.length === 1 && to.length === 2) {
    const gains = panGainsDb(pan, law);
    return to.map((target, i) => ({ source: first, target, gainDb: gains[i] ?? -Infinity }));
  }
  const stereo = from.length === 2 && to.length === 2;
  return from.flatMap((source, i) => {
    const target = to.length === 1 ? to[0] : to[i];
    return target === undefined ? [] : [{ source, target, gainDb: stereo ? balanceDb(i, pan) : 0 }];
  });
}

/** The host of a session in its rig, where it has one. */
export const hostOf = (devices: readonly Device[], session: Session): Device | undefined =>
  devices.find(({ id, type }) => type === 'dawHost' && id === session.host);

/** The lane that stands for a track: where its input comes in, or, without one, its end. A VCA has none. */
export const trackLane = (host: Device, track: Track): LaneId =>
  laneIdOf(host.id, trackPort(track, track.input.from === 'none' ? 'fader' : 'in'), 1);

/** Compiles the tracks and buses of a session into lanes after those of the rig. Nothing without a host. */
export function dawParts(host: Device | undefined, session: Session, lookup: LaneLookup): DawParts {
  return host === undefined ? { lanes: [], edges: [] } : new DawLayout(host, session, lookup).build();
}
