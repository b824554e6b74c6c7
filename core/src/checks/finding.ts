import type { EntityRef } from '../session/entityRef';
import type { FindingDetail } from './findingDetail';

export type Severity = 'error' | 'warning' | 'note';

/** What a rule reports: figures and ids, no text. */
export type Finding = FindingDetail & { readonly at: readonly EntityRef[] };

export const RULE_IDS = [
  'phantom-on-jack-bay',
  'phantom-into-ribbon',
  'phantom-missing',
  'loudspeaker-level-into-line',
  'monitors-open-while-patching',
  'hearing-dose',
  'gone-from-rig',
  'thread-incomplete',
  'feedback-loop',
  'two-sources-one-input',
  'unit-used-twice',
  'normal-broken',
  'send-without-return',
  'insert-pair-mismatch',
  'stereo-split',
  'mult-overload',
  'cue-load',
  'dead-end',
  'orphan-cord',
  'cords-short',
  'virtual-not-physical',
  'over-max-input',
  'low-into-converter',
  'level-class',
  'line-up-mismatch',
  'loading',
  'unbalanced-leg',
  'summing-headroom',
  'polarity',
  'clock-masters',
  'rate-mismatch',
  'lanes-lost-at-rate',
  'insert-uncompensated',
  'parallel-comb',
  'cue-delay',
  'cue-post-fader',
  'performer-without-cue',
  'open-headphones',
  'no-talkback',
  'cue-heard-twice',
  'timecode-missing',
  'playback-left-on',
  'record-tap-mismatch',
  'armed-in-playback',
  'gain-not-carried',
  'unit-wanted-twice',
  'pair-not-on-own-number',
  'fader-far-from-unity',
  'mono-sum-loss',
  'pan-mismatch',
] as const;
export type RuleId = (typeof RULE_IDS)[number];

/**
 * The key of a finding: its rule and every id it names, in order. It stays the same while the figures
 * move, so that a waiver keeps holding for the same fault at the same place.
 */
export const findingKey = (finding: Finding): string =>
  [finding.rule, ...finding.at.map((ref) => `${ref.kind}:${ref.id}`)].join(' ');
