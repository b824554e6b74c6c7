import type { InsertRoundTrip } from '../../timing/insertRoundTrips';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import type { Rule } from '../rule';

type Figures = Extract<FindingDetail, { rule: 'insert-uncompensated' }>['figures'];

/** How far a typed-in round trip may be from the computed one, samples. */
const NEAR_SAMPLES = 1;

function figuresOf(
  { session }: WorkedScene,
  { track, slot, side, settings, delaySamples }: InsertRoundTrip,
): Figures | undefined {
  const { compensates, insertDelay } = session.hostProfile;
  const base = { slot, tripSamples: delaySamples, ...(track.width > 1 && { side }) };
  if (!compensates) return { ...base, why: 'not-compensated' };
  if (insertDelay === 'not known to the host') return { ...base, why: 'not-known' };
  const knownSamples = settings.delaySamples;
  if (knownSamples === undefined) return { ...base, why: 'never-measured' };
  // A measured round trip is believed; the computed one is built from data sheets.
  if (insertDelay === 'measured by the host' || Math.abs(knownSamples - delaySamples) <= NEAR_SAMPLES)
    return undefined;
  return { ...base, why: 'wrong', knownSamples };
}

/** Of the sides of one slot the one that is furthest from what the host knows. */
const furthest = (a: Figures, b: Figures): Figures => {
  const off = ({ tripSamples, knownSamples = 0 }: Figures): number => Math.abs(tripSamples - knownSamples);
  return off(b) > off(a) ? b : a;
};

function run(context: WorkedScene): readonly Finding[] {
  const slots = new Map<string, { readonly track: InsertRoundTrip['track']; readonly figures: Figures }>();
  for (const trip of context.insertRoundTrips) {
    const figures = trip.comesBack && trip.delaySamples !== 0 ? figuresOf(context, trip) : undefined;
    if (figures === undefined) continue;
    const key = `${trip.track.id} ${String(trip.slot)}`;
    const before = slots.get(key)?.figures;
    slots.set(key, {
      track: trip.track,
      figures: before === undefined ? figures : furthest(before, figures),
    });
  }
  return [...slots.values()].map(({ track, figures }) => ({
    rule: 'insert-uncompensated',
    at: [{ kind: 'track', id: track.id }],
    figures,
  }));
}

export const insertUncompensated: Rule = {
  id: 'insert-uncompensated',
  title: 'An insert comes back late',
  severity: 'warning',
  stage: 'mix',
  why: 'A hardware insert is late by two buffers and two conversions. Unless the host makes up for it, its track lags behind the others, and combs with anything that carries the same sound.',
  limits: 'The round trip is computed from buffer, converters and outboard as given; measure it to be sure.',
  run,
};
