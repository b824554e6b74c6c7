import type { BusId } from '../../rig/ids';
import type { Path, Problem } from '../problem';
import type { Session } from '../sessionSchema';
import type { Track } from './trackSchema';

/** The buses a track names, each with its place in the track. */
function busesOf({ input, inserts, sends, outputs }: Track): readonly (readonly [BusId, Path])[] {
  return [
    ...(input.from === 'bus' ? [[input.bus, ['input', 'bus']] as const] : []),
    ...inserts.flatMap((slot, i) =>
      slot?.kind === 'plugin' && slot.key !== undefined ? [[slot.key, ['inserts', i, 'key']] as const] : [],
    ),
    ...sends.flatMap(({ destination }, i) =>
      destination.to === 'bus' ? [[destination.bus, ['sends', i, 'destination', 'bus']] as const] : [],
    ),
    ...outputs.flatMap((destination, i) =>
      destination.to === 'bus' ? [[destination.bus, ['outputs', i, 'bus']] as const] : [],
    ),
  ];
}

/** What does not hold between the tracks and buses of a session. */
export function dawProblems({ tracks, buses }: Session, path: Path): readonly Problem[] {
  const known = new Set(buses.map(({ id }) => id));
  const vcas = new Set(tracks.filter(({ kind }) => kind === 'vca').map(({ id }) => id));
  return [
    ...tracks.flatMap((track, i): readonly Problem[] => {
      const here = [...path, 'tracks', i];
      const dangling = busesOf(track)
        .filter(([id]) => !known.has(id))
        .map(([id, at]): Problem => ({ code: 'dangling', path: [...here, ...at], kind: 'bus', id }));
      if (track.vca === undefined || vcas.has(track.vca)) return dangling;
      return [...dangling, { code: 'dangling', path: [...here, 'vca'], kind: 'VCA', id: track.vca }];
    }),
  ];
}
