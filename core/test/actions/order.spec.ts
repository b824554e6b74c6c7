import { movedTo, renumberedBy } from '@ft/core/actions/movedItem';
import { movedSlotEdits, movedTrackEdits } from '@ft/core/actions/mix/movedTrack';
import { movedSceneEdits } from '@ft/core/actions/scenes/sceneCell';
import { movedLineEdits } from '@ft/core/actions/track/movedLine';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { byNumber } from '@ft/core/session/byNumber';
import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import type { Session } from '@ft/core/session/sessionSchema';
import { studioOf } from '../fixtures/studioOf';

interface Item {
  readonly id: string;
  readonly number: number;
}

const alone = (item: Item): readonly Item[] => [item];
const list = (...numbers: number[]): Item[] => numbers.map((number, at) => ({ id: 'abcdefgh'[at]!, number }));

/** The ids in the order of the numbers they have after a move, and those numbers. */
function after(items: readonly Item[], id: string, by: number, together = alone): [string, number[]] {
  const changed = new Map(renumberedBy(items, id, by, together).map(({ item, number }) => [item.id, number]));
  const now = items.map((item) => ({ ...item, number: changed.get(item.id) ?? item.number })).sort(byNumber);
  return [now.map((item) => item.id).join(''), now.map(({ number }) => number)];
}

describe('an order', () => {
  it('takes one to its place and closes up', () => {
    expect(movedTo(['a', 'b', 'c', 'd'], 0, 2)).toEqual(['b', 'c', 'a', 'd']);
    expect(movedTo(['a', 'b', 'c', 'd'], 3, 0)).toEqual(['d', 'a', 'b', 'c']);
  });

  it('keeps the numbers of a list, gaps and all', () => {
    const items = list(1, 2, 5, 9);
    expect(after(items, 'a', 2)).toEqual(['bcad', [1, 2, 5, 9]]);
    expect(after(items, 'd', -3)).toEqual(['dabc', [1, 2, 5, 9]]);
  });

  it('stops at both ends, and changes nothing there', () => {
    const items = list(1, 2, 3);
    expect(after(items, 'b', -7)).toEqual(['bac', [1, 2, 3]]);
    expect(after(items, 'b', 7)).toEqual(['acb', [1, 2, 3]]);
    for (const [id, by] of [
      ['a', -1],
      ['c', 1],
      ['b', 0],
      ['x', 1],
    ] as const)
      expect(renumberedBy(items, id, by, alone)).toEqual([]);
  });

  it('moves what stands together as one, and parts no other', () => {
    const items = list(1, 2, 3, 4, 5, 6);
    const pairs: Readonly<Record<string, string>> = { a: 'ab', b: 'ab', d: 'de', e: 'de' };
    const together = (item: Item): readonly Item[] =>
      items.filter(({ id }) => (pairs[item.id] ?? item.id).includes(id));
    expect(after(items, 'a', 1, together)[0]).toBe('cabdef');
    expect(after(items, 'b', 1, together)[0]).toBe('cabdef');
    expect(after(items, 'c', 1, together)[0]).toBe('abdecf');
    expect(after(items, 'c', -1, together)[0]).toBe('cabdef');
    expect(after(items, 'd', -2, together)[0]).toBe('deabcf');
    expect(after(items, 'f', -1, together)[0]).toBe('abcfde');
  });
});

const studio = studioOf({
  devices: [{ id: 'di', type: 'diBox' }],
  threads: [
    { id: 'one', number: 1, from: 'di/out/1', scenes: ['a'] },
    { id: 'two', number: 4, from: 'di/out/1', scenes: ['a'] },
    { id: 'three', number: 7, from: 'di/out/1', scenes: ['a'], link: { lead: 'two', place: 2 } },
  ],
  session: {
    scenes: ['a', 'b', 'c'].map((id) => ({ id, name: id, cords: [], settings: {} })),
  },
});
const session = studio.sessions[0]!;

function changed(edits: readonly Edit[]): Session {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value.sessions[0]!;
}

describe('lines, tracks and scenes', () => {
  it('a line passes a wide one whole, and its number goes along', () => {
    const lines = [...session.threads].sort(byNumber);
    const { threads } = changed(movedLineEdits(session, lines, 'one' as never, 1));
    expect([...threads].sort(byNumber).map(({ id, number }) => [id, number])).toEqual([
      ['two', 1],
      ['three', 4],
      ['one', 7],
    ]);
  });

  it('scenes stand as somebody put them, new ones behind, what is put away last', () => {
    const order = (of: Pick<Session, 'scenes'>): string =>
      scenesInOrder(of)
        .map(({ id }) => id)
        .join('');
    expect(order(session)).toBe('abc');
    const moved = changed(movedSceneEdits(session, 'c' as never, -2));
    expect(order(moved)).toBe('cab');
    const fresh = { id: 'aa', name: 'aa', cords: [], settings: {} } as never;
    const scenes = [moved.scenes[0]!, fresh, ...moved.scenes.slice(1)];
    expect(order({ scenes })).toBe('cabaa');
    expect(
      order({ scenes: scenes.map((each) => (each.id === 'c' ? { ...each, archived: true } : each)) }),
    ).toBe('abaac');
    expect(movedSceneEdits(moved, 'c' as never, -1)).toEqual([]);
  });

  it('slots of a track change places, an empty one kept', () => {
    const slot = (name: string) => ({ kind: 'plugin' as const, name, delaySamples: 0 });
    const track = { inserts: [slot('EQ'), null, slot('Gate')], id: 't' } as never;
    expect(movedSlotEdits(session, track, 2, 0)).toMatchObject([
      { field: 'inserts', value: [slot('Gate'), slot('EQ'), null], was: [slot('EQ'), null, slot('Gate')] },
    ]);
    expect(
      movedTrackEdits(
        {
          ...session,
          tracks: [
            { id: 't', number: 3 },
            { id: 'u', number: 8 },
          ] as never,
        },
        't' as never,
        1,
      ),
    ).toMatchObject([
      { id: 'u', field: 'number', value: 3, was: 8 },
      { id: 't', field: 'number', value: 8, was: 3 },
    ]);
  });
});
