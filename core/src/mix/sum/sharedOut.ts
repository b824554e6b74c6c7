import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';
import type { Assignment } from './assignPlaces';
import { assignPlaces } from './assignPlaces';
import type { StemWish, SumGround } from './placePoints';
import { sumInputs } from './sumInputs';
import { placesOfSchool, withTyped } from './sumPlace';

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
  const typed = sum.stems.flatMap(({ inputs: own, isTyped }) =>
    own !== undefined && (isTyped === true || !isAnew) ? [{ inputs: own }] : [],
  );
  const places = withTyped(placesOfSchool(sum.school, inputs.length, sum.layout), typed);
  const monoInputs = new Set(
    inputs
      .filter(({ station }) => station === undefined || station.settings.includes('mono'))
      .map(({ number }) => number),
  );
  const wishes = sum.stems.flatMap((stem): readonly StemWish[] => {
    const track = context.session.tracks.find(({ id }) => id === stem.track);
    if (track === undefined) return [];
    const isFixed = stem.inputs !== undefined && (stem.isTyped === true || !isAnew);
    return [
      {
        ...{ id: stem.track, sound: stem.sound, sides: track.width === 1 ? 1 : 2 },
        ...(isFixed && { fixed: { inputs: stem.inputs ?? [] } }),
      },
    ];
  });
  const ground: SumGround = { places, monoInputs };
  return { wishes, ground, assignment: assignPlaces(wishes, ground) };
}
