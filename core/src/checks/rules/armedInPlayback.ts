import { checksOf } from '../../playback/checksOf';
import type { EntityRef } from '../../session/entityRef';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

const run = (context: WorkedScene): readonly Finding[] =>
  checksOf(context).flatMap(({ up, faults }) =>
    faults.flatMap((fault): Finding[] => {
      if (fault.code !== 'armed') return [];
      const tracks = fault.tracks.flatMap(({ track }): EntityRef[] =>
        track === undefined ? [] : [{ kind: 'track', id: track }],
      );
      return [
        {
          rule: 'armed-in-playback',
          at: [{ kind: 'device', id: up.recorder.id }, ...tracks],
          figures: { tracks: fault.tracks.map(({ name }) => name) },
        },
      ];
    }),
  );

export const armedInPlayback: Rule = {
  id: 'armed-in-playback',
  title: 'Armed while it plays back',
  severity: 'error',
  stage: 'track',
  why: 'A track that is armed while the recorder plays it back is written over: what was recorded of the rehearsal is gone.',
  limits:
    'Tracks that a playback check records or plays, as the playback scene has them. Whether the recorder also runs in record is not known.',
  run,
};
