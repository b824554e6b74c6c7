import { settingsOf } from '@ft/core/rig/buildDevice';
import type { SettingKey, SettingValue } from '@ft/core/rig/settings';
import { initialOf, settingKeyOf } from '@ft/core/rig/settings';
import { repatch } from '@ft/core/repatch/repatch';
import type { Step } from '@ft/core/repatch/step';
import { BARE_FLOOR } from '@ft/core/session/floorSchema';
import { saltglassRooms } from '../fixtures/builtDemo';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import { firstScene } from '../fixtures/studioOf';

const demo = saltglassRooms();
const { session, scene } = firstScene(demo);

type Settings = Record<SettingKey, SettingValue>;
const stepsFor = (before: Settings, after: Settings): readonly Step[] =>
  repatch(demo.rig, session, { ...BARE_FLOOR, settings: before }, { ...scene, cords: [], settings: after });

/** A few knobs of the demo, anywhere in their range. */
function turned(dice: Dice): Settings {
  const settings: Settings = {};
  const devices = demo.rig.devices.filter((device) => settingsOf(device).length > 0);
  for (let n = dice.below(4); n >= 0; n--) {
    const device = dice.pick(devices);
    const spec = dice.pick(settingsOf(device));
    const channel = 1 + dice.below(spec.channels);
    const { range } = spec;
    settings[settingKeyOf(device.id, spec.setting, channel)] =
      range === undefined
        ? dice.chance(0.5)
        : (range.positions?.[dice.below(range.positions.length)] ??
          Math.round(range.min + dice.roll() * (range.max - range.min)));
  }
  return settings;
}

/** Told apart without the program's own judgement: a decibel knob that ends lower, and nothing else, is quiet. */
function isQuiet(before: Settings, after: Settings): boolean {
  const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])] as SettingKey[];
  return keys.every((key) => {
    const [id, setting, channel] = key.split('/');
    const device = demo.rig.devices.find((each) => each.id === id)!;
    const spec = settingsOf(device).find((each) => each.setting === setting)!;
    const [was, is] = [before, after].map((from) => from[key] ?? initialOf(spec, Number(channel)));
    return was === is || (spec.unit === 'dB' && Number(is) < Number(was));
  });
}

describe('a list of switches', () => {
  const KEY = (setting: string): SettingKey => `mic-preamp/${setting}/1` as SettingKey;

  it('has its mutes, and opens at the end, as one with cords has', () => {
    const kinds = stepsFor({}, { [KEY('gainDb')]: 50 }).map(({ kind }) => kind);
    expect(kinds).toEqual(['mute', 'mute', 'set', 'open', 'open']);
    expect(stepsFor({}, { [KEY('pad')]: true })[0]!.kind).toBe('mute');
  });

  it('that only turns gains down needs none', () => {
    expect(stepsFor({ [KEY('gainDb')]: 50 }, { [KEY('gainDb')]: 40 }).map(({ kind }) => kind)).toEqual([
      'set',
    ]);
  });

  it.each(seedsFrom1(3, 300))('is never without its mutes where it may be heard (seed %d)', (seed) => {
    const dice = seeded(seed);
    for (let n = 0; n < 30; n++) {
      const [before, after] = [turned(dice), turned(dice)];
      const steps = stepsFor(before, after);
      const firstTurn = steps.findIndex(({ kind }) => kind === 'set' || kind === 'power-off');
      if (firstTurn < 0 || isQuiet(before, after)) continue;
      const muted = steps.slice(0, firstTurn).flatMap((step) => (step.kind === 'mute' ? [step.quiet] : []));
      expect(muted).toEqual(['monitors', 'cues']);
      expect(steps.slice(-2).map(({ kind }) => kind)).toEqual(['open', 'open']);
    }
  });
});
