import { applyChange, applyNewChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { onFloorEdits, tickEdits } from '@ft/core/actions/bay/floorEdits';
import { workList } from '@ft/core/views/bay/workList';
import { stepsTo, targetOf } from '@ft/core/repatch/target';
import { ALL_NORMALS } from '@ft/core/repatch/floorScene';
import type { Step } from '@ft/core/repatch/step';
import { isCordStep, stepId } from '@ft/core/repatch/step';
import { BARE_FLOOR } from '@ft/core/session/floorSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/builtDemo';
import { seeded } from '../fixtures/seeded';
import { firstScene, PLACE, studioOf } from '../fixtures/studioOf';
import { NOW } from '../fixtures/now';

const demo: Studio = { ...saltglassRooms(), floor: BARE_FLOOR };

function changed(studio: Studio, edits: readonly EditJson[]): Studio {
  const result = applyNewChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

const tracking = targetOf(demo, SALTGLASS_PLACE, false)!;
const teardown = targetOf(demo, SALTGLASS_PLACE, true)!;
const tick = (studio: Studio, step: Step): Studio =>
  changed(studio, tickEdits(studio, SALTGLASS_PLACE, step, NOW));

/** A studio with Tracking on its floor. */
const patched = changed(demo, onFloorEdits(demo, SALTGLASS_PLACE, tracking.scene, NOW));

describe('the work list', () => {
  it('leads from bare jacks to the scene, one step after another, and is then empty', () => {
    let studio = demo;
    const planned = stepsTo(studio, tracking).map(stepId);
    const doneIn: string[] = [];
    for (let [step] = stepsTo(studio, tracking); step !== undefined; [step] = stepsTo(studio, tracking)) {
      studio = tick(studio, step);
      doneIn.push(stepId(step));
    }
    expect(doneIn.slice().sort()).toEqual(planned.slice().sort());
    expect(studio.floor.scene).toEqual(SALTGLASS_PLACE);
    expect(studio.floor.cords).toHaveLength(tracking.scene.cords.length);
    expect(studio.floor.settings).toEqual(tracking.scene.settings);
    expect(studio.floor.precautions).toEqual([]);
  });

  it('gets there in whatever order people tick, and knows from any state what is left', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const dice = seeded(seed);
      let studio = dice.chance(0.5) ? demo : patched;
      const target = dice.chance(0.5) ? tracking : teardown;
      let ticks = 0;
      for (let steps = stepsTo(studio, target); steps.length > 0; steps = stepsTo(studio, target)) {
        expect(++ticks).toBeLessThan(400);
        const step = dice.pick(steps);
        const result = applyChange(studio, tickEdits(studio, SALTGLASS_PLACE, step, NOW));
        // A plug whose jack is still held, or a wait for what is not off yet, cannot be ticked: the rest can.
        if (result.ok) studio = result.value;
      }
      expect(studio.floor.settings).toEqual(target.scene.settings);
      expect(studio.floor.cords).toHaveLength(target.scene.cords.length);
    }
  });

  it('mutes first, switches 48 V off and waits before a line is touched, and opens last', () => {
    const kinds = stepsTo(patched, teardown).map(({ kind }) => kind);
    const at = (kind: Step['kind']): number => kinds.indexOf(kind);
    const last = (kind: Step['kind']): number => kinds.lastIndexOf(kind);
    expect(last('mute')).toBeLessThan(at('power-off'));
    expect(last('power-off')).toBeLessThan(at('drain'));
    expect(at('drain')).toBeLessThan(at('pull'));
    expect(last('pull')).toBeLessThan(at('set'));
    expect(last('set')).toBeLessThan(at('open'));
    expect(kinds.filter((kind) => kind === 'open')).toHaveLength(2);
    expect(stepsTo(patched, teardown).at(-1)).toMatchObject({ kind: 'open', quiet: 'monitors' });
  });

  it('takes the teardown to bare jacks and a zeroed console', () => {
    let studio = patched;
    for (const step of stepsTo(studio, teardown))
      studio = changed(studio, tickEdits(studio, null, step, NOW));
    expect(studio.floor).toEqual(BARE_FLOOR);
    expect(stepsTo(studio, { ...teardown, scene: ALL_NORMALS })).toEqual([]);
  });

  it('begins in the room somebody stands in', () => {
    const rooms = (here?: string): string[] => [
      ...new Set(
        workList(demo, tracking, here as never)
          .steps.filter(({ kind }) => kind === 'plug')
          .map(({ roomId }) => roomId ?? ''),
      ),
    ];
    const [first, second] = rooms();
    expect(second).toBeDefined();
    expect(rooms(second)[0]).toBe(second);
    expect(rooms(second)).toContain(first);
  });

  it('says both jacks, their rooms and labels, and the cord', () => {
    const step = workList(demo, tracking).steps.find(({ kind }) => kind === 'plug')!;
    expect(step).toMatchObject({ title: 'Plug', cord: { kind: expect.stringMatching(/, \d/) } });
    expect(step.from!.name).not.toBe('');
    expect(step.to!.room).not.toBe('');
  });
});

describe('48 V on a line that is touched', () => {
  /** A condenser on a preamp by a bay, its 48 V on; and a line jack that has nothing to do with it. */
  const studio = studioOf({
    devices: [
      { id: 'mic', type: 'microphone', params: { principle: 'condenser', sensitivityMvPerPa: 20 } },
      { id: 'other', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
      { id: 'preamp', type: 'micPreamp', params: { channels: 2 } },
      { id: 'panel', type: 'wallPanel', params: { lines: 2 } },
      { id: 'speaker', type: 'loudspeaker' },
    ],
    stocks: [
      { id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: 'black', count: 4 },
    ],
    wires: [
      ['panel/rear-1/1', 'preamp/mic-1/1'],
      ['panel/rear-2/1', 'preamp/mic-2/1'],
    ],
    settings: { 'preamp/phantom/1': true, 'preamp/gainDb/1': 40 },
    cords: [{ from: 'mic/out/1', to: 'panel/jack-1/1', stock: 'mic' }],
  });
  const { session, scene } = firstScene(studio);
  const whole = changed(studio, onFloorEdits(studio, PLACE, scene, NOW));
  const steps = (from: Studio, to: Partial<typeof scene>): readonly Step[] =>
    stepsTo(from, { session, scene: { ...scene, ...to } });

  it('goes off and comes back when its cord is moved to another microphone', () => {
    const kinds = steps(whole, {
      cords: [{ ...scene.cords[0]!, from: 'other/out/1' as never }],
    }).map(({ kind }) => kind);
    expect(kinds.filter((kind) => kind !== 'mute' && kind !== 'open')).toEqual([
      'power-off',
      'drain',
      'move',
      'set',
    ]);
  });

  it('stays on when only another line is touched', () => {
    const list = steps(whole, {
      cords: [
        ...scene.cords,
        {
          ...scene.cords[0]!,
          id: 'new' as never,
          from: 'other/out/1' as never,
          to: 'panel/jack-2/1' as never,
        },
      ],
    });
    expect(list.map(({ kind }) => kind)).not.toContain('power-off');
    expect(list.filter(isCordStep)).toHaveLength(1);
  });

  it('has not to be waited for before it is off, and is forgotten once it is on again', () => {
    const moved = { cords: [{ ...scene.cords[0]!, from: 'other/out/1' as never }] };
    const drain = steps(whole, moved).find(({ kind }) => kind === 'drain')!;
    expect(tickEdits(whole, PLACE, drain, NOW)).toEqual([]);
    const off = steps(whole, moved).find(({ kind }) => kind === 'power-off')!;
    const drained = changed(whole, tickEdits(whole, PLACE, off, NOW));
    expect(drained.floor.precautions).toEqual([{ id: 'drain/preamp/phantom/1' }]);
    const back = steps(drained, {}).find(({ kind }) => kind === 'set')!;
    expect(changed(drained, tickEdits(drained, PLACE, back, NOW)).floor.precautions).toEqual([]);
  });

  it('turns 48 V on before the gain comes up', () => {
    const list = steps(studio, {}).flatMap((step) =>
      step.kind === 'set' ? step.turns.map(({ key }) => key) : [],
    );
    expect(list).toEqual(['preamp/phantom/1', 'preamp/gainDb/1']);
  });
});
