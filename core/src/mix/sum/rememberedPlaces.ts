import type { Assignment } from './assignPlaces';
import { assignPlaces } from './assignPlaces';
import type { StemWish, SumGround } from './placePoints';

/** More than are asked about one sum: its places, and the next best of some of its stems. */
const MOST_REMEMBERED = 64;
const remembered = new Map<string, Assignment>();

/**
 * Places shared out as `assignPlaces` does, remembered: most changes of a session leave stems and inputs as they are, and the
 * search takes some tenths of a second where many share.
 */
export function rememberedPlaces(
  stems: readonly StemWish[],
  ground: SumGround,
  barred: ReadonlySet<string> = new Set(),
): Assignment {
  const key = JSON.stringify([stems, ground.places, [...ground.monoInputs], [...barred]]);
  const before = remembered.get(key);
  if (before !== undefined) return before;
  const found = assignPlaces(stems, ground, barred);
  const [oldest] = remembered.keys();
  if (remembered.size >= MOST_REMEMBERED && oldest !== undefined) remembered.delete(oldest);
  remembered.set(key, found);
  return found;
}
