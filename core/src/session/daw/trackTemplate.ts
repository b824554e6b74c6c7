import * as z from 'zod';
import { idFromName } from '../../rig/ids';
import { nameSchema } from '../../rig/rigSchema';
import type { Session } from '../sessionSchema';
import type { Track } from './trackSchema';
import { TRACK_KINDS } from './trackSchema';

/** Tracks to be made alike: names counted on, host inputs and outputs ascending. */
export const trackTemplateSchema = z.strictObject({
  count: z
    .number()
    .int('a whole number of tracks')
    .min(1, 'from 1 to 256 tracks')
    .max(256, 'from 1 to 256 tracks'),
  /** `#` stands for the number, counted from 1; without it the number is put behind. */
  name: nameSchema,
  kind: z.enum(TRACK_KINDS),
  width: z.number().int(),
  /** Host input of the first track; left out for none. */
  firstInput: z.number().int('a whole number').min(1, 'host inputs count from 1').optional(),
  /** Host output of the first track, or nothing. */
  firstOutput: z.number().int('a whole number').min(1, 'host outputs count from 1').optional(),
  /** Whether each track has outputs of its own, or all go to the first one's. */
  outputsAscend: z.boolean(),
});
export type TrackTemplate = Readonly<z.infer<typeof trackTemplateSchema>>;

/** A track with everything where it stands at first. */
export const plainTrack = (own: Pick<Track, 'id' | 'number' | 'name' | 'kind' | 'width'>): Track => ({
  ...own,
  input: { from: 'none' },
  inserts: [],
  faderDb: 0,
  muted: false,
  pan: 0,
  sends: [],
  outputs: [],
  recordArm: false,
  inputMonitor: false,
});

function nameOf({ name, count }: TrackTemplate, n: number): string {
  if (name.includes('#')) return name.replace(/#/g, String(n));
  return count === 1 ? name : `${name} ${String(n)}`;
}

/** The tracks of a template, numbered on after those of the session. */
export function tracksFromTemplate(session: Session, template: TrackTemplate): readonly Track[] {
  const taken = new Set<string>(session.tracks.map(({ id }) => id));
  const last = Math.max(0, ...session.tracks.map(({ number }) => number));
  const { count, kind, width, firstInput, firstOutput, outputsAscend } = template;
  return Array.from({ length: count }, (_, i) => {
    const name = nameOf(template, i + 1);
    const id = idFromName(name, taken, 'track') as Track['id'];
    taken.add(id);
    const output = firstOutput === undefined ? undefined : firstOutput + (outputsAscend ? i * width : 0);
    return {
      ...plainTrack({ id, number: last + i + 1, name, kind, width }),
      ...(firstInput !== undefined && { input: { from: 'host', first: firstInput + i * width } as const }),
      ...(output !== undefined && { outputs: [{ to: 'host', first: output } as const] }),
    };
  });
}
