import type { Waiver } from '../session/sessionSchema';
import type { WorkedScene } from '../scene/workedScene';
import type { Finding, Severity } from './finding';
import { findingKey } from './finding';
import { RULES } from './registry';
import type { Rule } from './rule';

/** A finding with what the engine knows about its rule and its waiver. */
export interface ReportedFinding {
  readonly key: string;
  readonly finding: Finding;
  readonly severity: Severity;
  readonly waiver?: Waiver;
}

export interface CheckReport {
  readonly findings: readonly ReportedFinding[];
  /** Waivers that waived nothing: the fault is gone, or never was. */
  readonly idleWaivers: readonly Waiver[];
  /** Rules that broke down; the others were still run. */
  readonly failedRules: readonly { readonly rule: string; readonly detail: string }[];
}

const ORDER: Record<Severity, number> = { error: 0, warning: 1, note: 2 };

/** Runs rules over a context. A rule that throws is reported and does not stop the others. */
export function runChecks(context: WorkedScene, rules: readonly Rule[] = RULES): CheckReport {
  const waivers = new Map(context.session.waivers.map((waiver) => [waiver.id, waiver]));
  const findings: ReportedFinding[] = [];
  const failedRules: { rule: string; detail: string }[] = [];
  for (const rule of rules) {
    try {
      for (const finding of rule.run(context)) {
        const key = findingKey(finding);
        const waiver = waivers.get(key);
        const severity = rule.severityOf?.(finding) ?? rule.severity;
        findings.push({ key, finding, severity, ...(waiver && { waiver }) });
      }
    } catch (error) {
      failedRules.push({ rule: rule.id, detail: error instanceof Error ? error.message : String(error) });
    }
  }
  const used = new Set(findings.map(({ key }) => key));
  return {
    findings: findings.sort((a, b) => ORDER[a.severity] - ORDER[b.severity]),
    idleWaivers: context.session.waivers.filter((waiver) => !used.has(waiver.id)),
    failedRules,
  };
}
