import type { InsertTrip } from '../../timing/insertTrips';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import type { Rule } from '../rule';

type Figures = Extract<FindingDetail, { rule: 'insert-uncompensated' }>['figures'];

/** How far a typed-in round trip may be from the computed one, samples. */
const NEAR_SAMPLES = 1;

function figuresOf(
  { session }: WorkedScene,
  { slot, settings, delaySamples }: InsertTrip,
): Figures | undefined {
  const { compensates, insertDelay } = session.hostProfile;
  const base = { slot, tripSamples: delaySamples };
  if (!compensates) return { ...base, why: 'not-compensated' };
  if (insertDelay === 'not known to the host') return { ...base, why: 'not-known' };
  const knownSamples = settings.delaySamples;
  if (knownSamples === undefined) return { ...base, why: 'never-measured' };
  // A measured round trip is believed; the computed one is built from data sheets.
  if (insertDelay === 'measured by the host' || Math.abs(knownSamples - delaySamples) <= NEAR_SAMPLES)
    return undefined;
  return { ...base, why: 'wrong', knownSamples };
}

const run = (context: WorkedScene): readonly Finding[] =>
  context.insertTrips.flatMap((trip): readonly Finding[] => {
    const figures = trip.comesBack && trip.side === 1 ? figuresOf(context, trip) : undefined;
    return figures === undefined || trip.delaySamples === 0
      ? []
      : [{ rule: 'insert-uncompensated', at: [{ kind: 'track', id: trip.track.id }], figures }];
  });

export const insertUncompensated: Rule = {
  id: 'insert-uncompensated',
  title: 'An insert comes back late',
  severity: 'warning',
  stage: 'mix',
  why: 'A hardware insert is late by two buffers and two conversions. Unless the host makes up for it, its track lags behind the others, and combs with anything that carries the same sound.',
  limits: 'The round trip is computed from buffer, converters and outboard as given; measure it to be sure.',
  run,
};
