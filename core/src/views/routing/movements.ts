import { namingOf } from '../../words/naming';
import { compileNear } from '../../graph/recompile';
import type { ThreadId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { SettingKey, SettingValue } from '../../rig/settings';
import { settingsWith } from '../../rig/settingsWith';
import { realiseAll } from '../../routing/realiseAll';
import type { Routing } from '../../routing/route';
import type { Scene, Session } from '../../session/sessionSchema';
import { threadsIn } from '../../session/sessionSchema';

/** A thread that ran and goes another way now, and what that bought. */
export interface Movement {
  readonly thread: ThreadId;
  readonly name: string;
  /** The units it goes by now and did not before. */
  readonly by: string;
  /** "so that 7 Cello runs", "saves 1,240 points". */
  readonly gain: string;
}

/** The names of the stations each thread passes. */
function stationNames(rig: Rig, session: Session, scene: Scene): ReadonlyMap<ThreadId, readonly string[]> {
  const runs = realiseAll(compileNear(rig, session, scene), threadsIn(session, scene));
  return new Map(runs.map(({ thread, stations }) => [thread.id, stations.map(({ name }) => name)]));
}

const points = new Intl.NumberFormat('en-US', { maximumFractionDigits: 0 });

/** What moved in a routing, in the order of the input list, each with what it bought. */
export function movementsOf(rig: Rig, session: Session, scene: Scene, routing: Routing): readonly Movement[] {
  const moved = routing.outcomes.flatMap((outcome) =>
    outcome.routed && outcome.gain !== undefined ? [{ thread: outcome.thread, gain: outcome.gain }] : [],
  );
  if (moved.length === 0) return [];
  const naming = namingOf(rig, session, compileNear(rig, session, scene));
  const before = stationNames(rig, session, scene);
  const turned = Object.entries(routing.settings) as [SettingKey, SettingValue | null][];
  const settings = settingsWith(scene.settings, turned);
  const after = stationNames(rig, session, { ...scene, cords: [...routing.cords], settings });
  return moved.map(({ thread, gain: { runs, savedPoints } }) => {
    const old = before.get(thread) ?? [];
    const by = (after.get(thread) ?? []).filter((name) => !old.includes(name));
    const names = runs.map((id) => naming.thread(id)).join(', ');
    return {
      ...{ thread, name: naming.thread(thread) },
      by: by.length === 0 ? 'the same units, other cords' : by.join(', '),
      gain:
        runs.length > 0
          ? `so that ${names} ${runs.length === 1 ? 'runs' : 'run'}`
          : `saves ${points.format(savedPoints)} points`,
    };
  });
}
