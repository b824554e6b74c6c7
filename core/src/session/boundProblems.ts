import { MOST_ITEMS } from '../rig/listBounds';
import type { Path, Problem } from './problem';
import type { Studio } from './studioSchema';

type Counted = readonly [keyof typeof MOST_ITEMS, readonly unknown[], Path];

function countedLists({ rig, floor, sessions }: Studio): readonly Counted[] {
  return [
    ['rooms', rig.rooms, ['rig', 'rooms']],
    ['devices', rig.devices, ['rig', 'devices']],
    ['hardwires', rig.hardwires, ['rig', 'hardwires']],
    ['cordStocks', rig.cords, ['rig', 'cords']],
    ['adaptors', rig.adaptors, ['rig', 'adaptors']],
    ['faults', rig.faults, ['rig', 'faults']],
    ['floorCords', floor.cords, ['floor', 'cords']],
    ['precautions', floor.precautions, ['floor', 'precautions']],
    ['sessions', sessions, ['sessions']],
    ...sessions.flatMap((session, i): readonly Counted[] => {
      const path = ['sessions', i];
      return [
        ['threads', session.threads, [...path, 'threads']],
        ['scenes', session.scenes, [...path, 'scenes']],
        ['waivers', session.waivers, [...path, 'waivers']],
        ['buses', session.buses, [...path, 'buses']],
        ['tracks', session.tracks, [...path, 'tracks']],
        ['performers', session.performers, [...path, 'performers']],
        ['readings', session.readings, [...path, 'readings']],
        ...session.scenes.map((scene, at): Counted => [
          'sceneCords',
          scene.cords,
          [...path, 'scenes', at, 'cords'],
        ]),
      ];
    }),
  ];
}

/** Lists that edits let grow beyond what a file may hold: they would be stored and never read again. */
export const boundProblems = (studio: Studio): readonly Problem[] =>
  countedLists(studio)
    .filter(([key, list]) => list.length > MOST_ITEMS[key])
    .map(([key, list, path]) => ({ code: 'too-many', path, found: list.length, most: MOST_ITEMS[key] }));
