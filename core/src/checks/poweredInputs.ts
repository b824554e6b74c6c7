import type { GraphStation } from '../graph/signalGraph';
import { settingKeyOf } from '../rig/settings';
import type { CheckContext } from './context';

/** The preamp channels whose 48 V is on in the scene. */
export const poweredInputs = ({ graph, scene }: CheckContext): readonly GraphStation[] =>
  graph.stations.filter(
    (station) =>
      station.role === 'preamp' &&
      scene.settings[settingKeyOf(station.device, 'phantom', station.channel)] === true,
  );
