import type { Obstacle } from '../routing/diagnose';
import type { Naming } from './naming';
import { ROLE_WORDS } from './roleWords';

const list = (names: readonly string[]): string => [...new Set(names)].join(', ');

/** Why a thread cannot be routed, and what would help, in two short sentences. */
export function obstacleSentence(obstacle: Obstacle, naming: Naming): string {
  switch (obstacle.code) {
    case 'source-held':
      return `${naming.lane(obstacle.lane)} already feeds ${naming.thread(obstacle.thread)}. Choose another microphone, or remove one of the two threads.`;
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
      return `Held by ${threads}: ${places}. Make room there, or choose another unit.`;
    }
    case 'no-cord-left':
      return `It needs ${naming.lane(obstacle.from)} → ${naming.lane(obstacle.to)}, but no ${naming.stock(obstacle.stock)} is left. Free one, or raise the number in the rig.`;
    case 'no-way': {
      const goal =
        obstacle.station === undefined
          ? `any ${ROLE_WORDS[obstacle.role]}`
          : naming.station(obstacle.station);
      return `No wire, normal or cord leads from ${naming.lane(obstacle.from)} to ${goal}. Choose another ${ROLE_WORDS[obstacle.role]}, or wire one to it.`;
    }
  }
}
