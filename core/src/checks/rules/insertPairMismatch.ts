import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run({ session }: WorkedScene): readonly Finding[] {
  const strict = session.hostProfile.insertPairs === 'strict';
  return session.tracks.flatMap((track) =>
    track.inserts.flatMap((slot, i): readonly Finding[] => {
      if (slot?.kind !== 'hardware' || slot.send === slot.return) return [];
      return [
        {
          rule: 'insert-pair-mismatch',
          at: [{ kind: 'track', id: track.id }],
          figures: { slot: i + 1, send: slot.send, return: slot.return, strict },
        },
      ];
    }),
  );
}

export const insertPairMismatch: Rule = {
  id: 'insert-pair-mismatch',
  title: 'Send and return of an insert differ',
  severity: 'error',
  stage: 'mix',
  why: 'A host of strict pairs brings an insert back on the number it sent on; another number is another unit. Where pairs are free it works, and is easily patched wrong.',
  limits: 'What the host does is its profile’s word, on the DAW page. Where pairs are free this is a note.',
  run,
  severityOf: (finding) =>
    finding.rule === 'insert-pair-mismatch' && !finding.figures.strict ? 'note' : 'error',
};
