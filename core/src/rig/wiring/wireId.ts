import type { HardwireId, LaneId } from '../ids';

const OFFSET = 0xcbf29ce484222325n;
const PRIME = 0x100000001b3n;
const MASK = 0xffffffffffffffffn;

/** Fowler–Noll–Vo hash, 64 bits, variant 1a. */
function fnv1a(text: string): bigint {
  let hash = OFFSET;
  for (let i = 0; i < text.length; i++) hash = ((hash ^ BigInt(text.charCodeAt(i))) * PRIME) & MASK;
  return hash;
}

/** The id of a wire follows from its ends, so that two people who draw the same wire draw it once. */
export const wireIdOf = (from: LaneId, to: LaneId): HardwireId =>
  `wire-${fnv1a(`${from} ${to}`).toString(36)}` as HardwireId;
