import type { Obstacle, PinRef } from '../routing/diagnose';
import type { Naming } from './naming';
import { ROLE_WORDS } from './roleWords';

const list = (names: readonly string[]): string => [...new Set(names)].join(', ');

const unpinHint = ({ role, station }: PinRef, naming: Naming): string =>
  `Without the pin on ${naming.station(station)} there is room: take it away, or choose another ${ROLE_WORDS[role]}.`;

/** Why a thread cannot be routed, and what would help, in two short sentences. */
export function obstacleSentence(obstacle: Obstacle, naming: Naming): string {
  switch (obstacle.code) {
    case 'held': {
      const threads = list(
        obstacle.holders.map(({ thread }) =>
          thread === undefined ? 'a cord planned by hand' : naming.thread(thread),
        ),
      );
      const places = list(
        obstacle.holders.map(({ lane, station }) =>
          station === undefined ? naming.lane(lane) : naming.station(station),
        ),
      );
      const unpin = obstacle.unpin === undefined ? '' : ` ${unpinHint(obstacle.unpin, naming)}`;
      return `Held by ${threads}: ${places}.${unpin || ' Make room there, or choose another unit.'}`;
    }
    case 'pins-contradict': {
      const pins = list(obstacle.pins.map(({ station }) => naming.station(station)));
      const threads = list(obstacle.pins.map(({ thread }) => naming.thread(thread)));
      return `Pins contradict each other: ${pins} (${threads}). Take one of them away.`;
    }
    case 'no-pair':
      return `No ${String(obstacle.width)} adjacent DAW inputs, the first of them odd, can be reached together. Make room for them, or unlink the sides.`;
    case 'no-cord-left':
      return `It needs ${naming.lane(obstacle.from)} → ${naming.lane(obstacle.to)}, but no ${naming.stock(obstacle.stock)} is left. Free one, or raise the number in the rig.`;
    case 'no-way': {
      const { lane, station, role } = obstacle;
      const named = lane === undefined ? station && naming.station(station) : naming.lane(lane);
      const goal = named ?? `any ${ROLE_WORDS[role]}`;
      return `No wire, normal or cord leads from ${naming.lane(obstacle.from)} to ${goal}. Choose another ${ROLE_WORDS[obstacle.role]}, or wire one to it.`;
    }
  }
}
