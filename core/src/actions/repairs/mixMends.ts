import type { Finding } from '../../checks/finding';
import { editSet } from '../../edits/make';
import { parallelBuses } from '../../mix/parallelPans';
import { contentions } from '../../mix/scarcity';
import { listed } from '../../words/findings/speak';
import { fadersToUnity } from '../mix/sums/faderToUnity';
import { SettingUp } from '../settingUp';
import { jobDeed } from '../mix/jobs/jobDeed';
import { returnedOn } from '../mix/jobs/returnedOn';
import type { Bench, Figures, Repair } from './repair';
import { refOf, single } from './repair';

/** All but one of the jobs to be committed first. */
export function commitFirst(bench: Bench, { live }: Figures<'unit-wanted-twice'>): readonly Repair[] {
  const { tracks } = bench.context.session;
  const name = listed(live.map((id) => tracks.find((track) => track.id === id)?.name ?? ''));
  const count = contentions(bench.context).filter(({ isConflict }) => isConflict).length;
  const also = count > 1 ? ', and likewise for the other units' : '';
  return single(
    `Leave ${name} live and mark the others to commit${also}`,
    jobDeed(bench, { does: 'resolve' }).edits,
  );
}

/** The fader at unity, and a trim behind the inserts. */
export function faderToUnity(
  bench: Bench,
  _figures: Figures<'fader-far-from-unity'>,
  finding: Finding,
): readonly Repair[] {
  const track = bench.context.session.tracks.find(({ id }) => id === refOf(finding, 'track'));
  if (track === undefined) return [];
  const up = new SettingUp(bench);
  fadersToUnity(up, [track.id]);
  return single(`Put the fader of ${track.name} to unity, and the trim behind its inserts`, up.edits);
}

/** The sends of a parallel bus panned as the sounds stand in the mix. */
export function pansAsInMix(
  bench: Bench,
  _figures: Figures<'pan-mismatch'>,
  finding: Finding,
): readonly Repair[] {
  const { session } = bench.context;
  const [carrier] = finding.at;
  const bus = parallelBuses(bench.context).find((each) => each.carrier.id === carrier?.id);
  const up = new SettingUp(bench);
  for (const pair of bus?.pairs ?? []) {
    if (pair.of === 'channel') {
      up.knobs(new Map([[pair.key, pair.mix]]));
      continue;
    }
    const track = up.it.context.session.tracks.find(({ id }) => id === pair.track);
    if (track === undefined) continue;
    const sends = track.sends.map((send, i) => (i === pair.send ? { ...send, pan: pair.mix } : send));
    up.make([
      editSet('track', { session: session.id }, track.id, { field: 'sends', value: sends, was: track.sends }),
    ]);
  }
  return single('Pan its sends as in the mix', up.edits);
}

/** The return of a slot on the number it sends on. */
export const returnOnOwn = (
  bench: Bench,
  { slot, send }: Figures<'pair-not-on-own-number'>,
  finding: Finding,
): readonly Repair[] =>
  single(
    `Bring slot ${String(slot)} back on ${String(send)}`,
    returnedOn(bench, refOf(finding, 'track'), slot, send),
  );
