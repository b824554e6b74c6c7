import { settingsOf } from '../rig/buildDevice';
import type { LaneId, ThreadId } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import { partsOfSettingKey, settingMisfit } from '../rig/settings';
import { endProblems } from './endProblems';
import type { Path, Problem } from './problem';
import type { RigIndex } from './rigIndex';
import type { Cord, Scene } from './sessionSchema';

function threadOfCord(cord: Cord, path: Path, threads: ReadonlySet<ThreadId>): readonly Problem[] {
  return cord.thread === undefined || threads.has(cord.thread)
    ? []
    : [{ code: 'dangling', path: [...path, 'thread'], kind: 'thread', id: cord.thread }];
}

/** What a cord asks of the rig that the rig does not have: its two jacks and its stock. */
export function cordBreaks(cord: Cord, path: Path, index: RigIndex): readonly Problem[] {
  const problems = [
    ...endProblems(cord.from, 'out', 'cord', [...path, 'from'], index),
    ...endProblems(cord.to, 'in', 'cord', [...path, 'to'], index),
  ];
  if (index.stock(cord.stock) === undefined)
    problems.push({ code: 'dangling', path: [...path, 'stock'], kind: 'cord stock', id: cord.stock });
  for (const end of ['fromAdaptor', 'toAdaptor'] as const) {
    const id = cord[end];
    if (id !== undefined && index.adaptor(id) === undefined)
      problems.push({ code: 'dangling', path: [...path, end], kind: 'adaptor', id });
  }
  return problems;
}

/** A plug in its jack is one of two. */
type Plugged = Pick<Cord, 'from' | 'to'> & { readonly id: string };

/** Jacks that more than one plug sits in. */
export function jacksTakenTwice(cords: readonly Plugged[], path: Path): readonly Problem[] {
  const heldBy = new Map<LaneId, string>();
  return cords.flatMap((cord, i) =>
    (['from', 'to'] as const).flatMap((end): Problem[] => {
      const byCord = heldBy.get(cord[end]);
      heldBy.set(cord[end], byCord ?? cord.id);
      return byCord === undefined
        ? []
        : [{ code: 'jack-taken', path: [...path, i, end], id: cord[end], byCord }];
    }),
  );
}

function settingProblem(
  key: SettingKey,
  value: SettingValue,
  path: Path,
  index: RigIndex,
): Problem | undefined {
  const { deviceId, setting, channel } = partsOfSettingKey(key);
  const device = index.device(deviceId);
  const spec = device && settingsOf(device).find((candidate) => candidate.setting === setting);
  if (spec === undefined) return { code: 'dangling', path, kind: 'setting', id: key };
  const why = settingMisfit(spec, channel, value);
  return why === undefined ? undefined : { code: 'setting-misfit', path, id: key, why };
}

/** Knobs a scene turns that the rig does not have, or cannot turn so. */
export const settingBreaks = (scene: Scene, path: Path, index: RigIndex): readonly Problem[] =>
  (Object.entries(scene.settings) as [SettingKey, SettingValue][]).flatMap(
    ([key, value]) => settingProblem(key, value, [...path, 'settings', key], index) ?? [],
  );

/** What does not hold inside a scene. */
export function sceneProblems(scene: Scene, path: Path, threads: ReadonlySet<ThreadId>): readonly Problem[] {
  const cordsPath = [...path, 'cords'];
  return [
    ...scene.cords.flatMap((cord, i) => threadOfCord(cord, [...cordsPath, i], threads)),
    ...jacksTakenTwice(scene.cords, cordsPath),
  ];
}
