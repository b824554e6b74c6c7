import { settingsOf } from '@ft/core/rig/buildDevice';
import type { Device } from '@ft/core/rig/rigSchema';
import { deviceSchema } from '@ft/core/rig/rigSchema';
import { planOf } from '@ft/core/views/plan';
import { contextOf, studioOf } from '../fixtures/studioOf';

const made = (params: Readonly<Record<string, unknown>>): Device =>
  deviceSchema.parse({ id: 'box', name: 'Box', room: 'main', type: 'audioInterface', params });

const names = (device: Device, setting: string): readonly string[] =>
  settingsOf(device).find((spec) => spec.setting === setting)?.names ?? [];

/** A condenser on a mic input, with converter switches on the line inputs beside it. */
const recorded = (gainDb: number) =>
  studioOf({
    devices: [
      { id: 'mic', type: 'microphone', params: { principle: 'condenser', sensitivityMvPerPa: 14 } },
      {
        id: 'box',
        type: 'audioInterface',
        params: { micInputs: 2, hostStreams: 8, initialReferenceDbu: 18 },
      },
      { id: 'daw', type: 'dawHost', params: { inputs: 8, outputs: 8 } },
    ],
    stocks: [
      { id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: 'black', count: 4 },
    ],
    wires: [['box/host-out/1', 'daw/stream-in/1']],
    cords: [{ from: 'mic/out/1', to: 'box/mic-1/1', stock: 'mic' }],
    settings: { 'box/gainDb/1': gainDb, 'box/phantom/1': true },
    threads: [{ from: 'mic/out/1', levelDbSpl: 94, crestDb: 14 }],
  });

describe('mic inputs of an interface', () => {
  it('are none unless they are asked for', () => {
    expect(contextOf(recorded(30)).threads[0]!.complete).toBe(true);
    expect(settingsOf(made({})).some(({ setting }) => setting === 'gainDb')).toBe(false);
  });

  it('come first to the host, and leave every stored position of a matrix where it was', () => {
    const [bare, withTwo] = [made({}), made({ micInputs: 2 })];
    for (const setting of ['lineOutSource', 'hostInSource']) {
      const inputs = names(bare, setting).filter((name) => !name.startsWith('mix'));
      expect(names(withTwo, setting).slice(0, inputs.length)).toEqual(inputs);
    }
    const spec = settingsOf(withTwo).find(({ setting }) => setting === 'hostInSource')!;
    const heard = spec
      .initials!.slice(0, 4)
      .map((position) => spec.names![spec.range!.positions!.indexOf(Number(position))]);
    expect(heard).toEqual(['mic in 1', 'mic in 2', 'line in 1', 'line in 2']);
  });

  it('reach the host at their gain less the level of full scale', () => {
    const arrived = contextOf(recorded(30)).threads[0]!.ladder.rungs.at(-1)!;
    // By hand: 14 mV in 1 Pa is −34.86 dBu; 200 Ω into 2400 Ω take 0.70 dB; +30, and 0 dBFS is +18 dBu.
    const dbu = 20 * Math.log10(0.014 / Math.sqrt(0.6)) + 20 * Math.log10(2400 / 2600) + 30;
    expect(arrived.nominal).toBeCloseTo(dbu - 18, 2);
  });

  it('too loud are turned down, not told to switch a reference they do not have', () => {
    const studio = recorded(60);
    const [session] = studio.sessions;
    const { findings } = planOf(studio.rig, session!, session!.scenes[0]!, studio.floor).plan;
    const over = findings.find(({ rule }) => rule === 'over-max-input');
    expect(over?.figures).toHaveProperty('turnDown');
    expect(over?.figures).not.toHaveProperty('referenceDbu');
  });
});
