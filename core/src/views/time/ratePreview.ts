import type { WorkedScene } from '../../scene/workedScene';
import { workedScene } from '../../scene/workedScene';
import { namingOf } from '../../words/naming';
import { threadName } from '../../session/threadName';
import { runChecks } from '../../checks/runChecks';
import type { SampleRateHz } from '../../units/sampleRates';
import type { FindingView } from '../findingView';
import { findingView } from '../findingView';
import type { LinkRow } from './clockView';
import { clockView } from './clockView';

/** What would change at another rate. */
export interface RatePreview {
  readonly rateHz: SampleRateHz;
  /** Threads that run now and would not. */
  readonly stopped: readonly string[];
  readonly links: readonly LinkRow[];
  /** Findings that would come, and how many would go. */
  readonly added: readonly FindingView[];
  readonly gone: number;
}

/** The scene at another sample rate: what no longer fits. Nothing is changed. */
export function atRate(context: WorkedScene, rateHz: SampleRateHz): RatePreview {
  const { rig, session, scene, floor } = context;
  const there = workedScene(rig, { ...session, sampleRateHz: rateHz }, scene, floor);
  const ran = new Set(context.threads.filter(({ complete }) => complete).map(({ thread }) => thread.id));
  const before = new Set(runChecks(context).findings.map(({ key }) => key));
  const after = runChecks(there).findings;
  const naming = namingOf(rig, session, there.graph);
  const keys = new Set(after.map(({ key }) => key));
  return {
    rateHz,
    stopped: there.threads
      .filter(({ thread, complete }) => !complete && ran.has(thread.id))
      .map(({ thread }) => threadName(thread)),
    links: clockView(there).links,
    added: after.filter(({ key }) => !before.has(key)).map((reported) => findingView(reported, naming)),
    gone: [...before].filter((key) => !keys.has(key)).length,
  };
}
