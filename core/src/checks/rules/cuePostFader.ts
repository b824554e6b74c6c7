import { carrierSends } from '../../cues/carrierSends';
import { cuesIn } from '../../cues/cuesIn';
import { arrivalsAt } from '../../levels/laneSum';
import type { CarrierSend } from '../../cues/carrierSends';
import type { ThreadId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The lines of the input list that a send takes along. */
const linesOver = ({ field }: WorkedScene, { lane = -1 }: CarrierSend): readonly ThreadId[] =>
  arrivalsAt(field, lane).flatMap(({ source }) => field.sources[source]?.thread ?? []);

function run(context: WorkedScene): readonly Finding[] {
  const { session, scene } = context;
  return cuesIn(session, scene).flatMap(({ id, carrier }): readonly Finding[] => {
    const found = carrierSends(context, carrier);
    if (!found.ok) return [];
    const post = found.sends.filter(
      (send) => send.isOn && send.tap === 'post' && linesOver(context, send).length > 0,
    );
    if (post.length === 0) return [];
    const threads = [...new Set(post.flatMap((send) => linesOver(context, send)))];
    const canBePre = post.every(
      (send) => send.kind === 'track' || send.cell.taps.some(({ word }) => word === 'pre'),
    );
    return [
      {
        rule: 'cue-post-fader',
        at: [{ kind: 'cue', id }, ...threads.map((thread) => ({ kind: 'thread', id: thread }) as const)],
        figures: { sends: post.length, canBePre },
      },
    ];
  });
}

export const cuePostFader: Rule = {
  id: 'cue-post-fader',
  title: 'Cue send after the fader',
  severity: 'warning',
  stage: 'track',
  why: 'What is sent after the fader follows every move of the mix: somebody rides a level or presses a mute in the control room, and performers lose what they play to.',
  limits:
    'Sends that are on and carry a line of the input list. Sends of recorded tracks alone are not judged. For one overdub to the control room’s own mix it may be meant: waive it.',
  run,
};
