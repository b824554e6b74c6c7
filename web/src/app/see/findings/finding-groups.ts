import type { FindingView } from '@ft/core/views/findingView';
import { placeName } from '../../shell/stages';

/** By what findings are put together. */
export const GROUPINGS = ['severity', 'stage', 'device'] as const;
export type Grouping = (typeof GROUPINGS)[number];

export interface FindingGroup {
  readonly title: string;
  readonly findings: readonly FindingView[];
}

const SEVERITIES: Readonly<Record<FindingView['severity'], string>> = {
  error: 'Errors: it will not work, or may do harm',
  warning: 'Warnings: it works, but bites',
  note: 'Notes',
};

function keyOf(finding: FindingView, by: Grouping): string {
  if (by === 'severity') return SEVERITIES[finding.severity];
  if (by === 'stage') return placeName(finding.stage);
  return finding.device ?? 'No one device';
}

/** Findings in groups; groups in the order in which their first finding stands. */
export function groupsOf(findings: readonly FindingView[], by: Grouping): readonly FindingGroup[] {
  const groups = new Map<string, FindingView[]>();
  for (const finding of findings) {
    const key = keyOf(finding, by);
    groups.set(key, [...(groups.get(key) ?? []), finding]);
  }
  return [...groups].map(([title, list]) => ({ title, findings: list }));
}
