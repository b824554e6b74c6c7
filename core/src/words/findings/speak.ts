import type { Finding, RuleId } from '../../checks/finding';
import type { FindingDetail } from '../../checks/findingDetail';
import type { Naming } from '../naming';

/** What is wrong, with the figures, and what to do: one sentence each. */
export interface Words {
  readonly wrong: string;
  readonly remedy: string;
}

export type Detail<R extends RuleId> = Extract<FindingDetail, { rule: R }>['figures'];

/** Words for the findings of some rules. */
export type Speak<R extends RuleId> = {
  readonly [Each in R]: (figures: Detail<Each>, naming: Naming, finding: Finding) => Words;
};

/** The names of everything of a kind that a finding is about, in its order. */
export const namesOf = (finding: Finding, naming: Naming, kind: keyof Naming): readonly string[] =>
  finding.at.filter((ref) => ref.kind === kind).map((ref) => naming[kind](ref.id));

export const threadsNamed = (finding: Finding, naming: Naming): string =>
  namesOf(finding, naming, 'thread').join(' and ');

/** "a, b and c". */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

export const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
