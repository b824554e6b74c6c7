import { applyChange } from '@ft/core/edits/change';
import { baysView } from '@ft/core/views/bay/bayView';
import { deviceView } from '@ft/core/views/rig/deviceView';
import { flowGraph } from '@ft/core/views/flow/flowGraph';
import { moveByHand, plugByHand, pullByHand } from '@ft/core/actions/bay/handPatch';
import type { HandPatch } from '@ft/core/actions/bay/handPatch';
import { jackInfo } from '@ft/core/views/bay/jackInfo';
import { stripOf } from '@ft/core/views/strip/strip';
import { wirePreview } from '@ft/core/actions/rig/wirePreview';
import type { DeviceId, LaneId } from '@ft/core/rig/ids';
import { contextOf } from '../fixtures/studioOf';
import { saltglassRooms } from '../fixtures/thin/saltglass';

const demo = saltglassRooms();
const context = contextOf(demo);
const lane = (id: string): LaneId => id as LaneId;
const device = (id: string): DeviceId => id as DeviceId;

describe('the bays as mounted', () => {
  const { bays, cords } = baysView(context);
  const column = (bay: string, number: number) => bays.find(({ name }) => name === bay)!.columns[number - 1]!;

  it('say for each column whether its normal conducts', () => {
    // The harp's cord runs from Bay A 13 upper to 10 lower, over full normals: both are open.
    expect([9, 10, 13].map((number) => column('Bay A', number).closed)).toEqual([true, false, false]);
    // The narrator's cord in Bay B 1 upper only listens; its other end opens 25.
    expect([1, 25].map((number) => column('Bay B', number).closed)).toEqual([true, false]);
  });

  it('say what lies behind a jack, which thread runs there and which cord', () => {
    expect(column('Bay A', 10).lower).toMatchObject({
      behind: 'Mic preamp mic in 4',
      thread: '4 Wen Askelby, Harp',
      direction: 'in',
    });
    expect(column('Bay A', 10).lower.cord).toBe(cords.find(({ to }) => to === 'bay-a/lower-10/1')!.id);
  });
});

describe('what a plug would do', () => {
  it('names what it opens and whom it cuts', () => {
    expect(jackInfo(context, lane('bay-b/lower-2/1'))).toMatchObject({
      name: 'Bay B 2 lower',
      opens: ['Bay B 2 upper rear → Bay B 2 lower rear'],
      cuts: ['2 Joss Verrill, Lamplighter'],
    });
    // A plug in the upper jack of a half normal only listens.
    expect(jackInfo(context, lane('bay-b/upper-2/1'))).toMatchObject({
      from: ['Mic preamp out 2'],
      to: ['Converter line in 2'],
      opens: [],
      cuts: [],
    });
  });
});

describe('patching by hand', () => {
  const after = (patch: HandPatch) => {
    if (!patch.ok) throw new Error(patch.sentence);
    const result = applyChange(demo, patch.edits);
    if (!result.ok) throw new Error(JSON.stringify(result.refusal));
    return result.value.sessions[0]!.scenes[0]!.cords;
  };
  const sentence = (patch: HandPatch): string => (patch.ok ? '' : patch.sentence);

  it('takes the shortest cord that fits, whichever jack came first', () => {
    for (const [one, other] of [
      ['bay-b/upper-6/1', 'bay-b/lower-7/1'],
      ['bay-b/lower-7/1', 'bay-b/upper-6/1'],
    ] as const) {
      const cord = after(plugByHand(context, lane(one), lane(other))).find(({ id }) => id === 'hand-1')!;
      expect(cord).toMatchObject({
        from: 'bay-b/upper-6/1',
        to: 'bay-b/lower-7/1',
        stock: 'tt-short',
      });
    }
  });

  it('tells planned cords from plugged ones, and from those nobody wants', () => {
    const [first] = demo.sessions[0]!.scenes[0]!.cords;
    const floor = {
      ...demo.floor,
      cords: [
        { id: first!.from, to: first!.to, stock: first!.stock },
        { id: lane('bay-b/upper-30/1'), to: lane('bay-b/lower-31/1'), stock: first!.stock },
      ],
    };
    const { cords } = baysView(contextOf({ ...demo, floor }));
    const told = (from: string): object => {
      const { plugged, wanted } = cords.find((cord) => cord.from === from)!;
      return { plugged, wanted };
    };
    expect(told(first!.from)).toEqual({ plugged: true, wanted: true });
    expect(told('bay-b/upper-30/1')).toEqual({ plugged: true, wanted: false });
    expect(cords.filter(({ plugged }) => !plugged)).toHaveLength(cords.length - 2);
  });

  it('bars a jack that does not work', () => {
    const rig = { ...demo.rig, faults: [{ id: lane('bay-b/upper-3/1'), note: '' }] };
    const jacks = baysView(contextOf({ ...demo, rig })).bays.flatMap(({ columns }) =>
      columns.flatMap(({ upper, lower }) => [upper, lower]),
    );
    expect(jacks.filter(({ faulty }) => faulty === true).map((jack) => jack.lane)).toEqual([
      'bay-b/upper-3/1',
    ]);
  });

  it('moves a plug that is picked up, and leaves the other end', () => {
    const moved = after(moveByHand(context, lane('bay-a/lower-10/1'), lane('bay-a/lower-11/1')));
    expect(moved.find(({ from }) => from === 'bay-a/upper-13/1')!.to).toBe('bay-a/lower-11/1');
  });

  it('pulls a cord', () => {
    const before = demo.sessions[0]!.scenes[0]!.cords.length;
    expect(after(pullByHand(context, lane('bay-a/lower-10/1')))).toHaveLength(before - 1);
  });

  it.each([
    [
      plugByHand(context, lane('bay-b/upper-6/1'), lane('bay-b/upper-6/1')),
      'Both ends of a cord do not fit into one jack. Choose another for the second.',
    ],
    [
      plugByHand(context, lane('bay-b/upper-6/1'), lane('bay-a/lower-10/1')),
      'Bay A 10 lower holds a plug already. Pull that cord first.',
    ],
    [
      plugByHand(context, lane('bay-b/upper-6/1'), lane('preamp/mic-1/1')),
      'Mic preamp mic in 1 is not a front jack. Cords go into front jacks.',
    ],
    [
      plugByHand(context, lane('bay-b/lower-6/1'), lane('bay-b/lower-7/1')),
      'Bay B 6 lower and Bay B 7 lower both take a signal in, and nothing would feed them. Choose a jack of the other kind.',
    ],
    [
      plugByHand(context, lane('bay-b/upper-6/1'), lane('kiln-panel/jack-7/1')),
      'The rig has no cord TT to XLR. Add one to the cords, or use another jack.',
    ],
    [
      moveByHand(context, lane('bay-a/lower-10/1'), lane('bay-a/upper-11/1')),
      'The plug from Bay A 10 lower does not go into Bay A 11 upper. Choose a jack of the same kind and direction, or pull the cord.',
    ],
    [pullByHand(context, lane('bay-b/upper-9/1')), 'Bay B 9 upper holds no plug.'],
  ])('says why not: %#', (patch, why) => {
    expect(sentence(patch)).toBe(why);
  });
});

describe('a device and its neighbours', () => {
  it('knows its wiring, its threads and who plans on it', () => {
    const view = deviceView(demo, context, device('opto'))!;
    expect(view.ports.map(({ name, wiredTo }) => `${name}: ${wiredTo.join()}`)).toEqual([
      'in: Bay B lower rear 25',
      'out: Bay B upper rear 5',
    ]);
    expect(view.threads).toEqual(['1 Imke Tarrow, Narrator']);
    expect(view.uses).toEqual(['The Lamplighter’s Ledger: 1 Imke Tarrow, Narrator']);
    expect(deviceView(demo, context, device('nobody'))).toBeUndefined();
  });

  it('are joined over copper alone, all lanes of two devices as one', () => {
    const { nodes, links } = flowGraph(context, device('converter'), 1);
    expect(nodes.map(({ name }) => name).sort()).toEqual([
      'Converter',
      'DAW',
      'Mic preamp',
      'Opto compressor',
    ]);
    const toDaw = links.find(({ from, to }) => from === 'converter' && to === 'daw')!;
    expect(toDaw).toMatchObject({ lanes: 24, text: 'to host 1–24 → stream in 1–24', kind: 'hardwire' });
    expect(flowGraph(context, device('converter'), 2).nodes.length).toBeGreaterThan(nodes.length);
  });

  it('have a strip that goes by what is joined, not into an empty jack', () => {
    const strip = stripOf(context, { kind: 'device', id: device('converter') })!;
    expect(strip.title).toBe('Converter');
    expect(strip.hops.length).toBeGreaterThan(3);
  });
});

describe('a change to many wires, before it is made', () => {
  it.each([
    [
      {
        what: 'loom',
        from: 'Bay B 26-27 lower',
        to: 'Opto compressor in',
        pairing: 'one-to-one',
        down: false,
      } as const,
      'Opto compressor in has 1 from there on, but 2 are needed',
    ],
    [{ what: 'swap', at: 'Converter line in 1', with: 'Converter line in 2-3' } as const, '1 lanes cannot'],
    [{ what: 'shift', at: 'Converter line in', by: 1 } as const, 'no number 25'],
    [{ what: 'clear', at: 'Kettle' } as const, 'No device'],
  ])('says what is in the way: %j', (wish, part) => {
    const preview = wirePreview(context, wish);
    expect(preview.ok ? '' : preview.sentence).toContain(part);
  });

  it('names every wire that would be taken out', () => {
    const preview = wirePreview(context, { what: 'clear', at: 'Converter line in 1-2' });
    expect(preview.ok && preview.lines.map(({ from, to, change }) => `${change} ${from} > ${to}`)).toEqual([
      'gone Bay B 1 lower rear > Converter line in 1',
      'gone Bay B 2 lower rear > Converter line in 2',
    ]);
  });
});
