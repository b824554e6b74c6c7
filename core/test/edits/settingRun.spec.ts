import { applyEdits, invertChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { editKnob } from '@ft/core/edits/make';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { SettingKey, SettingValue } from '@ft/core/rig/settings';
import type { Studio } from '@ft/core/session/studioSchema';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import { firstScene, PLACE, studioOf } from '../fixtures/studioOf';

/** Knobs turned at random in two scenes; now and then one is expected to stand where it does not. */
function randomTurns(seed: number): { readonly studio: Studio; readonly edits: readonly EditJson[] } {
  const dice = seeded(seed);
  const studio = studioOf({
    settings: { 'desk/b/1': 1, 'desk/d/1': 2 },
    session: {
      scenes: ['scene', 'other'].map((id) => ({
        id,
        name: id,
        cords: [],
        settings: { 'desk/b/1': 1, 'desk/d/1': 2 },
      })),
    },
  });
  const standing = new Map<string, SettingValue | null>();
  const edits = Array.from({ length: 30 }, () => {
    const scene = dice.chance(0.8) ? 'scene' : 'other';
    const key = `desk/${dice.pick(['a', 'b', 'c', 'd'])}/1` as SettingKey;
    const at = `${scene} ${key}`;
    const stood = standing.get(at) ?? { 'desk/b/1': 1, 'desk/d/1': 2 }[key as string] ?? null;
    const was = standing.has(at) ? (standing.get(at) ?? null) : stood;
    const value = dice.chance(0.2) ? null : dice.below(5);
    standing.set(at, value);
    const isWrong = dice.chance(0.02);
    return editKnob({ ...PLACE, scene: scene as never }, { key, value, was: isWrong ? 77 : was });
  });
  return { studio, edits };
}

/** The obvious way: one after the other. */
function oneByOne(studio: Studio, edits: readonly EditJson[]): ReturnType<typeof applyEdits> {
  let result: ReturnType<typeof applyEdits> = { ok: true, value: studio };
  for (const edit of edits) {
    if (!result.ok) return result;
    result = applyEdits(result.value, [edit]);
  }
  return result;
}

const bytes = (studio: Studio): string => JSON.stringify(canonicalStudio(studio));

describe('knobs turned many at a time', () => {
  it.each(seedsFrom1(20, 2000))('come to what they come to one after the other (seed %i)', (seed) => {
    const { studio, edits } = randomTurns(seed);
    const [together, apart] = [applyEdits(studio, edits), oneByOne(studio, edits)];
    expect(together.ok).toBe(apart.ok);
    if (!together.ok || !apart.ok) {
      expect(together).toEqual(apart);
      return;
    }
    expect(JSON.stringify(together.value)).toBe(JSON.stringify(apart.value));
    const undone = applyEdits(together.value, invertChange(studio, edits));
    expect(undone.ok && bytes(undone.value)).toBe(bytes(studio));
  });

  it('are refused whole where one stands elsewhere', () => {
    const studio = studioOf({ settings: { 'desk/b/1': 1 } });
    const key = (name: string): SettingKey => `desk/${name}/1` as SettingKey;
    const result = applyEdits(studio, [
      editKnob(PLACE, { key: key('a'), value: 3, was: null }),
      editKnob(PLACE, { key: key('b'), value: 3, was: 2 }),
    ]);
    expect(result).toMatchObject({
      ok: false,
      refusal: { code: 'changed-elsewhere', id: 'desk/b/1', now: 1 },
    });
    expect(firstScene(studio).scene.settings).toEqual({ 'desk/b/1': 1 });
  });
});
