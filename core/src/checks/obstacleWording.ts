import type { Obstacle } from '../routing/diagnose';
import type { PinRef } from '../routing/pinned';
import type { Remedy } from '../routing/remedy';
import type { Naming } from './naming';
import { ROLE_WORDS } from './roleWords';

const list = (names: readonly string[]): string => [...new Set(names)].join(', ');

const unpinHint = ({ thread, role, station }: PinRef, naming: Naming): string =>
  `Without the pin of ${naming.thread(thread)} on ${naming.station(station)} there is room: take it away, or choose another ${ROLE_WORDS[role]}.`;

/** What would free a way. */
function remedySentence(remedy: Remedy | undefined, naming: Naming): string {
  switch (remedy?.code) {
    case undefined:
      return 'Make room there, or choose another unit.';
    case 'unpin':
      return unpinHint(remedy.pin, naming);
    case 're-plan':
      return `Route it: there is room once ${list(remedy.moves.map((id) => naming.thread(id)))} ${remedy.moves.length === 1 ? 'moves' : 'move'}.`;
    case 'leave-out':
      return `Without ${naming.thread(remedy.thread)} in this scene there is room; or choose another unit.`;
  }
}

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
      return `Held by ${threads}: ${places}. ${remedySentence(obstacle.remedy, naming)}`;
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
