import type { WorkedScene } from '../../scene/workedScene';
import type { Track } from '../../session/daw/trackSchema';
import type { Job } from '../../session/jobSchema';
import type { CellReading } from '../../text/cellReading';
import { parts, refuse, value } from '../../text/cellReading';
import { didYouMean, nearestNames } from '../../text/nearestName';
import { ranked } from '../../text/nameMatch';
import { readKind, readPlace, readState, readSweet } from './jobOptions';
import { readChain } from './jobUnits';

/** What a line says of a job; what it leaves out is as is usual. */
export type TypedJob = Pick<Job, 'track' | 'chain' | 'state'> &
  Partial<Pick<Job, 'at' | 'midSide' | 'parallel' | 'sweetDbu'>>;

type Daw = Pick<WorkedScene['session'], 'tracks' | 'buses'>;

/** The track of a name; of a bus the track that carries it. */
export function trackNamed({ tracks, buses }: Daw, text: string): CellReading<Track> {
  const carriers = tracks.filter(({ kind }) => kind !== 'vca');
  const exact = carriers.find(({ name }) => name.toLowerCase() === text.trim().toLowerCase());
  const bus = buses.find(({ name }) => name.toLowerCase() === text.trim().toLowerCase());
  const carrier = bus && carriers.find(({ input }) => input.from === 'bus' && input.bus === bus.id);
  if (exact === undefined && bus !== undefined && carrier === undefined)
    return refuse(
      `No track carries the bus ${bus.name}, and a chain stands on a track. Add a group or aux track with that input under Mix, Tracks.`,
    );
  const found = exact ?? carrier ?? ranked(carriers, ({ name }) => name, text)[0];
  if (found !== undefined) return value(found);
  const names = [...carriers, ...buses].map(({ name }) => name);
  const hint = didYouMean(nearestNames(text, names)) || ' Add it under Mix, Tracks first.';
  return refuse(`No track or bus is called “${text.trim()}”.${hint}`);
}

/** What stands behind the chain, in any order. */
function options(texts: readonly string[], track: Track): CellReading<Partial<TypedJob>> {
  let found: Partial<TypedJob> = {};
  for (const text of texts) {
    const read = option(text, track);
    if (!read.ok) return read;
    found = { ...found, ...read.value };
  }
  return value(found);
}

function option(text: string, track: Track): CellReading<Partial<TypedJob>> {
  if (/^(slot\b|\d+$|in line)/i.test(text)) {
    const place = readPlace(text, track);
    return place.ok ? value({ at: place.value }) : place;
  }
  if (/^(parallel|mid|m\/s|ms\b)/i.test(text)) return readKind(text, track);
  if (/^at\s/i.test(text)) {
    const sweet = readSweet(text.slice(2));
    if (!sweet.ok) return sweet;
    return value(sweet.value === undefined ? {} : { sweetDbu: sweet.value });
  }
  const state = readState(text);
  if (state.ok) return value({ state: state.value });
  return refuse(
    `“${text}” is not understood. Behind the chain stand slot 3, in line, mid/side, parallel 40 %, at +4 or commit, with ; between them.`,
  );
}

/**
 * A job typed in one line: `Narration: equaliser A > opto > valve; slot 3; parallel 40 %; at +4; commit`. Before the colon
 * stands a track, or a bus that a track carries; names may be shortened as long as the words occur in them.
 */
export function typedJob(context: WorkedScene, line: string): CellReading<TypedJob> {
  const colon = line.indexOf(':');
  if (colon < 0)
    return refuse('Write the track, a colon, and the units in order: Narration: equaliser A > opto > valve.');
  const track = trackNamed(context.session, line.slice(0, colon));
  if (!track.ok) return track;
  const [chainText = '', ...rest] = parts(line.slice(colon + 1), /;/);
  const taken = context.session.jobs.flatMap(({ chain }) => chain.flat());
  const chain = readChain(context, track.value, chainText, taken);
  if (!chain.ok) return chain;
  const more = options(rest, track.value);
  if (!more.ok) return more;
  return value({ track: track.value.id, chain: chain.value, state: 'live', ...more.value });
}
