import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { threadRefs } from '../../scene/places';
import type { Rule } from '../rule';

/** The DAW input a thread ends at. */
const endOf = ({ complete, stations }: PlannedThread): number | undefined =>
  complete ? stations.find(({ role }) => role === 'daw-input')?.channel : undefined;

function whatIsWrong(left: number, right: number): 'apart' | 'crossed' | 'left-even' | undefined {
  if (right === left - 1) return 'crossed';
  if (right !== left + 1) return 'apart';
  return left % 2 === 0 ? 'left-even' : undefined;
}

function pairs({ threads }: WorkedScene): readonly Finding[] {
  return threads.flatMap((right): readonly Finding[] => {
    const { link } = right.thread;
    const left = link?.place === 2 ? threads.find(({ thread }) => thread.id === link.lead) : undefined;
    const [leftAt, rightAt] = [left && endOf(left), endOf(right)];
    if (left === undefined || leftAt === undefined || rightAt === undefined) return [];
    const what = whatIsWrong(leftAt, rightAt);
    return what === undefined
      ? []
      : [
          {
            rule: 'stereo-split',
            at: threadRefs([left, right]),
            figures: { what, left: leftAt, right: rightAt },
          },
        ];
  });
}

/** Stereo tracks that listen to a pair whose left is even. */
const tracks = ({ session }: WorkedScene): readonly Finding[] =>
  session.tracks.flatMap((track): readonly Finding[] => {
    const { input, width } = track;
    if (width !== 2 || input.from !== 'host' || input.first % 2 === 1) return [];
    return [
      {
        rule: 'stereo-split',
        at: [{ kind: 'track', id: track.id }],
        figures: { what: 'left-even', left: input.first, right: input.first + 1 },
      },
    ];
  });

export const stereoSplit: Rule = {
  id: 'stereo-split',
  title: 'A stereo pair is split',
  severity: 'warning',
  stage: 'track',
  why: 'Hosts, meters and people pair odd with the next even. Sides that lie apart or crossed end up on two tracks, or the wrong way round.',
  limits: 'Looks at where both sides end. Of wider threads the first two sides are looked at.',
  run: (context) => [...pairs(context), ...tracks(context)],
};
