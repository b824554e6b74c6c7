import { saltglassRooms } from '../fixtures/thin/saltglass';
import { workedScene } from '@ft/core/scene/workedScene';
import type { EntityRef } from '@ft/core/session/entityRef';
import type { StripHop } from '@ft/core/views/strip/strip';
import { stripOf } from '@ft/core/views/strip/strip';
import { hopFigures } from '@ft/core/views/strip/hopFigures';
import { BANDS, drawStrip } from '@ft/core/views/strip/stripDrawing';

const demo = saltglassRooms();
const session = demo.sessions[0]!;
const context = workedScene(demo.rig, session, session.scenes[0]!);
const hopsOf = (id: string): readonly StripHop[] =>
  stripOf(context, { kind: 'thread', id } as EntityRef)!.hops;
const narrator = hopsOf('line-1');

describe('the drawing of a strip', () => {
  const drawing = drawStrip(narrator, 1180);

  it('runs left to right inside its width, a bead a hop', () => {
    const xs = drawing.beads.map(({ x }) => x);
    expect(xs).toHaveLength(narrator.length);
    expect([...xs].sort((a, b) => a - b)).toEqual(xs);
    expect(xs.at(-1)!).toBeLessThan(drawing.width);
    expect(drawing.width).toBeLessThanOrEqual(1181);
  });

  it('grows wider rather than crowd its figures', () => {
    const narrow = drawStrip(narrator, 400);
    const steps = narrow.beads.slice(1).map(({ x }, i) => x - narrow.beads[i]!.x);
    expect(Math.min(...steps)).toBeGreaterThanOrEqual(43);
    expect(narrow.width).toBeGreaterThan(400);
  });

  it('draws a block a device, none over the other', () => {
    expect(drawing.blocks.map(({ name }) => name)).toEqual([
      'Large condenser',
      'Booth panel',
      'Bay A',
      'Mic preamp',
      'Bay B',
      'Opto compressor',
      'Bay B',
      'Converter',
      'DAW',
    ]);
    drawing.blocks.slice(1).forEach((block, i) => {
      const before = drawing.blocks[i]!;
      expect(block.x).toBeGreaterThanOrEqual(before.x + before.width);
    });
  });

  it('lets a cord hang and everything else run straight', () => {
    for (const { kind, path } of drawing.segments) expect(path.includes('Q')).toBe(kind === 'cord');
  });

  it('tells cords that are not plugged', () => {
    expect(drawing.segments.filter(({ planned }) => planned).map(({ kind }) => kind)).toEqual([
      'cord',
      'cord',
    ]);
  });

  it('keeps the ladder inside its band, and one scale across the converter', () => {
    const ys = [...drawing.nominal.matchAll(/[ML]\d+ ([\d.]+)/g)].map(([, y]) => Number(y));
    expect(Math.min(...ys)).toBeGreaterThanOrEqual(BANDS.ladderTop);
    expect(Math.max(...ys)).toBeLessThanOrEqual(BANDS.ladderBottom);
    // 0 dBFS stands where +22 dBu stood, so the line goes on level from the converter’s input.
    const converter = narrator.findIndex(({ unit }) => unit === 'dBFS');
    expect(Math.abs(ys[converter]! - ys[converter - 1]!)).toBeLessThan(0.1);
    expect(drawing.digitalFrom).toBeGreaterThan(drawing.beads[converter - 1]!.x);
  });

  it('marks the hop that is over', () => {
    const over = drawStrip(hopsOf('line-2'), 1180).clips.filter((clip) => clip.over);
    expect(over.length).toBeGreaterThan(0);
  });

  it('calls a hop by what it is inside its device, cut to its room', () => {
    expect(drawing.labels[1]).toBe('line 1');
    for (const label of drawStrip(narrator, 900).labels) expect(label.length).toBeLessThanOrEqual(9);
  });

  it('is empty for nothing', () => {
    expect(drawStrip([], 800)).toMatchObject({ beads: [], blocks: [], segments: [], nominal: '' });
  });
});

describe('the figures under the hops', () => {
  const figures = hopFigures(narrator);
  const at = (name: string): (typeof figures)[number] =>
    figures[narrator.findIndex(({ laneName }) => laneName === name)]!;

  it('stand where something changes, and nowhere else', () => {
    expect(at('Large condenser')).toEqual({ nominal: '−42.2', peak: '−31.2', noise: '−116.2', delay: '' });
    expect(at('Booth panel line 1 rear')).toEqual({ nominal: '', peak: '', noise: '', delay: '' });
    expect(at('Mic preamp out 1')).toMatchObject({ nominal: '+1.1' });
    expect(at('DAW input 5').delay).toBe('1.58');
  });

  it('are all given again where the unit changes', () => {
    expect(at('Converter to host 5')).toEqual({
      nominal: '−23.0',
      peak: '−12.0',
      noise: '−96.4',
      delay: '0.25',
    });
  });
});
