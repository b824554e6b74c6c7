import type { BusId } from '../../rig/ids';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import type { Bus } from '../../session/daw/trackSchema';

/** The bus of a typed name, capitals or not. */
export function busNamed(buses: readonly Bus[], name: string): CellReading<BusId> {
  const found = buses.find((bus) => bus.name.toLowerCase() === name.trim().toLowerCase());
  if (found !== undefined) return value(found.id);
  const near = nearestNames(
    name,
    buses.map((bus) => bus.name),
  );
  const hint = near.length > 0 ? didYouMean(near) : ' Add it to the buses first.';
  return refuse(`There is no bus “${name.trim()}”.${hint}`);
}

/** The name of a bus; its id where it is gone. */
export const busName = (buses: readonly Bus[], id: BusId): string =>
  buses.find((bus) => bus.id === id)?.name ?? id;
