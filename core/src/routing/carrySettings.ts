import type { GraphStation, SignalGraph } from '../graph/signalGraph';
import { settingsOf } from '../rig/buildDevice';
import type { Rig } from '../rig/rigSchema';
import type { SettingKey, SettingValue } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { Scene } from '../session/sessionSchema';
import type { NewSettings } from './patch';
import type { Way } from './solve/way';

/** The preamp channel a thread had, and the way it takes now. */
export interface Moved {
  readonly before: GraphStation | undefined;
  readonly way: Way;
}

/** The preamp a way passes. */
function preampOn(graph: SignalGraph, { steps }: Way): GraphStation | undefined {
  for (const { from, to } of steps) {
    const station = graph.stations[graph.stationEndingAt[to] ?? -1];
    if (station?.role === 'preamp' && station.in === from) return station;
  }
  return undefined;
}

/**
 * When threads move to other preamp channels, gain, 48 V, pad and polarity go with them, as far as the new
 * channels have them; a channel that was left goes back to its initial state, unless another thread stays on it.
 * Threads may swap.
 * @param threads all that have a way, whether it is the one they had or not.
 */
export function carrySettings(
  rig: Rig,
  scene: Scene,
  graph: SignalGraph,
  threads: readonly Moved[],
): NewSettings {
  const held = new Set(
    threads.flatMap(({ before, way }) => (before?.id === preampOn(graph, way)?.id ? (before?.id ?? []) : [])),
  );
  const left: Record<SettingKey, null> = {};
  const carried: Record<SettingKey, SettingValue> = {};
  for (const { before: old, way } of threads) {
    const next = preampOn(graph, way);
    if (old === undefined || next === undefined || old.id === next.id || held.has(next.id)) continue;
    const device = rig.devices.find((candidate) => candidate.id === next.device);
    for (const { setting } of device === undefined ? [] : settingsOf(device)) {
      if (!next.settings.includes(setting)) continue;
      const oldKey = settingKeyOf(old.device, setting, old.channel);
      const newKey = settingKeyOf(next.device, setting, next.channel);
      const value = scene.settings[oldKey];
      // A channel whose knob stood at its initial place brings that to the new one.
      if (value === undefined) {
        if (scene.settings[newKey] !== undefined) left[newKey] = null;
        continue;
      }
      carried[newKey] = value;
      if (!held.has(old.id)) left[oldKey] = null;
    }
  }
  return { ...left, ...carried };
}
