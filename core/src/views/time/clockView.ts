import type { WorkedScene } from '../../scene/workedScene';

import type { DeviceId } from '../../rig/ids';
import type { Device } from '../../rig/rigSchema';
import type { ClockedDevice } from '../../timing/clockPlan';
import type { DigitalCable } from '../../timing/digitalCables';
import { linkLanes } from '../../units/linkLanes';

/** A device of a clock domain, as deep below its master as there are devices between. */
export interface ClockRow {
  readonly device: DeviceId;
  readonly name: string;
  readonly depth: number;
  readonly isMaster: boolean;
  /** "word clock from House clock", "its own clock", "nobody has said". */
  readonly source: string;
  readonly said: boolean;
  readonly rateHz?: number;
  readonly fixedHz?: number;
  /** What it can be told to follow: `internal`, and the connectors that something leads to. */
  readonly choices: readonly { readonly follows: string; readonly name: string }[];
  readonly follows?: string;
}

export interface LinkRow {
  readonly from: string;
  readonly to: string;
  readonly kind: string;
  readonly lanes: number;
  readonly carries: number;
  readonly lost: number;
  readonly rateHz?: number;
}

export interface ClockView {
  readonly domains: readonly { readonly masters: readonly string[]; readonly rows: readonly ClockRow[] }[];
  readonly links: readonly LinkRow[];
  readonly sessionHz: number;
}

const LINK_NAMES: Readonly<Record<string, string>> = { optical: 'optical', madi: 'MADI', aes3: 'AES3' };

const keyOf = (lane: string): string => lane.split('/')[1] ?? '';

/** Followers below whom they follow, masters at the top, the lost at the end. */
function inOrder(devices: readonly ClockedDevice[]): readonly { at: ClockedDevice; depth: number }[] {
  const below = (leader: DeviceId, depth: number): { at: ClockedDevice; depth: number }[] =>
    devices
      .filter(({ source }) => source.kind === 'follows' && source.device === leader)
      .flatMap((at) => [{ at, depth }, ...(at.master === undefined ? [] : below(at.device, depth + 1))]);
  const tops = devices.filter(({ source }) => source.kind === 'internal');
  const led = tops.flatMap((at) => [{ at, depth: 0 }, ...below(at.device, 1)]);
  const seen = new Set(led.map(({ at }) => at.device));
  return [...led, ...devices.filter(({ device }) => !seen.has(device)).map((at) => ({ at, depth: 0 }))];
}

class ClockPage {
  private readonly byId: ReadonlyMap<DeviceId, Device>;
  private readonly rates: ReadonlyMap<DeviceId, number | undefined>;

  constructor(private readonly context: WorkedScene) {
    this.byId = new Map(context.rig.devices.map((device) => [device.id, device]));
    this.rates = new Map(
      context.clocks.domains.flatMap(({ devices }) =>
        devices.map(({ device, rateHz }) => [device, rateHz] as const),
      ),
    );
  }

  view(): ClockView {
    const { clocks, session } = this.context;
    return {
      domains: clocks.domains.map(({ devices, masters }) => ({
        masters: masters.map((id) => this.name(id)),
        rows: inOrder(devices).map(({ at, depth }) => this.row(at, depth)),
      })),
      links: clocks.cables
        .filter(({ medium, isHost }) => medium === 'digital' && !isHost)
        .map((it) => this.link(it)),
      sessionHz: session.sampleRateHz,
    };
  }

  private name(id: DeviceId): string {
    return this.byId.get(id)?.name ?? id;
  }

  private incoming(id: DeviceId): readonly DigitalCable[] {
    return this.context.clocks.cables.filter(({ to }) => to.device === id);
  }

  private row(at: ClockedDevice, depth: number): ClockRow {
    const device = this.byId.get(at.device);
    const fixedHz = device?.clock?.rateHz;
    const follows = device?.clock?.follows;
    return {
      device: at.device,
      name: this.name(at.device),
      depth,
      isMaster: at.source.kind === 'internal',
      source: this.sourceText(at),
      said: at.said,
      ...(at.rateHz !== undefined && { rateHz: at.rateHz }),
      ...(fixedHz !== undefined && { fixedHz }),
      choices: [{ follows: 'internal', name: 'its own clock' }, ...this.connectorsOf(at.device)],
      ...(follows !== undefined && { follows }),
    };
  }

  /** The connectors of a device that something leads to, each once. */
  private connectorsOf(id: DeviceId): ClockRow['choices'] {
    const choices = new Map<string, { readonly follows: string; readonly name: string }>();
    for (const cable of [...this.incoming(id)].sort((a, b) => a.to.index - b.to.index)) {
      const follows = keyOf(cable.to.lane);
      if (!choices.has(follows)) choices.set(follows, { follows, name: this.over(cable) });
    }
    return [...choices.values()];
  }

  private over({ medium, link, from, isHost }: DigitalCable): string {
    const kind =
      medium === 'clock' ? 'word clock' : isHost ? 'driver' : (LINK_NAMES[link ?? ''] ?? 'digital');
    return `${kind} from ${this.name(from.device)}`;
  }

  private sourceText({ source, device }: ClockedDevice): string {
    switch (source.kind) {
      case 'internal':
        return 'its own clock';
      case 'nothing':
        return `${source.over}, which no clock reaches`;
      case 'unsaid':
        return 'nobody has said';
      case 'follows': {
        const cable = this.incoming(device).find(({ to }) => to.lane === source.over);
        return cable === undefined ? `driver to ${this.name(source.device)}` : this.over(cable);
      }
    }
  }

  private link(cable: DigitalCable): LinkRow {
    const { graph, session } = this.context;
    const lane = (id: string): string => graph.lanes[graph.laneIndex.get(id as never) ?? -1]?.name ?? id;
    const rateHz = this.rates.get(cable.from.device);
    return {
      from: lane(cable.from.lane).replace(/ 1$/, ''),
      to: lane(cable.to.lane).replace(/ 1$/, ''),
      kind: LINK_NAMES[cable.link ?? ''] ?? 'digital',
      lanes: cable.lanes,
      carries: cable.link === undefined ? cable.lanes : linkLanes(cable.link, session.sampleRateHz),
      lost: cable.lost.length,
      ...(rateHz !== undefined && { rateHz }),
    };
  }
}

/** Who follows whom, over which connection, at which rate, and what each link carries. */
export const clockView = (context: WorkedScene): ClockView => new ClockPage(context).view();
