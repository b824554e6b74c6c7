import { cellText, knobsOf, readCell } from '@ft/core/consoles/cells/channelCell';
import { countedText } from '@ft/core/consoles/cells/countedText';
import type { Knobs } from '@ft/core/consoles/cells/cellKind';
import { deskKnobs } from '@ft/core/consoles/deskKnobs';
import { panText, readPan } from '@ft/core/consoles/cells/panText';
import type { Device } from '@ft/core/rig/rigSchema';
import { deviceSchema } from '@ft/core/rig/rigSchema';
import type { SettingKey, SettingValue } from '@ft/core/rig/settings';
import { initialOf, settingKeyOf } from '@ft/core/rig/settings';
import type { ChannelCell } from '@ft/core/rig/sheets/channelSheet';
import { sheetOf } from '@ft/core/rig/sheets/sheetOf';
import { CATALOGUE } from '@ft/core/rig/catalogue/catalogue';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const deviceOf = (type: string, params: Record<string, unknown> = {}): Device =>
  deviceSchema.parse({ id: 'desk', name: 'Desk', room: 'main', type, params });

const DIGITAL = deviceOf('digitalConsole', { channels: 16, micInputs: 16, groups: 4, auxes: 4 });
const COARSE = deviceOf('digitalConsole', { channels: 16, micInputs: 16, channelBlocks: 'blocks of 8' });
const SPLIT = deviceOf('splitConsole', { channels: 4, groups: 4, auxes: 2 });

type Settings = Record<SettingKey, SettingValue>;

const knobsIn = (device: Device, settings: Record<string, SettingValue> = {}): Knobs =>
  deskKnobs(device, {
    settings: Object.fromEntries<SettingValue>(
      Object.entries(settings).map(([knob, value]) => [`desk/${knob}`, value]),
    ),
  });

function cellAt(device: Device, row: string, column: string): ChannelCell {
  const rows = sheetOf(device)?.sections.flatMap((section) => section.rows) ?? [];
  const cell = rows.find(({ id }) => id === row)?.cells[column];
  if (cell === undefined) throw new Error(`no ${column} in ${row}`);
  return cell;
}

/** What a text turns: "aux1/3=1". */
function turned(cell: ChannelCell, text: string, knobs: Knobs): string {
  const read = readCell(cell, text, knobs);
  if (!read.ok) return read.sentence;
  return read.value
    .map(({ knob, value }) => `${knob.setting}/${String(knob.channel)}=${String(value)}`)
    .join(' ');
}

describe('a send of a channel sheet', () => {
  const aux = cellAt(DIGITAL, 'channel-3', 'aux1');
  const even = cellAt(DIGITAL, 'channel-3', 'aux2');

  it.each([
    ['-6 pre', 'aux1/3=1 aux1Db/3=-6'],
    ['−6', 'aux1/3=2 aux1Db/3=-6'],
    ['pre', 'aux1/3=1'],
    ['post', 'aux1/3=2'],
    ['−∞ post', 'aux1/3=2 aux1Db/3=-90'],
    ['off', ''],
  ])('of which nothing is on reads “%s”', (text, expected) => {
    expect(turned(aux, text, knobsIn(DIGITAL))).toBe(expected);
  });

  it('keeps the tap it has when only its level is typed', () => {
    const knobs = knobsIn(DIGITAL, { 'aux1/3': 1 });
    expect(cellText(aux, knobs)).toBe('0 pre');
    expect(turned(aux, '-12', knobs)).toBe('aux1Db/3=-12');
    expect(turned(aux, 'off', knobs)).toBe('aux1/3=0');
  });

  it('has a pan in a pair, and its right side goes with the left', () => {
    const pair = knobsIn(DIGITAL, { 'auxStereo/1': true, 'aux1/3': 1, 'aux1Pan/3': -30 });
    expect(cellText(aux, pair)).toBe('0 pre L30');
    expect(turned(aux, '0 pre R', pair)).toBe('aux1Pan/3=100');
    expect(cellText(even, pair)).toBe('with 1');
    expect(turned(even, '-3', pair)).toContain('right side of a pair');
    expect(turned(aux, 'L30', knobsIn(DIGITAL))).toContain('Make the two a pair');
  });

  it.each([
    ['loud', 'says nothing about a send'],
    ['+40', 'goes from −90 to 12 dB'],
    ['with 1', 'no pair here'],
  ])('refuses “%s”', (text, sentence) => {
    expect(turned(aux, text, knobsIn(DIGITAL))).toContain(sentence);
  });

  it('leaves a send of the other path of a split console alone', () => {
    const [channel, monitor] = [cellAt(SPLIT, 'channel-1', 'aux1'), cellAt(SPLIT, 'monitor-1', 'aux1')];
    const knobs = knobsIn(SPLIT, { 'aux1/1': 3, 'aux1Db/1': -4 });
    expect([cellText(channel, knobs), cellText(monitor, knobs)]).toEqual([
      'other path',
      '-4 pre'.replace('-', '−'),
    ]);
    expect(turned(channel, 'off', knobs)).toBe('');
    expect(turned(channel, '', knobs)).toBe('');
    expect(turned(channel, '-2 pre', knobs)).toBe('aux1/1=1 aux1Db/1=-2');
  });
});

describe('a patch of a channel sheet', () => {
  it('names its source, and takes the beginning of a name where that is one only', () => {
    const cell = cellAt(DIGITAL, 'channel-3', 'source');
    expect(cellText(cell, knobsIn(DIGITAL))).toBe('none');
    expect(turned(cell, 'Local in 5', knobsIn(DIGITAL))).toBe('channelSource/3=5');
    expect(turned(cell, 'none', knobsIn(DIGITAL, { 'channelSource/3': 5 }))).toBe('channelSource/3=0');
    expect(turned(cell, 'local in', knobsIn(DIGITAL))).toContain('“local in 1”');
    expect(turned(cell, 'locl in 5', knobsIn(DIGITAL))).toContain('Did you mean “local in 5”');
  });

  it('moves whole blocks where it is coarse, and says what a channel cannot have alone', () => {
    const cell = cellAt(COARSE, 'channel-3', 'source');
    expect(turned(cell, 'local in 11', knobsIn(COARSE))).toBe('channelSource/1=2');
    expect(cellText(cell, knobsIn(COARSE, { 'channelSource/1': 2 }))).toBe('local in 11');
    const refused = turned(cell, 'local in 4', knobsIn(COARSE));
    expect(refused).toContain('8 at a time');
    expect(refused).toContain('local in 3, local in 11');
  });
});

describe('other cells of a channel sheet', () => {
  it('count groups as ranges', () => {
    const cell = cellAt(DIGITAL, 'channel-1', 'groups');
    const knobs = knobsIn(DIGITAL, { 'group1/1': true, 'group3/1': true, 'group4/1': true });
    expect(cellText(cell, knobs)).toBe('1, 3–4');
    expect(turned(cell, '1-2', knobs)).toBe('group2/1=true group3/1=false group4/1=false');
    expect(turned(cell, 'none', knobs)).toBe('group1/1=false group3/1=false group4/1=false');
    expect(turned(cell, '5', knobs)).toBe('There is no group 5; there are 4.');
    expect(turned(cell, 'all', knobs)).toContain('no numbers of groups');
  });

  it('say where an insert lies', () => {
    const cell = cellAt(SPLIT, 'channel-1', 'insert');
    expect(cellText(cell, knobsIn(SPLIT))).toBe('in before EQ');
    expect(turned(cell, 'in after EQ', knobsIn(SPLIT))).toBe('insertPostEq/1=true');
    expect(turned(cell, 'out', knobsIn(SPLIT))).toBe('insertIn/1=false');
  });

  it('read figures, faders that are down, switches and positions', () => {
    const fader = cellAt(DIGITAL, 'channel-1', 'fader');
    expect(turned(fader, '-5,5', knobsIn(DIGITAL))).toBe('faderDb/1=-5.5');
    expect(turned(fader, '-∞', knobsIn(DIGITAL))).toBe('faderDb/1=-90');
    expect(turned(fader, '13', knobsIn(DIGITAL))).toBe('Fader goes from −90 to 12 dB.');
    expect(turned(cellAt(DIGITAL, 'channel-1', 'mute'), 'on', knobsIn(DIGITAL))).toBe('mute/1=true');
    expect(turned(cellAt(DIGITAL, 'channel-1', 'vca'), 'VCA 3', knobsIn(DIGITAL))).toBe('vca/1=3');
    const reference = cellAt(DIGITAL, 'mic-1', 'reference');
    expect(turned(reference, '17', knobsIn(DIGITAL))).toBe(
      'Input reference has no position 17. It has 13, 18, 19, 20, 22, 24.',
    );
    expect(turned(fader, '', knobsIn(DIGITAL, { 'faderDb/1': -5 }))).toBe('faderDb/1=null');
  });

  it('write pans as sides', () => {
    expect([-100, -12.5, 0, 30].map(panText)).toEqual(['L100', 'L12.5', 'C', 'R30']);
    expect(['L', 'l 30', 'c', 'centre', 'R100', '-20'].map(readPan)).toEqual([-100, -30, 0, 0, 100, -20]);
    expect(['x', 'L101', '200'].map(readPan)).toEqual([undefined, undefined, undefined]);
  });
});

describe('counting on', () => {
  const counted = (cell: ChannelCell, text: string, by: number): string => {
    const read = countedText(cell, text, by, knobsIn(DIGITAL));
    return read.ok ? read.value : read.sentence;
  };

  it('goes through the sources of a patch, the positions of a selector, and the numbers in a text', () => {
    const source = cellAt(DIGITAL, 'channel-1', 'source');
    expect(counted(source, 'local in 1', 3)).toBe('local in 4');
    expect(counted(source, 'local in 16', 1)).toBe('card in 1');
    expect(counted(source, 'none', 3)).toBe('none');
    expect(counted(source, 'effect return 4', 2)).toContain(
      '“effect return 4” is the last: from “effect return 4” on there are 1',
    );
    expect(counted(cellAt(DIGITAL, 'channel-1', 'vca'), 'VCA 1', 2)).toBe('VCA 3');
    expect(counted(cellAt(DIGITAL, 'channel-1', 'groups'), '1–2', 2)).toBe('3–4');
    expect(counted(cellAt(DIGITAL, 'channel-1', 'aux1'), 'off', 2)).toBe('off');
  });
});

const WITH_SHEETS = CATALOGUE.filter(({ type }) => !['microphone', 'customUnit'].includes(type))
  .map(({ type }) => deviceOf(type))
  .filter((device) => sheetOf(device) !== undefined);

describe.each(WITH_SHEETS.map((device) => [device.type, device] as const))(
  'the sheet of a %s',
  (_type, device) => {
    const rows = sheetOf(device)!.sections.flatMap((section) => section.rows);

    it('has rows of its own, knobs that are there, and layers of rows that are there', () => {
      expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
      const knobs = knobsIn(device);
      for (const row of rows)
        for (const cell of Object.values(row.cells))
          for (const knob of knobsOf(cell))
            expect({ knob, spec: knobs.spec(knob) !== undefined }).toEqual({ knob, spec: true });
      const ids = new Set(rows.map(({ id }) => id));
      for (const layer of sheetOf(device)!.layers)
        for (const id of layer.rows) expect(ids.has(id)).toBe(true);
    });

    it.each(seedsFrom1(2, 40))('writes what can be read back, knob by knob (seed %i)', (seed) => {
      const dice = seeded(seed);
      const settings: Settings = {};
      for (const row of rows)
        for (const cell of Object.values(row.cells))
          for (const knob of knobsOf(cell)) {
            const spec = knobsIn(device).spec(knob)!;
            const positions = spec.range?.positions;
            const value =
              typeof spec.initial === 'boolean'
                ? dice.chance(0.5)
                : positions !== undefined
                  ? dice.pick(positions)
                  : spec.range!.min + dice.below(10 * (spec.range!.max - spec.range!.min)) / 10;
            settings[settingKeyOf(device.id, knob.setting, knob.channel)] = value;
          }
      const [from, onto] = [deskKnobs(device, { settings }), knobsIn(device)];
      for (const row of rows)
        for (const [column, cell] of Object.entries(row.cells)) {
          const text = cellText(cell, from);
          const read = readCell(cell, text, from);
          // A text says what is there, so that nothing is turned by it.
          expect({ row: row.id, column, text, read }).toEqual({
            row: row.id,
            column,
            text,
            read: { ok: true, value: [] },
          });
          if (cell.kind === 'send') continue;
          const set = readCell(cell, text, onto);
          if (!set.ok) throw new Error(set.sentence);
          const wanted = knobsOf(cell).map((knob) => from.value(knob));
          const got = knobsOf(cell).map(
            (knob) =>
              set.value.find((turn) => turn.knob === knob)?.value ??
              initialOf(onto.spec(knob)!, knob.channel),
          );
          // Where an insert lies says nothing while it is out.
          if (text !== 'out')
            expect({ row: row.id, column, got }).toEqual({ row: row.id, column, got: wanted });
        }
    });
  },
);
