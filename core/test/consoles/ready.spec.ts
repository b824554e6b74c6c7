import { madeReady } from '@ft/core/actions/consoles/madeReady';
import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import { deskOf } from '@ft/core/consoles/desk';
import { readyPlan } from '@ft/core/consoles/ready/readyPlan';
import { reach } from '@ft/core/graph/reach';
import { edgesInto } from '@ft/core/graph/walk';
import type { SignalGraph } from '@ft/core/graph/signalGraph';
import { deskPlace, edited, planned } from '../fixtures/deskPlace';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import type { Parts } from '../fixtures/studioOf';

const lane = ({ laneIndex }: SignalGraph, id: string): number => laneIndex.get(id as never)!;

/** A digital console of some size, with a stagebox on its first card. */
function randomParts(seed: number): {
  readonly parts: Parts;
  readonly inputs: readonly string[];
  readonly auxes: number;
} {
  const dice = seeded(seed);
  const [local, boxed] = [dice.below(3) * 8, 8 * (1 + dice.below(3))];
  const params = {
    channels: local + boxed + dice.below(8),
    micInputs: local,
    lineOutputs: 2 + dice.below(12),
    cards: 1,
    channelBlocks: dice.pick(['each alone', 'blocks of 8']),
    auxes: dice.below(10),
    groups: dice.below(5),
    matrices: dice.below(3),
    effects: dice.below(5),
    stereoReturns: dice.below(5),
    vcas: dice.below(3),
    muteCutsPreSends: dice.chance(0.5),
  };
  const settings: Record<string, number | boolean> = {};
  for (let i = 0; i < 20; i++)
    settings[`desk/faderDb/${String(1 + dice.below(params.channels))}`] = -dice.below(40);
  const number = (n: number): string => String(n + 1);
  return {
    parts: {
      devices: [
        { id: 'desk', type: 'digitalConsole', params },
        { id: 'box', type: 'stagebox', params: { inputs: boxed, outputs: 0 } },
      ],
      wires: Array.from({ length: boxed }, (_, n): [string, string] => [
        `box/madi-out-1/${number(n)}`,
        `desk/madi-in-1/${number(n)}`,
      ]),
      settings,
    },
    inputs: [
      ...Array.from({ length: local }, (_, n) => `desk/mic-${number(n)}/1`),
      ...Array.from({ length: boxed }, (_, n) => `box/mic-${number(n)}/1`),
    ],
    auxes: params.auxes,
  };
}

describe('a digital console made ready from nothing', () => {
  it.each(seedsFrom1(8, 400))(
    'sounds only once it is opened, and then every input at the mix outputs (seed %i)',
    (seed) => {
      const { parts, inputs, auxes } = randomParts(seed);
      const it = deskPlace(parts);
      const plan = readyPlan(it.context, deskOf(it.context, it.device)!)!;
      const made = madeReady(it, { lines: plan.lines.map(({ id }) => id) })!;
      expect(made.refused).toEqual([]);
      const closed = planned(it, made);
      const opened = planned(
        closed,
        plannedCells(
          closed,
          made.plan.opens.flatMap(({ cells }) => cells),
        ),
      );

      const outputs = ({ context: { graph } }: typeof it, from: string): readonly string[] =>
        [...reach(graph, [lane(graph, from)], 'from')]
          .map((index) => graph.lanes[index]!.id as string)
          .filter((id) => id.startsWith('desk/out-'));
      for (const input of inputs) {
        expect({ input, outputs: outputs(closed, input) }).toEqual({ input, outputs: [] });
        expect(outputs(opened, input)).toEqual(expect.arrayContaining(['desk/out-1/1', 'desk/out-2/1']));
      }

      // By the graph alone: what leads into an aux that goes to an output leaves a channel before its fader.
      const { graph } = opened.context;
      for (let k = 1; k <= auxes; k++) {
        const isMonitor = [...reach(graph, [lane(graph, `desk/aux/${String(k)}`)], 'from')].some((index) =>
          graph.lanes[index]!.id.startsWith('desk/out-'),
        );
        const from = edgesInto(graph, lane(graph, `desk/aux/${String(k)}`)).map(
          (edge) => graph.lanes[edge.from]!.id,
        );
        const isEffect = from.some((id) => id.startsWith('desk/fader/'));
        if (isMonitor && !isEffect) for (const id of from) expect(id).toMatch(/^desk\/processed\//);
        expect(from.length).toBeGreaterThan(0);
      }
    },
  );

  it('says which inputs have no channel: 33 on a console of 32', () => {
    const parts: Parts = {
      devices: [{ id: 'desk', type: 'digitalConsole', params: { channels: 32, micInputs: 33, cards: 0 } }],
    };
    const it = deskPlace(parts);
    const [inputs] = readyPlan(it.context, deskOf(it.context, it.device)!)!.lines;
    expect(inputs).toMatchObject({ id: 'inputs', left: 'No channel is left for local in 33.' });
  });

  it('can leave lines out, and stands in a scene of its own', () => {
    const { parts } = randomParts(3);
    const it = deskPlace(parts);
    const made = madeReady(it, { lines: ['masters'], scene: 'Base' })!;
    const studio = edited(it.studio, made.edits);
    const [own, base] = [
      studio.sessions[0]!.scenes.find(({ id }) => id === it.place.scene)!,
      studio.sessions[0]!.scenes.find(({ id }) => id === made.scene)!,
    ];
    expect(own.settings).toEqual(it.studio.sessions[0]!.scenes[0]!.settings);
    expect(base.name).toBe('Base');
    expect(Object.keys(base.settings).filter((key) => key.startsWith('desk/'))).toEqual([]);
  });
});

describe('a split console made ready', () => {
  it('sets what carries something at its start, and leaves gains alone', () => {
    const it = deskPlace({
      devices: [
        { id: 'desk', type: 'splitConsole', params: { channels: 4, auxes: 2, groups: 2 } },
        { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
      ],
      wires: [['mic/out/1', 'desk/mic-2/1']],
      threads: [{ from: 'mic/out/1', purpose: 'feed', to: 'desk/mic-2/1' }],
      settings: { 'desk/gainDb/2': 47 },
    });
    const plan = readyPlan(it.context, deskOf(it.context, it.device)!)!;
    const after = planned(it, madeReady(it, { lines: plan.lines.map(({ id }) => id) })!);
    const { settings } = after.context.scene;
    expect(settings).toMatchObject({
      ...{ 'desk/gainDb/2': 47, 'desk/faderDb/2': -5, 'desk/cue/2': 1, 'desk/cueDb/2': -10 },
      ...{ 'desk/mute/1': true, 'desk/cut/1': true },
    });
    expect(settings['desk/faderDb/1' as never]).toBeUndefined();
  });
});
