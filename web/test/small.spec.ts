import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { planOf } from '@ft/core/views/plan';
import { paramTitle } from '../src/app/rig/param-title';
import { shortcutOf } from '../src/app/shell/shortcuts';
import { cellText, COLUMNS, isRightAligned, stationIn } from '../src/app/track/columns';

describe('a key', () => {
  const pressed = (init: KeyboardEventInit, target: EventTarget = document.body): string | undefined => {
    const event = new KeyboardEvent('keydown', { ...init, cancelable: true });
    Object.defineProperty(event, 'target', { value: target });
    return shortcutOf(event);
  };

  it.each<[KeyboardEventInit, string | undefined]>([
    [{ key: '[' }, 'hop-back'],
    [{ key: ']' }, 'hop-on'],
    [{ key: '/' }, 'find'],
    [{ key: '?', shiftKey: true }, 'help'],
    [{ key: 'z', ctrlKey: true }, 'undo'],
    [{ key: 'Z', ctrlKey: true, shiftKey: true }, 'redo'],
    [{ key: 'y', metaKey: true }, 'redo'],
    [{ key: 'z' }, undefined],
    [{ key: '[', altKey: true }, undefined],
  ])('%j', (init, shortcut) => {
    expect(pressed(init)).toBe(shortcut);
  });

  it('is a letter while somebody types', () => {
    expect(pressed({ key: '[' }, document.createElement('input'))).toBeUndefined();
    expect(pressed({ key: 'z', ctrlKey: true }, document.createElement('textarea'))).toBeUndefined();
  });
});

describe('a parameter', () => {
  it.each([
    ['sensitivityMvPerPa', 'sensitivity', 'mV/Pa'],
    ['maxInputDbu', 'max input', 'dBu'],
    ['adcLatencySamples', 'ADC latency', 'samples'],
    ['adcs', 'line inputs', ''],
    ['einDbu', 'equivalent input noise', 'dBu'],
    ['maxDbSpl', 'loudest sound', 'dB SPL'],
    ['columns', 'columns', ''],
  ])('%s is called “%s”', (key, name, unit) => {
    expect(paramTitle(key)).toEqual({ name, unit });
  });
});

describe('the columns of the input list', () => {
  const demo = saltglassRooms();
  const session = demo.sessions[0]!;
  const row = planOf(demo.rig, session, session.scenes[0]!).plan.rows[0]!;

  it('show a line as text', () => {
    expect(COLUMNS.map((column) => cellText(row, column))).toEqual([
      '1',
      'Imke Tarrow',
      'Narrator',
      '88',
      '14',
      'Large condenser',
      'Booth panel line 1',
      'Mic preamp 1',
      '44',
      'on',
      'Opto compressor',
      'Converter in 5',
      'DAW input 5',
      'NARR',
      '',
      '',
      'routed',
    ]);
  });

  it('set figures to the right', () => {
    expect(COLUMNS.filter(isRightAligned).map(({ title }) => title)).toEqual([
      '#',
      'Sound',
      'Crest',
      'Gain',
      'Mic at',
      'Line level',
    ]);
  });

  it('know which cells hold a station', () => {
    expect(
      COLUMNS.filter((column) => stationIn(row, column) !== undefined).map(({ title }) => title),
    ).toEqual(['Room jack', 'Preamp', 'Converter', 'DAW input']);
  });
});
