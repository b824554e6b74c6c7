import { cuesIn } from '../../cues/cuesIn';
import { earOf } from '../../cues/ear';
import type { WorkedScene } from '../../scene/workedScene';
import type { Thread } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';
import type { CueDetail } from '../cueDetail';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

type Why = Extract<CueDetail, { rule: 'performer-without-cue' }>['figures']['why'];

/** Lines by the performer they are of. */
function linesByPerformer({ session, scene }: WorkedScene): ReadonlyMap<string, readonly Thread[]> {
  const lines = new Map<string, Thread[]>();
  for (const thread of threadsIn(session, scene))
    if (thread.performer !== '' && (thread.purpose === 'input' || thread.purpose === 'feed'))
      lines.set(thread.performer, [...(lines.get(thread.performer) ?? []), thread]);
  return lines;
}

/** Why somebody does not hear themself; undefined for who does. */
function whyNot(context: WorkedScene, name: string): Why | undefined {
  const { session, scene, devices } = context;
  const performer = session.performers.find((each) => each.name === name);
  if (performer === undefined) return 'not-listed';
  const headphones = devices.get(performer.headphones ?? ('' as never));
  if (headphones === undefined) return 'no-headphones';
  const cue = cuesIn(session, scene).find((each) => each.headphones.some(({ id }) => id === headphones.id));
  if (cue === undefined) return 'no-cue';
  return earOf(context, headphones, cue).heard.some(({ isOwn }) => isOwn) ? undefined : 'not-heard';
}

function run(context: WorkedScene): readonly Finding[] {
  const { session, scene } = context;
  if (cuesIn(session, scene).length === 0) return [];
  return [...linesByPerformer(context)].flatMap(([name, lines]): readonly Finding[] => {
    const why = whyNot(context, name);
    if (why === undefined) return [];
    const performer = session.performers.find((each) => each.name === name);
    return [
      {
        rule: 'performer-without-cue',
        at: [
          ...(performer === undefined ? [] : [{ kind: 'performer', id: performer.id } as const]),
          ...lines.map(({ id }) => ({ kind: 'thread', id }) as const),
        ],
        figures: { why, performer: name },
      },
    ];
  });
}

export const performerWithoutCue: Rule = {
  id: 'performer-without-cue',
  title: 'Performer without a cue',
  severity: 'warning',
  stage: 'track',
  why: 'Somebody who cannot hear themself, or hears nothing at all, cannot play with the others; it is found out when everybody is waiting.',
  limits:
    'Judged in scenes that have a cue. Performers are known by their name in the input list. A volume that is down counts as heard: it is down until the first sound.',
  run,
};
