import type { Connector } from '../../rig/connector';
import type { AdaptorId, StockId } from '../../rig/ids';
import type { Rig } from '../../rig/rigSchema';
import type { Cord } from '../../session/sessionSchema';

/** A cord with what is pushed onto its plugs: what joins a jack of one kind to a jack of another. */
export interface Lead {
  readonly stock: StockId;
  readonly fromAdaptor?: AdaptorId;
  readonly toAdaptor?: AdaptorId;
  readonly lengthM: number;
  /** What it takes off the hook, as indices into the counts of stocks and adaptors. */
  readonly takes: readonly number[];
}

/** What hangs on the hook: cords by stock, then adaptors by kind. */
export interface Hook {
  readonly ids: readonly (StockId | AdaptorId)[];
  readonly counts: readonly number[];
}

export const hookOf = (rig: Rig): Hook => ({
  ids: [...rig.cords.map(({ id }) => id), ...rig.adaptors.map(({ id }) => id)],
  counts: [...rig.cords.map(({ count }) => count), ...rig.adaptors.map(({ count }) => count)],
});

/** What a cord of a scene takes off the hook. */
export const takenBy = (
  { ids }: Hook,
  cord: Pick<Cord, 'stock' | 'fromAdaptor' | 'toAdaptor'>,
): readonly number[] =>
  [cord.stock, cord.fromAdaptor, cord.toAdaptor].flatMap((id) => {
    const index = id === undefined ? -1 : ids.indexOf(id);
    return index < 0 ? [] : [index];
  });

interface End {
  readonly connector: Connector;
  readonly adaptor?: AdaptorId;
}

/** What a plug can become: itself, or what an adaptor makes of it. */
const endsOf = (plug: Connector, rig: Rig): readonly End[] => [
  { connector: plug },
  ...rig.adaptors.flatMap(({ id, connectors: [a, b] }): End[] => {
    if (a === plug && b !== plug) return [{ connector: b, adaptor: id }];
    return b === plug && a !== plug ? [{ connector: a, adaptor: id }] : [];
  }),
];

/** Names a pair of connectors. */
export const leadClass = (from: string, to: string): string => `${from} ${to}`;

/** An adaptor more is dearer than a longer cord of the right kind. */
const byBest = (a: Lead, b: Lead): number =>
  a.takes.length - b.takes.length || a.lengthM - b.lengthM || (a.takes[0] ?? 0) - (b.takes[0] ?? 0);

/** Every lead there is for each pair of connectors, the best first. */
export function leadsByClass(rig: Rig): ReadonlyMap<string, readonly Lead[]> {
  const hook = hookOf(rig);
  const classes = new Map<string, Lead[]>();
  for (const stock of rig.cords)
    for (const [plug, other] of [stock.connectors, [...stock.connectors].reverse() as [Connector, Connector]])
      for (const from of endsOf(plug, rig))
        for (const to of endsOf(other, rig)) {
          const made = {
            stock: stock.id,
            ...(from.adaptor && { fromAdaptor: from.adaptor }),
            ...(to.adaptor && { toAdaptor: to.adaptor }),
          };
          const lead: Lead = { ...made, lengthM: stock.lengthM, takes: takenBy(hook, made) };
          const key = leadClass(from.connector, to.connector);
          const list = classes.get(key) ?? [];
          // A cord alike at both ends comes up once for each way round.
          if (!list.some((each) => each.takes.join() === lead.takes.join())) list.push(lead);
          classes.set(key, list);
        }
  for (const list of classes.values()) list.sort(byBest);
  return classes;
}
