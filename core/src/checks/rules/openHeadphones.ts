import type { Ear } from '../../cues/ear';
import { ears } from '../../cues/ear';
import { spillOf } from '../../cues/spill';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** A click that lies so far under what is recorded is not heard in its pauses either. Common practice, no source. */
export const SAFE_MARGIN_DB = 50;

function judge(context: WorkedScene, ear: Ear): readonly Finding[] {
  const spill = spillOf(context, ear);
  if (spill?.clickDbSpl === undefined || spill.marginDb === undefined) return [];
  if (spill.marginDb > SAFE_MARGIN_DB || (!ear.isLying && !spill.isOpen)) return [];
  const { clickDbSpl, distanceM, marginDb, isLying } = spill;
  return [
    {
      rule: 'open-headphones',
      at: [
        ...(ear.cue === undefined ? [] : [{ kind: 'cue', id: ear.cue.id } as const]),
        { kind: 'device', id: ear.headphones.id },
        { kind: 'device', id: spill.microphone },
        { kind: 'thread', id: spill.thread },
      ],
      figures: { isLying, clickDbSpl, distanceM, marginDb },
    },
  ];
}

export const openHeadphones: Rule = {
  id: 'open-headphones',
  title: 'Click spills out of headphones',
  severity: 'warning',
  stage: 'track',
  why: 'A click from headphones that lie about, or from open ones, is in the recording for good, most of all in its quietest places.',
  limits:
    'An estimate: the level at the ear, what the build keeps in or a loose pair loses, and inverse distance to one open microphone of the room. Each of them can be typed in. Walls and direction are not known.',
  run: (context) => ears(context).flatMap((ear) => judge(context, ear)),
};
