import { busCell } from '@ft/core/actions/mix/busCell';
import { tickCords } from '@ft/core/actions/bay/floorTick';
import { deviceCell, roomCell } from '@ft/core/actions/rig/deviceCell';
import { adaptorCell, stockCell } from '@ft/core/actions/rig/hookCell';
import { wireCellsEdits } from '@ft/core/actions/rig/wireCells';
import { readingCell } from '@ft/core/actions/levels/readingCell';
import { sceneCell } from '@ft/core/actions/scenes/sceneCell';
import { threadsInScenesEdits } from '@ft/core/actions/scenes/sceneEdits';
import { clockCell } from '@ft/core/actions/time/clockCell';
import { performerCell } from '@ft/core/actions/time/performerCell';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import type { SceneId, StationId } from '@ft/core/rig/ids';
import type { Scene } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { CellReading } from '@ft/core/text/cellReading';
import { saltglassRooms, SALTGLASS_PLACE } from '../fixtures/thin/saltglass';
import { contextOf } from '../fixtures/studioOf';

const studio = saltglassRooms();
const { rig } = studio;
const session = studio.sessions[0]!;

/** The studio after a cell was entered, or why it was not. */
function after(read: CellReading<readonly Edit[]>, before: Studio = studio): Studio | string {
  if (!read.ok) return read.sentence;
  const result = applyChange(before, read.value);
  return result.ok ? result.value : JSON.stringify(result.refusal);
}

describe('a cell of a device', () => {
  const panel = rig.devices.find(({ name }) => name === 'Booth panel')!;
  const enter = (field: 'name' | 'room' | 'rack', text: string): unknown => {
    const next = after(deviceCell(rig, panel, field, text));
    return typeof next === 'string' ? next : next.rig.devices.find(({ id }) => id === panel.id);
  };

  it('takes a name, a room in any case of letters, and a rack that may be none', () => {
    expect(enter('name', '  Wall panel ')).toMatchObject({ name: 'Wall panel' });
    expect(enter('room', 'KILN')).toMatchObject({ room: 'kiln' });
    expect(enter('rack', 'Left')).toMatchObject({ rack: 'Left' });
    expect(enter('rack', ' ')).not.toHaveProperty('rack');
  });

  it('says what would fit where it does not', () => {
    expect(enter('name', ' ')).toBe('“” does not fit: a name is needed.');
    expect(enter('name', 'x'.repeat(81))).toBe(`“${'x'.repeat(81)}” does not fit: at most 80 characters.`);
    expect(enter('rack', 'x'.repeat(41))).toBe(`“${'x'.repeat(41)}” does not fit: at most 40 characters.`);
    expect(enter('room', 'Cellar')).toMatch(/^There is no room “Cellar”\. There are .*Kiln/);
  });
});

describe('a cell of a room', () => {
  it('is its name, and never empty', () => {
    const [room] = rig.rooms;
    const next = after(roomCell(room!, ' Loft '));
    expect(typeof next === 'string' ? next : next.rig.rooms.find(({ id }) => id === room!.id)?.name).toBe(
      'Loft',
    );
    expect(after(roomCell(room!, ''))).toBe('“” does not fit: a name is needed.');
  });
});

describe('a cell of the hook', () => {
  const [cord] = rig.cords;
  const adaptor = { id: 'a' as never, name: 'XLR to TT', connectors: ['tt', 'xlr'] as const, count: 2 };

  it('takes what the schema takes, figures with a comma', () => {
    const next = after(stockCell(cord!, 'lengthM', '1,25'));
    expect(typeof next === 'string' ? next : next.rig.cords[0]!.lengthM).toBe(1.25);
  });

  it.each([
    ['lengthM', '0', '“0” does not fit: a length is above 0 m.'],
    ['lengthM', '501', '“501” does not fit: a length is at most 500 m.'],
    ['count', '2.5', '“2.5” does not fit: a whole number of cords.'],
    ['count', '−1', '“−1” does not fit: from 0 to 10000 of a kind.'],
    ['count', 'some', '“some” does not fit: it is not a number.'],
    ['name', '', '“” does not fit: a name is needed.'],
    ['colour', 'x'.repeat(41), `“${'x'.repeat(41)}” does not fit: at most 40 characters.`],
  ] as const)('%s %s', (field, text, said) => {
    expect(after(stockCell(cord!, field, text))).toBe(said);
  });

  it('counts adaptors in the same way', () => {
    expect(adaptorCell({ ...adaptor, connectors: ['tt', 'xlr'] }, 'count', '7')).toMatchObject({
      ok: true,
      value: [{ type: 'adaptor.set', field: 'count', value: 7, was: 2 }],
    });
    expect(after(adaptorCell({ ...adaptor, connectors: ['tt', 'xlr'] }, 'count', '0.5'))).toContain(
      'a whole number of adaptors',
    );
  });
});

describe('a cell of a performer', () => {
  const performer = { id: 'imke' as never, name: 'Imke Tarrow', cueLimitMs: 10 };
  const read = (field: 'headphones' | 'cueLimitMs' | 'hoursADay', text: string): unknown => {
    const cell = performerCell(rig, session, performer, field, text);
    return cell.ok ? cell.value[0] : cell.sentence;
  };

  it('takes limits, hours and headphones by name; the last two may be left open', () => {
    expect(read('cueLimitMs', '8')).toMatchObject({ field: 'cueLimitMs', value: 8, was: 10 });
    expect(read('hoursADay', '')).toMatchObject({ value: null });
    expect(read('headphones', '')).toMatchObject({ value: null });
    const worn = rig.devices.find(({ type }) => type === 'headphones');
    if (worn !== undefined)
      expect(read('headphones', worn.name.toUpperCase())).toMatchObject({ value: worn.id });
  });

  it('refuses what is outside the ranges of its schema, and headphones there are none of', () => {
    expect(read('cueLimitMs', '0.05')).toBe('“0.05” does not fit: a limit from 0.1 to 500 ms.');
    expect(read('cueLimitMs', '')).toContain('does not fit');
    expect(read('hoursADay', '25')).toBe('“25” does not fit: from 0 to 24 hours.');
    expect(read('headphones', 'Earbuds')).toBe('There are no headphones “Earbuds” in the rig.');
  });
});

describe('a cell of the line-up', () => {
  const row = { station: 'converter/out-1' as StationId, expectUnit: 'dBu' } as const;
  const types = (read?: number, text = ''): unknown => {
    const cell = readingCell(session.id, { ...row, ...(read !== undefined && { read }) }, text);
    return cell.ok ? cell.value.map(({ type }) => type) : cell.sentence;
  };

  it('is a reading that comes, changes and goes', () => {
    expect(types(undefined, '3,6')).toEqual(['reading.add']);
    expect(types(3.6, '4')).toEqual(['reading.set']);
    expect(types(3.6, ' ')).toEqual(['reading.remove']);
    expect(types(undefined, '')).toEqual([]);
    for (const text of ['loud', '61', '−151'])
      expect(types(undefined, text)).toBe(`“${text}” is not a level. Type what the meter shows, in dBu.`);
  });
});

describe('lines brought into scenes', () => {
  it('come in and go out as one change, the same as one after the other', () => {
    const tracking = SALTGLASS_PLACE.scene;
    const [first, second] = session.threads;
    const out = [first!, second!].map(({ id }) => ({ thread: id, scene: tracking, isIn: false }));
    const without = applyChange(studio, threadsInScenesEdits(studio, SALTGLASS_PLACE, out));
    if (!without.ok) throw new Error('the lines should go out');
    const left = without.value.sessions[0]!;
    expect(left.threads.filter(({ scenes }) => scenes.includes(tracking))).toHaveLength(
      session.threads.length - 2,
    );
    const gone = new Set<string>(out.map(({ thread }) => thread));
    expect(left.scenes[0]!.cords.some(({ thread }) => thread !== undefined && gone.has(thread))).toBe(false);
    const back = out.map((each) => ({ ...each, isIn: true }));
    const again = applyChange(without.value, threadsInScenesEdits(without.value, SALTGLASS_PLACE, back));
    expect(again.ok && again.value.sessions[0]!.threads.map(({ scenes }) => scenes.length)).toEqual(
      session.threads.map(({ scenes }) => scenes.length),
    );
    expect(threadsInScenesEdits(studio, SALTGLASS_PLACE, back)).toEqual([]);
    const nowhere = [{ thread: first!.id, scene: 'nowhere' as SceneId, isIn: true }];
    expect(threadsInScenesEdits(studio, SALTGLASS_PLACE, nowhere)).toEqual([]);
  });
});

describe('the ends of wires', () => {
  const context = contextOf(studio);
  const lane = (id: string): string => context.graph.lanes[context.graph.laneIndex.get(id as never)!]!.name;
  const [one, other] = rig.hardwires;

  it('move to connectors by name; a wire that was there makes room', () => {
    const { edits, refused } = wireCellsEdits(context, [
      { wire: one!.id, end: 'to', text: lane(other!.to).toUpperCase() },
    ]);
    expect(refused).toEqual([]);
    const next = after({ ok: true, value: edits }) as Studio;
    const into = (to: string) => next.rig.hardwires.filter((wire) => wire.to === (to as never));
    expect(into(other!.to).map(({ from }) => from)).toEqual([one!.from]);
    expect(into(one!.to)).toEqual([]);
    expect(next.rig.hardwires).toHaveLength(rig.hardwires.length - 1);
  });

  it('change places when both are typed, as one change', () => {
    const { edits } = wireCellsEdits(context, [
      { wire: one!.id, end: 'to', text: lane(other!.to) },
      { wire: other!.id, end: 'to', text: lane(one!.to) },
    ]);
    const next = after({ ok: true, value: edits }) as Studio;
    const from = (to: string) => next.rig.hardwires.find((wire) => wire.to === (to as never))?.from;
    expect([from(one!.to), from(other!.to)]).toEqual([other!.from, one!.from]);
  });

  it('stay where they are when there is no such connector, or it points the other way', () => {
    const cells = [
      { wire: one!.id, end: 'to', text: 'Nowhere in 9' },
      { wire: other!.id, end: 'to', text: lane(other!.from) },
      { wire: 'gone' as never, end: 'from', text: lane(one!.from) },
    ] as const;
    const { edits, refused } = wireCellsEdits(context, cells);
    expect(edits).toEqual([]);
    expect(refused.map(({ at }) => at)).toEqual([0, 1]);
    expect(refused[0]!.sentence).toBe('There is no input “Nowhere in 9” at the rear of the rig.');
  });
});

describe('a cell of a scene', () => {
  const [scene] = session.scenes;
  const other = { ...scene!, id: 'other' as SceneId, name: 'Other', follows: scene!.id };
  const both = { ...session, scenes: [...session.scenes, other] };
  const read = (field: 'name' | 'follows' | 'archived', text: string, of: Scene = other): unknown => {
    const cell = sceneCell(both, of, field, text);
    return cell.ok ? cell.value.map((edit) => edit['value']) : cell.sentence;
  };

  it('takes a name, whom it follows in any case of letters, and whether it is put away', () => {
    expect(read('name', ' Overdub ')).toEqual(['Overdub']);
    expect(read('name', '')).toBe('“” does not fit: a name is needed.');
    expect(read('follows', scene!.name.toUpperCase())).toEqual([scene!.id]);
    expect(read('follows', 'Stands alone')).toEqual([null]);
    expect(read('archived', 'on')).toEqual([true]);
    expect(read('archived', 'off')).toEqual([null]);
    expect(read('archived', 'perhaps')).toContain('Type on or off');
  });

  it('follows none that follows it', () => {
    expect(read('follows', 'Other', scene)).toBe('“Other” is no scene Tracking could follow. There is none.');
    expect(read('follows', 'Nowhere')).toBe('“Nowhere” is no scene Other could follow. There are: Tracking.');
  });
});

describe('a cell of the clocks', () => {
  const device = rig.devices[0]!;
  const row = {
    ...{ device: device.id, name: device.name },
    choices: [
      { follows: 'internal', name: 'its own clock' },
      { follows: 'word-clock', name: 'word clock' },
    ],
  };
  const read = (field: 'follows' | 'rateHz', text: string): unknown => {
    const cell = clockCell(rig, row, field, text);
    return cell.ok ? cell.value.map((edit) => edit['value']) : cell.sentence;
  };

  it('takes what a device can follow, by name, and a rate that there is', () => {
    expect(read('follows', 'Word clock')).toEqual([{ follows: 'word-clock' }]);
    expect(read('follows', '')).toEqual([null]);
    expect(read('follows', 'the moon')).toBe(
      `${device.name} cannot follow “the moon”. It can: its own clock; word clock.`,
    );
    expect(read('rateHz', '96 kHz')).toEqual([{ follows: 'internal', rateHz: 96_000 }]);
    expect(read('rateHz', '')).toEqual([{ follows: 'internal' }]);
    expect(read('rateHz', '12 kHz')).toMatch(/^“12 kHz” is no sample rate\. There are: .*48 kHz/);
  });
});

describe('ticks of the patch list', () => {
  const context = contextOf(studio);
  const [first, second] = context.scene.cords;

  it('are one change for many, and leave alone what stands as wanted', () => {
    const both = [first!, second!].map(({ id }) => ({ cord: id, isIn: true }));
    const done = tickCords(context, both);
    expect(done.refused).toEqual([]);
    expect(done.edits.map(({ type }) => type)).toEqual(['plug.add', 'plug.add']);
    const next = applyChange(studio, done.edits);
    const plugged = contextOf(next.ok ? next.value : studio);
    expect(tickCords(plugged, both).edits).toEqual([]);
    expect(tickCords(plugged, [{ cord: first!.id, isIn: false }]).edits).toMatchObject([
      { type: 'plug.remove', id: first!.from },
    ]);
  });

  it('tell of a cord that is gone, or whose jack is taken', () => {
    expect(tickCords(context, [{ cord: 'gone' as never, isIn: true }]).refused).toEqual([
      { at: 0, sentence: 'That cord is not in the scene any more.' },
    ]);
    const taken = {
      ...context,
      floor: { ...context.floor, cords: [{ id: first!.from, to: second!.to, stock: first!.stock }] },
    };
    expect(tickCords(taken, [{ cord: first!.id, isIn: true }]).refused[0]!.sentence).toContain(
      'Pull it first',
    );
  });
});

describe('a cell of a bus', () => {
  const buses = ['Music', 'Key'].map((name) => ({ id: name.toLowerCase() as never, name, width: 2 }));
  const read = (text: string): unknown => {
    const cell = busCell({ ...session, buses }, buses[0]!, text);
    return cell.ok ? cell.value : cell.sentence;
  };

  it('takes a name no other bus has', () => {
    expect(read(' Music bed ')).toMatchObject([{ type: 'bus.set', field: 'name', value: 'Music bed' }]);
    expect(read('music')).toMatchObject([{ value: 'music' }]);
    expect(read('KEY')).toBe('There is a bus “Key” already. Type another name.');
    expect(read(' ')).toBe('“” does not fit: a name is needed.');
  });
});
