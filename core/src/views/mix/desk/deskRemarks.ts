import { panText } from '../../../consoles/cells/panText';
import type { Desk } from '../../../consoles/desk';
import { busLeads } from './deskTexts';
import type { DeskBus, DeskStem } from '../../../consoles/mixing/deskBuses';
import { directsOf } from '../../../consoles/mixing/directs';
import type { PanPair } from '../../../mix/parallelPans';
import { deskParallels } from '../../../mix/parallelPans';
import type { WorkedScene } from '../../../scene/workedScene';
import { formatGain } from '../../../units/format';
import { listed } from '../../../words/findings/speak';

/** Stems that come to the mix by themselves and over a group that goes there too. */
function twiceRemark(buses: readonly DeskBus[]): readonly string[] {
  const mix = buses.find(({ kind }) => kind === 'mix');
  const over = buses.filter(({ kind, name }) => kind === 'group' && mix?.feeds.includes(name) === true);
  return over.flatMap(({ name, feeds }) => {
    const twice = feeds.filter((stem) => mix?.feeds.includes(stem) === true);
    return twice.length === 0
      ? []
      : [
          `${listed(twice)} ${twice.length === 1 ? 'comes' : 'come'} to the mix directly and over ${name}: twice. Take ${twice.length === 1 ? 'its channel' : 'their channels'} off the mix, or use the group as a parallel bus and mean it.`,
        ];
  });
}

/** Groups that stems come to and that lead nowhere. */
function lostRemark(buses: readonly DeskBus[], leads: (bus: DeskBus) => string): readonly string[] {
  const mix = buses.find(({ kind }) => kind === 'mix');
  return buses.flatMap((bus) => {
    const { kind, name, feeds } = bus;
    if (kind !== 'group' || mix?.feeds.includes(name) === true || leads(bus) !== '') return [];
    return [
      `${listed(feeds)} ${feeds.length === 1 ? 'comes' : 'come'} to ${name}, which leads nowhere: put it to the mix, or patch its output.`,
    ];
  });
}

/** Channels whose direct out is recorded behind a fader that is not at unity. */
function directRemark(context: WorkedScene, stems: readonly DeskStem[]): readonly string[] {
  const off = stems.flatMap(({ name, points }) => {
    const direct = directsOf(context, points).find(
      ({ line, offDb }) => line !== undefined && Math.abs(offDb) >= 0.05,
    );
    return direct === undefined ? [] : [`${name} by ${formatGain(direct.offDb)} dB`];
  });
  return off.length === 0
    ? []
    : [
        `Recorded by the direct outs, channel faders off unity shift what is recorded: ${listed(off)}. Put them to 0, or take the direct out before the fader.`,
      ];
}

const nameAt = ({ graph }: WorkedScene, stems: readonly DeskStem[], pair: PanPair): string => {
  if (pair.of === 'track') return pair.track;
  const lane = graph.laneIndex.get(pair.lane);
  const stem = stems.find(({ points }) => points.some(({ row }) => row.lane === lane));
  return stem?.name ?? graph.lanes[lane ?? -1]?.name ?? pair.lane;
};

/** Where a parallel bus pans otherwise than the mix. */
const parallelRemarks = (context: WorkedScene, desk: Desk, stems: readonly DeskStem[]): readonly string[] =>
  deskParallels(context, desk.device).flatMap(({ bus, pairs }) => {
    const named = pairs.map(
      (pair) => `${nameAt(context, stems, pair)} ${panText(pair.bus)} instead of ${panText(pair.mix)}`,
    );
    return named.length === 0
      ? []
      : [
          `In the parallel bus on the ${bus.name}, ${listed(named)}. Match its pans, or it pulls the picture aside.`,
        ];
  });

/** What is to be said of a mix on a console. */
export const deskRemarks = (
  context: WorkedScene,
  desk: Desk,
  stems: readonly DeskStem[],
  buses: readonly DeskBus[],
): readonly string[] => [
  ...twiceRemark(buses),
  ...lostRemark(buses, (bus) => busLeads(context, desk, bus)),
  ...parallelRemarks(context, desk, stems),
  ...directRemark(context, stems),
];
