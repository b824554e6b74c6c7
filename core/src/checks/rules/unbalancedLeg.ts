import { isParted, ONE_LEG_DB, takesOneLeg } from '../../levels/oneLeg';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef, threadRefs, threadsThrough } from '../../scene/places';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const { graph } = context;
  return context.nets.flatMap(({ driver, loads }) => {
    const out = graph.lanes[driver];
    if (out?.medium !== 'line') return [];
    return loads.flatMap((load): readonly Finding[] => {
      const into = graph.lanes[load];
      if (into === undefined) return [];
      const one = takesOneLeg(out, into);
      const other =
        into.medium === 'line' && out.balanced === false && into.balanced === true && !isParted(out, into);
      if (!one && !other) return [];
      return [
        {
          rule: 'unbalanced-leg',
          at: [
            ...threadRefs(threadsThrough(context, load)),
            laneRef(context, driver),
            laneRef(context, load),
          ],
          figures: { into: one ? 'unbalanced' : 'balanced', lossDb: one ? -ONE_LEG_DB : 0 },
        },
      ];
    });
  });
}

export const unbalancedLeg: Rule = {
  id: 'unbalanced-leg',
  title: 'Balanced to unbalanced',
  severity: 'warning',
  stage: 'track',
  why: 'An unbalanced input takes one leg of the output, half the voltage; and without the second leg hum on the line is no longer cancelled.',
  limits:
    'An output is taken as actively balanced unless its catalogue entry says it has a transformer, which keeps its level when one leg is earthed and parts the earths. Digital and instrument connections are not judged.',
  run,
};
