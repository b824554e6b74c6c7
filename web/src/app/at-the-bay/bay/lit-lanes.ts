import type { BayJack, BaysView } from '@ft/core/views/bay/bayView';
import type { LaneId } from '@ft/core/rig/ids';

/** Lanes on the path of a jack: itself, both ends of its cord, and every jack of its thread. */
export function litLanes({ bays, cords }: BaysView, jack: BayJack | undefined): ReadonlySet<LaneId> {
  if (jack === undefined) return new Set();
  const cord = cords.find(({ id }) => id === jack.cord);
  const same = bays.flatMap(({ columns }) =>
    columns.flatMap(({ upper, lower }) =>
      [upper, lower].filter(({ thread }) => thread !== undefined && thread === jack.thread),
    ),
  );
  return new Set([jack.lane, ...(cord ? [cord.from, cord.to] : []), ...same.map(({ lane }) => lane)]);
}
