import type { GraphStation } from '../../graph/signalGraph';
import type { OutboardUnit } from '../../mix/outboardUnits';
import { outboardUnits } from '../../mix/outboardUnits';
import type { StationId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { CellReading } from '../../text/cellReading';
import { all, parts, refuse, value } from '../../text/cellReading';
import { didYouMean, nearestNames } from '../../text/nearestName';
import { matchRank, ranked } from '../../text/nameMatch';
import type { Track } from '../../session/daw/trackSchema';

const MOST_NAMED = 3;

const named = (units: readonly OutboardUnit[]): string =>
  units
    .slice(0, MOST_NAMED)
    .map(({ name }) => name)
    .join(', ');

function unknown(units: readonly OutboardUnit[], text: string): ReturnType<typeof refuse> {
  const near = nearestNames(
    text,
    units.map(({ name }) => name),
  );
  const hint = didYouMean(near) || ' Outboard of the rig is listed under Rig, Rooms and devices.';
  return refuse(`No unit is called “${text}”.${hint}`);
}

/** Reads the units of a chain; those that other jobs have already are taken last. */
class Units {
  private readonly units: readonly OutboardUnit[];
  private readonly taken: Set<StationId>;

  constructor(
    context: WorkedScene,
    private readonly track: Pick<Track, 'name' | 'width'>,
    taken: Iterable<StationId>,
  ) {
    this.units = outboardUnits(context);
    this.taken = new Set(taken);
  }

  /** One unit of the chain: for every side of the track a channel. */
  read(text: string): CellReading<StationId[]> {
    const names = parts(text, /\+/);
    const { width, name } = this.track;
    if (names.length === width && width > 1) return all(names.map((each) => this.channel(each)));
    if (names.length > 1)
      return refuse(
        `${name} is ${this.wide()}, and “${text}” names ${String(names.length)} units. Name one for each side, with + between them.`,
      );
    if (width > 1) return this.wideUnit(text);
    const one = this.channel(text);
    return one.ok ? value([one.value]) : one;
  }

  private wide(): string {
    const { width } = this.track;
    return width === 1 ? 'mono' : width === 2 ? 'stereo' : `${String(width)} wide`;
  }

  /** A free channel that answers a name, else the first. */
  private channel(text: string): CellReading<StationId> {
    const stations = this.units.flatMap((unit) => unit.stations);
    const found = ranked(stations, ({ name }) => name, text);
    const [best] = found;
    if (best === undefined) return unknown(this.units, text);
    const rank = matchRank(best.name, text);
    const alike = found.filter(
      ({ name, device }) => device === best.device && matchRank(name, text) === rank,
    );
    return this.take(alike.find(({ id }) => !this.taken.has(id)) ?? best);
  }

  private take({ id }: GraphStation): CellReading<StationId> {
    this.taken.add(id);
    return value(id);
  }

  /** A unit with as many channels as the track has sides. */
  private wideUnit(text: string): CellReading<StationId[]> {
    const { name, width } = this.track;
    const found = ranked(this.units, (unit) => unit.name, text);
    const wide = found.find(({ stations }) => stations.length >= width);
    if (wide !== undefined) {
      const free = wide.stations.filter(({ id }) => !this.taken.has(id));
      const own = (free.length >= width ? free : wide.stations).slice(0, width);
      for (const station of own) this.take(station);
      return value(own.map(({ id }) => id));
    }
    const [narrow] = found;
    const single =
      narrow?.name ??
      ranked(
        this.units.flatMap((unit) => unit.stations),
        (station) => station.name,
        text,
      )[0]?.name;
    if (single === undefined) return unknown(this.units, text);
    const others = this.units.filter(({ stations }) => stations.length >= width);
    const instead =
      others.length === 0 ? '' : ` or take a unit with as many channels, such as ${named(others)},`;
    return refuse(
      `${name} is ${this.wide()}, and ${single} is one channel. Name one for each side (${single} + …),${instead} or make a job of a mono track.`,
    );
  }
}

/**
 * The units of a chain as they are typed, `equaliser A > opto > valve`: each is one channel for every side of the track; a
 * name for both sides takes a unit with two channels, two names stand with + between them.
 * @param taken channels other jobs have: of several that answer a name, those come last.
 */
export function readChain(
  context: WorkedScene,
  track: Pick<Track, 'name' | 'width'>,
  text: string,
  taken: Iterable<StationId> = [],
): CellReading<StationId[][]> {
  const units = new Units(context, track, taken);
  const pieces = parts(text, />|→/);
  if (pieces.length === 0)
    return refuse('A chain has a unit. Write them in order with > between them: equaliser A > opto.');
  const chain = all(pieces.map((piece) => units.read(piece)));
  if (!chain.ok) return chain;
  const flat = chain.value.flat();
  const twice = flat.find((id, i) => flat.indexOf(id) < i);
  if (twice === undefined) return chain;
  const name = context.graph.stations[context.graph.stationIndex.get(twice) ?? -1]?.name ?? twice;
  return refuse(
    `${name} stands twice in this chain, and passes one signal at a time. Leave one out, or make two jobs of it and commit the first.`,
  );
}
