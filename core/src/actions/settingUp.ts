import type { ReadyCell } from '../consoles/ready/readyLine';
import type { Edit } from '../edits/make';
import type { DeviceId } from '../rig/ids';
import type { SettingKey, SettingValue } from '../rig/settings';
import type { ChannelChange, ChannelPlan, ChannelRefusal } from './consoles/channelPlan';
import { plannedCells } from './consoles/plannedCells';
import { settingSet } from './patchEdits';
import type { WorkPlace } from './workPlace';
import { workPlaceAfter } from './workPlace';

/** Steps made one after the other, each in the place the ones before it leave. */
export class SettingUp {
  readonly edits: Edit[] = [];
  readonly changes: ChannelChange[] = [];
  readonly refused: ChannelRefusal[] = [];

  constructor(public it: WorkPlace) {}

  make(edits: readonly Edit[]): boolean {
    const next = workPlaceAfter(this.it, edits);
    if (next === undefined) return false;
    this.it = next;
    this.edits.push(...edits);
    return true;
  }

  /** Does some steps, or none of them: where they say false, all is as it was, but for what they told. */
  attempt(steps: () => boolean): boolean {
    const [it, edits, changes] = [this.it, this.edits.length, this.changes.length];
    if (steps()) return true;
    this.it = it;
    this.edits.length = edits;
    this.changes.length = changes;
    return false;
  }

  plan({ edits, changes, refused }: ChannelPlan): void {
    this.changes.push(...changes);
    this.refused.push(...refused);
    this.make(edits);
  }

  cells(device: DeviceId, cells: readonly ReadyCell[]): void {
    if (cells.length > 0) this.plan(plannedCells({ ...this.it, device }, cells));
  }

  knobs(knobs: ReadonlyMap<SettingKey, SettingValue>): void {
    const { place, context } = this.it;
    this.make([...knobs].map(([key, value]) => settingSet(place, context.scene, key, value)));
  }

  say(row: string, column: string, to: string): void {
    this.changes.push({ row, column, from: '', to });
  }

  leaveOut(row: string, column: string, sentence: string): void {
    this.refused.push({ at: this.refused.length, row, column, sentence });
  }
}
