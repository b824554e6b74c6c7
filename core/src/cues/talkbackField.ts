import type { LevelField } from '../levels/levelField';
import { fieldOfOthers } from '../levels/levelField';
import type { SoundSource } from '../levels/soundSources';
import type { WorkedScene } from '../scene/workedScene';

/** What somebody says into a talkback microphone: at the line-up level. Common practice, no source. */
const talkSources = ({ rig, graph, session }: WorkedScene): readonly SoundSource[] =>
  rig.devices
    .filter(({ type }) => type === 'talkback')
    .flatMap(({ id }) => {
      const lane = graph.laneIndex.get(`${id}/out/1` as never);
      return lane === undefined ? [] : [{ lane, nominal: session.lineUp.dbu, delaySamples: 0 }];
    });

/** Scenes never change: what their talkback reaches is worked out once for each. */
const known = new WeakMap<WorkedScene, LevelField>();

/** Where talkback is heard as long as its key is held, whatever the key of the scene is. */
export function talkbackField(context: WorkedScene): LevelField {
  const field = known.get(context) ?? fieldOfOthers(context.field, context.graph, talkSources(context));
  known.set(context, field);
  return field;
}
