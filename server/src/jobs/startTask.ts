import type { StarterRoom } from '@ft/contract/studios';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import type { StudioId } from '@ft/core/rig/ids';
import { answersSchema } from '@ft/core/starters/answersSchema';
import { startedStudio } from '@ft/core/starters/startedStudio';
import { starterRig } from '@ft/core/starters/starterRig';
import { STARTERS } from '@ft/core/starters/starters';
import { problemLine } from '@ft/core/words/problemWording';
import type { Documents } from '../studios/documents';
import { documentsOf } from '../studios/documents';
import type { Tell } from './jobProgress';

export interface StartInput {
  readonly id: string;
  readonly name: string;
  readonly room: StarterRoom;
}

export type Started =
  | { readonly ok: true; readonly documents: Documents }
  | { readonly ok: false; readonly problems: readonly string[] };

/** A studio begun as a starter room: its rig, and a session that runs. */
export function startTask({ id, name, room }: StartInput, tell: Tell): Started {
  const starter = STARTERS.find((each) => each.id === room.starter);
  if (starter === undefined) {
    const there = STARTERS.map((each) => each.id).join(', ');
    return { ok: false, problems: [`There is no starter room “${room.starter}”. There are: ${there}.`] };
  }
  const answers = answersSchema(starter).safeParse(room.answers);
  if (!answers.success) return { ok: false, problems: shapeProblems(answers.error.issues).map(problemLine) };
  tell('Wiring the room', 1, 2);
  const plan = starter.plan(answers.data);
  const rig = starterRig(starter, plan, answers.data);
  tell('Planning its first session', 2, 2);
  const studio = startedStudio(rig, plan, { name, session: starter.session });
  return { ok: true, documents: documentsOf({ ...studio, id: id as StudioId }) };
}
