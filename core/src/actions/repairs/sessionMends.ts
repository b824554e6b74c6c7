import { editRemove, editSet } from '../../edits/make';
import type { Finding } from '../../checks/finding';
import { formatSamples } from '../../units/format';
import { routeEdits } from '../track/threadEdits';
import type { Bench, Figures, Repair } from './repair';
import { refOf, single } from './repair';

export function insertDelay(
  bench: Bench,
  figures: Figures<'insert-uncompensated'>,
  finding: Finding,
): readonly Repair[] {
  const { session } = bench.context;
  const track = session.tracks.find(({ id }) => id === refOf(finding, 'track'));
  const slot = track?.inserts[figures.slot - 1];
  if (track === undefined || slot?.kind !== 'hardware') return [];
  if (figures.why !== 'never-measured' && figures.why !== 'wrong') return [];
  const delaySamples = Math.round(figures.tripSamples);
  const inserts = track.inserts.map((each, i) => (i === figures.slot - 1 ? { ...slot, delaySamples } : each));
  return single(
    `Type ${formatSamples(delaySamples)} samples into slot ${String(figures.slot)} of ${track.name}, as computed`,
    [
      editSet('track', { session: session.id }, track.id, {
        field: 'inserts',
        value: inserts,
        was: track.inserts,
      }),
    ],
  );
}

/** Whoever has not been told what to follow follows a connector that the master's clock comes in at. */
export function followClock({ context }: Bench, figures: Figures<'clock-masters'>): readonly Repair[] {
  const { clocks, rig } = context;
  const [id] = figures.unsaid;
  const device = rig.devices.find((each) => each.id === id);
  const mastered = new Set(
    clocks.domains.flatMap(({ devices }) =>
      devices.filter((it) => it.master !== undefined).map((it) => it.device),
    ),
  );
  const cable = clocks.cables.find(({ from, to }) => to.device === id && mastered.has(from.device));
  const leader = rig.devices.find((each) => each.id === cable?.from.device);
  if (device === undefined || cable === undefined || leader === undefined) return [];
  const value = { ...device.clock, follows: cable.to.lane.split('/')[1] ?? '' };
  return single(`Let ${device.name} follow ${leader.name}`, [
    editSet('device', {}, device.id, { field: 'clock', value, was: device.clock ?? null }),
  ]);
}

export function takeOut({ context, place }: Bench, finding: Finding): readonly Repair[] {
  const cord = context.scene.cords.find(({ id }) => id === refOf(finding, 'cord'));
  return cord === undefined
    ? []
    : single('Take the cord out of the scene', [editRemove('cord', place, cord.id, cord)]);
}

export function routeIt({ studio, place }: Bench, finding: Finding): readonly Repair[] {
  const thread = refOf(finding, 'thread');
  return thread === undefined
    ? []
    : single('Route it', routeEdits(studio, place, { only: [thread as never] }));
}
