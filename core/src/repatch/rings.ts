import type { LaneId } from '../rig/ids';
import type { Move } from './step';

const leaves = ({ cord, end }: Move): LaneId => (end === 'from' ? cord.id : cord.to);
const enters = ({ becomes, end }: Move): LaneId => becomes[end];

/** Moves that wait for each other: each needs the jack that the next one leaves, and the last that of the first. */
export function ringsIn(moves: readonly Move[]): readonly (readonly Move[])[] {
  const leaver = new Map(moves.map((move) => [leaves(move), move]));
  const seen = new Set<Move>();
  return moves.flatMap((first) => {
    const chain: Move[] = [];
    let next: Move | undefined = first;
    while (next !== undefined && !seen.has(next)) {
      seen.add(next);
      chain.push(next);
      next = leaver.get(enters(next));
    }
    return next === first ? [chain] : [];
  });
}
