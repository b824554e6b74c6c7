import type { Sound } from '../../session/sumSchema';
import type { SumPlace } from './sumPlace';

/** A stem as the sharing out of places sees it. */
export interface StemWish {
  readonly id: string;
  readonly sound: Sound;
  readonly sides: 1 | 2;
  /** Typed, or kept: there and nowhere else. */
  readonly fixed?: SumPlace;
}

interface Habit {
  /** What it weighs that it has a place at all. */
  readonly place: number;
  /** Others beside it in one place, or never. */
  readonly shares: number | 'never';
  /** A mono input for itself, where it is mono. */
  readonly mono: number;
  /** Where along the inputs it is looked for, from 0 to 1. */
  readonly stands: number;
  /** How strongly: what it loses from one end of the inputs to the other. */
  readonly pull: number;
}

/**
 * The order of preference: what hits hardest first and alone, then bass and lead voice, long sounds share, effects return on
 * the last pair. Common practice, no source; points tell equals apart and nothing more.
 */
const HABITS: Readonly<Record<Sound, Habit>> = {
  hit: { place: 7_000, shares: 'never', mono: 300, stands: 0, pull: 400 },
  percussion: { place: 5_000, shares: 'never', mono: 0, stands: 0.2, pull: 200 },
  bass: { place: 6_500, shares: 'never', mono: 400, stands: 0.06, pull: 300 },
  lead: { place: 6_000, shares: 'never', mono: 200, stands: 0.5, pull: 150 },
  other: { place: 4_000, shares: 500, mono: -150, stands: 0.55, pull: 100 },
  long: { place: 3_500, shares: 100, mono: -150, stands: 0.8, pull: 100 },
  effects: { place: 3_000, shares: 200, mono: -200, stands: 1, pull: 100 },
};
const LAST_PAIR = 400;

/** How many sounds one place takes at most. */
export const MOST_SHARING = 4;
/** What a place loses by each further sound in it: the second, the third, the fourth. */
export const CROWDING = [0, 300, 900, 1_800] as const;

export const mayShare = ({ sound }: Pick<StemWish, 'sound'>): boolean => HABITS[sound].shares !== 'never';

/** Where places lie, and which of them can be mono. */
export interface SumGround {
  readonly places: readonly SumPlace[];
  /** Inputs that go to both sides at the press of a switch. */
  readonly monoInputs: ReadonlySet<number>;
}

/** Points a stem makes in a place; undefined where it cannot stand there. Whole numbers. */
export function placePoints(
  stem: StemWish,
  place: SumPlace,
  { places, monoInputs }: SumGround,
): number | undefined {
  const { sound, sides } = stem;
  const isMono = place.inputs.length === 1;
  if (isMono && (sides === 2 || !place.inputs.every((n) => monoInputs.has(n)))) return undefined;
  const habit = HABITS[sound];
  const at = places.indexOf(place) / Math.max(1, places.length - 1);
  const isLast = sound === 'effects' && !isMono && places.indexOf(place) === places.length - 1;
  return (
    habit.place +
    (isMono ? habit.mono : 0) +
    (isLast ? LAST_PAIR : 0) -
    Math.round(habit.pull * Math.abs(at - habit.stands))
  );
}

/** What it costs a stem that its place is shared, beside the crowding. */
export const sharingCost = ({ sound }: Pick<StemWish, 'sound'>): number => {
  const { shares } = HABITS[sound];
  return shares === 'never' ? 0 : shares;
};
