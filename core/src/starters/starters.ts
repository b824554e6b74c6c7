import { hybridRoom } from './hybridRoom';
import { interfaceRoom } from './interfaceRoom';
import { pedalRoom } from './pedalRoom';
import { splitConsoleRoom } from './splitConsoleRoom';
import { stageRoom } from './stageRoom';
import type { Starter } from './starter';
import { threeForOneRoom } from './threeForOneRoom';

/** The generic rooms a rig can be begun from. */
export const STARTERS: readonly Starter[] = [
  interfaceRoom,
  hybridRoom,
  splitConsoleRoom,
  threeForOneRoom,
  stageRoom,
  pedalRoom,
];
