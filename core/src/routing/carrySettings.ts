import type { GraphStation, SignalGraph } from '../graph/signalGraph';
import { settingsOf } from '../rig/buildDevice';
import type { Rig } from '../rig/rigSchema';
import type { SettingKey, SettingValue } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { Scene } from '../session/sessionSchema';
import type { Hop } from './searchPath';

/** New values by setting; null puts a knob back to its initial value. */
export type CarriedSettings = Readonly<Record<SettingKey, SettingValue | null>>;

/** The preamp a way passes. */
function preampOn(graph: SignalGraph, hops: readonly Hop[]): GraphStation | undefined {
  const ends = hops.flatMap((hop) => (hop.kind === 'edge' ? [graph.stationEndingAt[hop.edge.to] ?? -1] : []));
  return ends.map((end) => graph.stations[end]).find((station) => station?.role === 'preamp');
}

/**
 * When a thread moves to another preamp channel, its gain, 48 V, pad and polarity go with it, as far
 * as the new channel has them; the channel it left goes back to its initial state.
 */
export function carrySettings(
  rig: Rig,
  scene: Scene,
  stationsBefore: readonly GraphStation[],
  hops: readonly Hop[],
  graph: SignalGraph,
): CarriedSettings {
  const old = stationsBefore.find((station) => station.role === 'preamp');
  const next = preampOn(graph, hops);
  if (old === undefined || next === undefined || old.id === next.id) return {};
  const device = rig.devices.find((candidate) => candidate.id === next.device);
  const carried: Record<string, SettingValue | null> = {};
  for (const { setting } of device === undefined ? [] : settingsOf(device)) {
    const oldKey = settingKeyOf(old.device, setting, old.channel);
    const value = scene.settings[oldKey];
    if (value === undefined) continue;
    carried[settingKeyOf(next.device, setting, next.channel)] = value;
    carried[oldKey] = null;
  }
  return carried;
}
