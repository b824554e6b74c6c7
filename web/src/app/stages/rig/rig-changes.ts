import type { ItemOf, ListName } from '@ft/core/session/lists';
import type { FieldChange, PlaceOf } from '@ft/core/edits/make';
import { editAdd, editRemove, editSet, fieldRead } from '@ft/core/edits/make';
import { Injectable, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Edit } from '@ft/core/edits/make';
import type { WantedDevice } from '@ft/core/actions/rig/addDevices';
import { addDevicesEdits } from '@ft/core/actions/rig/addDevices';
import { movedRoomEdits } from '@ft/core/actions/rig/rigEdits';
import { usualHookEdits } from '@ft/core/actions/rig/usualHook';
import type { HardwireId } from '@ft/core/rig/ids';
import { idFromName } from '@ft/core/rig/ids';
import type { FaultLine } from '@ft/core/views/rig/faultLines';
import type { Adaptor, CordStock, Device, Room } from '@ft/core/rig/rigSchema';
import { studioFeature } from '../../state/studio.feature';
import type { Remote } from 'comlink';
import type { PlannerApi } from '../../workers/planner-api';
import { Changes } from '../../state/changes';
import type { RigChange } from '../../workers/rig-answers';

/** A thing of a list before it has an id. */
type NewThing<N extends ListName> = Omit<ItemOf<N>, 'id'>;

/** A change that breaks threads, waiting for a yes. */
export interface AskedChange extends RigChange {
  readonly label: string;
}

/** Turns what a person does on the rig page into changes. */
@Injectable({ providedIn: 'root' })
export class RigChanges {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  /** The change that waits for a yes. */
  readonly asked = signal<AskedChange | undefined>(undefined);

  addRoom(name: string): void {
    this.add('room', name, this.studio()?.rig.rooms ?? [], { name });
  }

  /**
   * Adds devices that are alike; where a name is taken, or there are several, they are numbered on.
   * @param on what a single one is wired to for good: "interface 3-4".
   * @returns their ids; none where it was refused, which is said.
   */
  addDevices(device: WantedDevice, count: number, on = ''): readonly string[] {
    const rig = this.studio()?.rig;
    const added = rig && addDevicesEdits(rig, device, count, on);
    if (added?.ok !== true) {
      if (added !== undefined) this.complain(`${added.sentence} Nothing was added.`);
      return [];
    }
    const { edits, ids, names, streams, replaced } = added.value;
    const [name = device.name] = names;
    this.change(count === 1 ? `Add ${name}` : `Add ${String(count)} × ${device.name}`, edits);
    if (streams > 0)
      this.changes.say(`${name} is joined with the host of its room: ${String(streams)} streams.`);
    if (replaced > 0)
      this.changes.say(
        `${replaced === 1 ? 'One wire' : `${String(replaced)} wires`} made way for ${name}. Undo brings everything back.`,
      );
    return ids;
  }

  addStock(stock: NewThing<'stock'>): void {
    this.add('stock', stock.name, this.studio()?.rig.cords ?? [], stock);
  }

  addAdaptor(adaptor: NewThing<'adaptor'>): void {
    this.add('adaptor', adaptor.name, this.studio()?.rig.adaptors ?? [], adaptor);
  }

  /** Hangs up the cords a room like this usually has. */
  hangUsualCords(): void {
    const rig = this.studio()?.rig;
    if (rig !== undefined) this.change('A usual hook of cords', usualHookEdits(rig));
  }

  removeAdaptor({ id, name }: Adaptor): void {
    this.change(`Remove ${name}`, [editRemove('adaptor', {}, id)]);
  }

  /** A place works again. What was routed round it stays where it is. */
  mend({ lane, name }: FaultLine): void {
    this.change(`${name} works again`, [editRemove('fault', {}, lane)]);
  }

  noteFault({ lane, name, note }: FaultLine, value: string): void {
    if (value.trim() === note) return;
    const edit = editSet('fault', {}, lane, { field: 'note', value: value.trim(), was: note });
    this.change(`${name}: what is wrong`, [edit]);
  }

  /** Changes one field of a room, device, cord stock or adaptor. */
  set<N extends 'room' | 'device' | 'stock' | 'adaptor'>(
    what: N,
    item: ItemOf<N>,
    field: FieldChange<N>['field'] & string,
    value: unknown,
  ): void {
    const was = (item as Readonly<Record<string, unknown>>)[field] ?? null;
    if (value === was) return;
    const edit = editSet<N>(
      what,
      {} as PlaceOf<N>,
      item.id,
      fieldRead(what, field as FieldChange<N>['field'], value, was),
    );
    this.change(`${item.name}: ${field}`, [edit]);
  }

  /** Gives a device other parameters; asks first where threads would break. */
  async setParams(device: Device, params: Readonly<Record<string, unknown>>): Promise<void> {
    await this.askOrMake(`${device.name}: data`, (api) => api.changeParams(device, params));
  }

  async removeDevice(device: Device): Promise<void> {
    await this.askOrMake(`Remove ${device.name} and its wires`, (api) => api.removeDevice(device));
  }

  async removeRoom(room: Room): Promise<void> {
    await this.askOrMake(`Remove ${room.name} and what is in it`, (api) => api.removeRoom(room));
  }

  /** Puts a room further down the walk through the rooms, or up where `by` is negative. */
  moveRoom(room: Room, by: number): void {
    const studio = this.studio();
    if (studio !== null)
      this.change(
        `${room.name} ${by > 0 ? 'later' : 'earlier'} on the walk`,
        movedRoomEdits(studio, room.id, by),
      );
  }

  async removeStock(stock: CordStock): Promise<void> {
    await this.askOrMake(`Remove ${stock.name}`, (api) => api.removeStock(stock));
  }

  removeWire(id: HardwireId, label: string): void {
    this.change(`Unwire ${label}`, [editRemove('hardwire', {}, id)]);
  }

  /** Makes the change that was asked about, or forgets it. */
  answer(yes: boolean): void {
    const asked = this.asked();
    this.asked.set(undefined);
    if (yes && asked !== undefined) this.change(asked.label, asked.edits);
  }

  /** Says what could not be understood. */
  complain(text: string): void {
    this.changes.complain(text);
  }

  change(label: string, edits: readonly Edit[]): void {
    this.changes.make(label, edits);
  }

  private async askOrMake(
    label: string,
    ask: (api: Remote<PlannerApi>) => Promise<RigChange>,
  ): Promise<void> {
    const change = await this.changes.worked(label, ask);
    if (change === undefined) return;
    const { scenes, devices } = change.loss;
    if (scenes.length > 0 || devices.length > 1) this.asked.set({ label, ...change });
    else this.change(label, change.edits);
  }

  private add<N extends 'room' | 'stock' | 'adaptor'>(
    what: N,
    name: string,
    others: readonly { readonly id: string }[],
    item: NewThing<N>,
  ): void {
    if (name.trim() === '') {
      this.complain('Nothing was added: type a name first.');
      return;
    }
    const id = idFromName(name, new Set(others.map((other) => other.id)), what);
    this.change(`Add ${name}`, [editAdd<N>(what, {} as PlaceOf<N>, { id, ...item } as unknown as ItemOf<N>)]);
  }
}
