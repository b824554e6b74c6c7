import { newCordPoints, weightsOf } from '@ft/core/routing/costs';
import type { Cost, Highs, Optimum } from '../core/test/routing/againstOptimum';
import { exactOptimum, loadHighs, oneByOneRandom, routedRandom } from '../core/test/routing/againstOptimum';
import { PREFERENCE_ORDER } from '@ft/core/session/preferences';

/** Differences below this are rounding. */
const TINY = 0.5;

interface Compared {
  readonly best: Optimum;
  readonly ours: ReturnType<typeof routedRandom>;
  readonly plain: Cost;
}

const compared = (highs: Highs, seed: number): Compared => ({
  best: exactOptimum(highs, seed),
  ours: routedRandom(seed),
  plain: oneByOneRandom(seed),
});

const share = (part: number, of: number): string => `${((100 * part) / of).toFixed(1)} %`;

/** How a way of routing does against the optimum: threads it leaves out, and how often it is as cheap. */
function row(what: string, rigs: readonly Compared[], costOf: (rig: Compared) => Cost): string {
  const cord = newCordPoints(weightsOf(PREFERENCE_ORDER), 10);
  const short = rigs.filter((rig) => costOf(rig).unrouted > rig.best.unrouted);
  const alike = rigs.filter((rig) => costOf(rig).unrouted === rig.best.unrouted);
  const over = alike.map((rig) => costOf(rig).points - rig.best.points).filter((more) => more > TINY);
  const sum = (cost: (rig: Compared) => number): number => alike.reduce((all, rig) => all + cost(rig), 0);
  const ratio = sum((rig) => costOf(rig).points) / sum(({ best }) => best.points);
  return [
    `  ${what.padEnd(34)} fewer threads than can be in ${share(short.length, rigs.length)}`,
    `as cheap in ${share(alike.length - over.length, alike.length)} of the rest`,
    `at most ${(Math.max(0, ...over) / cord).toFixed(2)} cords over`,
    `${ratio.toFixed(4)} x the least cost`,
  ].join(', ');
}

/**
 * Small random rigs with little to spare, against the exact optimum of an integer program (HiGHS).
 * @param count rigs compared; the first of them are compared in every run of the tests as well.
 */
export async function optimum(count: number): Promise<void> {
  const highs = await loadHighs();
  const all = Array.from({ length: count }, (_, i) => compared(highs, i + 1));
  const rigs = all.filter(({ best }) => best.proven);
  const open = all.filter(({ best }) => !best.proven);
  const invalid = all.filter(({ ours }) => ours.faults.length > 0).length;
  console.log(
    `\n${String(rigs.length)} of ${String(count)} random rigs, solved exactly; ${String(invalid)} routings do not hold`,
  );
  const worse = open.filter(
    ({ best, ours }) =>
      ours.unrouted > best.unrouted || (ours.unrouted === best.unrouted && ours.points > best.points + TINY),
  );
  console.log(
    `  the program was ended in ${String(open.length)}; what it had found by then was better in ${String(worse.length)}`,
  );
  console.log(row('one after another, shortest path', rigs, ({ plain }) => plain));
  console.log(row('together', rigs, ({ ours }) => ours));
}
