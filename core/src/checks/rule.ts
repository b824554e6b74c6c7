import type { WorkedScene } from '../scene/workedScene';
import type { Finding, RuleId, Severity } from './finding';

/** The stages of the work, in order. */
export type Stage = 'rig' | 'track' | 'mix' | 'print' | 'prove' | 'recall';

/** One thing that goes wrong in studios, and how to see it coming. */
export interface Rule {
  readonly id: RuleId;
  readonly title: string;
  readonly severity: Severity;
  readonly stage: Stage;
  /** Why it matters, in a sentence or two. */
  readonly why: string;
  /** What the rule does not infer. */
  readonly limits: string;
  run(context: WorkedScene): readonly Finding[];
  /** Where what was found weighs less or more than the rule does. */
  severityOf?(finding: Finding): Severity;
}
