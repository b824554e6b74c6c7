import { paramTitle } from '../src/app/stages/rig/devices/param-title';

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
