import type { EdgeKind } from '../../graph/signalGraph';
import { formatNumber } from '../../units/format';
import { firstDigital, LADDER_RANGE_DBU, LADDER_TICKS_DBU, ladderHeights } from './ladderScale';
import type { StripHop } from './strip';

/** A point of the drawing, in pixels. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Segment {
  readonly kind: EdgeKind;
  readonly path: string;
  readonly planned: boolean;
  readonly hop: number;
}

/** A device and the hops inside it, as one block of the drawing. */
export interface Block {
  readonly name: string;
  /** The name as far as it fits. */
  readonly shown: string;
  readonly room: string;
  readonly x: number;
  readonly width: number;
}

export interface Bead extends Point {
  readonly hop: number;
}

/** A clip mark: a short bar at the greatest level of a hop. */
export interface Clip extends Point {
  readonly over: boolean;
}

/** Everything the strip draws. */
export interface StripDrawing {
  readonly width: number;
  readonly blocks: readonly Block[];
  readonly segments: readonly Segment[];
  readonly beads: readonly Bead[];
  /** What each hop is called inside its device. */
  readonly labels: readonly string[];
  readonly nominal: string;
  readonly peak: string;
  readonly noise: string;
  readonly clips: readonly Clip[];
  readonly ticks: readonly { readonly y: number; readonly label: string }[];
  /** Where the scale changes from dBu to dBFS, if it does. */
  readonly digitalFrom?: number;
}

/** Heights of the strip's bands, top to bottom, in pixels. */
export const BANDS = {
  names: 30,
  thread: 26,
  jacks: 68,
  ladderTop: 82,
  ladderBottom: 162,
  figures: 168,
} as const;

const LEFT = 44;
const LEAST_STEP = 44;
const RIGHT = 12;
/** A device that a thread only touches once still needs room for its name. */
const LONE_WEIGHT = 2;
/** Widths of a character of a label and of a device's name, pixels. */
const LABEL_CHARACTER = 5;
const NAME_CHARACTER = 6.6;
const CORD_SAG = 15;

const yOf = (levelDbu: number): number => {
  const { top, bottom } = LADDER_RANGE_DBU;
  const clamped = Math.max(bottom, Math.min(top, levelDbu));
  const share = (top - clamped) / (top - bottom);
  return BANDS.ladderTop + share * (BANDS.ladderBottom - BANDS.ladderTop);
};

function polyline(xs: readonly number[], levels: readonly (number | undefined)[]): string {
  let pen = 'M';
  return levels
    .map((level, i) => {
      if (level === undefined) {
        pen = 'M';
        return '';
      }
      const step = `${pen}${String(xs[i] ?? 0)} ${yOf(level).toFixed(1)}`;
      pen = 'L';
      return step;
    })
    .join('');
}

function segmentPath(kind: EdgeKind, from: number, to: number): string {
  const y = BANDS.names + BANDS.thread / 2;
  const middle = (from + to) / 2;
  if (kind === 'cord')
    return `M${String(from)} ${String(y)} Q${String(middle)} ${String(y + CORD_SAG * 2)} ${String(to)} ${String(y)}`;
  return `M${String(from)} ${String(y)} L${String(to)} ${String(y)}`;
}

/** Hops `first` to `last` that follow each other inside one device. */
interface Run {
  readonly name: string;
  readonly room: string;
  readonly device: string;
  readonly first: number;
  last: number;
}

function runsOf(hops: readonly StripHop[]): readonly Run[] {
  const runs: Run[] = [];
  hops.forEach((hop, i) => {
    const open = runs.at(-1);
    if (open?.device === hop.device) open.last = i;
    else runs.push({ name: hop.deviceName, room: hop.roomName, first: i, last: i, device: hop.device });
  });
  return runs;
}

/** The share of the width each hop takes. */
function weightsOf(hops: readonly StripHop[], runs: readonly Run[]): readonly number[] {
  const lone = new Set(runs.filter(({ first, last }) => first === last).map(({ first }) => first));
  return hops.map((_, i) => (lone.has(i) ? LONE_WEIGHT : 1));
}

/** Cuts a text to a width, and shows that it was cut. */
function fitted(text: string, width: number, characterWidth: number): string {
  const most = Math.floor(width / characterWidth);
  return text.length > most ? `${text.slice(0, Math.max(0, most - 1))}…` : text;
}

/** A block reaches from the left edge of its first hop to the right edge of its last. */
function blocksOf(runs: readonly Run[], edges: readonly number[]): readonly Block[] {
  const gap = 4;
  return runs.map(({ name, room, first, last }) => {
    const [from, to] = [edges[first] ?? 0, edges[last + 1] ?? 0];
    const width = to - from - 2 * gap;
    return { name, shown: fitted(name, width - 6, NAME_CHARACTER), room, x: from + gap, width };
  });
}

/** "Bay B 25 lower" inside Bay B is "25 lower". */
function labelOf(hop: StripHop, width: number): string {
  const own = hop.laneName.startsWith(hop.deviceName)
    ? hop.laneName.slice(hop.deviceName.length).trim()
    : hop.laneName;
  return fitted(own, width, LABEL_CHARACTER);
}

/** Lays out a strip for a width in pixels. It grows wider than that rather than crowd its figures. */
// eslint-disable-next-line max-lines-per-function -- one drawing, its coordinates in one place
export function drawStrip(hops: readonly StripHop[], availableWidth: number): StripDrawing {
  const runs = runsOf(hops);
  const weights = weightsOf(hops, runs);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const step = Math.max(LEAST_STEP, (availableWidth - LEFT - RIGHT) / Math.max(1, total));
  const edges = [LEFT];
  for (const weight of weights) edges.push((edges.at(-1) ?? LEFT) + weight * step);
  const xs = hops.map((_, i) => Math.round(((edges[i] ?? 0) + (edges[i + 1] ?? 0)) / 2));
  const heights = ladderHeights(hops);
  const digital = firstDigital(hops);
  const y = BANDS.names + BANDS.thread / 2;
  return {
    width: (edges.at(-1) ?? LEFT) + RIGHT,
    blocks: blocksOf(runs, edges),
    segments: hops.flatMap((hop, i) =>
      hop.kind === undefined
        ? []
        : [
            {
              kind: hop.kind,
              hop: i,
              planned: hop.plugged === false,
              path: segmentPath(hop.kind, xs[i - 1] ?? 0, xs[i] ?? 0),
            },
          ],
    ),
    labels: hops.map((hop) => labelOf(hop, step)),
    beads: hops.map((_, i) => ({ x: xs[i] ?? 0, y, hop: i })),
    nominal: polyline(
      xs,
      heights.map(({ nominal }) => nominal),
    ),
    peak: polyline(
      xs,
      heights.map(({ peak }) => peak),
    ),
    noise: polyline(
      xs,
      heights.map(({ noise }) => noise),
    ),
    clips: hops.flatMap((hop, i) => {
      const max = heights[i]?.max;
      return max === undefined ? [] : [{ x: xs[i] ?? 0, y: yOf(max), over: (hop.headroomDb ?? 0) < 0 }];
    }),
    ticks: LADDER_TICKS_DBU.map((level) => ({ y: yOf(level), label: formatNumber(level) })),
    ...(digital !== undefined && {
      digitalFrom: Math.round(((xs[digital - 1] ?? 0) + (xs[digital] ?? 0)) / 2),
    }),
  };
}
