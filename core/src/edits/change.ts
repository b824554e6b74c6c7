import * as z from 'zod';
import { integrityProblems } from '../session/integrity';
import type { Problem } from '../session/problem';
import { newBreaks, rigBreaks } from '../session/rigBreaks';
import type { Studio } from '../session/studioSchema';
import type { EditJson, EditKind } from './editKind';
import { holderOf } from './holderOf';
import { editKindNamed, EDIT_KINDS } from './registry';
import { placeName } from './placeName';
import type { Applied } from './refusal';
import { applied, refused } from './refusal';

const editSchema = z
  .looseObject({ type: z.enum(EDIT_KINDS.map((kind) => kind.type) as [string, ...string[]]) })
  .transform((edit, context): EditJson => {
    const parsed = editKindNamed(edit.type)?.schema.safeParse(edit);
    if (parsed?.success) return parsed.data;
    for (const issue of parsed?.error.issues ?? [])
      context.addIssue({ code: 'custom', message: issue.message, path: issue.path });
    return z.NEVER;
  });

/**
 * A change: one or more edits that happen together or not at all, and what a person would call it.
 * The unit of undo and of the history page.
 */
export const changeSchema = z.strictObject({
  id: z.string().regex(/^[a-zA-Z0-9-]{8,64}$/, 'an id of 8 to 64 letters, digits and hyphens'),
  label: z.string().min(1).max(300),
  edits: z.array(editSchema).min(1).max(20_000),
});
export type Change = z.infer<typeof changeSchema>;

function kindOf(edit: EditJson): EditKind<EditJson> {
  const kind = editKindNamed(edit.type);
  if (kind === undefined) throw new Error(`an edit of unknown type got past its schema: ${edit.type}`);
  return kind;
}

/** Edits that follow each other, and what is done with them. */
interface Stretch {
  readonly kind: EditKind<EditJson>;
  readonly edits: readonly EditJson[];
}

/** Edits in their order, those of one kind in one place together: a console filled has a thousand of them. */
function stretches(edits: readonly EditJson[]): readonly Stretch[] {
  const all: { kind: EditKind<EditJson>; edits: EditJson[] }[] = [];
  for (const edit of edits) {
    const kind = kindOf(edit);
    const last = all.at(-1);
    const before = last?.edits.at(-1);
    const isBeside = before !== undefined && last?.kind === kind && kind.run?.isBeside(before, edit) === true;
    if (isBeside) last.edits.push(edit);
    else all.push({ kind, edits: [edit] });
  }
  return all;
}

const applyStretch = (studio: Studio, { kind, edits: [first, ...others] }: Stretch): Applied<Studio> =>
  first === undefined
    ? applied(studio)
    : kind.run === undefined || others.length === 0
      ? kind.apply(studio, first)
      : kind.run.apply(studio, [first, ...others]);

/**
 * Places in sessions that a change would point at things the rig does not have. Taking gear out of the
 * rig leaves such places behind, and the checks name them; only a change to sessions may not make any.
 */
function brokenBy(before: Studio, after: Studio, edits: readonly EditJson[]): readonly Problem[] {
  if (edits.some(({ type }) => holderOf(type) === 'rig') || before.sessions === after.sessions) return [];
  const breaks = rigBreaks(after);
  return breaks.length === 0 ? [] : newBreaks(rigBreaks(before), breaks);
}

/** Places are named in the studio as it would have become: what is new has its place only there. */
const wouldBreak = (studio: Studio, problems: readonly Problem[]): Applied<Studio> =>
  refused({ code: 'would-break', problems, places: problems.map(({ path }) => placeName(studio, path)) });

/** Applies edits one after another. Whether what they lead to holds together is not looked at. */
export function applyEdits(studio: Studio, edits: readonly EditJson[]): Applied<Studio> {
  let next = studio;
  for (const stretch of stretches(edits)) {
    const result = applyStretch(next, stretch);
    if (!result.ok) return result;
    next = result.value;
  }
  return applied(next);
}

/** Applies all edits of a change, or none. The result holds together, or the change is refused. */
export function applyChange(studio: Studio, edits: readonly EditJson[]): Applied<Studio> {
  const result = applyEdits(studio, edits);
  if (!result.ok) return result;
  const problems = integrityProblems(result.value);
  return problems.length > 0 ? wouldBreak(result.value, problems) : result;
}

/**
 * Applies a change somebody makes now. It may not point sessions at things the rig does not have; taking
 * back an old one may, since the rig can have lost them meanwhile.
 */
export function applyNewChange(studio: Studio, edits: readonly EditJson[]): Applied<Studio> {
  const result = applyChange(studio, edits);
  if (!result.ok) return result;
  const problems = brokenBy(studio, result.value, edits);
  return problems.length > 0 ? wouldBreak(result.value, problems) : result;
}

/** The edits that undo a change that could be applied to `before`. */
export function invertChange(before: Studio, edits: readonly EditJson[]): readonly EditJson[] {
  const inverses: (readonly EditJson[])[] = [];
  let studio = before;
  for (const stretch of stretches(edits)) {
    const { kind, edits: own } = stretch;
    inverses.unshift(kind.run?.invert(studio, own) ?? own.map((edit) => kind.invert(studio, edit)));
    const result = applyStretch(studio, stretch);
    if (!result.ok) throw new Error('a change that was applied cannot be refused while it is inverted');
    studio = result.value;
  }
  return inverses.flat();
}
