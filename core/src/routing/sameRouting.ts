import { alike } from '../edits/alike';
import type { Scene, Session, Thread } from '../session/sessionSchema';
import type { SettingKey } from '../rig/settings';

/** What is said of a thread that no way depends on. */
const TOLD_ONLY: ReadonlySet<string> = new Set<keyof Thread>([
  'performer',
  'source',
  'trackName',
  'cue',
  'click',
  'levelDbSpl',
  'levelDbu',
  'crestDb',
  'distanceM',
]);

/** What a session holds that no way depends on. Its scenes are compared apart. */
const BESIDE: ReadonlySet<string> = new Set<keyof Session>([
  'name',
  'lineUp',
  'waivers',
  'performers',
  'cues',
  'readings',
  'consoleViews',
  'headroomDb',
  'hearingTable',
  'automatedConsole',
  'threads',
  'scenes',
]);

interface Place {
  readonly session: Session;
  readonly scene: Scene;
}

/**
 * Whether the router is asked the same before and after a change on the same rig, so that it would find
 * the same ways. Told apart by identity: what was made anew counts as changed.
 * @param isChoosable whether the router may turn a knob, and so looks at where it stands.
 */
export function sameRouting(before: Place, after: Place, isChoosable: (key: SettingKey) => boolean): boolean {
  const [a, b] = [before.session, after.session];
  const [was, is] = [before.scene, after.scene];
  const keys = new Set([...Object.keys(was.settings), ...Object.keys(is.settings)] as SettingKey[]);
  return (
    was.id === is.id &&
    was.cords === is.cords &&
    alike(a, b, BESIDE) &&
    a.threads.length === b.threads.length &&
    a.threads.every((thread, i) => alike(thread, b.threads[i] ?? thread, TOLD_ONLY)) &&
    a.scenes.length === b.scenes.length &&
    // The normals that other scenes run over.
    a.scenes.every((scene, i) => scene.id === is.id || scene === b.scenes[i]) &&
    [...keys].every((key) => was.settings[key] === is.settings[key] || !isChoosable(key))
  );
}
