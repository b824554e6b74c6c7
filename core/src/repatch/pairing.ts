import type { LaneId } from '../rig/ids';
import type { CordStock } from '../rig/rigSchema';
import type { FloorCord } from '../session/floorSchema';
import { assignment } from './assignment';
import type { Use } from './sharedEnds';
import { jacksNeededEarly, useOf } from './sharedEnds';
import { kindsOf } from './standIns';
import type { Move, WantedCord } from './step';

/** What becomes of the cords on the floor, and where the wanted ones come from. */
export interface Pairing {
  readonly kept: readonly FloorCord[];
  readonly moves: readonly Move[];
  readonly pulls: readonly FloorCord[];
  /** Each with the kind of cord it is plugged with: the wanted one, or one that stands in for it. */
  readonly plugs: readonly WantedCord[];
}

const isThere = (cord: FloorCord, wanted: WantedCord): boolean =>
  cord.id === wanted.from &&
  cord.to === wanted.to &&
  cord.stock === wanted.stock &&
  cord.fromAdaptor === wanted.fromAdaptor &&
  cord.toAdaptor === wanted.toAdaptor;

/**
 * Pairs the cords on the floor with those wanted so that the fewest movements of a hand remain: one that
 * is there already stays; one that shares an end with a wanted one is moved; the rest is pulled or plugged. A
 * longer cord with the same plugs stands in for another where that saves a movement, and nothing then lacks.
 * @param isHeard whether something plugged into a jack is heard directly; what is comes last of all.
 */
export function pairing(
  floor: readonly FloorCord[],
  wanted: readonly WantedCord[],
  stocks: readonly CordStock[],
  isHeard: (jack: LaneId) => boolean,
): Pairing {
  // One that is there as it is wanted can do nothing else: both its jacks are spoken for.
  const there = new Map(
    floor.flatMap((cord): [FloorCord, WantedCord][] => {
      const same = wanted.find((each) => isThere(cord, each));
      return same === undefined ? [] : [[cord, same]];
    }),
  );
  const settled = new Set(there.values());
  const loose = floor.filter((cord) => !there.has(cord));
  const open = wanted.filter((each) => !settled.has(each));
  const kinds = kindsOf(stocks, floor, [...there.keys()]);
  const early = jacksNeededEarly(wanted, isHeard);
  const uses = (cord: FloorCord, each: WantedCord): Use | undefined => useOf(cord, each, early, isHeard);
  const { given, moves } = assignment(loose, open, kinds, uses);
  const used = new Set(given.flatMap((source) => source?.cord ?? []));
  const stays = loose.filter((_, c) => given.some((source) => source?.cord === c && source.use === 'stays'));
  return {
    kept: [...there.keys(), ...stays],
    moves,
    pulls: loose.filter((_, c) => !used.has(c)),
    plugs: open.flatMap((each, i): WantedCord[] => {
      const source = given[i];
      if (source?.cord !== undefined) return [];
      return [source === undefined ? each : { ...each, stock: source.kind }];
    }),
  };
}
