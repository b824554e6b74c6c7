import { buildDevice, settingsOf } from '@ft/core/rig/buildDevice';
import { CATALOGUE } from '@ft/core/rig/catalogue/catalogue';
import type { LaneKey } from '@ft/core/rig/deviceModel';
import { typeForms } from '@ft/core/rig/paramFields';
import type { Device } from '@ft/core/rig/rigSchema';
import { deviceSchema } from '@ft/core/rig/rigSchema';
import type { SettingKey, SettingSpec, SettingValue } from '@ft/core/rig/settings';
import { settingKeyOf } from '@ft/core/rig/settings';

/** The least parameters each type needs. */
const NEEDED: Record<string, Record<string, unknown>> = {
  microphone: { principle: 'dynamic', sensitivityMvPerPa: 2 },
  customUnit: {
    ports: [
      { key: 'in', name: 'in', direction: 'in' },
      { key: 'out', name: 'out', direction: 'out' },
    ],
    routes: [{ from: 'in', to: 'out', adjustable: true }],
  },
};

const deviceOf = (type: string): Device =>
  deviceSchema.parse({ id: 'unit', name: 'Unit', room: 'main', type, params: NEEDED[type] ?? {} });

/** Values a knob can take that are not where it starts. */
function otherValues({ initial, range }: SettingSpec): readonly SettingValue[] {
  if (typeof initial === 'boolean') return [!initial];
  return range?.positions ?? [range!.min, range!.max];
}

/** Whether turning the first channel of a knob changes what is built, whatever else is switched on. */
function acts(device: Device, spec: SettingSpec): boolean {
  const key = (setting: string): SettingKey => settingKeyOf(device.id, setting, 1);
  const others = settingsOf(device).filter(({ setting }) => setting !== spec.setting);
  // Pairs are switched on channels of their own: the second switches what belongs to the third and fourth.
  const on = (position: number): Record<SettingKey, SettingValue> =>
    Object.fromEntries(
      others
        .filter(({ range, initial }) => initial === false || range?.positions?.includes(position) === true)
        .filter(({ setting }) => !/mute|cut/i.test(setting))
        .flatMap(({ setting, initial, channels }) =>
          [1, 2, 3, 4]
            .filter((channel) => channel <= channels)
            .map((channel) => [
              settingKeyOf(device.id, setting, channel),
              initial === false ? true : position,
            ]),
        ),
    );
  // What switches something with a level of its own does nothing to see while that level is 0 dB.
  const turnedUp: Record<SettingKey, SettingValue> = Object.fromEntries(
    others
      .filter(({ unit, range }) => unit === 'dB' && range?.positions === undefined)
      .map(({ setting, range }) => [key(setting), range?.max ?? 0]),
  );
  // What one switch takes over from another knob shows only with that switch as it was.
  const selected = Object.fromEntries(Object.entries(on(1)).filter(([, value]) => value !== true));
  return [{}, on(1), on(2), selected, turnedUp].some((base) => {
    const built = JSON.stringify(buildDevice(device, base));
    return otherValues(spec).some(
      (value) => JSON.stringify(buildDevice(device, { ...base, [key(spec.setting)]: value })) !== built,
    );
  });
}

describe.each(CATALOGUE.map(({ type }) => type))('catalogue type %s', (type) => {
  const device = deviceOf(type);
  const model = buildDevice(device, {});
  const lanes = new Map(model.ports.map((port) => [port.key, port.lanes]));
  const exists = ({ port, lane }: LaneKey): boolean => lane >= 1 && lane <= (lanes.get(port) ?? 0);

  it('has ports with keys of their own, and routes and stations between lanes that exist', () => {
    expect(lanes.size).toBe(model.ports.length);
    expect(model.ports.length).toBeGreaterThan(0);
    for (const { from, to, unlessPlugged = [] } of model.routes)
      expect([from, to, ...unlessPlugged].every(exists)).toBe(true);
    for (const station of model.stations) expect([station.in, station.out].every(exists)).toBe(true);
  });

  it('has a route along each of its stations, but for loops, whose way lies outside', () => {
    const routed = new Set(model.routes.map(({ from, to }) => JSON.stringify([from, to])));
    for (const station of model.stations.filter(({ role }) => role !== 'loop'))
      expect(routed.has(JSON.stringify([station.in, station.out]))).toBe(true);
  });

  it('gives figures only to the side that has them', () => {
    for (const port of model.ports) {
      if (port.direction === 'in') expect(port.output).toBeUndefined();
      else expect(port.input).toBeUndefined();
      if (port.medium === 'any') expect(port.input ?? port.output).toBeUndefined();
    }
  });

  it('starts every knob inside its range', () => {
    for (const { initial, range } of settingsOf(device))
      if (typeof initial === 'number' && range !== undefined) {
        expect(initial).toBeGreaterThanOrEqual(range.min);
        expect(initial).toBeLessThanOrEqual(range.max);
      }
  });

  it('names only knobs it has', () => {
    const knobs = new Map(settingsOf(device).map((spec) => [spec.setting, spec.channels]));
    const named = [
      ...model.routes.flatMap((route) => route.knobs ?? []),
      ...model.stations.flatMap(({ settings = [], channel }) =>
        settings.map((setting) => ({ setting, channel })),
      ),
    ].filter(({ setting }) => setting !== 'phantom');
    for (const { setting, channel } of named) expect(knobs.get(setting)).toBeGreaterThanOrEqual(channel);
  });

  it('has no knob that does nothing', () => {
    // 48 V and a ground lift carry no signal; rules and readers look at them.
    const silent = ['phantom', 'groundLift', 'recordArm'];
    for (const spec of settingsOf(device).filter(({ setting }) => !silent.includes(setting)))
      expect({ knob: spec.setting, acts: acts(device, spec) }).toEqual({ knob: spec.setting, acts: true });
  });

  it('has a form with a field for every parameter', () => {
    const form = typeForms().find((candidate) => candidate.type === type)!;
    for (const key of Object.keys(device.params))
      expect(form.fields.map((field) => field.key)).toContain(key);
  });

  it('refuses a parameter it does not know', () => {
    const strange = { id: 'unit', name: 'Unit', room: 'main', type, params: { ...NEEDED[type], taste: 3 } };
    expect(deviceSchema.safeParse(strange).success).toBe(false);
  });
});

describe('settings', () => {
  const preamp = deviceSchema.parse({ id: 'pre', name: 'Pre', room: 'main', type: 'micPreamp', params: {} });
  const gainOf = (settings: Record<string, number | boolean>): number =>
    buildDevice(preamp, settings).routes[0]!.gainDb;

  it('move the gain of one channel', () => {
    expect(gainOf({})).toBe(30);
    expect(gainOf({ 'pre/gainDb/1': 44 })).toBe(44);
    expect(gainOf({ 'pre/gainDb/2': 44 })).toBe(30);
    expect(gainOf({ 'pre/gainDb/1': 44, 'pre/pad/1': true })).toBe(24);
  });

  it('put a converter channel on its own reference level', () => {
    const converter = deviceSchema.parse({ id: 'c', name: 'C', room: 'main', type: 'converter', params: {} });
    const { routes } = buildDevice(converter, { ['c/adcReferenceDbu/2' as SettingKey]: 24 });
    expect(routes[0]!.gainDb).toBe(-18);
    expect(routes[1]!.gainDb).toBe(-24);
  });

  it('split a converter’s lines into DB-25 connectors of eight', () => {
    const converter = deviceSchema.parse({
      id: 'c',
      name: 'C',
      room: 'main',
      type: 'converter',
      params: { adcs: 20 },
    });
    const inputs = buildDevice(converter, {}).ports.filter(({ key }) => key.startsWith('line-in'));
    expect(inputs.map(({ lanes }) => lanes)).toEqual([8, 8, 4]);
    expect(inputs[2]!.laneNames).toEqual(['line in 17', 'line in 18', 'line in 19', 'line in 20']);
  });
});
