import { parse, printParseErrorCode } from 'jsonc-parser';
import type { ParseError } from 'jsonc-parser';
import type { Problem } from '../session/problem';

export type JsonReading =
  { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly problem: Problem };

/** Line and column, both from 1, of an offset in a text. */
function placeAt(text: string, offset: number): { line: number; column: number } {
  const before = text.slice(0, offset);
  const line = before.split('\n').length;
  return { line, column: offset - before.lastIndexOf('\n') };
}

/** "InvalidSymbol" as words: "invalid symbol". */
const words = (code: string): string => code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** Engines disagree on whether and how they say where JSON breaks, so a parser that always does is asked. */
function firstFault(text: string): Problem {
  const errors: ParseError[] = [];
  parse(text, errors, { disallowComments: true, allowEmptyContent: false, allowTrailingComma: false });
  const fault = errors[0];
  const detail = fault === undefined ? 'unreadable' : words(printParseErrorCode(fault.error));
  return { code: 'not-json', path: [], ...placeAt(text, fault?.offset ?? 0), detail };
}

/** Parses JSON; a refusal names line and column. A byte-order mark is skipped. */
export function parseJson(text: string): JsonReading {
  const bare = text.replace(/^\uFEFF/, '');
  try {
    return { ok: true, value: JSON.parse(bare) as unknown };
  } catch {
    return { ok: false, problem: firstFault(bare) };
  }
}
