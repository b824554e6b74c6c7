import { linkLanes } from '../../units/linkLanes';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef, threadRefs } from '../../scene/places';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const { clocks, field, session, threads, graph } = context;
  return clocks.cables.flatMap(({ link, lost, from }): readonly Finding[] => {
    const used = lost.filter((lane) => field.arrivals[lane.from] !== undefined);
    const [first] = used;
    if (link === undefined || first === undefined) return [];
    const sources = new Set(
      used.flatMap((lane) =>
        (field.arrivals[lane.from] ?? []).map(({ source }) => field.sources[source]?.thread),
      ),
    );
    const carries = linkLanes(link, session.sampleRateHz);
    const at = graph.laneIndex.get(from.lane) ?? first.from;
    return [
      {
        rule: 'lanes-lost-at-rate',
        at: [...threadRefs(threads.filter(({ thread }) => sources.has(thread.id))), laneRef(context, at)],
        figures: { rateHz: session.sampleRateHz, carries, lost: used.length },
      },
    ];
  });
}

export const lanesLostAtRate: Rule = {
  id: 'lanes-lost-at-rate',
  title: 'A link has too few lanes at this rate',
  severity: 'error',
  stage: 'rig',
  why: 'At double rate an optical link carries four lanes instead of eight and MADI half as many: what was on the others is silent.',
  limits: 'Reported for lanes that something is sent to; a lane that carries nothing is not missed.',
  run,
};
