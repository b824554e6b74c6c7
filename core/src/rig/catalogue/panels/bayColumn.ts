import type { LaneKey, Port, Route } from '../../deviceModel';
import { laneAt, wire } from '../routeKinds';

export const NORMALLINGS = ['full', 'half', 'none', 'parallel'] as const;
export type Normalling = (typeof NORMALLINGS)[number];

/** What sits behind a row: a source that its front jack gives out, or a destination that its jack feeds. */
export const BEHIND = ['source', 'destination'] as const;
export type Behind = (typeof BEHIND)[number];

/** How one column of a bay behaves. */
export interface BayColumn {
  readonly normalling: Normalling;
  readonly upper: Behind;
  readonly lower: Behind;
}

export const BAY_FACES = ['upper-rear', 'upper', 'lower', 'lower-rear'] as const;
export type BayFace = (typeof BAY_FACES)[number];

export const bayLane = (face: BayFace, column: number): LaneKey => laneAt(`${face}-${column}`);

const REAR = { upper: 'upper-rear', lower: 'lower-rear' } as const;

/** The one face of a parallel column where the signal comes in; it goes out at the other three. */
function parallelEntry({ upper, lower }: BayColumn): BayFace {
  if (upper === 'source') return 'upper-rear';
  return lower === 'source' ? 'lower-rear' : 'upper';
}

/** Faces a signal enters the bay by. The others give it out. */
function entries(column: BayColumn): readonly BayFace[] {
  if (column.normalling === 'parallel') return [parallelEntry(column)];
  return (['upper', 'lower'] as const).map((row) => (column[row] === 'source' ? REAR[row] : row));
}

export const faceDirection = (column: BayColumn, face: BayFace): Port['direction'] =>
  entries(column).includes(face) ? 'in' : 'out';

/** Why the rows of a column do not go with its normalling. */
export type ColumnMisfit = 'normal-needs-both' | 'two-sources-in-parallel';

/**
 * A normal leads from a source to a destination, so a normalled column has one of each; of a parallel
 * column at most one row may be a source, or two outputs would drive each other.
 */
export function columnMisfit({ normalling, upper, lower }: BayColumn): ColumnMisfit | undefined {
  if (normalling === 'parallel')
    return upper === 'source' && lower === 'source' ? 'two-sources-in-parallel' : undefined;
  return normalling !== 'none' && upper === lower ? 'normal-needs-both' : undefined;
}

function normal(number: number, column: BayColumn): Route {
  const [source, destination] =
    column.upper === 'source' ? (['upper', 'lower'] as const) : (['lower', 'upper'] as const);
  const opening: readonly BayFace[] = column.normalling === 'full' ? [source, destination] : [destination];
  return {
    from: bayLane(REAR[source], number),
    to: bayLane(REAR[destination], number),
    kind: 'normal',
    gainDb: 0,
    unlessPlugged: opening.map((face) => bayLane(face, number)),
  };
}

/**
 * The copper of one column. Full: a plug in either front jack opens the normal. Half: only a plug in
 * the destination's jack does; one in the source's jack listens along. None: the rows are apart.
 * Parallel: all four faces are joined, and no plug opens anything. Common practice, no source.
 */
export function columnRoutes(number: number, column: BayColumn): readonly Route[] {
  if (column.normalling === 'parallel') {
    const entry = parallelEntry(column);
    return BAY_FACES.filter((face) => face !== entry).map((face) =>
      wire(bayLane(entry, number), bayLane(face, number)),
    );
  }
  const rows = (['upper', 'lower'] as const).map((row) =>
    column[row] === 'source'
      ? wire(bayLane(REAR[row], number), bayLane(row, number))
      : wire(bayLane(row, number), bayLane(REAR[row], number)),
  );
  return column.normalling === 'none' ? rows : [...rows, normal(number, column)];
}
