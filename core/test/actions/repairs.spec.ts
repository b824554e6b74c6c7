import type { RuleId } from '@ft/core/checks/finding';
import { findingKey } from '@ft/core/checks/finding';
import { RULES } from '@ft/core/checks/registry';
import { applyChange, invertChange } from '@ft/core/edits/change';
import { repairPreviews, repairsFor } from '@ft/core/actions/repairs/repairs';
import type { Repair } from '@ft/core/actions/repairs/repair';
import type { Studio } from '@ft/core/session/studioSchema';
import { EXAMPLES } from '../checks/examples';
import { cueStudio } from '../fixtures/cueStudio';
import { contextOf, PLACE, studioOf } from '../fixtures/studioOf';

const ruleOf = (id: RuleId) => RULES.find((rule) => rule.id === id)!;

/** What is offered for a rule's tripping example. */
function offered(id: RuleId): { studio: Studio; repairs: readonly Repair[] } {
  const studio = studioOf(EXAMPLES[id].trips);
  const context = contextOf(studio);
  const [finding] = ruleOf(id).run(context);
  return { studio, repairs: repairsFor(studio, PLACE, context, finding!) };
}

const MENDED: readonly [RuleId, string][] = [
  ['phantom-on-jack-bay', 'Switch 48 V off at Preamp 1'],
  ['phantom-into-ribbon', 'Switch 48 V off at Preamp 1'],
  ['hearing-dose', 'Turn Cue down 1 dB, to −30.0 dB'],
  ['thread-incomplete', 'Route it'],
  ['orphan-cord', 'Take the cord out of the scene'],
  ['over-max-input', 'Turn Preamp 1 to +52.0 dB'],
  ['low-into-converter', 'Turn Preamp 1 to +45.0 dB'],
  ['line-up-mismatch', 'Set Converter in 1 to +22.0 dBu'],
  ['summing-headroom', 'Turn 2 faders down 2 dB together'],
  ['polarity', 'Turn the polarity at Preamp 1'],
  ['parallel-comb', 'Type 150 samples into slot 1 of CRUSH, as computed'],
  ['insert-uncompensated', 'Type 150 samples into slot 1 of NARRATOR, as computed'],
  ['cue-post-fader', 'Take Narrator before the fader'],
  ['open-headphones', 'Turn Spare down'],
  ['no-talkback', 'Assign talkback to Narrator'],
  ['cue-heard-twice', 'Keep it before the recorder in Narrator'],
  ['unit-wanted-twice', 'Leave NARR live and mark the others to commit'],
  ['pan-mismatch', 'Pan its sends as in the mix'],
  ['pair-not-on-own-number', 'Bring slot 1 back on 1'],
  ['fader-far-from-unity', 'Put the fader of VOX to unity, and the trim behind its inserts'],
];

describe.each(MENDED)('a repair for %s', (id, label) => {
  it('says what it would do', () => {
    expect(offered(id).repairs[0]!.label).toBe(label);
  });

  it('mends it, and undone leaves everything as it was', () => {
    const { studio, repairs } = offered(id);
    const key = findingKey(ruleOf(id).run(contextOf(studio))[0]!);
    for (const { edits } of repairs) {
      const changed = applyChange(studio, edits);
      if (!changed.ok) throw new Error(JSON.stringify(changed.refusal));
      expect(ruleOf(id).run(contextOf(changed.value)).map(findingKey)).not.toContain(key);
      const back = applyChange(changed.value, invertChange(studio, edits));
      expect(back.ok && back.value).toEqual(studio);
    }
  });
});

it('a higher reference is offered beside a lower gain', () => {
  expect(offered('over-max-input').repairs.map(({ label }) => label)).toEqual([
    'Turn Preamp 1 to +52.0 dB',
    'Set Converter in 1 to +19.0 dBu',
  ]);
});

it('a volume over its dose goes down on each side from where it stands, and none goes up', () => {
  const { trips } = EXAMPLES['hearing-dose'];
  const studio = studioOf({
    ...trips,
    devices: trips.devices!.map((device) =>
      device.id === 'cue' ? { id: 'cue', name: 'Box', type: 'headphoneJunction', params: {} } : device,
    ),
    wires: [
      ...trips.wires!.filter(([, to]) => !to.startsWith('cue/') && !to.startsWith('phones/')),
      ['converter/line-out-1/1', 'cue/in/1'],
      ['converter/line-out-1/1', 'cue/in/2'],
      ['cue/phones-1/1', 'phones/in/1'],
      ['cue/phones-1/2', 'phones/in/2'],
    ],
    settings: { 'cue/leftDb/1': -4, 'cue/rightDb/1': -20 },
  });
  const context = contextOf(studio);
  const [finding] = ruleOf('hearing-dose').run(context);
  const [repair] = repairsFor(studio, PLACE, context, finding!);
  const changed = applyChange(studio, repair!.edits);
  const settings = changed.ok ? changed.value.sessions[0]!.scenes[0]!.settings : {};
  const by = Number(/down (\d+) dB/.exec(repair!.label)![1]);
  expect(settings).toMatchObject({ 'cue/leftDb/1': -4 - by, 'cue/rightDb/1': -20 - by });
});

describe('sends of a cue are not offered before the fader where more than the fader is between:', () => {
  const TAKE = 'Take Narrator before the fader';
  it.each<[string, Record<string, boolean | number>, readonly string[]]>([
    ['a fader alone', {}, [TAKE]],
    ['a mute', { 'console/mute/1': true }, []],
    ['a VCA', { 'console/vca/1': 1 }, []],
  ])('%s', (_, settings, labels) => {
    const studio = studioOf(cueStudio({ settings: { 'console/cue/1': 2, ...settings } }));
    const context = contextOf(studio);
    const found = ruleOf('cue-post-fader').run(context);
    expect(found).not.toEqual([]);
    expect(
      found.flatMap((each) => repairsFor(studio, PLACE, context, each)).map(({ label }) => label),
    ).toEqual(labels);
  });
});

it('a device nobody has told follows the master it hears', () => {
  const studio = studioOf({
    devices: [
      { id: 'box', name: 'Stagebox', type: 'stagebox', params: { inputs: 8, outputs: 8 } },
      {
        id: 'desk',
        name: 'Kiln desk',
        type: 'digitalConsole',
        params: { channels: 16 },
        clock: { follows: 'internal' },
      },
    ],
    wires: [
      ['box/madi-out-1/1', 'desk/madi-in-1/1'],
      ['desk/madi-out-1/1', 'box/madi-in-1/1'],
    ],
  });
  const context = contextOf(studio);
  const [finding] = ruleOf('clock-masters').run(context);
  const [repair] = repairsFor(studio, PLACE, context, finding!);
  expect(repair!.label).toBe('Let Stagebox follow Kiln desk');
  const changed = applyChange(studio, repair!.edits);
  expect(changed.ok && ruleOf('clock-masters').run(contextOf(changed.value))).toEqual([]);
});

it('what a person has to decide is not offered', () => {
  for (const id of ['feedback-loop', 'two-sources-one-input', 'loading', 'normal-broken'] as const)
    expect(offered(id).repairs).toEqual([]);
});

it('a preview tells what goes and what comes', () => {
  const studio = studioOf(EXAMPLES['low-into-converter'].trips);
  const context = contextOf(studio);
  const [finding] = ruleOf('low-into-converter').run(context);
  const [preview] = repairPreviews(studio, PLACE, context, finding!, findingKey(finding!));
  expect(preview!.mends.map(({ rule }) => rule)).toEqual(['low-into-converter']);
  expect(preview!.brings).toEqual([]);
});
