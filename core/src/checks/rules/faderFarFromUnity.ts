import { sumsIn } from '../../mix/sum/sumStand';
import type { WorkedScene } from '../../scene/workedScene';
import { SILENT_DB } from '../../units/panLaw';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** Under this a step of a tenth of a dB is finer than a fader goes. Common practice, no source. */
const FAR_DB = -20;

function run(context: WorkedScene): readonly Finding[] {
  const stems = new Set(sumsIn(context).flatMap((sum) => sum.stems.map(({ track }) => track)));
  return context.session.tracks
    .filter(({ id, faderDb, muted }) => stems.has(id) && !muted && faderDb < FAR_DB && faderDb > SILENT_DB)
    .map(({ id, faderDb }) => ({
      rule: 'fader-far-from-unity',
      at: [{ kind: 'track', id }],
      figures: { faderDb },
    }));
}

export const faderFarFromUnity: Rule = {
  id: 'fader-far-from-unity',
  title: 'A stem far down its fader',
  severity: 'note',
  stage: 'mix',
  why: 'Near unity a fader is set to a tenth of a dB; far down it is not, and a balance that is written down cannot be found again.',
  limits:
    'Looks at the faders of stems of a sum alone, and not at automation, which the program does not know.',
  run,
};
