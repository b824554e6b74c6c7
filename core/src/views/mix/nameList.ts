import { hostOf } from '../../graph/dawTracks';
import type { ConverterEnd, HostChannel } from '../../mix/hostChannels';
import { hostChannels } from '../../mix/hostChannels';
import type { HostUse } from '../../mix/hostUses';
import { hostUses } from '../../mix/hostUses';
import { jobsIn } from '../../mix/jobStand';
import { joinsOf } from '../../playback/joins';
import type { WorkedScene } from '../../scene/workedScene';
import { sideWord } from '../../words/mix/sideWord';
import { namingOf } from '../../words/naming';
import { chainText } from './chainText';

/** A connection of the host, or a place in the matrix of an interface, as it should be called there. */
export interface NameLine {
  readonly what: 'Input' | 'Output' | 'Insert' | 'Matrix';
  /** In the host, or on the device. */
  readonly number: string;
  readonly name: string;
  /** The connector behind it: host output n is not line output m where a matrix stands between. */
  readonly leads: string;
  /** Nothing uses it, so it can be switched off. */
  readonly isOff: boolean;
}

/** Most hosts show no more of a name. Common practice, no source. */
const MOST_LETTERS = 40;
const short = (text: string): string =>
  text.length <= MOST_LETTERS ? text : `${text.slice(0, MOST_LETTERS - 1).trimEnd()}…`;

/** Names for the ends of chains, which stay when the units stay, whichever job they do. */
function chainNames(context: WorkedScene): ReadonlyMap<string, Readonly<Record<'to' | 'from', string>>> {
  const naming = namingOf(context.rig, context.session, context.graph);
  return new Map(
    jobsIn(context).flatMap(({ job, track }) =>
      Array.from({ length: track.width }, (_, side) => {
        const [to, from] = [job.chain[0]?.[side], job.chain.at(-1)?.[side]];
        const names = { to: naming.station(to ?? ''), from: naming.station(from ?? '') };
        return [`${job.id} ${String(side)}`, names] as const;
      }),
    ),
  );
}

class Names {
  private readonly chains: ReturnType<typeof chainNames>;
  private readonly naming: ReturnType<typeof namingOf>;

  constructor(private readonly context: WorkedScene) {
    this.chains = chainNames(context);
    this.naming = namingOf(context.rig, context.session, context.graph);
  }

  /** What an input or output is called, by who uses it; the line that comes in names an input before its track does. */
  of(uses: readonly HostUse[], end: 'to' | 'from'): string {
    const insert = uses.find(({ what }) => what === 'insert');
    const line = uses.find(({ what }) => what === 'line');
    const use = insert ?? (end === 'from' ? (line ?? uses[0]) : uses[0]);
    if (use === undefined) return '';
    const side = sideWord(use.side, use.sides);
    if (use.what === 'line') return short(use.name.replace(/^\d+ /, ''));
    if (use.what !== 'insert') {
      const what =
        use.what === 'send' ? `${use.name} send` : use.what === 'cue' ? `${use.name} cue` : use.name;
      return short(`${what} ${side}`.trim());
    }
    const chain = use.job === undefined ? undefined : this.chains.get(`${use.job} ${String(use.side)}`);
    const unit = chain?.[end] ?? `${use.name} slot ${String(use.slot ?? 1)} ${side}`.trim();
    return short(`${end} ${unit}`);
  }

  lane(end: ConverterEnd | undefined): string {
    return end === undefined ? '' : this.naming.lane(this.context.graph.lanes[end.lane]?.id ?? '');
  }
}

const usesOf = (uses: readonly HostUse[], { number }: HostChannel): readonly HostUse[] =>
  uses.filter((use) => use.number === number);

/** The converter channel a way leads to now; one a matrix would have to be turned for says nothing. */
const joined = (ends: readonly ConverterEnd[]): ConverterEnd | undefined => ends.find(({ turns }) => !turns);

function insertLines(context: WorkedScene): readonly NameLine[] {
  return jobsIn(context).flatMap(({ job, slot, track }): readonly NameLine[] => {
    if (slot === undefined) return [];
    const run = (first: number): string =>
      track.width === 1 ? String(first) : `${String(first)}–${String(first + track.width - 1)}`;
    const number = slot.send === slot.return ? run(slot.send) : `${run(slot.send)} / ${run(slot.return)}`;
    const name = short(chainText(context, job));
    return [{ what: 'Insert', number, name, leads: `on ${track.name}`, isOff: slot.off === true }];
  });
}

/** Places in matrices that stand between the host and its converters, under the names of what runs there. */
function matrixLines(context: WorkedScene, names: Names): readonly NameLine[] {
  const { outputs } = hostUses(context);
  return hostChannels(context).flatMap((channel): readonly NameLine[] => {
    const uses = usesOf(outputs, channel);
    const end = joined(channel.dacs);
    const lane = context.graph.lanes[end?.lane ?? -1];
    const device = lane && context.devices.get(lane.device);
    if (uses.length === 0 || lane === undefined || device === undefined) return [];
    if (joinsOf(device).into(lane.id).length === 0) return [];
    return [
      {
        ...{ what: 'Matrix', number: lane.name, name: names.of(uses, 'to'), isOff: false },
        leads: `host output ${String(channel.number)}`,
      },
    ];
  });
}

/**
 * What every input, output and insert is to be called in the host, and in the matrix of an interface before it, with those
 * that can be switched off. Nothing without a host.
 */
export function nameList(context: WorkedScene): readonly NameLine[] {
  if (hostOf(context.rig.devices, context.session) === undefined) return [];
  const names = new Names(context);
  const { inputs, outputs } = hostUses(context);
  const line = (channel: HostChannel, what: 'Input' | 'Output'): readonly NameLine[] => {
    const isInput = what === 'Input';
    if ((isInput ? channel.input : channel.output) < 0) return [];
    const uses = usesOf(isInput ? inputs : outputs, channel);
    return [
      {
        ...{ what, number: String(channel.number), name: names.of(uses, isInput ? 'from' : 'to') },
        leads: names.lane(joined(isInput ? channel.adcs : channel.dacs)),
        isOff: uses.length === 0,
      },
    ];
  };
  const channels = hostChannels(context);
  return [
    ...channels.flatMap((channel) => line(channel, 'Input')),
    ...channels.flatMap((channel) => line(channel, 'Output')),
    ...insertLines(context),
    ...matrixLines(context, names),
  ];
}
