import type * as z from 'zod';
import { boundsProblem } from '@ft/core/formats/jsonBounds';
import { parseJson } from '@ft/core/formats/parseJson';
import { readShape } from '@ft/core/formats/readShape';
import { problemLine } from '@ft/core/words/problemWording';

export type ReadRequest<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly string[] };

/** The body of a request by its schema, or what does not fit in words. Neither depth nor size can make it overflow. */
export function readRequestText<S extends z.ZodType>(text: string, schema: S): ReadRequest<z.infer<S>> {
  const json = parseJson(text);
  if (!json.ok) return { ok: false, problems: [problemLine(json.problem)] };
  const bounds = boundsProblem(json.value);
  if (bounds !== undefined) return { ok: false, problems: [problemLine(bounds)] };
  const shape = readShape(schema, json.value);
  return shape.ok ? shape : { ok: false, problems: shape.problems.map(problemLine) };
}
