import type { KnobRef } from '../../rig/deviceModel';
import type { SettingSpec, SettingValue } from '../../rig/settings';
import type { CellReading } from '../../text/cellReading';

/** The knobs of one device, as they stand in a scene. */
export interface Knobs {
  /** Undefined for a knob the device has no more. */
  spec(knob: KnobRef): SettingSpec | undefined;
  value(knob: KnobRef): SettingValue;
}

/** A knob to be turned; null puts it back to where it stands at first. */
export interface Turn {
  readonly knob: KnobRef;
  readonly value: SettingValue | null;
}

/** How a kind of cell is written and read. An empty text puts its knobs back to where they stand at first. */
export interface CellKind<C> {
  text(cell: C, knobs: Knobs): string;
  /** @returns nothing to turn where the text says what is there. */
  read(cell: C, text: string, knobs: Knobs): CellReading<readonly Turn[]>;
  /** Every knob it shows. */
  knobs(cell: C): readonly KnobRef[];
}
