import type { Finding, RuleId } from '../../checks/finding';
import type { Naming } from '../naming';
import { CUES } from './cues';
import { LEVEL } from './level';
import { MIX } from './mix';
import { PLAYBACK } from './playback';
import { SAFETY } from './safety';
import type { Speak, Words } from './speak';
import { TIME } from './time';
import { TOPOLOGY } from './topology';

const SPEAK: Speak<RuleId> = { ...SAFETY, ...TOPOLOGY, ...LEVEL, ...TIME, ...CUES, ...PLAYBACK, ...MIX };

/** Words for a finding. The only place where findings become prose. */
export function wordsOf(finding: Finding, naming: Naming): Words {
  const speak = SPEAK[finding.rule] as (figures: unknown, naming: Naming, finding: Finding) => Words;
  return speak(finding.figures, naming, finding);
}
