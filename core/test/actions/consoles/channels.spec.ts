import { copiedChannel, USUAL_PARTS } from '@ft/core/actions/consoles/copiedChannel';
import { countedCells } from '@ft/core/actions/consoles/countedCells';
import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import { spill } from '@ft/core/actions/consoles/spill';
import { zeroedConsole } from '@ft/core/actions/consoles/zeroedConsole';
import { deskOf } from '@ft/core/consoles/desk';
import { cellText } from '@ft/core/consoles/cells/channelCell';
import { invertChange } from '@ft/core/edits/change';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { settingsOf } from '@ft/core/rig/buildDevice';
import { SHEET_PARTS } from '@ft/core/rig/sheets/channelSheet';
import { initialOf } from '@ft/core/rig/settings';
import { findScene } from '@ft/core/session/scenePlace';
import { deskPlace, edited, planned, textAt } from '../../fixtures/deskPlace';
import { seeded } from '../../fixtures/seeded';
import { seedsFrom1 } from '../../fixtures/seeds';
import type { Parts } from '../../fixtures/studioOf';
import { PLACE } from '../../fixtures/studioOf';

const DESK = {
  id: 'desk',
  type: 'digitalConsole',
  params: { channels: 24, micInputs: 24, lineOutputs: 4, cards: 0 },
};
const desk = (settings: Record<string, number | boolean> = {}, params = {}, more: Partial<Parts> = {}) =>
  deskPlace({
    ...more,
    devices: [{ ...DESK, params: { ...DESK.params, ...params } }, ...(more.devices ?? [])],
    settings: Object.fromEntries(Object.entries(settings).map(([knob, value]) => [`desk/${knob}`, value])),
  });

describe('texts for many cells', () => {
  it('are one change, each with what it overwrites', () => {
    const it = desk({ 'faderDb/2': -3 });
    const plan = plannedCells(it, [
      { row: 'channel-1', column: 'fader', text: '-5' },
      { row: 'channel-2', column: 'fader', text: '-5' },
      { row: 'channel-3', column: 'fader', text: '0' },
    ]);
    expect(plan.changes).toEqual([
      { row: 'channel 1', column: 'Fader', from: '0', to: '−5' },
      { row: 'channel 2', column: 'Fader', from: '−3', to: '−5' },
    ]);
    expect(plan.edits).toHaveLength(2);
    expect(textAt(planned(it, plan), 'channel-2', 'fader')).toBe('−5');
  });

  it('that do not fit are left out by name, and the others are taken', () => {
    const plan = plannedCells(desk(), [
      { row: 'channel-1', column: 'fader', text: 'loud' },
      { row: 'chanel-2', column: 'fader', text: '-5' },
      { row: 'channel-3', column: 'fader', text: '-5' },
      { row: 'group-1', column: 'pan', text: 'C' },
      { row: 'channel-4', column: 'gain', text: '30' },
    ]);
    expect(plan.edits).toHaveLength(1);
    expect(plan.refused.map(({ at, sentence }) => [at, sentence])).toEqual([
      [0, '“loud” is not a figure for fader. Type dB.'],
      [1, 'Desk has no “chanel-2”. Did you mean “channel 2”, “channel 1”, “channel 12”?'],
      [3, 'group 1 has no pan.'],
      [4, 'No amplifier is in front of channel 4. Choose what it listens to first.'],
    ]);
  });

  it('choose what channels listen to first, so that a gain reaches the amplifier that is then in front', () => {
    const it = desk();
    const plan = plannedCells(it, [
      { row: 'channel-1', column: 'gain', text: '44' },
      { row: 'channel-1', column: 'source', text: 'local in 7' },
    ]);
    expect(plan.refused).toEqual([]);
    const scene = findScene(planned(it, plan).studio, PLACE)!.scene;
    expect(scene.settings).toEqual({ 'desk/channelSource/1': 7, 'desk/gainDb/7': 44 });
  });

  it('show what a coarse patch moves along, and refuse what contradicts itself', () => {
    const it = desk({}, { channelBlocks: 'blocks of 8' });
    const plan = plannedCells(it, [
      { row: 'channel-2', column: 'source', text: 'local in 10' },
      { row: 'channel-3', column: 'source', text: 'local in 3' },
    ]);
    expect(plan.refused.map(({ sentence }) => sentence)).toEqual([
      'It moves with channel 2, which was set otherwise just now.',
    ]);
    expect(plan.changes.filter(({ isDragged }) => isDragged)).toHaveLength(7);
    expect(plan.changes).toContainEqual({
      ...{ row: 'channel 8', column: 'Listens to', from: 'none', to: 'local in 16', isDragged: true },
    });
  });

  it('do not take back what was said before them, be it that it stood so already', () => {
    const it = desk({ 'channelSource/1': 1 }, { channelBlocks: 'blocks of 8' });
    const plan = plannedCells(it, [
      { row: 'channel-1', column: 'source', text: 'local in 1' },
      { row: 'channel-2', column: 'source', text: 'local in 10' },
      { row: 'channel-3', column: 'source', text: 'local in 3' },
    ]);
    expect(plan.edits).toEqual([]);
    expect(plan.refused.map(({ row, sentence }) => [row, sentence])).toEqual([
      ['channel 2', 'It moves with channel 1, which was set otherwise just now.'],
    ]);
  });
});

const RIBBON = {
  ...{ id: 'ribbon', type: 'microphone' },
  params: { principle: 'ribbon', sensitivityMvPerPa: 2, sourceOhm: 300 },
};

describe('48 V for many lines at once', () => {
  const ribbons = desk({}, {}, { devices: [RIBBON], wires: [['ribbon/out/1', 'desk/mic-2/1']] });
  const down = ['mic-1', 'mic-2', 'mic-3'];

  it('stays off where it may harm what hangs there', () => {
    const plan = plannedCells(
      ribbons,
      down.map((row) => ({ row, column: 'phantom', text: 'on' })),
    );
    expect(plan.changes.map(({ row }) => row)).toEqual(['mic in 1', 'mic in 3']);
    expect(plan.refused.map(({ sentence }) => sentence)).toEqual([
      '48 V could harm Ribbon. It is left off here; switch this one by hand if it is meant.',
    ]);
  });

  it('is not copied there either, even where it is ticked', () => {
    const on = planned(ribbons, plannedCells(ribbons, [{ row: 'mic-1', column: 'phantom', text: 'on' }]));
    const plan = copiedChannel(on, { from: 'mic-1', to: down, parts: ['preamp'] });
    expect(plan.refused.map(({ row }) => row)).toEqual(['mic in 2']);
    expect(textAt(planned(on, plan), 'mic-3', 'phantom')).toBe('on');
  });

  it('can be switched on one line by hand: the finding says what it does', () => {
    const plan = plannedCells(ribbons, [{ row: 'mic-2', column: 'phantom', text: 'on' }]);
    expect(plan.edits).toHaveLength(1);
  });
});

describe('runs of sources', () => {
  it('count on down the rows from what stands in the first', () => {
    const it = desk({ 'channelSource/1': 3 });
    const rows = ['channel-1', 'channel-2', 'channel-3'];
    const after = planned(it, countedCells(it, { rows, columns: ['source'] }));
    expect(rows.map((row) => textAt(after, row, 'source'))).toEqual([
      'local in 3',
      'local in 4',
      'local in 5',
    ]);
  });

  it('lay all inputs on channels, and say what has no channel any more', () => {
    const it = desk();
    const plan = spill(it, { first: 'local in 1', count: 24, row: 'channel-1' });
    expect(plan.refused).toEqual([]);
    expect(textAt(planned(it, plan), 'channel-24', 'source')).toBe('local in 24');
    const over = spill(it, { first: 'local in 1', count: 25, row: 'channel-1' });
    expect(over.changes).toHaveLength(24);
    expect(over.refused.map(({ sentence }) => sentence)).toEqual([
      'channel 24 is the last of its kind. One more has no row; begin further up, or take fewer.',
    ]);
  });

  it('begin again: two groups over four outputs', () => {
    const it = desk();
    const after = planned(it, spill(it, { first: 'group 1', count: 4, row: 'out-1', again: 2 }));
    expect(['out-1', 'out-2', 'out-3', 'out-4'].map((row) => textAt(after, row, 'source'))).toEqual([
      ...['group 1', 'group 2', 'group 1', 'group 2'],
    ]);
  });

  it('end where the sources end', () => {
    const plan = spill(desk({}, { channels: 4, micInputs: 0, effects: 2 }), {
      ...{ first: 'effect return 1', count: 3, row: 'channel-1' },
    });
    expect(plan.changes).toHaveLength(2);
    expect(plan.refused.map(({ sentence }) => sentence)).toEqual([
      '“effect return 2” is the last: from “effect return 1” on there are 2.',
    ]);
  });
});

describe('a copied channel', () => {
  it('leaves source and preamp where they are, unless they are ticked', () => {
    const it = desk({
      'channelSource/1': 1,
      'channelSource/2': 2,
      'gainDb/1': 50,
      'faderDb/1': -5,
      'aux1/1': 1,
    });
    const usual = planned(
      it,
      copiedChannel(it, { from: 'channel-1', to: ['channel-2'], parts: USUAL_PARTS }),
    );
    const at = (place: typeof it): readonly unknown[] =>
      ['source', 'gain', 'fader', 'aux1'].map((column) => textAt(place, 'channel-2', column));
    expect(at(usual)).toEqual(['local in 2', '30', '−5', '0 pre']);
    const all = planned(it, copiedChannel(it, { from: 'channel-1', to: ['channel-2'], parts: SHEET_PARTS }));
    expect(at(all)).toEqual(['local in 1', '50', '−5', '0 pre']);
  });

  it.each(seedsFrom1(4, 200))('undone, leaves the same bytes (seed %i)', (seed) => {
    const dice = seeded(seed);
    const it = desk();
    const rows = deskOf(it.context, it.device)!.rows.filter(({ section }) => section === 'channels');
    const random = plannedCells(
      it,
      rows.flatMap((row) => [
        { row: row.id, column: 'fader', text: String(-dice.below(60)) },
        { row: row.id, column: 'aux1', text: dice.chance(0.5) ? `${String(-dice.below(30))} pre` : 'off' },
        { row: row.id, column: 'groups', text: dice.chance(0.3) ? '1-3' : 'none' },
        { row: row.id, column: 'source', text: `local in ${String(1 + dice.below(24))}` },
      ]),
    );
    const before = planned(it, random);
    const parts = SHEET_PARTS.filter(() => dice.chance(0.6));
    const copy = copiedChannel(before, {
      from: dice.pick(rows).id,
      to: rows.map(({ id }) => id),
      parts,
    });
    const back = invertChange(before.studio, copy.edits);
    const undone = edited(edited(before.studio, copy.edits), back);
    expect(JSON.stringify(canonicalStudio(undone))).toBe(JSON.stringify(canonicalStudio(before.studio)));
  });
});

describe('a zeroed console', () => {
  it('stands at its initial state knob by knob, and what it was is kept in a scene', () => {
    const it = desk({ 'faderDb/1': -5, 'aux1/3': 1, 'mixMute/1': true, 'channelSource/2': 7 });
    const zeroed = zeroedConsole(it.studio, it.place, it.device)!;
    expect(zeroed).toMatchObject({ knobs: 4, stored: 'Scene, Desk before zeroing' });
    const studio = edited(it.studio, zeroed.edits);
    const place = deskPlace(studio);
    const device = studio.rig.devices[0]!;
    const knobs = deskOf(place.context, it.device)!.knobs(device);
    for (const spec of settingsOf(device))
      for (let channel = 1; channel <= spec.channels; channel++)
        expect(knobs.value({ setting: spec.setting, channel })).toBe(initialOf(spec, channel));
    const kept = studio.sessions[0]!.scenes.find(({ name }) => name === zeroed.stored)!;
    expect(kept.settings).toEqual(findScene(it.studio, PLACE)!.scene.settings);
  });

  it('has texts that say so', () => {
    const place = desk();
    const it = deskOf(place.context, place.device)!;
    const row = it.rows.find(({ id }) => id === 'channel-1')!;
    expect(cellText(row.cells['aux1']!.cell, it.knobs(it.device))).toBe('off');
  });
});
