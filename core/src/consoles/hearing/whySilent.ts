import type { Edge, Lane } from '../../graph/signalGraph';
import { edgesInto } from '../../graph/walk';
import type { KnobRef } from '../../rig/deviceModel';
import type { WorkedScene } from '../../scene/workedScene';
import type { Opener } from './openers';
import { openersOf } from './openers';

/** Where sound stops on its way to an ear. */
export type Closed =
  | { readonly kind: 'nothing-plugged'; readonly lane: number }
  | { readonly kind: 'nothing-leads-in'; readonly lane: number; readonly openers: readonly Opener[] }
  | {
      readonly kind: 'turned-down';
      readonly lane: number;
      readonly gainDb: number;
      readonly knobs: readonly KnobRef[];
    };

/** The way walked back from an ear, and where it is closed; open all the way to a source where `closed` is left out. */
export interface Silence {
  /** From the ear on. */
  readonly lanes: readonly number[];
  readonly closed?: Closed;
}

/** A level knob that takes so much away is down for an ear. Common practice, no source. */
const DOWN_DB = -60;

/** Gear that sound begins in: what leads into it is no signal. */
const SOURCES = new Set(['microphone', 'instrument', 'mediaPlayer', 'talkback', 'dawHost']);

/** What closes a lane that nothing leads into. */
function closedAt({ devices, scene }: WorkedScene, lane: Lane): Closed {
  const device = devices.get(lane.device);
  if (device === undefined || (lane.direction === 'in' && lane.face !== 'inside') || lane.medium === 'any')
    return { kind: 'nothing-plugged', lane: lane.index };
  const [, port = '', number = '1'] = lane.id.split('/');
  return {
    kind: 'nothing-leads-in',
    lane: lane.index,
    openers: openersOf(device, scene.settings, { port, lane: Number(number) }),
  };
}

const isDown = ({ kind, gainDb }: Edge): boolean =>
  (kind === 'route' || kind === 'crosspoint') && gainDb <= DOWN_DB;

/**
 * Walks from an ear back to the first place that is closed. Where several ways meet, the first that is open to a source
 * is taken; when none is, the one that comes furthest.
 */
export function whySilent(context: WorkedScene, ear: number): Silence {
  const seen = new Set<number>();
  const walk = (at: number): Silence => {
    seen.add(at);
    const lane = context.graph.lanes[at];
    if (lane === undefined) return { lanes: [at] };
    if (SOURCES.has(context.devices.get(lane.device)?.type ?? '')) return { lanes: [at] };
    const edges = edgesInto(context.graph, at).filter(({ from }) => !seen.has(from));
    if (edges.length === 0) return { lanes: [at], closed: closedAt(context, lane) };
    const ways = edges.map((edge): Silence =>
      isDown(edge)
        ? {
            lanes: [edge.from],
            closed: { kind: 'turned-down', lane: at, gainDb: edge.gainDb, knobs: edge.knobs ?? [] },
          }
        : walk(edge.from),
    );
    const best =
      ways.find(({ closed }) => closed === undefined) ??
      ways.reduce((far, way) => (way.lanes.length > far.lanes.length ? way : far));
    return { ...best, lanes: [at, ...best.lanes] };
  };
  return walk(ear);
}
