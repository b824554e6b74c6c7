import type { Rig } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import type { Floor } from '../session/floorSchema';
import type { Scene, Session } from '../session/sessionSchema';
import { knobOf, turnsBetween } from './knobs';

/** Whether a scene is one in which a check plays back: its own, or a trainee's copy of it. */
const playsIn = (playback: string, scene: Pick<Scene, 'id' | 'trains'>): boolean =>
  scene.id === playback || scene.trains === playback;

/**
 * The selectors by which a recorder comes to be heard, where the floor is as a playback scene has it and is to leave it:
 * they go back before anything else is done.
 */
export function wayBack(rig: Rig, session: Session, floor: Floor, scene: Scene): ReadonlySet<SettingKey> {
  const at = session.scenes.find(({ id }) => floor.scene?.session === session.id && id === floor.scene.scene);
  const keys = session.playbackChecks.flatMap(({ live, playback }) => {
    const stage = session.scenes.find(({ id }) => id === live);
    if (at === undefined || stage === undefined || !playsIn(playback, at) || playsIn(playback, scene))
      return [];
    return turnsBetween(rig, stage.settings, at.settings).map(({ key }) => key);
  });
  return new Set(keys.filter((key) => knobOf(rig, key)?.spec.names !== undefined));
}
