import type { Desk, DeskRow } from '../desk';
import { deskOf } from '../desk';
import type { DeviceId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Sum } from '../../session/sumSchema';
import type { SumInput } from '../../mix/sum/sumInputs';
import { sumInputs } from '../../mix/sum/sumInputs';

/** A row of a channel sheet, on its desk. */
export interface DeskPoint {
  readonly desk: Desk;
  readonly row: DeskRow;
}

/** The mixers of a sum as they stand in the scene. */
export class SumDesks {
  private readonly desks: ReadonlyMap<DeviceId, Desk>;

  constructor(
    private readonly context: WorkedScene,
    private readonly sum: Sum,
  ) {
    this.desks = new Map(
      sum.mixers.flatMap((id) => {
        const desk = deskOf(context, id);
        return desk === undefined ? [] : [[id, desk] as const];
      }),
    );
  }

  /** The rows inputs of the sum have: channels of a console, inputs of a summing mixer. */
  pointsOf(inputs: readonly SumInput[]): readonly DeskPoint[] {
    return inputs.flatMap(({ device, lane, strip }) => {
      const desk = this.desks.get(device);
      const row = desk?.rows.find((each) =>
        strip === undefined ? each.lane === lane : each.id === strip.row,
      );
      return desk === undefined || row === undefined ? [] : [{ desk, row }];
    });
  }

  /** The mixer that is printed, where it is a console: its inputs are channels. */
  console(): Desk | undefined {
    const [first] = sumInputs(this.context, this.sum);
    return first?.strip === undefined ? undefined : this.desks.get(first.device);
  }
}
