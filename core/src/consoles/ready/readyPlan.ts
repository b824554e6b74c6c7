import type { WorkedScene } from '../../scene/workedScene';
import type { Desk } from '../desk';
import { digitalReady } from './digitalReady';
import type { ReadyPlan } from './readyLine';
import { splitReady } from './splitReady';

/** How each kind of console is made ready. */
const READY: Readonly<Record<string, (context: WorkedScene, desk: Desk) => ReadyPlan>> = {
  digitalConsole: digitalReady,
  splitConsole: splitReady,
};

/** How a console is made ready; undefined for other devices with channels. */
export const readyPlan = (context: WorkedScene, desk: Desk): ReadyPlan | undefined =>
  READY[desk.device.type]?.(context, desk);
