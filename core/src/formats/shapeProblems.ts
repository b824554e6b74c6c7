import type * as z from 'zod';
import type { Problem } from '../session/problem';

type Issue = z.core.$ZodIssue;

const RANGES: Record<string, string> = { number: 'the number', string: 'the text', array: 'the list' };

/** A file may have any number of fields, of any length: so many are named, and so much of each. */
const MOST_NAMED = 5;
const MOST_SAID = 60;

function fieldNames(keys: readonly string[]): string {
  const named = keys.slice(0, MOST_NAMED).map((key) => `“${key.slice(0, MOST_SAID)}”`);
  const more = keys.length - named.length;
  return `${named.join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

function sentence(issue: Issue): string {
  switch (issue.code) {
    case 'unrecognized_keys':
      return `There is no field ${fieldNames(issue.keys)} here. Take it out, or check its spelling`;
    case 'invalid_type':
      // Ours, as “a whole number of cords”, says more than the type.
      if (!issue.message.startsWith('Invalid input')) return plain(issue);
      return issue.input === undefined && issue.message.includes('undefined')
        ? `This field is missing; it needs ${article(issue.expected)}`
        : `This needs ${article(issue.expected)}`;
    case 'invalid_value':
      return `This must be one of ${issue.values.map((value) => JSON.stringify(value)).join(', ')}`;
    default:
      return plain(issue);
  }
}

/** Our own messages are already a remedy; the library's need its subject. */
function plain(issue: Issue): string {
  const message = issue.message.replace(/^(Invalid input|Invalid string): /, '');
  const subject = 'origin' in issue ? RANGES[String(issue.origin)] : undefined;
  const text = subject !== undefined && /^Too (small|big)/.test(message) ? `${subject}: ${message}` : message;
  return text.charAt(0).toUpperCase() + text.slice(1);
}

const WORDS: Readonly<Record<string, string>> = { int: 'whole number', string: 'text' };

function article(kind: string): string {
  const word = WORDS[kind] ?? kind;
  return /^[aeiou]/.test(word) ? `an ${word}` : `a ${word}`;
}

/** The schema's refusals as problems with paths. A union's inner refusals are its own place's. */
export function shapeProblems(issues: readonly Issue[]): readonly Problem[] {
  return issues.map((issue) => ({
    code: 'wrong-shape',
    path: issue.path.map((step) => (typeof step === 'symbol' ? String(step) : step)),
    detail: sentence(issue),
  }));
}
