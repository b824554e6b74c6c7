import { hookOf, takenBy } from '../../routing/space/leads';
import type { Cord, Session } from '../../session/sessionSchema';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { EntityRef } from '../../session/entityRef';
import type { Rule } from '../rule';

/** Who holds cords: the threads they were planned for, in the order of the list, and those planned by hand. */
function holders(cords: readonly Cord[], { threads }: Session): readonly EntityRef[] {
  const owners = new Set(cords.flatMap(({ thread }) => thread ?? []));
  const inOrder = threads.filter(({ id }) => owners.has(id)).sort((a, b) => a.number - b.number);
  const byHand = cords.filter(({ thread }) => thread === undefined);
  return [
    ...inOrder.map(({ id }): EntityRef => ({ kind: 'thread', id })),
    ...byHand.map(({ id }): EntityRef => ({ kind: 'cord', id })),
  ];
}

function run({ rig, session, scene }: WorkedScene): readonly Finding[] {
  const hook = hookOf(rig);
  const taken = new Map<number, Cord[]>();
  for (const cord of scene.cords)
    for (const index of takenBy(hook, cord)) taken.set(index, [...(taken.get(index) ?? []), cord]);
  return [...taken].flatMap(([index, cords]): Finding[] => {
    const [what, have] = [hook.ids[index], hook.counts[index] ?? 0];
    if (what === undefined || cords.length <= have) return [];
    return [
      {
        rule: 'cords-short',
        at: holders(cords, session),
        figures: { what, needed: cords.length, have, tooMany: cords.length - have },
      },
    ];
  });
}

export const cordsShort: Rule = {
  id: 'cords-short',
  title: 'More cords than there are',
  severity: 'error',
  stage: 'track',
  why: 'A plan that needs a cord nobody has ends at the bay, with the singer waiting, and something that ran is pulled for it.',
  limits:
    'The count in the rig is taken at its word: cords lent out, broken, or used in other rooms are not known. A longer cord that could stand in is not counted here; the work list uses it.',
  run,
};
