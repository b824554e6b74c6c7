import type { LaneKey, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../settings';
import { FADER_RANGE, gainKnob, selector } from '../knobs';
import { crosspoint, knobsAt, laneAt } from '../routeKinds';
import type { Tap } from './crossbar';

/** A stereo mix of a device's sources; any source may stand left, right or in both. */
export interface MonitorMix {
  readonly number: number;
  readonly sources: readonly Tap[];
}

const SIDES = ['left', 'right', 'left and right'] as const;

/** The lanes of a mix inside its device: left, then right. */
export const mixLane = (number: number, side: 1 | 2): LaneKey => laneAt('mix', (number - 1) * 2 + side);

const names = (number: number): { readonly to: string; readonly level: string } => ({
  to: `mix${number}To`,
  level: `mix${number}Db`,
});

/** Where each source stands in the mix, and how loud. Channels are the sources in their order. */
export function mixKnobs({ number, sources }: MonitorMix): readonly SettingSpec[] {
  const { to, level } = names(number);
  return [
    selector(to, `Mix ${number}`, sources.length, SIDES),
    gainKnob(level, `Mix ${number} level`, sources.length, 0, FADER_RANGE),
  ];
}

/** The sources a mix takes in. */
export function mixRoutes({ number, sources }: MonitorMix, read: ReadSetting): readonly Route[] {
  const { to, level } = names(number);
  return sources.flatMap(({ lane }, i) => {
    const channel = i + 1;
    const side = Number(read(to, channel));
    const sides = ([1, 2] as const).filter((each) => side === each || side === 3);
    return sides.map((each) =>
      crosspoint(lane, mixLane(number, each), Number(read(level, channel)), {
        knobs: knobsAt(channel, to, level),
      }),
    );
  });
}
