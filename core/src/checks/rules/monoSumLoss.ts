import { monoChecks } from '../../mix/monoChecks';
import { sourceRef } from '../../scene/places';
import type { WorkedScene } from '../../scene/workedScene';
import type { Track } from '../../session/daw/trackSchema';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** What two unlike sides lose is 3 dB; what comes near that from one sound is thin. Common practice, no source. */
const THIN_DB = 2;

/** Tracks that take in what thins already are not told once more. */
function isFirst({ session }: WorkedScene, track: Track, thin: ReadonlySet<string>): boolean {
  const { input } = track;
  if (input.from !== 'bus') return true;
  return !session.tracks.some(
    ({ id, outputs, sends }) =>
      thin.has(id) &&
      [...outputs, ...sends.map(({ destination }) => destination)].some(
        (to) => to.to === 'bus' && to.bus === input.bus,
      ),
  );
}

function run(context: WorkedScene): readonly Finding[] {
  const found = monoChecks(context).filter(({ lossDb }) => lossDb >= THIN_DB);
  const thin = new Set<string>(found.map(({ track }) => track.id));
  return found
    .filter(({ track }) => isFirst(context, track, thin))
    .map(({ track, source, lossDb, worstHz, worstLossDb }) => ({
      rule: 'mono-sum-loss',
      at: [{ kind: 'track', id: track.id }, sourceRef(context, context.field.sources[source])],
      figures: { lossDb, worstHz, worstLossDb },
    }));
}

export const monoSumLoss: Rule = {
  id: 'mono-sum-loss',
  title: 'Thins when it is summed to mono',
  severity: 'warning',
  stage: 'mix',
  why: 'Two sides of one sound that differ in time or polarity cancel where somebody hears them as one: a telephone, a kitchen radio, a line of loudspeakers on a ceiling.',
  limits:
    'Looks at stereo tracks whose two sides carry one sound of the rig or of a track. What a plug-in or an effect does to a sound itself is not known; sides of unlike sounds lose 3 dB as they should.',
  run,
};
