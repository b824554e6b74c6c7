import type { WorkedScene } from '../../scene/workedScene';
import type { Finding, RuleId } from '../../checks/finding';
import { namingOf } from '../../words/naming';
import { runChecks } from '../../checks/runChecks';
import { applyChange } from '../../edits/change';
import type { Studio } from '../../session/studioSchema';
import type { FindingView } from '../../views/findingView';
import { findingView } from '../../views/findingView';
import { planOf } from '../../views/plan';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import { gainTo, overMax, powerTo, referenceTo } from './knobMends';
import { cueDown, cuePre, onlyDirect, quietUnworn, talkToCue } from './cueMends';
import { commitFirst, faderToUnity, pansAsInMix, returnOnOwn } from './mixMends';
import { carryGain, disarm } from './playbackMends';
import { combOfInserts, turnPolarity } from './parallelPathMends';
import type { Figures, Mend, Repair } from './repair';
import { refOf } from './repair';
import { followClock, insertDelay, routeIt, takeOut } from './sessionMends';
import { fadersDown } from './faderMends';

/** What a repair would do to the findings. */
export interface RepairPreview extends Repair {
  readonly mends: readonly FindingView[];
  readonly brings: readonly FindingView[];
}

/** What can be mended by one safe change. A rule that is not here is for a person to decide. */
const MENDS: Readonly<Partial<Record<RuleId, Mend>>> = {
  'phantom-on-jack-bay': (bench, _figures, finding) => powerTo(bench, finding, false),
  'phantom-into-ribbon': (bench, _figures, finding) => powerTo(bench, finding, false),
  'phantom-missing': (bench, _figures, finding) => powerTo(bench, finding, true),
  'hearing-dose': cueDown,
  'thread-incomplete': (bench, _figures, finding) => routeIt(bench, finding),
  'orphan-cord': (bench, _figures, finding) => takeOut(bench, finding),
  'over-max-input': overMax,
  'low-into-converter': (bench, { turnUp }: Figures<'low-into-converter'>) => gainTo(bench, turnUp),
  'line-up-mismatch': (bench, { firstDbu }: Figures<'line-up-mismatch'>, finding) =>
    referenceTo(bench, refOf(finding, 'station', 1), firstDbu),
  'summing-headroom': fadersDown,
  polarity: (bench, _figures, finding) => turnPolarity(bench, finding),
  'clock-masters': followClock,
  'insert-uncompensated': insertDelay,
  'parallel-comb': combOfInserts,
  'cue-post-fader': cuePre,
  'cue-heard-twice': onlyDirect,
  'open-headphones': quietUnworn,
  'no-talkback': talkToCue,
  'armed-in-playback': disarm,
  'gain-not-carried': carryGain,
  'unit-wanted-twice': commitFirst,
  'pair-not-on-own-number': returnOnOwn,
  'fader-far-from-unity': faderToUnity,
  'pan-mismatch': pansAsInMix,
};

/** Ready changes that mend a finding; none where no single one is safe. */
export function repairsFor(
  studio: Studio,
  place: ScenePlace,
  context: WorkedScene,
  finding: Finding,
): readonly Repair[] {
  const mend = MENDS[finding.rule];
  return mend === undefined ? [] : mend({ studio, place, context }, finding.figures as never, finding);
}

/** Repairs with what each would do: the findings that go, and those that come. One that mends nothing is left out. */
export function repairPreviews(
  studio: Studio,
  place: ScenePlace,
  context: WorkedScene,
  finding: Finding,
  key: string,
): readonly RepairPreview[] {
  const now = runChecks(context).findings;
  const naming = namingOf(context.rig, context.session, context.graph);
  const known = new Set(now.map((each) => each.key));
  return repairsFor(studio, place, context, finding).flatMap((repair): readonly RepairPreview[] => {
    const changed = applyChange(studio, repair.edits);
    const found = changed.ok ? findScene(changed.value, place) : undefined;
    if (!changed.ok || found === undefined) return [];
    const { plan } = planOf(changed.value.rig, found.session, found.scene, changed.value.floor);
    const left = new Set(plan.findings.map((each) => each.key));
    if (left.has(key)) return [];
    return [
      {
        ...repair,
        mends: now.filter((each) => !left.has(each.key)).map((each) => findingView(each, naming)),
        brings: plan.findings.filter((each) => !known.has(each.key)),
      },
    ];
  });
}
