import * as z from 'zod';
import type { Problem } from '../session/problem';
import { shapeProblems } from './shapeProblems';

/** More problems than this are not listed, nor looked for: the first few have the cause. */
export const MOST_PROBLEMS = 200;

export type ShapeReading<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

type Step = string | number;
type Issue = z.core.$ZodIssue;

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The schema inside defaults and optionals: what a value that is there is held against. */
function inner(schema: z.core.$ZodType): z.core.$ZodType {
  return schema instanceof z.ZodDefault || schema instanceof z.ZodOptional ? inner(schema.unwrap()) : schema;
}

const below = (issues: readonly Issue[], step: Step): readonly Issue[] =>
  issues.map((issue) => ({ ...issue, path: [step, ...issue.path] }));

function holdsLists(schema: z.core.$ZodType): boolean {
  const bare = inner(schema);
  return bare instanceof z.ZodArray || bare instanceof z.ZodObject;
}

/** The library reads a list whole before it counts it; here it is counted first, and read until enough is wrong. */
function listIssues(schema: z.ZodArray, value: readonly unknown[], most: number): readonly Issue[] {
  const counted = z.safeParse(schema.clone({ ...schema.def, element: z.unknown() }), value);
  if (!counted.success) return counted.error.issues;
  const issues: Issue[] = [];
  for (let i = 0; i < value.length && issues.length < most; i++)
    issues.push(...below(issuesOf(schema.element, value[i], most - issues.length), i));
  return issues;
}

/** Lists and objects that hold lists are read part by part; everything else is small, and read whole. */
function issuesOf(schema: z.core.$ZodType, value: unknown, most: number): readonly Issue[] {
  const bare = inner(schema);
  if (value === undefined || value === null) return wholeIssues(schema, value);
  if (bare instanceof z.ZodArray && Array.isArray(value)) return listIssues(bare, value, most);
  if (!(bare instanceof z.ZodObject) || !isRecord(value)) return wholeIssues(schema, value);
  const shape = bare.shape as Record<string, z.core.$ZodType>;
  const parts = Object.entries(shape).filter(([key, part]) => holdsLists(part) && key in value);
  const keys = parts.map(([key]) => key);
  const issues: Issue[] = [...wholeIssues(bare.omit(mask(keys)), without(value, keys))];
  for (const [key, part] of parts)
    if (issues.length < most) issues.push(...below(issuesOf(part, value[key], most - issues.length), key));
  return issues;
}

const mask = (keys: readonly string[]): Record<string, true> =>
  Object.fromEntries(keys.map((key) => [key, true]));

const without = (value: Record<string, unknown>, keys: readonly string[]): Record<string, unknown> =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !keys.includes(key)));

function wholeIssues(schema: z.core.$ZodType, value: unknown): readonly Issue[] {
  const parsed = z.safeParse(schema, value);
  return parsed.success ? [] : parsed.error.issues;
}

/** The first problems of a list, and that there are more. */
export const firstProblems = (problems: readonly Problem[]): readonly Problem[] =>
  problems.length <= MOST_PROBLEMS
    ? problems
    : [...problems.slice(0, MOST_PROBLEMS), { code: 'and-more', path: [] }];

/**
 * Reads a value by a schema. A value that fits is given as the schema gives it; of one that does not, the
 * first problems are found without looking at all of it: nineteen megabytes of the wrong thing cost no more
 * than two hundred of them.
 */
export function readShape<S extends z.ZodType>(schema: S, value: unknown): ShapeReading<z.infer<S>> {
  const issues = issuesOf(schema, value, MOST_PROBLEMS + 1);
  if (issues.length > 0) return { ok: false, problems: firstProblems(shapeProblems(issues)) };
  const parsed = schema.safeParse(value);
  return parsed.success
    ? { ok: true, value: parsed.data }
    : { ok: false, problems: firstProblems(shapeProblems(parsed.error.issues)) };
}
