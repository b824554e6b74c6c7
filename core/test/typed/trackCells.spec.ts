import type { BusId } from '@ft/core/rig/ids';
import type { HostProfile } from '@ft/core/session/daw/hostProfile';
import { FIRST_PROFILE, HOST_PROFILES, hostProfileSchema } from '@ft/core/session/daw/hostProfile';
import { readInput, readOutputs, readSends } from '@ft/core/typed/track/destinationText';
import { readLevel, readPan } from '@ft/core/typed/track/faderText';
import { readInserts } from '@ft/core/typed/track/insertsText';
import { readTrackCell, trackCellText } from '@ft/core/typed/track/trackCells';
import type { TrackField } from '@ft/core/typed/track/trackCells';
import type { Bus } from '@ft/core/session/daw/trackSchema';
import { plainTrack } from '@ft/core/session/daw/trackTemplate';

const bus = (id: string, name: string): Bus => ({ id: id as BusId, name, width: 2 });
const BUSES = [bus('music', 'Music'), bus('plate', 'Long plate')];
const [MONO, STEREO] = [{ width: 1 }, { width: 2 }];
const sentenceOf = (read: { ok: boolean; sentence?: string }): string | undefined => read.sentence;

describe('inputs and outputs as typed', () => {
  it.each([
    ['5', MONO, { from: 'host', first: 5 }],
    ['5-6', STEREO, { from: 'host', first: 5 }],
    ['in 5–6', STEREO, { from: 'host', first: 5 }],
    ['bus music', STEREO, { from: 'bus', bus: 'music' }],
    ['', MONO, { from: 'none' }],
  ])('input %j', (text, track, value) => {
    expect(readInput(text, track, BUSES)).toEqual({ ok: true, value });
  });

  it('several outputs at once', () => {
    expect(readOutputs('1-2 + bus Long plate', STEREO, BUSES)).toEqual({
      ok: true,
      value: [
        { to: 'host', first: 1 },
        { to: 'bus', bus: 'plate' },
      ],
    });
  });

  it.each([
    ['5-6', MONO, 'The track is 1 wide, but 5–6 is not. Write the first number alone.'],
    ['bus Musik', STEREO, 'There is no bus “Musik”. Did you mean “Music”?'],
    ['0', MONO, 'Host inputs and outputs are counted from 1.'],
  ])('%j is refused', (text, track, sentence) => {
    expect(sentenceOf(readInput(text, track, BUSES))).toBe(sentence);
  });
});

describe('inserts as typed', () => {
  it('plug-ins with delay and key, hardware with pair, trims and delay, in their slots', () => {
    expect(readInserts('De-esser @64; Ducker key music; 5 hw 3/4 trim −4/+4 @31; hw 9', BUSES)).toEqual({
      ok: true,
      value: [
        { kind: 'plugin', name: 'De-esser', delaySamples: 64 },
        { kind: 'plugin', name: 'Ducker', delaySamples: 0, key: 'music' },
        null,
        null,
        { kind: 'hardware', send: 3, return: 4, sendTrimDb: -4, returnTrimDb: 4, delaySamples: 31 },
        { kind: 'hardware', send: 9, return: 9, sendTrimDb: 0, returnTrimDb: 0 },
      ],
    });
  });

  it.each([
    ['hw', '“hw” is not a hardware insert; write hw 5, or hw 5/6 @31 with its delay in samples.'],
    [
      'hw 5 trim 1.2.3/0',
      '“hw 5 trim 1.2.3/0” is not a hardware insert; write hw 5, or hw 5/6 @31 with its delay in samples.',
    ],
    ['11 Echo', 'There is no slot 11: a track has ten.'],
    ['2 Echo; 2 Plate', 'Slot 2 is filled twice. Give one of the two another number.'],
    ['Ducker key Nobody', 'There is no bus “Nobody”. Add it to the buses first.'],
  ])('%j is refused', (text, sentence) => {
    expect(sentenceOf(readInserts(text, BUSES))).toBe(sentence);
  });
});

describe('sends, levels and pans as typed', () => {
  it('sends before or after the fader', () => {
    expect(readSends('bus Long plate −6 pre; 3 -10,5 pan -30', MONO, BUSES)).toEqual({
      ok: true,
      value: [
        { destination: { to: 'bus', bus: 'plate' }, preFader: true, levelDb: -6, pan: 0 },
        { destination: { to: 'host', first: 3 }, preFader: false, levelDb: -10.5, pan: -30 },
      ],
    });
  });

  it.each([
    ['−6', -6],
    ['-6 dB', -6],
    ['+3,5', 3.5],
    ['off', -144],
  ])('level %j', (text, db) => {
    expect(readLevel(text)).toEqual({ ok: true, value: db });
  });

  it.each([
    ['L30', -30],
    ['r 100', 100],
    ['C', 0],
    ['-20', -20],
  ])('pan %j', (text, position) => {
    expect(readPan(text)).toEqual({ ok: true, value: position });
  });

  it('refuses what is none', () => {
    expect(sentenceOf(readLevel('loud'))).toBe('“loud” is not a level in dB; write −6, or off.');
    expect(sentenceOf(readLevel('30'))).toBe('A fader goes from off to +24 dB.');
    expect(sentenceOf(readPan('L300'))).toBe('“L300” is not a pan position; write L30, C or R100.');
  });
});

describe('a cell of the track sheet', () => {
  const track = plainTrack({ id: 'narr' as never, number: 3, name: 'NARR', kind: 'audio', width: 1 });
  const vca = plainTrack({ id: 'all' as never, number: 9, name: 'All', kind: 'vca', width: 1 });
  const daw = (hostProfile: HostProfile) => ({ tracks: [track, vca], buses: BUSES, hostProfile });

  it.each<[TrackField, string]>([
    ['number', '3'],
    ['name', 'NARR'],
    ['kind', 'aux'],
    ['width', '2'],
    ['input', '7'],
    ['inserts', 'De-esser @64; 3 hw 5 @31; Ducker key Music'],
    ['sends', 'bus Long plate −6 pre; 3 0; 4 −10 pan −30'],
    ['faderDb', '−4.5'],
    ['pan', 'L30'],
    ['outputs', '1 + bus Music'],
    ['vca', 'All'],
    ['levelDbfs', '−20'],
    ['crestDb', '14'],
    ['recordedAtHz', '44.1'],
  ])('%s is written as it was typed', (field, text) => {
    const read = readTrackCell(field, text, track, daw(FIRST_PROFILE));
    expect(read.ok).toBe(true);
    const after = { ...track, ...(read.ok && { [field]: read.value }) };
    expect(trackCellText(field, after, daw(FIRST_PROFILE))).toBe(text);
  });

  it('holds inserts to what the kind of host can do', () => {
    const [strict, free] = HOST_PROFILES.map(({ name: _name, ...profile }) =>
      hostProfileSchema.parse(profile),
    );
    const read = (text: string, profile: HostProfile) => readTrackCell('inserts', text, track, daw(profile));
    expect(sentenceOf(read('hw 5/6', strict!))).toBe(
      'On this kind of host an insert returns on the number it sends on; write hw 5, or choose a host with free pairs.',
    );
    expect(read('hw 5/6 trim -4/4', free!).ok).toBe(true);
    expect(sentenceOf(read('hw 5 trim -4/4', strict!))).toBe(
      'This kind of host does not trim inserts. Leave the trims out, or choose a host that does.',
    );
  });

  it.each<[TrackField, string, string]>([
    ['kind', 'bass', '“bass” is not a kind of track; there are audio, aux, group, vca, instrument, print.'],
    ['width', '0', '“0” is not a width, which is a whole number from 1 to 16.'],
    ['name', ' ', 'A track has a name.'],
    ['levelDbfs', '4', '“4” does not fit. Type dBFS, from -80 to 0, or nothing.'],
    [
      'recordedAtHz',
      '47',
      '“47” is not a rate that material has. Type 44.1, 48, 88.2, 96, 176.4, 192, or nothing for the session’s.',
    ],
    ['vca', 'Drums', 'There is no VCA “Drums”. Add a track of that kind first.'],
  ])('%s %j is refused', (field, text, sentence) => {
    expect(sentenceOf(readTrackCell(field, text, track, daw(FIRST_PROFILE)))).toBe(sentence);
  });
});
