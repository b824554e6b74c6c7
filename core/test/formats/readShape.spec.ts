import * as z from 'zod';
import { bundleSchema } from '@ft/core/formats/bundle';
import { MOST_PROBLEMS, readShape } from '@ft/core/formats/readShape';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import { problemLine } from '@ft/core/words/problemWording';
import { saltglassRooms } from '../fixtures/thin/saltglass';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import type { Dice } from '../fixtures/seeded';

const bundle = (): unknown =>
  JSON.parse(JSON.stringify({ format: 'faithful-thread/2', studio: saltglassRooms() }));

/** Changes one thing somewhere in JSON: a value of another kind, a field too much, one that is missing. */
function broken(value: unknown, dice: Dice): unknown {
  if (typeof value !== 'object' || value === null || dice.chance(0.1))
    return dice.pick<unknown>([null, 7, 'seven', [], {}, true]);
  if (Array.isArray(value)) {
    if (value.length === 0) return [dice.below(9)];
    const at = dice.below(value.length);
    return value.map((item: unknown, i) => (i === at ? broken(item, dice) : item));
  }
  const keys = Object.keys(value);
  if (keys.length === 0) return { surplus: 1 };
  const key = dice.pick(keys);
  const { [key]: inner, ...rest } = value as Record<string, unknown>;
  if (dice.chance(0.1)) return rest;
  if (dice.chance(0.1)) return { ...value, surplus: 1 };
  return { ...value, [key]: broken(inner, dice) };
}

describe('reading by a schema', () => {
  it('gives what the schema gives', () => {
    const reading = readShape(bundleSchema, bundle());
    expect(reading.ok && reading.value).toEqual(bundleSchema.parse(bundle()));
  });

  it.each(seedsFrom1(40, 400))('finds what the schema finds, whole (seed %i)', (seed) => {
    const value = broken(bundle(), seeded(seed));
    const whole = bundleSchema.safeParse(value);
    const reading = readShape(bundleSchema, value);
    expect(reading.ok).toBe(whole.success);
    if (reading.ok || whole.success) return;
    const lines = (problems: readonly Parameters<typeof problemLine>[0][]): string[] =>
      problems.map(problemLine).sort();
    // Of a list that is too long only that is said; everything else is the same, in another order.
    expect(lines(reading.problems)).toEqual(lines(shapeProblems(whole.error.issues)));
  });

  it('stops after two hundred problems, and says that there are more', () => {
    const value = bundle() as { studio: { sessions: unknown[] } };
    value.studio.sessions = Array.from({ length: 450 }, () => 0);
    const reading = readShape(bundleSchema, value);
    expect(!reading.ok && reading.problems).toHaveLength(MOST_PROBLEMS + 1);
    expect(!reading.ok && problemLine(reading.problems.at(-1)!)).toMatch(/^And more of the kind/);
  });

  it('repeats little of what it refuses, however much there is', () => {
    const surplus = Object.fromEntries(
      Array.from({ length: 50_000 }, (_, i) => [`field ${String(i)} ${'x'.repeat(200)}`, 0]),
    );
    const value = { ...(bundle() as object), ...surplus };
    const reading = readShape(bundleSchema, value);
    const said = reading.ok ? '' : reading.problems.map(problemLine).join(' ');
    expect(said).toMatch(/There is no field “field 0 x+”, .* and 49995 more here/);
    expect(said.length).toBeLessThan(600);
    const record = z.strictObject({ settings: z.record(z.string().max(9), z.number()) });
    const long = readShape(record, { settings: { ['k'.repeat(100_000)]: 'x' } });
    expect(!long.ok && long.problems.map(problemLine).join(' ').length).toBeLessThan(600);
  });

  it('looks at no item of a list that is too long', () => {
    let looked = 0;
    const counted = z.unknown().check((context) => {
      looked++;
      if (context.value === -1) throw new Error('never');
    });
    const schema = z.strictObject({ items: z.array(counted).max(10) });
    const reading = readShape(schema, { items: Array.from({ length: 1_000_000 }, () => 0) });
    expect(reading.ok).toBe(false);
    expect(looked).toBe(0);
  });
});
