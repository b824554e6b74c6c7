import { refusalSentence } from '@ft/core/words/refusalWording';
import { ApiFailure, mayOnlyTick, notFound } from '../http/refusal';
import type { Answer } from '../studios/keeping';

const MISSING = {
  'nothing-to-undo': 'There is nothing of yours to undo.',
  'nothing-to-redo': 'There is nothing to redo.',
} as const;

const CLASH = {
  replaced:
    'This studio was removed and brought in again meanwhile, so the change was not made in it. It is kept in the window.',
  'change-id-taken':
    'Another change was made under the same id, so this one was not made. Make it once more by hand.',
} as const;

/** Why a change was not made, as it goes to whoever asked. */
export function answerFailure(answer: Exclude<Answer, { readonly ok: true }>): ApiFailure {
  if ('refusal' in answer) return new ApiFailure(409, answer.refusal.code, refusalSentence(answer.refusal));
  if ('forbidden' in answer) return mayOnlyTick();
  if ('clash' in answer) return new ApiFailure(409, answer.clash, CLASH[answer.clash]);
  if (answer.missing === 'studio') return notFound('studio');
  return new ApiFailure(409, answer.missing, MISSING[answer.missing]);
}
