import highs from 'highs';
import { assignPlaces } from '@ft/core/mix/sum/assignPlaces';
import { rememberedPlaces } from '@ft/core/mix/sum/rememberedPlaces';
import type { StemWish, SumGround } from '@ft/core/mix/sum/placePoints';
import { CROWDING, mayShare, MOST_SHARING, placePoints, sharingCost } from '@ft/core/mix/sum/placePoints';
import { placesOfSchool } from '@ft/core/mix/sum/sumPlace';
import { SCHOOLS, SOUNDS } from '@ft/core/session/sumSchema';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const numbersTo = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

describe('the places of a school', () => {
  const texts = (...args: Parameters<typeof placesOfSchool>): string =>
    placesOfSchool(...args)
      .map(({ inputs }) => inputs.join('–'))
      .join(' ');

  // Sixteen inputs as they are usually used: common practice, no source.
  it('are two mono and seven pairs, eight pairs, or kick and snare, bass and voice as monos', () => {
    expect(texts('two mono, rest pairs', 16)).toBe('1 2 3–4 5–6 7–8 9–10 11–12 13–14 15–16');
    expect(texts('all pairs', 16)).toBe('1–2 3–4 5–6 7–8 9–10 11–12 13–14 15–16');
    expect(texts('mono pairs, rest pairs', 16)).toBe('1 2 3–4 5–6 7–8 9 10 11–12 13–14 15–16');
    expect(texts('track for track', 4)).toBe('1 2 3 4');
    expect(texts('own', 8, [[1], [2, 3], [9]])).toBe('1 2–3');
  });

  it.each(SCHOOLS.filter((school) => school !== 'own'))(
    '%s: every input in one place at most, on mixers of any size',
    (school) => {
      for (const count of numbersTo(40)) {
        const flat = placesOfSchool(school, count).flatMap(({ inputs }) => inputs);
        expect(new Set(flat).size).toBe(flat.length);
        expect(flat.every((n) => n >= 1 && n <= count)).toBe(true);
        if (count % 2 === 0) expect(flat).toHaveLength(count);
      }
    },
  );
});

/** Stems of random sounds, some of them with a place already, on a mixer of a random size. */
function randomCase(dice: Dice): { readonly stems: readonly StemWish[]; readonly ground: SumGround } {
  const count = 2 * (2 + dice.below(5));
  const places = placesOfSchool(dice.pick(SCHOOLS.filter((school) => school !== 'own')), count);
  const monoInputs = new Set(numbersTo(count).filter(() => dice.chance(0.9)));
  const stems = numbersTo(2 + dice.below(10)).map((n): StemWish => {
    const sides = dice.pick([1, 2] as const);
    const wish: StemWish = { id: `stem-${String(n)}`, sound: dice.pick(SOUNDS), sides };
    const place = dice.pick(places);
    return dice.chance(0.15) && place.inputs.length >= sides ? { ...wish, fixed: place } : wish;
  });
  // Two who never share are not both told to stand in one place.
  const seen = new Set<string>();
  const apart = stems.map(({ fixed, ...wish }): StemWish => {
    const key = fixed?.inputs.join();
    if (fixed === undefined || key === undefined || seen.has(key)) return wish;
    seen.add(key);
    return { ...wish, fixed };
  });
  return { stems: apart, ground: { places, monoInputs } };
}

let solver: Awaited<ReturnType<typeof highs>> | undefined;

/** The same task as an integer program for HiGHS (MIT licence, via its WebAssembly build). */
async function optimum(stems: readonly StemWish[], ground: SumGround): Promise<number> {
  const free = stems.filter(({ fixed }) => fixed === undefined);
  const standing = ground.places.map((place) =>
    stems.filter(({ fixed }) => fixed?.inputs.join() === place.inputs.join()),
  );
  const [goal, rows, binaries]: string[][] = [[], [], []];
  const firsts = ground.places.map((): string[] => []);
  const mores = ground.places.map((): string[] => []);
  const shys = ground.places.map((): string[] => []);
  const paying = ground.places.map((): (readonly [string, string])[] => []);
  free.forEach((stem, s) => {
    const own: string[] = [];
    ground.places.forEach((place, p) => {
      const points = placePoints(stem, place, ground);
      if (points === undefined) return;
      const there = standing[p]!;
      if (there.length === 0) {
        const x = `f${String(s)}_${String(p)}`;
        goal!.push(`${points >= 0 ? '+' : '-'} ${String(Math.abs(points))} ${x}`);
        firsts[p]!.push(x);
        own.push(x);
        if (!mayShare(stem)) shys[p]!.push(x);
        else if (sharingCost(stem) > 0) {
          // The first pays as well, once somebody is one more.
          const w = `w${String(s)}_${String(p)}`;
          goal!.push(`- ${String(sharingCost(stem))} ${w}`);
          binaries!.push(w);
          paying[p]!.push([x, w]);
        }
      }
      if (mayShare(stem) && there.every(mayShare)) {
        const x = `m${String(s)}_${String(p)}`;
        const worth = points - sharingCost(stem);
        goal!.push(`${worth >= 0 ? '+' : '-'} ${String(Math.abs(worth))} ${x}`);
        mores[p]!.push(x);
        own.push(x);
      }
    });
    binaries!.push(...own);
    if (own.length > 0) rows!.push(`${own.join(' + ')} <= 1`);
  });
  ground.places.forEach((_, p) => {
    const steps = CROWDING.slice(Math.max(1, standing[p]!.length), MOST_SHARING).map((cost, k) => {
      const y = `y${String(p)}_${String(k)}`;
      goal!.push(`- ${String(cost)} ${y}`);
      binaries!.push(y);
      return y;
    });
    if (firsts[p]!.length > 0) rows!.push(`${firsts[p]!.join(' + ')} <= 1`);
    // Whoever is one more takes a step of crowding; nobody is one more beside somebody who is alone.
    if (mores[p]!.length > 0)
      rows!.push(`${mores[p]!.join(' + ')}${steps.map((y) => ` - ${y}`).join('')} <= 0`);
    for (const [x, w] of paying[p]!) for (const more of mores[p]!) rows!.push(`${x} + ${more} - ${w} <= 1`);
    for (const shy of shys[p]!) for (const more of mores[p]!) rows!.push(`${shy} + ${more} <= 1`);
  });
  const program = `Maximize\n obj: ${goal!.join(' ') || '0 none'}\nSubject To\n${rows!.map((row, i) => ` c${String(i)}: ${row}`).join('\n') || ' c: none <= 0'}\nBinary\n ${binaries!.join(' ')}\nEnd`;
  solver ??= await highs();
  return free.length === 0 || binaries!.length === 0 ? 0 : solver.solve(program).ObjectiveValue;
}

describe('places shared out', () => {
  it.each(seedsFrom1(200, 2000))(
    'case %d is worth what HiGHS finds, and holds what was asked',
    async (seed) => {
      const { stems, ground } = randomCase(seeded(seed));
      const { placeOf, points, isProven } = assignPlaces(stems, ground);
      expect(isProven).toBe(true);
      expect(points).toBeCloseTo(await optimum(stems, ground), 4);
      ground.places.forEach((_, p) => {
        const own = stems.filter(({ id }) => placeOf.get(id) === p);
        expect(own.length).toBeLessThanOrEqual(MOST_SHARING);
        if (own.length > 1) expect(own.every(mayShare)).toBe(true);
      });
      for (const { id, fixed, sides } of stems) {
        const place = ground.places[placeOf.get(id) ?? -1];
        if (fixed !== undefined)
          expect(place).toBe(ground.places.find(({ inputs }) => inputs.join() === fixed.inputs.join()));
        else if (place !== undefined) expect(place.inputs.length).toBeGreaterThanOrEqual(sides);
      }
    },
  );
});

describe('places where the search is cut short', () => {
  const sounds = [
    'hit',
    'bass',
    'lead',
    'lead',
    'lead',
    'other',
    'other',
    'long',
    'long',
    'effects',
  ] as const;
  const stems = sounds.map((sound, i): StemWish => ({ id: String(i), sound, sides: 2 }));
  const ground: SumGround = { places: placesOfSchool('all pairs', 16), monoInputs: new Set() };

  it('are places all the same: everybody has one who can, and nobody shares who never does', () => {
    const best = assignPlaces(stems, ground);
    const quick = assignPlaces(stems, ground, new Set(), 0);
    expect([best.isProven, quick.isProven]).toEqual([true, false]);
    expect(quick.placeOf.size).toBe(stems.length);
    for (const stem of stems.filter((each) => !mayShare(each))) {
      const at = quick.placeOf.get(stem.id);
      expect(stems.filter(({ id }) => quick.placeOf.get(id) === at)).toEqual([stem]);
    }
    expect(quick.points).toBeLessThanOrEqual(best.points);
    expect(quick.points).toBeGreaterThan(0.9 * best.points);
  });
});

describe('places that are remembered', () => {
  const ground: SumGround = {
    places: placesOfSchool('all pairs', 6),
    monoInputs: new Set([1, 2, 3, 4, 5, 6]),
  };
  const stem = (id: string, sound: StemWish['sound']): StemWish => ({ id, sound, sides: 2 });
  const stems = [stem('a', 'lead'), stem('b', 'long'), stem('c', 'long'), stem('d', 'effects')];

  it('are those that are found anew, and differ with every part of the question', () => {
    const first = rememberedPlaces(stems, ground);
    expect(first).toEqual(assignPlaces(stems, ground));
    expect(rememberedPlaces(structuredClone(stems), { ...ground })).toBe(first);
    const barred = new Set([`a ${String(first.placeOf.get('a'))}`]);
    for (const [wishes, floor, not] of [
      [stems, ground, barred],
      [[...stems, stem('e', 'other')], ground, new Set<string>()],
      [stems, { ...ground, places: placesOfSchool('all pairs', 4) }, new Set<string>()],
    ] as const)
      expect(rememberedPlaces(wishes, floor, not)).toEqual(assignPlaces(wishes, floor, not));
  });

  it('are forgotten one by one, and found again', () => {
    const first = rememberedPlaces(stems, ground);
    for (let n = 0; n < 80; n++) rememberedPlaces([stem(`x${String(n)}`, 'long')], ground);
    const again = rememberedPlaces(stems, ground);
    expect(again).not.toBe(first);
    expect(again).toEqual(first);
  });
});
