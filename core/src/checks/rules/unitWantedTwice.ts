import { commitSeconds } from '../../mix/commitLength';
import type { Want } from '../../mix/chainUnits';
import { contentions } from '../../mix/scarcity';
import type { DeviceId, StationId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { EntityRef } from '../../session/entityRef';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** A channel of a unit, or a switcher as a whole. */
const refOf = (want: Want): EntityRef =>
  want.includes('/') ? { kind: 'station', id: want as StationId } : { kind: 'device', id: want as DeviceId };

const run = (context: WorkedScene): readonly Finding[] =>
  contentions(context).flatMap(({ isConflict, units, first, live }): readonly Finding[] => {
    if (!isConflict) return [];
    const commitS = commitSeconds(context.session, first);
    const tracks = [...new Set([...first, ...live].map(({ track }) => track))];
    return [
      {
        rule: 'unit-wanted-twice',
        at: [...units.map(refOf), ...tracks.map((id) => ({ kind: 'track', id }) as const)],
        figures: {
          ...{ units, first: first.map(({ track }) => track), live: live.map(({ track }) => track) },
          ...(commitS !== undefined && { commitS }),
        },
      },
    ];
  });

export const unitWantedTwice: Rule = {
  id: 'unit-wanted-twice',
  title: 'One unit, two jobs live at once',
  severity: 'error',
  stage: 'mix',
  why: 'A unit passes one signal at a time. Where two jobs of the mix want it live, one has to be printed through it in real time first.',
  limits:
    'Looks at the jobs of the session, whatever the scene. Which one stays live is a proposal: the last in the signal, since it changes as long as anything before it does.',
  run,
};
