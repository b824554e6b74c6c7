import type { CordId, DeviceId, LaneId, StationId, ThreadId, TrackId } from '../rig/ids';
import type { FindingDetail } from './findingDetail';

export type Severity = 'error' | 'warning' | 'note';

/** Something a finding is about; the screen can jump to it. */
export type EntityRef =
  | { readonly kind: 'thread'; readonly id: ThreadId }
  | { readonly kind: 'lane'; readonly id: LaneId }
  | { readonly kind: 'station'; readonly id: StationId }
  | { readonly kind: 'device'; readonly id: DeviceId }
  | { readonly kind: 'cord'; readonly id: CordId }
  | { readonly kind: 'track'; readonly id: TrackId };

/** What a rule reports: figures and ids, no text. */
export type Finding = FindingDetail & { readonly at: readonly EntityRef[] };

export const RULE_IDS = [
  'phantom-on-jack-bay',
  'phantom-into-ribbon',
  'gone-from-rig',
  'thread-incomplete',
  'unit-used-twice',
  'normal-broken',
  'over-max-input',
  'level-class',
] as const;
export type RuleId = (typeof RULE_IDS)[number];

/**
 * The key of a finding: its rule and every id it names, in order. It stays the same while the figures
 * move, so that a waiver keeps holding for the same fault at the same place.
 */
export const findingKey = (finding: Finding): string =>
  [finding.rule, ...finding.at.map((ref) => `${ref.kind}:${ref.id}`)].join(' ');
