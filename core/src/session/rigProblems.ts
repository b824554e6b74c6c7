import type { Hardwire, Rig } from '../rig/rigSchema';
import { endProblems } from './endProblems';
import type { Path, Problem } from './problem';
import type { RigIndex } from './rigIndex';

function hardwireProblems(wire: Hardwire, path: Path, index: RigIndex): readonly Problem[] {
  return [
    ...endProblems(wire.from, 'out', 'wire', [...path, 'from'], index),
    ...endProblems(wire.to, 'in', 'wire', [...path, 'to'], index),
  ];
}

/** A problem for everything that is called what an earlier thing of its kind is called, whatever the case. */
function sameNames(
  items: readonly { readonly name: string }[],
  kind: 'device' | 'room',
  path: Path,
): readonly Problem[] {
  const first = new Map<string, number>();
  return items.flatMap(({ name }, i): Problem[] => {
    const plain = name.toLowerCase();
    const earlier = first.get(plain);
    if (earlier !== undefined)
      return [
        { code: 'same-name', path: [...path, i, 'name'], kind, name, firstAt: [...path, earlier, 'name'] },
      ];
    first.set(plain, i);
    return [];
  });
}

/** What does not hold inside a rig. */
export function rigProblems(rig: Rig, index: RigIndex): readonly Problem[] {
  const rooms = new Set(rig.rooms.map((room) => room.id));
  const homeless = rig.devices.flatMap(({ room }, i): Problem[] =>
    rooms.has(room)
      ? []
      : [{ code: 'dangling', path: ['rig', 'devices', i, 'room'], kind: 'room', id: room }],
  );
  const nowhere = rig.faults.flatMap(({ id }, i): Problem[] =>
    index.lane(id) === undefined
      ? [{ code: 'dangling', path: ['rig', 'faults', i, 'id'], kind: 'lane', id }]
      : [],
  );
  return [
    ...sameNames(rig.rooms, 'room', ['rig', 'rooms']),
    ...sameNames(rig.devices, 'device', ['rig', 'devices']),
    ...homeless,
    ...nowhere,
    ...rig.hardwires.flatMap((wire, i) => hardwireProblems(wire, ['rig', 'hardwires', i], index)),
  ];
}
