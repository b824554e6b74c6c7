import type { Finding, RuleId, Severity } from '../checks/finding';
import type { EntityRef } from '../session/entityRef';
import type { Naming } from '../words/naming';
import { entityName } from '../words/naming';
import { RULES } from '../checks/registry';
import type { Stage } from '../checks/rule';
import type { ReportedFinding } from '../checks/runChecks';
import { wordsOf } from '../words/findings/findingSentence';

/** A finding as a reader sees it: words, places with their names, figures. */
export interface FindingView {
  readonly key: string;
  readonly rule: RuleId;
  readonly title: string;
  readonly stage: Stage;
  readonly severity: Severity;
  readonly wrong: string;
  readonly remedy: string;
  readonly why: string;
  readonly limits: string;
  readonly places: readonly { readonly ref: EntityRef; readonly name: string }[];
  readonly figures: Finding['figures'];
  /** The device it is at, where it is at one. */
  readonly device?: string;
  /** The reason it was waived for, if it was. */
  readonly waivedFor?: string;
}

/** The device of the first place that has one: a connector's, a unit's, its own. */
function deviceOf({ at }: Finding, naming: Naming): Pick<FindingView, 'device'> {
  const ref = at.find(({ kind }) => kind === 'lane' || kind === 'station' || kind === 'device');
  return ref === undefined ? {} : { device: naming.device(ref.id.split('/')[0] ?? ref.id) };
}

/** Puts a finding into words. */
export function findingView(
  { key, finding, severity, waiver }: ReportedFinding,
  naming: Naming,
): FindingView {
  const rule = RULES.find((candidate) => candidate.id === finding.rule);
  return {
    key,
    rule: finding.rule,
    title: rule?.title ?? finding.rule,
    stage: rule?.stage ?? 'track',
    severity,
    ...wordsOf(finding, naming),
    why: rule?.why ?? '',
    limits: rule?.limits ?? '',
    places: finding.at.map((ref) => ({ ref, name: entityName(naming, ref) })),
    figures: finding.figures,
    ...deviceOf(finding, naming),
    ...(waiver && { waivedFor: waiver.reason }),
  };
}
