import type { ThreadId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { Cord, Scene, Session } from '../session/sessionSchema';
import type { NewSettings, ThreadWay } from './patch';
import { cordsWithout } from './cordsWithout';
import { crosspointSettings } from './patch';
import { prepare } from './prepare';
import { stationOfRole } from './realise';
import type { Way } from './solve/way';

/** What a scene is without a thread: the cords that stay, and the knobs it lets go. */
export interface Release {
  readonly cords: readonly Cord[];
  readonly settings: NewSettings;
}

/** Gain and 48 V of the preamp a thread alone had: they go back to their initial places. */
function preampLeft(
  scene: Scene,
  { runningOf, threads }: ReturnType<typeof prepare>,
  gone: ThreadId,
): NewSettings {
  const running = runningOf(gone);
  const preamp = running && stationOfRole(running, 'preamp');
  const isShared = threads.some(
    ({ id }) => id !== gone && runningOf(id)?.stations.some((station) => station.id === preamp?.id),
  );
  if (preamp === undefined || isShared) return {};
  const left: Record<SettingKey, null> = {};
  for (const setting of preamp.settings) {
    const key = settingKeyOf(preamp.device, setting, preamp.channel);
    if (scene.settings[key] !== undefined) left[key] = null;
  }
  return left;
}

/**
 * Takes a thread out of a scene: its cords, as far as no other runs over them, the crosspoints that only
 * it had closed, and the settings of its preamp. Cords and knobs of others stay as they are.
 */
export function release(rig: Rig, session: Session, scene: Scene, gone: ThreadId): Release {
  const prepared = prepare(rig, session, scene, undefined);
  const { space, items, standing, runningOf } = prepared;
  const ways = items.flatMap(({ demands }, item) =>
    demands.flatMap(({ thread }, side): ThreadWay[] => {
      const way = standing[item]?.[side];
      return way === undefined ? [] : [{ thread, way }];
    }),
  );
  const rest = ways.filter(({ thread }) => thread !== gone);
  const wayOf = (all: readonly ThreadWay[]): readonly Way[] => all.map(({ way }) => way);
  return {
    cords: cordsWithout(
      scene.cords,
      gone,
      prepared.threads.flatMap(({ id }) => runningOf(id) ?? []),
    ),
    settings: {
      ...preampLeft(scene, prepared, gone),
      ...crosspointSettings(space, wayOf(ways), wayOf(rest)),
    },
  };
}
