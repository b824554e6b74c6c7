import { cuesIn } from '../../cues/cuesIn';
import { ears } from '../../cues/ear';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const all = ears(context);
  return cuesIn(context.session, context.scene).flatMap(({ id }): readonly Finding[] => {
    const own = all.filter(({ cue }) => cue?.id === id);
    const without = own.filter(({ talkbackDbSpl }) => talkbackDbSpl === undefined);
    if (without.length === 0) return [];
    return [
      {
        rule: 'no-talkback',
        at: [
          { kind: 'cue', id },
          ...without.map(({ headphones }) => ({ kind: 'device', id: headphones.id }) as const),
        ],
        figures: { some: without.length < own.length },
      },
    ];
  });
}

export const noTalkback: Rule = {
  id: 'no-talkback',
  title: 'Talkback does not reach a cue',
  severity: 'note',
  stage: 'track',
  why: 'Without talkback nobody can stop a take, and performers sit in silence while the control room talks.',
  limits:
    'Talkback is followed as if its key were held. How loud it is stands with each ear and is not judged here.',
  run,
};
