import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';
import type { Assignment } from './assignPlaces';
import { rememberedPlaces } from './rememberedPlaces';
import type { StemWish, SumGround } from './placePoints';
import { sumInputs } from './sumInputs';
import type { SumPlace } from './sumPlace';
import { placesOfSchool, trackForTrack, withTyped } from './sumPlace';

/** The sharing out of a sum's places: what was asked, and what came of it. */
export interface SharedOut {
  readonly wishes: readonly StemWish[];
  readonly ground: SumGround;
  readonly assignment: Assignment;
}

/**
 * Shares out the places of a sum.
 * @param isAnew what was given before may move; else it stays, and only who has no place is looked after. What was typed stays
 * always.
 */
export function sharedOut(context: WorkedScene, sum: Sum, isAnew = false): SharedOut {
  const inputs = sumInputs(context, sum);
  const asked = wishesOf(context, sum, isAnew);
  const inOrder =
    sum.school === 'track for track' ? trackForTrack(asked, inputs.length) : new Map<string, SumPlace>();
  const wishes = asked.map((wish) => {
    const fixed = inOrder.get(wish.id);
    return fixed === undefined ? wish : { ...wish, fixed };
  });
  const fixed = wishes.flatMap((wish) => wish.fixed ?? []);
  const places = withTyped(placesOfSchool(sum.school, inputs.length, sum.layout), fixed);
  const monoInputs = new Set(
    inputs
      .filter(({ station }) => station === undefined || station.settings.includes('mono'))
      .map(({ number }) => number),
  );
  const ground: SumGround = { places, monoInputs };
  return { wishes, ground, assignment: rememberedPlaces(wishes, ground) };
}

/** Stems as they are to be placed: those that were typed, or are not to move, where they stand. */
function wishesOf({ session }: WorkedScene, sum: Sum, isAnew: boolean): readonly StemWish[] {
  return sum.stems.flatMap((stem): readonly StemWish[] => {
    const track = session.tracks.find(({ id }) => id === stem.track);
    if (track === undefined) return [];
    const isFixed = stem.inputs !== undefined && (stem.isTyped === true || !isAnew);
    return [
      {
        ...{ id: stem.track, sound: stem.sound, sides: track.width === 1 ? 1 : 2 },
        ...(isFixed && { fixed: { inputs: stem.inputs ?? [] } }),
      },
    ];
  });
}
