import { saltglassRooms } from '../fixtures/thin/saltglass';
import type { EntityRef } from '@ft/core/session/entityRef';
import type { Strip } from '@ft/core/views/strip/strip';
import { stripOf } from '@ft/core/views/strip/strip';
import { contextOf } from '../fixtures/studioOf';

const context = contextOf(saltglassRooms());
const stripAt = (kind: EntityRef['kind'], id: string): Strip | undefined =>
  stripOf(context, { kind, id } as EntityRef);

describe('the strip', () => {
  it('shows a thread whole, source to end', () => {
    const strip = stripAt('thread', 'line-1')!;
    expect(strip).toMatchObject({ title: '1 Imke Tarrow, Narrator', complete: true, selected: -1 });
    expect(strip.hops[0]).toMatchObject({ laneName: 'Large condenser', roomName: 'Annealing booth' });
    expect(strip.hops[0]!.kind).toBeUndefined();
    expect(strip.hops.at(-1)!.laneName).toBe('DAW input 5');
    expect(strip.hops.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['cord', 'tieLine', 'normal', 'hardwire', 'route']),
    );
  });

  it.each<[EntityRef['kind'], string, string]>([
    ['lane', 'bay-a/upper-13/1', 'Bay A 13 upper'],
    ['station', 'preamp/channel-4', 'Mic preamp mic in 4'],
    ['cord', 'line-4-c2', 'Bay A 10 lower'],
  ])('of a %s is its thread’s, with the place marked', (kind, id, name) => {
    const strip = stripAt(kind, id)!;
    expect(strip.thread).toBe('line-4');
    expect(strip.hops[strip.selected]!.laneName).toBe(name);
  });

  it('of a jack that no thread uses shows what it is joined to', () => {
    const strip = stripAt('lane', 'bay-b/upper-rear-30/1')!;
    expect(strip.thread).toBeUndefined();
    expect(strip.hops.map(({ laneName }) => laneName)).toEqual(
      expect.arrayContaining(['Converter line out 6', 'Bay B 30 upper rear']),
    );
    expect(strip.gaps).toEqual([]);
  });

  it('gives the arithmetic in words an engineer can redo', () => {
    const hop = (name: string): readonly string[] =>
      stripAt('thread', 'line-1')!.hops.find(({ laneName }) => laneName === name)!.arithmetic;
    expect(hop('Large condenser')).toEqual(['−36.2 dBu in 94 dB SPL, −6.0 dB for 88 dB SPL']);
    expect(hop('Booth panel line 1')).toEqual(['−0.7 dB: 200 Ω into 2.4 kΩ']);
    expect(hop('Mic preamp out 1')).toEqual(['+44.0 dB gain', 'adds noise of −131.1 dBu at its input']);
    expect(hop('Converter to host 5')).toEqual([
      '0 dBFS = +22.0 dBu',
      'adds noise of −118.0 dBFS at its output',
      '12 samples late',
    ]);
  });

  it('offers the knobs of a unit where the signal goes in and comes out', () => {
    const at = (name: string): readonly (readonly [string, unknown])[] =>
      stripAt('thread', 'line-1')!
        .hops.find(({ laneName }) => laneName === name)!
        .settings.map(({ spec, value }) => [spec.title, value]);
    expect(at('Mic preamp mic in 1')).toEqual([
      ['Gain', 44],
      ['48 V', true],
      ['Pad', false],
      ['Polarity', false],
    ]);
    expect(at('Opto compressor out')).toEqual([['Net gain', -2]]);
    // The converter’s output has a reference of its own, which is not this station’s.
    expect(at('Converter line in 5')).toEqual([['Input reference', 22]]);
    expect(at('Bay A 1 upper rear')).toEqual([]);
  });

  it('counts both inputs that hang on a half normal', () => {
    // The cord in Bay B 1 upper only listens: the converter’s 20 kΩ stays on the preamp beside the 10 kΩ.
    const hop = stripAt('thread', 'line-1')!.hops.find(({ laneName }) => laneName === 'Bay B 1 upper rear')!;
    expect(hop.arithmetic).toEqual(['−0.1 dB: 75 Ω into 6.67 kΩ']);
  });

  it('is nothing for what is not there', () => {
    expect(stripAt('thread', 'line-99')).toBeUndefined();
    expect(stripAt('lane', 'no/such/1')).toBeUndefined();
  });
});
