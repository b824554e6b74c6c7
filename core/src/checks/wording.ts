import type { Finding, RuleId } from './finding';
import type { Naming } from './naming';
import { LEVEL } from './wording/level';
import { SAFETY } from './wording/safety';
import type { Speak, Words } from './wording/speak';
import { TIME } from './wording/time';
import { TOPOLOGY } from './wording/topology';

const SPEAK: Speak<RuleId> = { ...SAFETY, ...TOPOLOGY, ...LEVEL, ...TIME };

/** Words for a finding. The only place where findings become prose. */
export function wordsOf(finding: Finding, naming: Naming): Words {
  const speak = SPEAK[finding.rule] as (figures: unknown, naming: Naming, finding: Finding) => Words;
  return speak(finding.figures, naming, finding);
}
