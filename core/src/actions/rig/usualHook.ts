import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import type { Connector } from '../../rig/connector';
import { lanesOf } from '../../rig/faces';
import type { StockId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import type { CordStock, Rig } from '../../rig/rigSchema';

type Kind = Omit<CordStock, 'id'>;

/** How many jacks on front faces take each plug: what cords are for. */
function jacks(rig: Rig): ReadonlyMap<Connector, number> {
  const counts = new Map<Connector, number>();
  for (const device of rig.devices)
    for (const { port } of lanesOf(device).values())
      if (port.face === 'front') counts.set(port.connector, (counts.get(port.connector) ?? 0) + 1);
  return counts;
}

const kind = (
  name: string,
  [one, other]: readonly [Connector, Connector],
  lengthM: number,
  colour: string,
  count: number,
): Kind => ({ name, connectors: [one, other], lengthM, colour, count });

const between = (least: number, wanted: number, most: number): number =>
  Math.min(most, Math.max(least, Math.ceil(wanted)));

/** The cords a room usually has for the jacks it has. Common practice, no source. */
function usualFor(rig: Rig): readonly Kind[] {
  const at = jacks(rig);
  const mics = rig.devices.filter(({ type }) => type === 'microphone').length;
  const count = (plug: Connector): number => at.get(plug) ?? 0;
  const [tt, trs, ts, xlr] = [count('tt'), count('trs'), count('ts'), count('xlr')] as const;
  return [
    ...(xlr > 0
      ? [
          kind('Mic cable', ['xlr', 'xlr'], 5, 'black', between(6, mics + 4, 40)),
          kind('Mic cable', ['xlr', 'xlr'], 10, 'black', between(4, mics / 2, 20)),
        ]
      : []),
    ...(tt > 0
      ? [
          kind('TT cord', ['tt', 'tt'], 0.6, 'ochre', between(12, tt / 8, 48)),
          kind('TT cord', ['tt', 'tt'], 1.2, 'slate', between(6, tt / 16, 24)),
        ]
      : []),
    ...(trs > 0 ? [kind('TRS cord', ['trs', 'trs'], 1, 'ochre', between(8, trs / 8, 48))] : []),
    ...(ts > 0
      ? [
          kind('Instrument lead', ['ts', 'ts'], 3, 'red', 4),
          kind('Patch lead', ['ts', 'ts'], 0.3, 'red', between(6, ts / 2, 24)),
        ]
      : []),
    ...(xlr > 0 && tt > 0 ? [kind('TT to XLR', ['tt', 'xlr'], 2, 'grey', 8)] : []),
    ...(xlr > 0 && trs > 0 ? [kind('TRS to XLR', ['trs', 'xlr'], 2, 'grey', 8)] : []),
  ];
}

const sameKind = (a: Kind, b: Kind): boolean =>
  a.connectors.join() === b.connectors.join() && a.lengthM === b.lengthM;

/** The cords that a usual hook would have and this one does not. */
export const missingCords = (rig: Rig): readonly Kind[] =>
  usualFor(rig).filter((each) => !rig.cords.some((there) => sameKind(there, each)));

/** Hangs up what a usual hook has and this one does not. */
export function usualHookEdits(rig: Rig): readonly Edit[] {
  const taken = new Set<string>(rig.cords.map(({ id }) => id));
  return missingCords(rig).map((each) => {
    const id = idFromName(
      `${each.name} ${String(each.lengthM).replace('.', '-')} m`,
      taken,
      'cord',
    ) as StockId;
    taken.add(id);
    return editAdd('stock', {}, { id, ...each });
  });
}
