import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';
import { assignPlaces } from './assignPlaces';
import { placePoints } from './placePoints';
import type { SharedOut } from './sharedOut';
import { sharedOut } from './sharedOut';
import type { SumPlace } from './sumPlace';

/** Why a stem has its place, if all were given anew, and what it would have otherwise. */
export interface PlaceReason {
  readonly track: string;
  /** Where it would stand; undefined where it finds no place. */
  readonly place?: SumPlace;
  /** Points it makes there. */
  readonly points?: number;
  /** Others that would stand there with it. */
  readonly beside: readonly string[];
  /** Without that place: where it would go then, who would move for it, and what that would lose in all. */
  readonly next?: {
    readonly place?: SumPlace;
    readonly moves: readonly { readonly track: string; readonly to: SumPlace | undefined }[];
    readonly loses: number;
  };
}

export interface PlaceReasons {
  readonly stems: readonly PlaceReason[];
  readonly points: number;
  readonly isProven: boolean;
}

function nextBest({ wishes, ground, assignment }: SharedOut, id: string): PlaceReason['next'] {
  const at = assignment.placeOf.get(id);
  if (at === undefined) return undefined;
  const other = assignPlaces(wishes, ground, new Set([`${id} ${String(at)}`]));
  const place = ground.places[other.placeOf.get(id) ?? -1];
  const moves = wishes
    .filter((wish) => wish.id !== id && other.placeOf.get(wish.id) !== assignment.placeOf.get(wish.id))
    .map((wish) => ({ track: wish.id, to: ground.places[other.placeOf.get(wish.id) ?? -1] }));
  return { ...(place && { place }), moves, loses: assignment.points - other.points };
}

const known = new WeakMap<WorkedScene, Map<string, PlaceReasons>>();

/** Why every stem of a sum would have the place it would have if all were given anew; typed places stay typed. */
export function placeReasons(context: WorkedScene, sum: Sum): PlaceReasons {
  const bySum = known.get(context) ?? new Map<string, PlaceReasons>();
  known.set(context, bySum);
  const before = bySum.get(sum.id);
  if (before !== undefined) return before;
  const shared = sharedOut(context, sum, true);
  const { wishes, ground, assignment } = shared;
  const found: PlaceReasons = {
    points: assignment.points,
    isProven: assignment.isProven,
    stems: wishes.map((wish): PlaceReason => {
      const at = assignment.placeOf.get(wish.id);
      const place = ground.places[at ?? -1];
      const beside = wishes.filter(({ id }) => id !== wish.id && assignment.placeOf.get(id) === at);
      const points = place && placePoints(wish, place, ground);
      const next = wish.fixed === undefined ? nextBest(shared, wish.id) : undefined;
      return {
        ...{ track: wish.id, beside: place === undefined ? [] : beside.map(({ id }) => id) },
        ...(place && { place }),
        ...(points !== undefined && { points }),
        ...(next && { next }),
      };
    }),
  };
  bySum.set(sum.id, found);
  return found;
}
