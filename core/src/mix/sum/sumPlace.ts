import type { School, Sum } from '../../session/sumSchema';

/** One input of a sum, or two side by side. */
export interface SumPlace {
  readonly inputs: readonly number[];
}

export const placeKey = ({ inputs }: SumPlace): string => inputs.join('–');

const pairsFrom = (first: number, count: number): readonly SumPlace[] =>
  Array.from({ length: Math.floor((count - first + 1) / 2) }, (_, i) => ({
    inputs: [first + 2 * i, first + 2 * i + 1],
  }));

const monos = (...inputs: readonly number[]): readonly SumPlace[] =>
  inputs.map((input) => ({ inputs: [input] }));

/**
 * The places of a school. Sixteen inputs are usually two mono, the hardest hit and the bass, and seven pairs; or all pairs;
 * or kick and snare, bass and voice as two pairs of monos, by mono switch. Common practice, no source.
 * @param count how many inputs there are.
 */
export function placesOfSchool(
  school: School,
  count: number,
  layout: Sum['layout'] = [],
): readonly SumPlace[] {
  const middle = 2 * Math.ceil(count / 4) + 1;
  switch (school) {
    case 'all pairs':
      return pairsFrom(1, count);
    case 'two mono, rest pairs':
      return count < 2 ? monos(1) : [...monos(1, 2), ...pairsFrom(3, count)];
    case 'mono pairs, rest pairs':
      if (count < 8) return placesOfSchool('two mono, rest pairs', count);
      return [
        ...monos(1, 2),
        ...pairsFrom(3, middle - 1),
        ...monos(middle, middle + 1),
        ...pairsFrom(middle + 2, count),
      ];
    case 'track for track':
      return Array.from({ length: count }, (_, i) => ({ inputs: [i + 1] }));
    case 'own':
      return layout.filter((inputs) => inputs.every((n) => n <= count)).map((inputs) => ({ inputs }));
  }
}

/** A stem that goes track for track: how wide it is, and where it stands already. */
export interface InOrder {
  readonly id: string;
  readonly sides: 1 | 2;
  readonly fixed?: SumPlace;
}

/**
 * Places track for track: in the order of the stems one input for a mono one and two side by side, from an odd one on, for a
 * stereo one; around those that have theirs. Who finds none is left out.
 */
export function trackForTrack(stems: readonly InOrder[], count: number): ReadonlyMap<string, SumPlace> {
  const taken = new Set(stems.flatMap(({ fixed }) => fixed?.inputs ?? []));
  const places = new Map<string, SumPlace>();
  let next = 1;
  for (const { id, sides, fixed } of stems) {
    if (fixed !== undefined) continue;
    const run = (first: number): readonly number[] => Array.from({ length: sides }, (_, i) => first + i);
    const fits = (first: number): boolean =>
      (sides === 1 || first % 2 === 1) && run(first).every((n) => n <= count && !taken.has(n));
    while (next <= count && !fits(next)) next += 1;
    if (next > count) continue;
    places.set(id, { inputs: run(next) });
    for (const n of run(next)) taken.add(n);
    next += sides;
  }
  return places;
}

/** The places of a school with those that were typed; what overlaps one of these gives way to it. */
export function withTyped(places: readonly SumPlace[], typed: readonly SumPlace[]): readonly SumPlace[] {
  const own = new Map(typed.map((place) => [placeKey(place), place]));
  const taken = new Set(typed.flatMap(({ inputs }) => inputs));
  const left = places.filter((place) => own.has(placeKey(place)) || !place.inputs.some((n) => taken.has(n)));
  const known = new Set(left.map(placeKey));
  return [...left, ...[...own.values()].filter((place) => !known.has(placeKey(place)))].sort(
    (a, b) => (a.inputs[0] ?? 0) - (b.inputs[0] ?? 0),
  );
}
