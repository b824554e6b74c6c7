import * as z from 'zod';
import { integrityProblems } from '../session/integrity';
import type { Problem } from '../session/problem';
import { rigBreaks } from '../session/rigBreaks';
import type { Studio } from '../session/studioSchema';
import { studioSchema } from '../session/studioSchema';
import { canonicalStudio } from './canonicalStudio';
import { liftPlugged } from './liftPlugged';
import { boundsProblem } from './jsonBounds';
import { parseJson } from './parseJson';
import { firstProblems, readShape } from './readShape';

/** The name and version of the open bundle format, `*.thread.json`. */
export const BUNDLE_FORMAT = 'faithful-thread/2';

/** The version before: every scene marked its own cords as plugged. It is still read. */
const OLDER_FORMAT = 'faithful-thread/1';

export const bundleSchema = z.strictObject({ format: z.literal(BUNDLE_FORMAT), studio: studioSchema });

/** A file may state anything; so much of it is repeated. */
const MOST_SAID = 60;

export type BundleReading =
  | {
      readonly ok: true;
      readonly studio: Studio;
      /** What its sessions ask of a rig that does not have it; the checks say so again, scene by scene. */
      readonly breaks: readonly Problem[];
    }
  | { readonly ok: false; readonly problems: readonly Problem[] };

const versionOf = (format: string): number => Number(/^faithful-thread\/(\d{1,6})$/.exec(format)?.[1] ?? 0);

const isNewer = (found: unknown): boolean =>
  typeof found === 'string' && versionOf(found) > versionOf(BUNDLE_FORMAT);

function formatProblem(value: unknown): Problem | undefined {
  const found: unknown =
    typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  if (found === BUNDLE_FORMAT) return undefined;
  const said =
    found === undefined
      ? 'not stated'
      : typeof found === 'string'
        ? `“${found.slice(0, MOST_SAID)}”`
        : 'no text';
  const code = isNewer(found) ? 'newer-format' : 'wrong-format';
  return { code, path: ['format'], found: said, expected: `“${BUNDLE_FORMAT}”` };
}

/** A bundle of the version before, as it is written now. */
function upToDate(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('format' in value) || value.format !== OLDER_FORMAT)
    return value;
  return { ...value, format: BUNDLE_FORMAT, ...('studio' in value && { studio: liftPlugged(value.studio) }) };
}

/**
 * Reads a bundle whole or not at all: either a studio with no problems, or every problem found, each
 * with its place in the file.
 */
export function readBundle(text: string): BundleReading {
  const json = parseJson(text);
  if (!json.ok) return { ok: false, problems: [json.problem] };
  const bounds = boundsProblem(json.value);
  if (bounds !== undefined) return { ok: false, problems: [bounds] };
  const value = upToDate(json.value);
  const format = formatProblem(value);
  if (format !== undefined) return { ok: false, problems: [format] };
  const shape = readShape(bundleSchema, value);
  if (!shape.ok) return shape;
  const { studio } = shape.value;
  const problems = integrityProblems(studio).map(inFile);
  if (problems.length > 0) return { ok: false, problems: firstProblems(problems) };
  return { ok: true, studio: canonicalStudio(studio), breaks: rigBreaks(studio).map(inFile) };
}

/** A problem of the studio at its place in the file. */
const inFile = (problem: Problem): Problem => ({
  ...problem,
  path: ['studio', ...problem.path],
  ...('firstAt' in problem && { firstAt: ['studio', ...problem.firstAt] }),
});

/** Writes a studio as a bundle: two-space JSON in canonical order, ending in a line feed. */
export function writeBundle(studio: Studio): string {
  return `${JSON.stringify({ format: BUNDLE_FORMAT, studio: canonicalStudio(studio) }, null, 2)}\n`;
}
