import type { Step } from '../space/routingSpace';
import type { Way } from './way';

export type CordStep = Extract<Step, { kind: 'cord' }>;

/** The cords that ways plug, by the jack they leave. */
export const cordsByJack = (ways: readonly Way[]): ReadonlyMap<number, CordStep> =>
  new Map(
    ways.flatMap(({ steps }) =>
      steps.flatMap((step): [number, CordStep][] => (step.kind === 'cord' ? [[step.from, step]] : [])),
    ),
  );

/** How many of a thing off the hook a cord takes. */
export function countOf(takes: readonly number[], thing: number): number {
  let count = 0;
  for (const each of takes) if (each === thing) count++;
  return count;
}
