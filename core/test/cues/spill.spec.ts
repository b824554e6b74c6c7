import { ears } from '@ft/core/cues/ear';
import { spillOf } from '@ft/core/cues/spill';
import { spillDbSpl } from '@ft/core/cues/spillModel';
import { harmedOn } from '@ft/core/scene/phantomHarm';
import { contextOf, studioOf } from '../fixtures/studioOf';
import type { Parts } from '../fixtures/studioOf';
import { CUE_EXAMPLES } from '../checks/examples/cues';
import { CUE } from '../fixtures/cueStudio';

describe('what headphones spill', () => {
  // Inverse distance from a point source, derived: 6.02 dB per doubling, from 5 cm.
  it.each([
    [75, 0, 0.05, 75],
    [75, 20, 0.3, 39.44],
    [75, 2.5, 0.3, 56.94],
    [85, 7.5, 1.5, 47.96],
  ])('%d dB SPL at the ear, %d dB lost, %d m away: %d', (ear, lossDb, distanceM, expected) => {
    expect(spillDbSpl(ear, lossDb, distanceM)).toBeCloseTo(expected, 2);
  });

  it('falls by 6.02 dB when the distance doubles', () => {
    expect(spillDbSpl(80, 10, 1) - spillDbSpl(80, 10, 2)).toBeCloseTo(6.0206, 4);
  });
});

const clicking = CUE_EXAMPLES['open-headphones'].trips;

const spillIn = (parts: Parts, at: number) => {
  const context = contextOf(studioOf(parts));
  const ear = ears(context)[at]!;
  return { ear, spill: spillOf(context, ear)! };
};

const withPairs = (headphones: typeof CUE.headphones): Parts => ({
  ...clicking,
  session: { ...clicking.session, cues: [{ ...CUE, headphones }] },
});

describe('the spill of an ear', () => {
  it('of a pair on a head is less by what its build keeps in, from its own microphone', () => {
    const { ear, spill } = spillIn(clicking, 0);
    expect(spill).toMatchObject({ isLying: false, distanceM: 0.3, lossDb: 20, said: [] });
    expect(spill.clickDbSpl).toBeCloseTo(ear.clickDbSpl! - 20 - 20 * Math.log10(0.3 / 0.05), 9);
  });

  it('of a pair that lies about is less by the coupling it has lost', () => {
    const { ear, spill } = spillIn(clicking, 1);
    expect(ear.isLying).toBe(true);
    expect(spill).toMatchObject({ isLying: true, distanceM: 1.5, lossDb: 7.5 });
    expect(spill.marginDb).toBeCloseTo(88 - spill.clickDbSpl!, 9);
  });

  it('takes what was said in the place of what is usual', () => {
    const said = { distanceM: 3, couplingLossDb: 12, microphone: 'mic' };
    const { ear, spill } = spillIn(withPairs([{ id: 'phones' }, { id: 'spare', ...said }]), 1);
    expect(spill).toMatchObject({ distanceM: 3, lossDb: 12, said: ['microphone', 'distance', 'loss'] });
    expect(spill.clickDbSpl).toBeCloseTo(ear.clickDbSpl! - 12 - 20 * Math.log10(3 / 0.05), 9);
  });

  it('of a pair that somebody has taken off is that of one that lies about', () => {
    const { ear, spill } = spillIn(withPairs([{ id: 'phones', lying: true }]), 0);
    expect([ear.isLying, spill.isLying]).toEqual([true, true]);
  });
});

describe('a line that carries left and right on one XLR', () => {
  /** The amplifier over a wall panel to a junction box, or wrongly into a microphone input. */
  const wrongly = (to: string, phantom: boolean): Parts => ({
    devices: [
      { id: 'amp', type: 'cueAmp', params: { outputs: 1 } },
      { id: 'panel', type: 'wallPanel', params: { lines: 1, cueReturns: 1 } },
      { id: 'box', type: 'headphoneJunction', params: { connector: 'xlr' } },
      { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
    ],
    wires: [
      ['amp/phones-1/1', 'panel/cue-rear-1/1'],
      ['amp/phones-1/2', 'panel/cue-rear-1/2'],
      ['panel/cue-1/1', to],
    ],
    settings: { 'preamp/phantom/1': phantom },
  });

  it('leads to a junction box', () => {
    const { graph } = contextOf(studioOf(wrongly('box/in/1', false)));
    expect(
      graph.lanes.filter(({ id }) => id.startsWith('panel/cue-1/')).map(({ connector }) => connector),
    ).toEqual(['xlr', 'xlr']);
  });

  it('on a microphone input with 48 V is an error: the amplifier is not made for it', () => {
    const { graph } = contextOf(studioOf(wrongly('preamp/mic-1/1', true)));
    const input = graph.laneIndex.get('preamp/mic-1/1' as never)!;
    expect(harmedOn(graph, input).map(({ lane, what }) => [lane.id, what])).toEqual([
      ['amp/phones-1/1', 'unbalanced'],
    ]);
  });
});
