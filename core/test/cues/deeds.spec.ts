import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import { cueDeed } from '@ft/core/actions/cues/cueDeed';
import { cueCells } from '@ft/core/actions/cues/cueCells';
import { markedClick } from '@ft/core/actions/cues/markedClick';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import type { CueId, DeviceId } from '@ft/core/rig/ids';
import { reach } from '@ft/core/graph/reach';
import type { EarView } from '@ft/core/views/cues/earView';
import { cellAt, companyCall, cuesAt, sheetAt, then } from '../fixtures/cuePlace';
import { CUE, cueStudio } from '../fixtures/cueStudio';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const done = (it: WorkPlace, deed: CueDeed): WorkPlace => then(it, cueDeed(it, deed).edits);
const earAt = (it: WorkPlace, name: string): EarView => sheetAt(it).ears.find((ear) => ear.name === name)!;
const id = (name: string) => name as CueId;

describe('more of oneself', () => {
  const FOLEY = ['Foley left headphones', 'foley-left-headphones'] as const;
  const more = (it: WorkPlace, upDb: number) =>
    cueDeed(it, { does: 'more-me', wish: { cue: id('foley-pair'), headphones: FOLEY[1] as DeviceId, upDb } });

  it('is own sound up, everything else down alike, the total kept', () => {
    const it = companyCall();
    const set = then(it, more(it, 2).edits);
    const [was, is] = [earAt(it, FOLEY[0]), earAt(set, FOLEY[0])];
    expect(is.ownDbSpl! - was.ownDbSpl!).toBeCloseTo(2, 1);
    expect(Math.abs(is.sumDbSpl! - was.sumDbSpl!)).toBeLessThanOrEqual(0.1);
    const down = ['line:line-31', 'line:line-32', 'line:line-34'].map(
      (key) =>
        parseFloat(cellAt(set, key, 'foley-pair')!.replace('−', '-')) -
        parseFloat(cellAt(it, key, 'foley-pair')!.replace('−', '-')),
    );
    expect(new Set(down.map((db) => db.toFixed(1))).size).toBe(1);
    expect(down[0]).toBeLessThan(0);
    expect(cellAt(set, 'line:line-33', 'foley-pair')).toBe('0 pre L40');
  });

  it('ends where the rest is too soft to give way, and says so', () => {
    const { edits, refused } = more(companyCall(), 12);
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(/too soft to give way for that: at most \d+\.\d dB more/);
  });

  it('is nothing for somebody who does not hear themself', () => {
    const it = companyCall();
    const off = then(
      it,
      cueCells(it, [{ source: 'line:line-33', cue: id('foley-pair'), text: 'off' }]).edits,
    );
    expect(more(off, 2).refused[0]!.sentence).toBe(
      'Tamsin Rook does not hear themself here. Turn their own send on first.',
    );
  });

  it.each(seedsFrom1(6, 150))('keeps the total to 0.1 dB, seed %d', (seed) => {
    const dice = seeded(seed);
    const it = companyCall();
    const [cue, name] = dice.pick([
      ['actors', 'Lamplighter headphones'],
      ['actors', 'Ferry keeper headphones'],
      ['foley-pair', 'Foley right headphones'],
      ['ensemble', 'Bass clarinet headphones'],
      ['ensemble', 'Vibraphone headphones'],
    ] as const);
    const rows = sheetAt(it).rows.filter(
      ({ texts, thread }) => texts[cue] !== undefined && thread !== undefined,
    );
    const mixed = then(
      it,
      cueCells(
        it,
        rows.map(({ key }) => ({ source: key, cue: id(cue), text: `${String(-24 + dice.below(20))} pre` })),
      ).edits,
    );
    const before = earAt(mixed, name);
    const upDb = 0.5 + dice.below(6) / 2;
    const plan = cueDeed(mixed, {
      does: 'more-me',
      wish: { cue: id(cue), headphones: before.headphones, upDb },
    });
    if (plan.refused.length > 0) {
      expect(plan.refused[0]!.sentence).toMatch(/too soft/);
      return;
    }
    const after = earAt(then(mixed, plan.edits), name);
    expect(Math.abs(after.sumDbSpl! - before.sumDbSpl!)).toBeLessThanOrEqual(0.1);
    expect(after.ownOverRestDb!).toBeGreaterThan(before.ownOverRestDb!);
  });
});

describe('a cue copied', () => {
  it('gives its levels to others in their words, and leaves what does not come there', () => {
    const it = companyCall();
    const set = done(it, { does: 'copy', from: id('foley-pair'), to: [id('actors'), id('ensemble')] });
    for (const line of [31, 32, 33, 34])
      expect(cellAt(set, `line:line-${String(line)}`, 'actors')).toBe(
        cellAt(it, `line:line-${String(line)}`, 'foley-pair'),
      );
    expect(cellAt(set, 'line:line-21', 'ensemble')).toBe(cellAt(it, 'line:line-21', 'ensemble'));
  });

  it('to a mono bus comes without its pan', () => {
    const parts = cueStudio({
      settings: { 'console/cuePan/1': -40 },
      session: {
        cues: [
          CUE,
          {
            ...CUE,
            id: 'mono',
            number: 2,
            name: 'Mono',
            headphones: [],
            carrier: { on: 'console', device: 'console', rows: ['aux-1'] },
          },
        ],
      },
    });
    const it = cuesAt(parts);
    const set = done(it, { does: 'copy', from: id('narrator'), to: [id('mono')] });
    expect(cellAt(set, 'line:thread-1', 'narrator')).toBe('−10 pre L40');
    expect(cellAt(set, 'line:thread-1', 'mono')).toBe('−10 pre');
  });
});

describe('a click', () => {
  it('goes to the cues that want it, at its level, and to no other', () => {
    const it = companyCall();
    const set = done(it, { does: 'click', wish: { cues: [id('actors')], levelDb: -24 } });
    expect(cellAt(set, 'line:line-35', 'actors')).toBe('−24 pre');
    expect(cellAt(set, 'line:line-35', 'foley-pair')).toBe('off');
    expect(earAt(set, 'Lamplighter headphones').clickDbSpl).toBeGreaterThan(0);
  });

  it('is a track of its own where there is none, brought to a free channel and into no mix', () => {
    const it = cuesAt(
      cueStudio({
        devices: [
          { id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 2, outputs: 2 } },
          { id: 'converter', type: 'converter', params: { adcs: 2, dacs: 2 } },
          { id: 'bay', type: 'patchbay', params: { columns: 4, normalling: 'none' } },
        ],
        wires: [
          ['daw/stream-out/1', 'converter/host-in/1'],
          ['converter/line-out-1/1', 'bay/upper-rear-1/1'],
          ['bay/lower-rear-2/1', 'console/line-2/1'],
        ],
        session: { host: 'daw' },
      }),
    );
    const plan = cueDeed(it, { does: 'click', wish: { cues: [id('narrator')], levelDb: -20 } });
    const set = then(it, plan.edits);
    expect(set.context.session.tracks).toMatchObject([{ name: 'CLICK', kind: 'instrument', click: true }]);
    const ear = sheetAt(set).ears[0]!;
    expect(ear.clickDbSpl).toBeDefined();
    const mix = set.context.graph.laneIndex.get('console/mix/1' as never)!;
    const from = set.context.graph.laneIndex.get('console/line-2/1' as never)!;
    expect(reach(set.context.graph, [from], 'from').has(mix)).toBe(false);
  });

  it('that has no channel is refused with what to do', () => {
    const it = companyCall();
    const none = markedClick(it.context.session, 'line:line-35', false);
    const marked = then(it, none);
    const { refused } = cueDeed(marked, { does: 'click', wish: { cues: [id('actors')], levelDb: -20 } });
    expect(refused.map(({ row, sentence }) => `${row}: ${sentence}`)).toEqual([
      'Actors: No click comes to its carrier. Bring one to a channel there, and mark its line as the click.',
    ]);
  });
});

describe('the control room’s mix', () => {
  it('is every send behind its fader, panned as there, and what is not in the mix off', () => {
    const it = cuesAt(
      cueStudio({
        settings: { 'console/toMix/1': true, 'console/pan/1': 25, 'console/monitorMute/1': true },
      }),
    );
    const set = done(it, { does: 'room-mix', cue: id('narrator') });
    expect(cellAt(set, 'line:thread-1', 'narrator')).toBe('0 post R25');
    const out = done(cuesAt(cueStudio()), { does: 'room-mix', cue: id('narrator') });
    expect(cellAt(out, 'line:thread-1', 'narrator')).toBe('off');
  });

  it('cannot be had of a carrier without faders', () => {
    const { edits, refused } = cueDeed(companyCall(), { does: 'room-mix', cue: id('narrator') });
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(/no faders to follow/);
  });
});

describe('an effect in headphones only', () => {
  it('is in the cue, and on its way to the mix no more', () => {
    const it = companyCall();
    const source = 'row:kiln-desk return-1';
    const set = done(it, { does: 'headphones-only', cue: id('actors'), source });
    expect(cellAt(set, source, 'actors')).toBe('−10 pre');
    const { graph } = set.context;
    const at = (lane: string): number => graph.laneIndex.get(lane as never)!;
    const reached = reach(graph, [at('kiln-desk/return/1')], 'from');
    expect([reached.has(at('kiln-desk/aux/1')), reached.has(at('kiln-desk/mix/1'))]).toEqual([true, false]);
  });
});

describe('volumes', () => {
  it('of the pairs nobody wears go down with one key, and no others', () => {
    const it = companyCall();
    const set = done(it, { does: 'mute-unworn' });
    const down = sheetAt(set).ears.filter(({ volume }) => volume!.isDown);
    expect(down.map(({ name }) => name)).toEqual(['Spare 1 headphones', 'Spare 2 headphones']);
  });

  it('all go down, and the worn ones to 75 dB SPL for the first sound', () => {
    const it = companyCall();
    const zero = done(it, { does: 'volumes-to-zero' });
    expect(sheetAt(zero).ears.every(({ volume }) => volume!.isDown)).toBe(true);
    const first = done(zero, { does: 'volumes-at-start' });
    for (const { isLying, volume, sumDbSpl, talkbackDbSpl = -Infinity } of sheetAt(first).ears) {
      expect(volume!.isDown).toBe(isLying);
      const all = 10 * Math.log10(10 ** (sumDbSpl! / 10) + 10 ** (talkbackDbSpl / 10));
      if (!isLying) expect(all).toBeCloseTo(75, 0);
    }
  });

  it('that are too loud even all the way down are told, and left there', () => {
    const { devices = [], ...parts } = cueStudio();
    const loud: Readonly<Record<string, Record<string, unknown>>> = {
      phones: { sensitivityDbPerMw: 140 },
      amp: { outputs: 2, gainDb: 60 },
    };
    const it = cuesAt({
      ...parts,
      devices: devices.map((device) => ({ ...device, params: loud[device.id] ?? device.params })),
    });
    const plan = cueDeed(it, { does: 'volumes-at-start' });
    expect(plan.refused.map(({ row, sentence }) => [row, sentence])).toEqual([
      [
        'Phones',
        expect.stringMatching(/^Even all the way down they have [\d.]+ of 75 dB SPL. Keep them off heads/),
      ],
    ]);
    expect(sheetAt(then(it, plan.edits)).ears[0]!.volume!.isDown).toBe(true);
  });

  it('of ears without a known level are left down, and told', () => {
    const it = cuesAt(
      cueStudio({ threads: [{ from: 'mic/out/1', to: 'console/mic-1/1', purpose: 'feed' }] }),
    );
    const { edits, refused } = cueDeed(it, { does: 'volumes-at-start' });
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(/Give the lines a sound level/);
  });
});
