import { deviceIdIn, idFromName, laneIdOf } from '@ft/core/rig/ids';
import { settingMisfit } from '@ft/core/rig/settings';

describe('an id from a name', () => {
  it.each([
    ['Saltglass Rooms', 'saltglass-rooms'],
    ['  Bay A (upper) ', 'bay-a-upper'],
    ['Öl & Ruß', 'ol-ru'],
    ['…', 'thing'],
  ])('%s → %s', (name, id) => {
    expect(idFromName(name, new Set(), 'thing')).toBe(id);
  });

  it('counts on where it is taken', () => {
    expect(idFromName('Bay A', new Set(['bay-a', 'bay-a-2']), 'bay')).toBe('bay-a-3');
  });

  it('finds the device in a lane', () => {
    expect(deviceIdIn(laneIdOf('bay-a', 'upper-3', 1))).toBe('bay-a');
  });
});

describe('a value for a knob', () => {
  const gain = {
    setting: 'g',
    title: 'Gain',
    unit: 'dB',
    channels: 2,
    initial: 0,
    range: { min: 0, max: 60 },
  };
  const reference = { ...gain, range: { min: 13, max: 24, positions: [13, 18, 24] } };

  it.each([
    [gain, 1, 30, undefined],
    [gain, 3, 30, 'no-such-channel'],
    [gain, 1, true, 'wrong-kind'],
    [gain, 1, 61, 'out-of-range'],
    [reference, 1, 18, undefined],
    [reference, 1, 20, 'not-a-position'],
  ])('%#', (spec, channel, value, misfit) => {
    expect(settingMisfit(spec, channel, value)).toBe(misfit);
  });
});
