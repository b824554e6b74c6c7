import type { Obstacle, Remedy } from '../routing/why/obstacle';
import type { PinRef } from '../routing/why/pinned';
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
// eslint-disable-next-line max-lines-per-function -- a literal table, one sentence a case
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
    case 'knob-set':
      return `${naming.knob(obstacle.key)} was set by hand, and the way to ${naming.lane(obstacle.lane)} needs it elsewhere. Take that setting back, or choose another way.`;
    case 'no-pair':
      return `No ${String(obstacle.width)} adjacent DAW inputs, the first of them odd, can be reached together. Make room for them, or unlink the sides.`;
    case 'one-for-several': {
      const { lane, station, role } = obstacle;
      const place = station === undefined ? naming.lane(lane) : naming.station(station);
      const other = role === undefined ? 'way around it' : ROLE_WORDS[role];
      return `Two of its sides need ${place}, and there is no other ${other} for one of them. Make one free, or unlink the sides.`;
    }
    case 'other-side':
      return `${naming.thread(obstacle.thread)}, which belongs to it, has no way: ${obstacleSentence(obstacle.obstacle, naming)}`;
    case 'strict-pair':
      return `This host takes an insert back at the input with the number of its send, ${naming.lane(obstacle.send)}, and the pin says ${naming.station(obstacle.pin.station)}. Take the pin away, or choose the send with its number.`;
    case 'faulty': {
      const jacks = list(obstacle.lanes.map((id) => naming.lane(id)));
      const are = obstacle.lanes.length === 1 ? 'is' : 'are';
      if (obstacle.pin === undefined)
        return `Every way leads over ${jacks}, which ${are} marked as faulty. Mend it and take the mark off, or wire a way around it.`;
      const pinned = naming.station(obstacle.pin.station);
      const pin = pinned === jacks ? 'a pin' : `the pin on ${pinned}`;
      return `${jacks} ${are} marked as faulty, and ${pin} insists on it. Take the pin away, or mend it and take the mark off.`;
    }
    case 'no-lead': {
      const [from, to] = obstacle.connectors.map((connector) => connector.toUpperCase());
      const kinds =
        from === to
          ? `${from ?? ''} to ${to ?? ''}`
          : `${from ?? ''} to ${to ?? ''}, or an adaptor between the two`;
      return `No cord of the rig joins ${naming.lane(obstacle.from)} (${from ?? ''}) to ${naming.lane(obstacle.to)} (${to ?? ''}). Get one from ${kinds}, and enter it in the rig.`;
    }
    case 'no-cord-left': {
      const { needed, left, stock } = obstacle;
      const way = `${naming.lane(obstacle.from)} → ${naming.lane(obstacle.to)}`;
      return needed === 1
        ? `It needs ${way}, but no ${naming.stock(stock)} is left. Free one, or raise the number in the rig.`
        : `It needs ${String(needed)} of ${naming.stock(stock)} and ${left === 0 ? 'none' : `only ${String(left)}`} ${left < 2 ? 'is' : 'are'} left: there is none for ${way}. Free ${String(needed - left)}, or raise the number in the rig.`;
    }
    case 'no-way': {
      const { lane, station, role } = obstacle;
      const named = lane === undefined ? station && naming.station(station) : naming.lane(lane);
      const goal = named ?? `any ${ROLE_WORDS[role]}`;
      return `No wire, normal or cord leads from ${naming.lane(obstacle.from)} to ${goal}. Choose another ${ROLE_WORDS[obstacle.role]}, or wire one to it.`;
    }
  }
}
