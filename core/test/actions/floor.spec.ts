import { applyChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { refusalSentence } from '@ft/core/words/refusalWording';
import { withoutPlugged } from '@ft/core/formats/liftPlugged';
import { compile } from '@ft/core/graph/compile';
import { faultLines } from '@ft/core/views/rig/faultLines';
import { findPlaces } from '@ft/core/views/find';
import { onFloorEdits, tickEdits } from '@ft/core/actions/bay/floorEdits';
import { tickCord } from '@ft/core/actions/bay/floorTick';
import { stepLabel } from '@ft/core/views/bay/stepLabel';
import { workList } from '@ft/core/views/bay/workList';
import { stepsTo, targetOf } from '@ft/core/repatch/target';
import { heardThrough, quietedBy } from '@ft/core/repatch/listeners';
import { turnsBetween } from '@ft/core/repatch/knobs';
import { switchesTouched } from '@ft/core/repatch/powered';
import { knobText, knobTitle } from '@ft/core/rig/knobText';
import type { LaneId } from '@ft/core/rig/ids';
import type { Studio } from '@ft/core/session/studioSchema';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { saltglassRooms as facility } from '../fixtures/builtDemo';
import { contextOf, firstScene, studioOf } from '../fixtures/studioOf';
import { NOW } from '../fixtures/now';

const demo = saltglassRooms();
const { scene } = firstScene(demo);

function changed(studio: Studio, edits: readonly EditJson[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}
const refused = (studio: Studio, edits: readonly EditJson[]): string => {
  const result = applyChange(studio, edits);
  return result.ok ? '' : refusalSentence(result.refusal);
};

describe('a tick of the patch list', () => {
  const [cord] = scene.cords;

  it('puts the cord on the floor, and takes it off again', () => {
    const tick = tickCord(contextOf(demo), cord!.id);
    if (!tick.ok) throw new Error(tick.sentence);
    const after = changed(demo, tick.edits);
    expect(after.floor.cords).toEqual([{ id: cord!.from, to: cord!.to, stock: cord!.stock }]);
    const back = tickCord(contextOf(after), cord!.id);
    expect(back.ok && changed(after, back.edits).floor.cords).toEqual([]);
  });

  it('says which cord is in the way', () => {
    const stray = { id: cord!.from, to: 'bay-b/lower-20/1', stock: cord!.stock };
    const tick = tickCord(contextOf(changed(demo, [{ type: 'plug.add', item: stray }])), cord!.id);
    expect(tick.ok || tick.sentence).toMatch(/is still in one of these jacks\. Pull it first/);
    expect(tickCord(contextOf(demo), 'no-such' as never)).toMatchObject({ ok: false });
  });
});

describe('two people at one step', () => {
  const step = stepsTo(demo, targetOf(demo, SALTGLASS_PLACE, false)!).find(({ kind }) => kind === 'plug')!;
  const edits = tickEdits(demo, SALTGLASS_PLACE, step, NOW);

  it('do not do it twice: the later one is told that it is done', () => {
    const once = changed(demo, edits);
    expect(refused(once, edits)).toBe('Somebody has done this step already. Go on with the next one.');
  });

  it('do not put two plugs into one jack', () => {
    const once = changed(demo, edits);
    const [added] = edits;
    const item = { ...(added!['item'] as object), id: 'bay-b/upper-30/1' };
    expect(refused(once, [{ type: 'plug.add', item }])).toMatch(/^the floor: .* already holds the plug/);
  });

  it('may both say where the floor is going; one that goes elsewhere is told', () => {
    const there = changed(demo, edits);
    const set = { type: 'floor.set', field: 'scene', was: null };
    expect(refused(there, [{ ...set, value: SALTGLASS_PLACE }])).toBe('');
    expect(refused(there, [{ ...set, value: { ...SALTGLASS_PLACE, scene: 'other' } }])).toMatch(
      /Somebody else/,
    );
  });
});

describe('the floor', () => {
  it('is as a scene says, at one stroke, and then there is nothing to do', () => {
    const there = changed(demo, onFloorEdits(demo, SALTGLASS_PLACE, scene, NOW));
    expect(there.floor.scene).toEqual(SALTGLASS_PLACE);
    expect(workList(there, targetOf(there, SALTGLASS_PLACE, false)!)).toMatchObject({
      onFloor: 'Tracking',
      steps: [],
    });
    expect(onFloorEdits(there, SALTGLASS_PLACE, scene, NOW)).toEqual([]);
  });

  it('names every step for the history', () => {
    const target = targetOf(demo, SALTGLASS_PLACE, false)!;
    const there = changed(demo, onFloorEdits(demo, SALTGLASS_PLACE, scene, NOW));
    const down = targetOf(there, SALTGLASS_PLACE, true)!;
    const labels = [
      ...stepsTo(demo, target).map((step) => stepLabel(demo, target, step)),
      ...stepsTo(there, down).map((step) => stepLabel(there, down, step)),
    ];
    for (const label of labels)
      expect(label).toMatch(/^(Plugged|Pulled|Muted|Opened|Switched|Waited|Set|Moved) /);
    expect(labels).toContain('Waited for 48 V to drain');
  });

  it('leaves alone what leads to gear the rig has lost', () => {
    const lost = {
      ...demo,
      rig: { ...demo.rig, devices: demo.rig.devices.filter(({ id }) => id !== 'booth-panel') },
    };
    const steps = stepsTo(lost, targetOf(lost, SALTGLASS_PLACE, false)!);
    expect(JSON.stringify(steps)).not.toContain('booth-panel');
  });
});

describe('what is listened to', () => {
  const big = facility();

  it('is muted at the unit with the level knob, as far as there is one', () => {
    const names = (studio: Studio, quiet: 'monitors' | 'cues'): string[] =>
      quietedBy(studio.rig, quiet).map((id) => studio.rig.devices.find((device) => device.id === id)!.type);
    expect(names(big, 'monitors')).toContain('monitorController');
    expect(names(big, 'monitors')).not.toContain('loudspeaker');
    expect(new Set(names(big, 'cues'))).toEqual(new Set(['cueAmp', 'headphoneBox', 'headphoneJunction']));
    const boxes = studioOf({ devices: [{ id: 'speaker', type: 'loudspeaker' }] });
    expect(names(boxes, 'monitors')).toEqual(['loudspeaker']);
    expect(names(boxes, 'cues')).toEqual([]);
  });

  it('is known by the copper that leads to it', () => {
    const studio = studioOf({
      devices: [
        { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'none' } },
        { id: 'amp', type: 'powerAmp' },
        { id: 'opto', type: 'dynamics' },
      ],
      wires: [
        ['bay/lower-rear-1/1', 'amp/in-1/1'],
        ['bay/lower-rear-2/1', 'opto/in-1/1'],
      ],
    });
    const { session, scene: only } = firstScene(studio);
    const heard = heardThrough(studio.rig, compile(studio.rig, session, only));
    expect(['bay/lower-1/1', 'bay/lower-2/1', 'no/such/1'].map((jack) => heard(jack as LaneId))).toEqual([
      ...[true, false, false],
    ]);
  });
});

describe('48 V', () => {
  it('is found from either side of what feeds the input', () => {
    const graph = compile(demo.rig, firstScene(demo).session, scene);
    const floor = scene.cords.map(({ from, to, stock }) => ({ id: from, to, stock }));
    const atPull = (jack: string): readonly string[] =>
      switchesTouched(
        graph,
        floor,
        floor.filter(({ id }) => id === jack).map((cord) => ({ kind: 'pull', cord })),
      );
    expect(atPull('narrator-mic/out/1')).toEqual(['preamp/phantom/1']);
    expect(atPull('bay-b/upper-1/1')).toEqual([]);
  });
});

describe('knobs', () => {
  it('differ where they stand differently, and not where one is merely written down', () => {
    const turns = (now: object, wanted: object): readonly string[] =>
      turnsBetween(demo.rig, now as never, wanted as never).map(({ key }) => key);
    expect(turns({ 'preamp/phantom/1': false }, {})).toEqual([]);
    expect(turns({ 'preamp/phantom/1': true }, { 'gone/gain/1': 3 })).toEqual(['preamp/phantom/1']);
  });

  it('are said as a reader says them', () => {
    const spec = { setting: 's', title: 'Source', unit: '', channels: 2, initial: 0 };
    expect(knobText({ ...spec, initial: false }, true)).toBe('on');
    expect(knobText({ ...spec, unit: 'dB' }, 38)).toBe('+38.0 dB');
    const range = { min: 0, max: 1, positions: [0, 1] };
    expect(knobText({ ...spec, names: ['none', 'Mic 1'], range }, 1)).toBe('Mic 1');
    expect([knobText(spec, 3), knobText({ ...spec, unit: 'ms' }, 3)]).toEqual(['3', '3 ms']);
    expect([knobTitle(spec, 2), knobTitle({ ...spec, channels: 1 }, 1)]).toEqual(['2 Source', 'Source']);
  });
});

describe('places by name', () => {
  it('are found by what the label strip says', () => {
    const found = findPlaces(contextOf(facility()), 'opto in');
    expect(found.find(({ what }) => what === 'label')).toMatchObject({
      name: expect.stringMatching(/^Opto in · Bay B/),
    });
  });

  it('that do not work are listed with what is wrong', () => {
    const faults = [
      { id: 'bay-b/upper-3/1', note: 'crackles' },
      { id: 'bay-a/upper-1/1', note: '' },
    ] as never;
    const studio = { ...demo, rig: { ...demo.rig, faults } };
    expect(faultLines(contextOf(studio)).map(({ name, note }) => `${name} ${note}`.trim())).toEqual([
      ...['Bay A 1 upper', 'Bay B 3 upper crackles'],
    ]);
  });
});

describe('marks of plugged cords', () => {
  it('are taken off wherever they lie, and nothing else is', () => {
    const before = { plugged: true, deep: [{ plugged: false, name: 'plugged' }], n: 1 };
    expect(withoutPlugged(before)).toEqual({ deep: [{ name: 'plugged' }], n: 1 });
    expect(withoutPlugged({ plugged: 'a word' })).toEqual({ plugged: 'a word' });
  });
});
