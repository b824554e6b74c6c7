import type { CheckOutput } from '@ft/contract/cliOutput';
import type { FindingView } from '@ft/core/views/findingView';
import { planOf } from '@ft/core/views/plan';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';

function output(finding: FindingView): CheckOutput['findings'][number] {
  const { key, rule, severity, wrong, remedy, places, figures, waivedFor } = finding;
  return {
    key,
    rule,
    severity,
    wrong,
    remedy,
    at: places.map(({ ref, name }) => ({ kind: ref.kind, id: ref.id, name })),
    figures: { ...figures },
    ...(waivedFor !== undefined && { waivedFor }),
  };
}

function textOf(finding: FindingView): string {
  const waived = finding.waivedFor === undefined ? '' : ` (waived: ${finding.waivedFor})`;
  return `${finding.severity.padEnd(8)}${finding.rule}${waived}\n        ${finding.wrong}\n        ${finding.remedy}`;
}

/** `ft check`: the findings of a scene. */
export function check(request: CliRequest): Answer {
  const { plan } = planOf(request.studio.rig, request.session, request.scene, request.studio.floor);
  const open = plan.findings.filter((finding) => finding.waivedFor === undefined);
  const count = (severity: string): number => open.filter((finding) => finding.severity === severity).length;
  const counts = {
    error: count('error'),
    warning: count('warning'),
    note: count('note'),
    waived: plan.findings.length - open.length,
  };
  const json: CheckOutput = {
    format: 'faithful-thread-check/1',
    ...headOf(request),
    counts,
    findings: plan.findings.map(output),
    idleWaivers: plan.idleWaivers.map(({ id, reason }) => ({ id, reason })),
  };
  const summary = Object.entries(counts)
    .map(([name, n]) => `${String(n)} ${name}`)
    .join(', ');
  const text = [titleOf(request), ...plan.findings.map(textOf), summary].join('\n');
  return { text, json, exitCode: counts.error > 0 ? 1 : 0 };
}
