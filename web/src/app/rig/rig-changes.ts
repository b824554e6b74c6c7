import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { EditJson } from '@ft/core/edits/editKind';
import { idFromName } from '@ft/core/rig/ids';
import type { CordStock, Device, Room } from '@ft/core/rig/rigSchema';
import { StudioActions } from '../state/studio.actions';
import { studioFeature } from '../state/studio.feature';
import { Planner } from '../workers/planner.service';

type NewThing<T extends { readonly id: string }> = { readonly [K in Exclude<keyof T, 'id'>]: unknown };

/** Turns what a person does on the rig page into changes. */
@Injectable({ providedIn: 'root' })
export class RigChanges {
  private readonly store = inject(Store);
  private readonly planner = inject(Planner);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);

  addRoom(name: string): void {
    this.add('room', name, this.studio()?.rig.rooms ?? [], { name } satisfies NewThing<Room>);
  }

  addDevice(device: NewThing<Device> & { readonly name: string }): void {
    this.add('device', device.name, this.studio()?.rig.devices ?? [], device);
  }

  addStock(stock: NewThing<CordStock> & { readonly name: string }): void {
    this.add('stock', stock.name, this.studio()?.rig.cords ?? [], stock);
  }

  addWire(from: string, to: string, label: string): void {
    const item = { id: `wire-${crypto.randomUUID().slice(0, 13)}`, from, to };
    this.change(`Wire ${label}`, [{ type: 'hardwire.add', item }]);
  }

  /** Changes one field of a room, device or cord stock. */
  set(
    what: 'room' | 'device' | 'stock',
    item: Room | Device | CordStock,
    field: string,
    value: unknown,
  ): void {
    const was = (item as unknown as Record<string, unknown>)[field] ?? null;
    if (value === was) return;
    this.change(`${item.name}: ${field}`, [{ type: `${what}.set`, id: item.id, field, value, was }]);
  }

  remove(what: 'room' | 'stock', item: Room | CordStock): void {
    this.change(`Remove ${item.name}`, [{ type: `${what}.remove`, id: item.id, was: item }]);
  }

  async removeDevice(device: Device): Promise<void> {
    this.change(`Remove ${device.name} and its wires`, await this.planner.api.removeDevice(device));
  }

  removeWire(id: string, label: string): void {
    this.change(`Unwire ${label}`, [{ type: 'hardwire.remove', id }]);
  }

  /** Says what could not be understood. */
  complain(text: string): void {
    this.store.dispatch(StudioActions.notice({ tone: 'trouble', text }));
  }

  private add(what: string, name: string, others: readonly { readonly id: string }[], item: object): void {
    if (name.trim() === '') {
      this.complain('Nothing was added: type a name first.');
      return;
    }
    const id = idFromName(name, new Set(others.map((other) => other.id)), what);
    this.change(`Add ${name}`, [{ type: `${what}.add`, item: { id, ...item } }]);
  }

  private change(label: string, edits: readonly EditJson[]): void {
    this.store.dispatch(StudioActions.change({ label, edits }));
  }
}
