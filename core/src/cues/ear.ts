import type { Arrival } from '../levels/arrival';
import { headphoneDbSpl } from '../levels/headphoneLevel';
import { arrivalsAt, bySource, togetherDb } from '../levels/laneSum';
import type { LevelField } from '../levels/levelField';
import type { SoundSource } from '../levels/soundSources';
import type { ThreadId } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { WorkedScene } from '../scene/workedScene';
import type { Cue, CueHeadphones } from '../session/cueSchema';
import type { Performer } from '../session/performerSchema';
import type { Session } from '../session/sessionSchema';
import { powerSumDb } from '../units/decibel';
import { msFromSamples } from '../units/duration';
import { dailyDose, eightHourLevelDb } from '../units/hearing';
import { acousticDbSpl, isolationDbOf } from './acoustic';
import { cuesIn, isLying, wearerOf } from './cuesIn';
import { earSides } from './earSides';
import { talkbackField } from './talkbackField';

/** One source as it is heard at an ear. */
export interface HeardSource {
  /** Its place among the sources of the field. */
  readonly index: number;
  readonly source: SoundSource;
  /** At each side; left out where the level of the source is not known, or the side does not hear it. */
  readonly sidesDbSpl: readonly [number | undefined, number | undefined];
  /** At the louder side. */
  readonly levelDbSpl?: number;
  /** Of its strongest way. */
  readonly delayMs: number;
  readonly isOwn: boolean;
  readonly isClick: boolean;
}

/** What one pair of headphones gives, and what that means for whoever wears it. */
export interface Ear {
  readonly headphones: Device;
  readonly cue?: Cue;
  readonly pair?: CueHeadphones;
  readonly performer?: Performer;
  readonly isLying: boolean;
  readonly heard: readonly HeardSource[];
  /** Sources whose level nobody said. */
  readonly unknown: number;
  /** Both sides, and the louder one, of everything that sounds, click and all. */
  readonly sidesDbSpl: readonly [number | undefined, number | undefined];
  readonly sumDbSpl?: number;
  readonly ownDbSpl?: number;
  readonly restDbSpl?: number;
  readonly clickDbSpl?: number;
  /** Talkback while its key is held, at each side and at the louder one; left out where it does not reach. */
  readonly talkbackSidesDbSpl: readonly [number | undefined, number | undefined];
  readonly talkbackDbSpl?: number;
  /** The sum and talkback together. */
  readonly allDbSpl?: number;
  /** Their own instrument through the air. */
  readonly acousticDbSpl?: number;
  /** The steady level that would give the same dose as all the ear gets, talkback a tenth of the time. */
  readonly atEarDbSpl?: number;
  readonly dose?: number;
  readonly allowedHours?: number;
}

const sumOf = (levels: readonly (number | undefined)[]): number | undefined => {
  const known = levels.filter((level) => level !== undefined);
  return known.length === 0 ? undefined : powerSumDb(known);
};
const louder = ([a, b]: readonly [number | undefined, number | undefined]): number | undefined =>
  a === undefined ? b : b === undefined ? a : Math.max(a, b);

/** Levels as headphones give them, from levels at their plug. */
function inDbSpl({ params }: Device): (levelDbu: number) => number {
  const { impedanceOhm, sensitivityDbPerMw } = params as { impedanceOhm: number; sensitivityDbPerMw: number };
  return (levelDbu) => headphoneDbSpl(levelDbu, impedanceOhm, sensitivityDbPerMw);
}

/** The sources of a field at both sides of an ear, each with its ways there. */
function waysAt(
  field: LevelField,
  sides: readonly number[],
): ReadonlyMap<number, readonly (readonly Arrival[])[]> {
  const perSide = sides.map((side) => bySource(arrivalsAt(field, side)));
  const indexes = new Set(perSide.flatMap((ways) => [...ways.keys()]));
  return new Map([...indexes].map((index) => [index, perSide.map((ways) => ways.get(index) ?? [])]));
}

/** What of a session an ear has to know of its lines and tracks. */
interface Lines {
  readonly clicks: ReadonlySet<string>;
  /** Somebody talks only while a key is held: that is worked out apart. */
  readonly talking: ReadonlySet<string>;
  readonly ownOf: ReadonlyMap<string, ReadonlySet<ThreadId>>;
}

/** Sessions never change, and every ear asks: their lines are looked through once. */
const knownLines = new WeakMap<Session, Lines>();

function linesOf(session: Session): Lines {
  const known = knownLines.get(session);
  if (known !== undefined) return known;
  const { threads, tracks } = session;
  const ownOf = new Map<string, Set<ThreadId>>();
  for (const { performer, id } of threads) ownOf.set(performer, (ownOf.get(performer) ?? new Set()).add(id));
  const lines: Lines = {
    clicks: new Set([...threads, ...tracks].filter(({ click }) => click === true).map(({ id }) => id)),
    talking: new Set(threads.filter(({ purpose }) => purpose === 'talkback').map(({ id }) => id)),
    ownOf,
  };
  knownLines.set(session, lines);
  return lines;
}

function heardAt(context: WorkedScene, headphones: Device, performer: Performer | undefined): HeardSource[] {
  const { session, field, graph } = context;
  const toSpl = inDbSpl(headphones);
  const { clicks, talking, ownOf } = linesOf(session);
  const own = ownOf.get(performer?.name ?? '');
  return [...waysAt(field, earSides(graph, headphones.id))].flatMap(([index, ways]) => {
    const source = field.sources[index];
    if (source === undefined || talking.has(source.thread ?? '')) return [];
    const { nominal } = source;
    const [left, right] = ways.map((side) =>
      side.length === 0 || nominal === undefined
        ? undefined
        : toSpl(nominal + togetherDb(side, field.sampleRateHz).power),
    );
    const sidesDbSpl = [left, right] as const;
    const levelDbSpl = louder(sidesDbSpl);
    const strongest = ways.flat().reduce((a, b) => (b.gainDb > a.gainDb ? b : a));
    return [
      {
        ...{ index, source, sidesDbSpl },
        ...(levelDbSpl !== undefined && { levelDbSpl }),
        delayMs: msFromSamples(strongest.alignedSamples, field.sampleRateHz),
        isOwn: performer !== undefined && source.thread !== undefined && own?.has(source.thread) === true,
        isClick: clicks.has(source.thread ?? source.track ?? ''),
      },
    ];
  });
}

/** Talkback at both sides of an ear while its key is held. */
function talkbackAt(context: WorkedScene, headphones: Device): Ear['talkbackSidesDbSpl'] {
  const field = talkbackField(context);
  const toSpl = inDbSpl(headphones);
  const sides = earSides(context.graph, headphones.id).map((side) => {
    const ways = arrivalsAt(field, side);
    const nominal = field.sources[0]?.nominal;
    return ways.length === 0 || nominal === undefined
      ? undefined
      : toSpl(nominal + togetherDb(ways, field.sampleRateHz).power);
  });
  return [sides[0], sides[1]];
}

/** How much of the time somebody talks. Common practice, no source. */
const TALKBACK_SHARE = 0.1;

/** What the dose of a day comes to, by the table of the session: the sum all the time, with talkback a tenth of it. */
function doseOf(
  { session: { hearingTable: table } }: WorkedScene,
  performer: Performer | undefined,
  { heard, talking }: { readonly heard: number | undefined; readonly talking: number | undefined },
): Pick<Ear, 'atEarDbSpl' | 'allowedHours' | 'dose'> {
  const parts = [
    ...(heard === undefined ? [] : [{ levelDbSpl: heard, hours: 1 - TALKBACK_SHARE }]),
    ...(talking === undefined ? [] : [{ levelDbSpl: talking, hours: TALKBACK_SHARE }]),
  ];
  if (parts.length === 0) return {};
  const perHour = dailyDose(parts, table);
  const hours = performer?.hoursADay;
  return {
    atEarDbSpl: eightHourLevelDb(8 * perHour, table),
    allowedHours: 1 / perHour,
    ...(hours !== undefined && { dose: hours * perHour }),
  };
}

const kept = <K extends string>(key: K, value: number | undefined): { readonly [P in K]?: number } =>
  value === undefined ? {} : ({ [key]: value } as { readonly [P in K]?: number });

const side = (heard: readonly HeardSource[], at: 0 | 1): number | undefined =>
  sumOf(heard.map(({ sidesDbSpl }) => sidesDbSpl[at]));

/** Levels of some of what is heard, at the louder side of each. */
const levelOf = (heard: readonly HeardSource[]): number | undefined =>
  sumOf(heard.map(({ levelDbSpl }) => levelDbSpl));

/** What reaches the ear by the headphones, and beside them. */
function levelsAt(
  context: WorkedScene,
  headphones: Device,
  { heard, pair, performer }: Pick<Ear, 'heard' | 'pair' | 'performer'>,
) {
  const sidesDbSpl = [side(heard, 0), side(heard, 1)] as const;
  const talkbackSidesDbSpl = talkbackAt(context, headphones);
  const [sum, talk] = [louder(sidesDbSpl), louder(talkbackSidesDbSpl)];
  const acoustic =
    performer && acousticDbSpl(context.session, context.scene, performer, isolationDbOf(headphones, pair));
  const through = sumOf([sum, acoustic]);
  return {
    ...{ sidesDbSpl, talkbackSidesDbSpl },
    ...kept('sumDbSpl', sum),
    ...kept('ownDbSpl', levelOf(heard.filter(({ isOwn }) => isOwn))),
    ...kept('restDbSpl', levelOf(heard.filter(({ isOwn }) => !isOwn))),
    ...kept('clickDbSpl', levelOf(heard.filter(({ isClick }) => isClick))),
    ...kept('talkbackDbSpl', talk),
    ...kept('allDbSpl', sumOf([sum, talk])),
    ...kept('acousticDbSpl', acoustic),
    ...doseOf(context, performer, { heard: through, talking: sumOf([through, talk]) }),
  };
}

/** Everything that is known of one pair of headphones. */
export function earOf(context: WorkedScene, headphones: Device, cue?: Cue): Ear {
  const { session } = context;
  const pair = cue?.headphones.find(({ id }) => id === headphones.id);
  const performer = wearerOf(session, headphones.id);
  const heard = heardAt(context, headphones, performer);
  const known = {
    ...{ headphones, heard },
    ...(cue !== undefined && { cue }),
    ...(pair !== undefined && { pair }),
    ...(performer !== undefined && { performer }),
  };
  return {
    ...known,
    isLying: pair === undefined ? performer === undefined : isLying(session, pair),
    unknown: heard.filter(({ levelDbSpl }) => levelDbSpl === undefined).length,
    ...levelsAt(context, headphones, known),
  };
}

/** The ears of the cues of a scene, cue by cue. A pair on two cues stands with each. */
export function ears(context: WorkedScene): readonly Ear[] {
  const { session, scene, devices } = context;
  return cuesIn(session, scene).flatMap((cue) =>
    cue.headphones.flatMap(({ id }) => {
      const device = devices.get(id);
      return device?.type === 'headphones' ? [earOf(context, device, cue)] : [];
    }),
  );
}
