import type { Finding } from '../../checks/finding';
import { namingOf } from '../../words/naming';
import { referenceKnob } from '../../scene/referenceOf';
import type { StationId } from '../../rig/ids';
import { settingKeyOf } from '../../rig/settings';
import { formatGain, formatLevel } from '../../units/format';
import { faderDown } from './faderMends';
import type { Bench, Figures, Repair } from './repair';
import { atStation, refOf, single, stationNamed, turned } from './repair';

/** Switches 48 V on or off at the input a finding names. */
export function powerTo(bench: Bench, finding: Finding, isOn: boolean): readonly Repair[] {
  const to = isOn ? 'on' : 'off';
  const { graph, rig, session } = bench.context;
  const naming = namingOf(rig, session, graph);
  const station = refOf(finding, 'station');
  if (station !== undefined)
    return single(
      `Switch 48 V ${to} at ${naming.station(station)}`,
      atStation(bench, station, 'phantom', isOn),
    );
  const lane = graph.lanes[graph.laneIndex.get(refOf(finding, 'lane') as never) ?? -1];
  const knob = lane?.input?.phantom;
  if (lane === undefined || knob === undefined) return [];
  const key = settingKeyOf(lane.device, knob.setting, knob.channel);
  return single(`Switch 48 V ${to} at ${lane.name}`, [turned(bench, key, isOn)]);
}

export function gainTo(
  bench: Bench,
  to: { readonly station: StationId; readonly gainDb: number } | undefined,
): readonly Repair[] {
  if (to === undefined) return [];
  const name = stationNamed(bench, to.station)?.name ?? 'the preamp';
  return single(
    `Turn ${name} to ${formatGain(to.gainDb)} dB`,
    atStation(bench, to.station, 'gainDb', to.gainDb),
  );
}

export function referenceTo(
  bench: Bench,
  id: string | undefined,
  dbu: number | undefined,
): readonly Repair[] {
  const station = stationNamed(bench, id);
  const knob = station && referenceKnob(bench.context, station);
  if (station === undefined || knob === undefined || dbu === undefined) return [];
  return single(`Set ${station.name} to ${formatLevel(dbu, 'dBu')}`, [turned(bench, knob.key, dbu)]);
}

export function overMax(
  bench: Bench,
  figures: Figures<'over-max-input'>,
  finding: Finding,
): readonly Repair[] {
  const lane = bench.context.graph.laneIndex.get(refOf(finding, 'lane') as never);
  const converter = bench.context.graph.stations.find(
    (station) => station.role === 'converter' && station.in === lane,
  );
  return [
    ...gainTo(bench, figures.turnDown),
    ...referenceTo(bench, converter?.id, figures.referenceDbu),
    ...faderDown(bench, figures.fader),
  ];
}
