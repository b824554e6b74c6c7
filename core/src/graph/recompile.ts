import { alike } from '../edits/alike';
import { sameValue } from '../edits/sameValue';
import type { DeviceId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import { partsOfSettingKey } from '../rig/settings';
import type { Scene, Session } from '../session/sessionSchema';
import { leaving, reaching } from './adjacency';
import { cordEdge } from './cableEdges';
import type { Compiled } from './compile';
import { compile, compiledAs, keepCompiled, lastCompiled, plugs } from './compile';
import type { DeviceParts } from './deviceParts';
import { deviceParts, knobsByDevice } from './deviceParts';
import { routeEdge } from './routeEdge';
import type { Edge, Lane, SignalGraph } from './signalGraph';

/** A graph, and where it differs from the one before. */
export interface Recompiled {
  readonly graph: SignalGraph;
  /** Lanes that changed, and both ends of edges that did; undefined where everything may have. */
  readonly touched: ReadonlySet<number> | undefined;
  /** Edges that are as they were and have another number: from the old one to the new. */
  readonly renumbered: ReadonlyMap<number, number>;
}

/**
 * What a session holds that no lane and no edge comes from. Everything else is compiled anew when it changes,
 * so a field that is added to the session and read by the compiler cannot leave an old graph standing.
 */
const BESIDE: ReadonlySet<string> = new Set<keyof Session>([
  'id',
  'name',
  'wordLengthBits',
  'lineUp',
  'threads',
  'scenes',
  'waivers',
  'routing',
  'performers',
  'cues',
  'playbackChecks',
  'jobs',
  'sums',
  'mix',
  'takes',
  'readings',
  'consoleViews',
  'headroomDb',
  'hearingTable',
  'automatedConsole',
]);

/** The same for a scene. Its cords and settings are taken over piece by piece. */
const BESIDE_A_SCENE: ReadonlySet<string> = new Set<keyof Scene>([
  'id',
  'name',
  'follows',
  'archived',
  'position',
  'cords',
  'settings',
  'trains',
]);

/** Devices with a knob that stands elsewhere. */
function turnedDevices(before: Scene, after: Scene): ReadonlySet<DeviceId> {
  const turned = new Set<DeviceId>();
  if (before.settings === after.settings) return turned;
  const keys = new Set([...Object.keys(before.settings), ...Object.keys(after.settings)] as SettingKey[]);
  for (const key of keys)
    if (before.settings[key] !== after.settings[key]) turned.add(partsOfSettingKey(key).deviceId);
  return turned;
}

/** Takes a compiled graph to the next scene, piece by piece. */
class Step {
  readonly touched = new Set<number>();
  /** Cords that are as they were and have another number. */
  readonly renumbered = new Map<number, number>();
  private readonly lanes: Lane[];
  private readonly edges: Edge[];
  private readonly parts: DeviceParts[];
  /** Whether lanes are joined otherwise than before. */
  private rejoined = false;
  private readonly plugAt: SignalGraph['plugAt'];

  constructor(
    private readonly before: Compiled,
    private readonly session: Session,
    private readonly scene: Scene,
  ) {
    const { graph, parts, lookup } = before;
    this.lanes = [...graph.lanes];
    this.edges = [...graph.edges];
    this.parts = [...parts];
    this.plugAt = scene.cords === before.scene.cords ? graph.plugAt : plugs(scene, lookup);
  }

  /** Rebuilds a device; false where it has other lanes, routes or stations than before. */
  device(place: number): boolean {
    const { rig, laneBase, edgeBase } = this.before;
    const [device, was] = [rig.devices[place], this.parts[place]];
    if (device === undefined || was === undefined) return false;
    const now = deviceParts(device, knobsByDevice(this.scene)(device.id), laneBase[place] ?? 0);
    if (now.lanes.length !== was.lanes.length || now.routes.length !== was.routes.length) return false;
    if (!sameValue(now.stations, was.stations)) return false;
    for (const lane of now.lanes)
      if (!sameValue(this.lanes[lane.index], lane)) {
        this.lanes[lane.index] = lane;
        this.touched.add(lane.index);
      }
    this.parts[place] = { ...now, stations: was.stations };
    now.routes.forEach((_, i) => {
      this.route(place, (edgeBase[place] ?? 0) + i);
    });
    return true;
  }

  /** Makes a route edge anew, under the knobs and plugs there are now. */
  private route(place: number, index: number): void {
    const placed = this.parts[place]?.routes[index - (this.before.edgeBase[place] ?? 0)];
    if (placed === undefined) return;
    const { bufferSamples, sampleRateHz } = this.session;
    const isTaken = (lane: number): boolean => this.before.wired.has(lane) || this.plugAt.has(lane);
    const edge = routeEdge(placed, index, { isTaken, bufferSamples, sampleRateHz });
    this.put(this.mended(edge));
  }

  /** Nothing conducts to or from a faulty place. */
  private mended(edge: Edge): Edge {
    const { faulty } = this.before.graph;
    return faulty.has(edge.from) || faulty.has(edge.to) ? { ...edge, closed: false } : edge;
  }

  private put(edge: Edge): void {
    const was = this.edges[edge.index];
    if (sameValue(was, edge)) return;
    this.edges[edge.index] = edge;
    this.touch(edge);
    if (was === undefined) this.rejoined = true;
    else {
      this.touch(was);
      if (was.from !== edge.from || was.to !== edge.to) this.rejoined = true;
    }
  }

  private touch({ from, to }: Edge): void {
    this.touched.add(from).add(to);
  }

  /** Plugs and unplugs: the cords themselves, and what opens or closes at their jacks. */
  cords(): void {
    const { graph, cordBase, lookup, openedBy, scene } = this.before;
    if (scene.cords === this.scene.cords) return;
    const was = new Map(this.edges.splice(cordBase).map((edge) => [edge.cord, edge]));
    for (const cord of this.scene.cords)
      for (const bare of cordEdge(cord, this.edges.length, lookup)) {
        const edge = this.mended(bare);
        const old = was.get(cord.id);
        was.delete(cord.id);
        // Its number aside: pulling one cord gives all later ones another.
        const isSame = old !== undefined && sameValue({ ...old, index: edge.index }, edge);
        if (isSame && old.index !== edge.index) this.renumbered.set(old.index, edge.index);
        if (!isSame) for (const each of [old, edge]) if (each !== undefined) this.touch(each);
        this.edges.push(isSame && old.index === edge.index ? old : edge);
      }
    for (const gone of was.values()) this.touch(gone);
    this.rejoined = true;
    const jacks = new Set([...graph.plugAt.keys(), ...this.plugAt.keys()]);
    for (const jack of jacks)
      if (graph.plugAt.has(jack) !== this.plugAt.has(jack))
        for (const index of openedBy.get(jack) ?? []) this.route(this.placeOfEdge(index), index);
  }

  /** The device whose routes an edge is one of. */
  private placeOfEdge(index: number): number {
    const { edgeBase } = this.before;
    let [low, high] = [0, edgeBase.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((edgeBase[middle] ?? 0) <= index) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  finish(rig: Rig): SignalGraph {
    const { graph: was } = this.before;
    const lanes = this.lanes.length;
    const graph: SignalGraph = {
      ...was,
      lanes: this.lanes,
      edges: this.edges,
      plugAt: this.plugAt,
      ...(this.rejoined && {
        outgoing: leaving(lanes, this.edges),
        incoming: reaching(lanes, this.edges),
      }),
    };
    const lookup = { ...this.before.lookup, lanes: this.lanes };
    keepCompiled({
      ...this.before,
      ...{ rig, session: this.session, scene: this.scene, graph, lookup, parts: this.parts },
    });
    return graph;
  }
}

/**
 * Compiles a scene starting from a graph of it before a change: devices whose knobs turned and cords that
 * moved are made anew, all else is kept as it is, object for object. The result is what `compile` gives.
 * Where more than that has changed, everything is compiled.
 * @param before told apart by identity: what is the same object has not changed.
 */
export function recompile(before: SignalGraph, rig: Rig, session: Session, scene: Scene): Recompiled {
  const compiled = compiledAs(before);
  const whole = (): Recompiled => ({
    graph: compile(rig, session, scene),
    touched: undefined,
    renumbered: new Map(),
  });
  if (compiled?.rig !== rig || !alike(compiled.session, session, BESIDE)) return whole();
  if (!alike(compiled.scene, scene, BESIDE_A_SCENE)) return whole();
  if (compiled.scene === scene) return { graph: before, touched: new Set(), renumbered: new Map() };
  const step = new Step(compiled, session, scene);
  const turned = turnedDevices(compiled.scene, scene);
  for (const [place, { id }] of turned.size === 0 ? [] : rig.devices.entries())
    if (turned.has(id) && !step.device(place)) return whole();
  step.cords();
  return { graph: step.finish(rig), touched: step.touched, renumbered: step.renumbered };
}

/** What `compile` gives, from whichever scene of the rig was compiled last: scenes of one rig differ in little. */
export function compileNear(rig: Rig, session: Session, scene: Scene): SignalGraph {
  const before = lastCompiled(rig);
  return before === undefined ? compile(rig, session, scene) : recompile(before, rig, session, scene).graph;
}
