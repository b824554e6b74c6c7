import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';
import type { TrackId } from '../../rig/ids';
import type { Assignment } from './assignPlaces';
import { rememberedPlaces } from './rememberedPlaces';
import { placePoints } from './placePoints';
import type { SharedOut } from './sharedOut';
import { sharedOut } from './sharedOut';
import type { SumPlace } from './sumPlace';

/** Why a stem has its place, if all were given anew. */
export interface PlaceReason {
  readonly track: string;
  /** Where it would stand; undefined where it finds no place. */
  readonly place?: SumPlace;
  /** Points it makes there. */
  readonly points?: number;
  /** Others that would stand there with it. */
  readonly beside: readonly string[];
}

export interface PlaceReasons {
  readonly stems: readonly PlaceReason[];
  readonly points: number;
  readonly isProven: boolean;
}

/** What a stem would have without its place: where it would go, who would move for it, what that would lose in all. */
export interface NextPlace {
  readonly place?: SumPlace;
  readonly moves: readonly { readonly track: string; readonly to: SumPlace | undefined }[];
  readonly loses: number;
}

const known = new WeakMap<WorkedScene, Map<string, SharedOut>>();

/** The places of a sum as if all were given anew; typed places stay typed. */
function anew(context: WorkedScene, sum: Sum): SharedOut {
  const bySum = known.get(context) ?? new Map<string, SharedOut>();
  known.set(context, bySum);
  const shared = bySum.get(sum.id) ?? sharedOut(context, sum, true);
  bySum.set(sum.id, shared);
  return shared;
}

/** Why every stem of a sum would have the place it would have if all were given anew; typed places stay typed. */
export function placeReasons(context: WorkedScene, sum: Sum): PlaceReasons {
  const { wishes, ground, assignment } = anew(context, sum);
  return {
    points: assignment.points,
    isProven: assignment.isProven,
    stems: wishes.map((wish): PlaceReason => {
      const at = assignment.placeOf.get(wish.id);
      const place = ground.places[at ?? -1];
      const beside = wishes.filter(({ id }) => id !== wish.id && assignment.placeOf.get(id) === at);
      const points = place && placePoints(wish, place, ground);
      return {
        ...{ track: wish.id, beside: place === undefined ? [] : beside.map(({ id }) => id) },
        ...(place && { place }),
        ...(points !== undefined && { points }),
      };
    }),
  };
}

/**
 * What would be next best for a stem: the places shared out once more without the one it has. Nothing where it has none, or
 * where it was typed.
 */
export function nextPlace(context: WorkedScene, sum: Sum, track: TrackId): NextPlace | undefined {
  const { wishes, ground, assignment } = anew(context, sum);
  const at = assignment.placeOf.get(track);
  const isFixed = wishes.find(({ id }) => id === track)?.fixed !== undefined;
  if (at === undefined || isFixed) return undefined;
  const other = rememberedPlaces(wishes, ground, new Set([`${track} ${String(at)}`]));
  const placeIn = ({ placeOf }: Assignment, id: string): SumPlace | undefined =>
    ground.places[placeOf.get(id) ?? -1];
  const moves = wishes
    .filter(({ id }) => id !== track && other.placeOf.get(id) !== assignment.placeOf.get(id))
    .map(({ id }) => ({ track: id, to: placeIn(other, id) }));
  const place = placeIn(other, track);
  return { ...(place && { place }), moves, loses: assignment.points - other.points };
}
