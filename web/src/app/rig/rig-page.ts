import { ScrollingModule } from '@angular/cdk/scrolling';
import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  ChangeDetectorRef,
  Component,
  computed,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { EMPTY, from, switchMap } from 'rxjs';
import type { WireEnd } from '@ft/core/plan/rigView';
import { CONNECTORS } from '@ft/core/rig/connector';
import type { CordStock, Device, Room } from '@ft/core/rig/rigSchema';
import { PlanActions, planFeature } from '../state/plan.feature';
import { studioFeature } from '../state/studio.feature';
import { typedNumber } from '../track/typed-number';
import { Planner } from '../workers/planner.service';
import { DeviceForm } from './device-form';
import { paramTitle } from './param-title';
import { RigChanges } from './rig-changes';
import { WireEndField } from './wire-end-field';

const NAMES = new Intl.Collator('en', { numeric: true });

/** The rig: rooms, devices with their parameters, fixed wiring, and the cords on the hook. */
@Component({
  selector: 'ft-rig-page',
  imports: [DeviceForm, ScrollingModule, WireEndField],
  templateUrl: './rig-page.html',
  styleUrl: './rig-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RigPage {
  private readonly store = inject(Store);
  private readonly planner = inject(Planner);
  private readonly detector = inject(ChangeDetectorRef);
  private readonly openRow = viewChild<ElementRef<HTMLElement>>('openRow');
  protected readonly changes = inject(RigChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly plan = this.store.select(planFeature.selectPlan);

  protected readonly plugs = CONNECTORS.filter((connector) => connector !== 'fixed' && connector !== 'host');
  protected readonly rooms = computed(() => this.studio()?.rig.rooms ?? []);
  protected readonly devices = computed(() =>
    [...(this.studio()?.rig.devices ?? [])].sort(
      (a, b) => NAMES.compare(this.roomName(a.room), this.roomName(b.room)) || NAMES.compare(a.name, b.name),
    ),
  );
  protected readonly cords = computed(() => this.studio()?.rig.cords ?? []);
  protected readonly forms = toSignal(from(this.planner.api.typeForms()), { initialValue: [] });
  protected readonly wires = toSignal(
    this.plan.pipe(switchMap((plan) => (plan === null ? EMPTY : from(this.planner.api.wires())))),
    { initialValue: [] },
  );
  protected readonly tab = signal<'devices' | 'wiring' | 'cords'>('devices');
  /** The device whose parameters are open. */
  protected readonly opened = signal('');
  protected readonly newType = signal('');
  protected readonly newForm = computed(() => this.forms().find(({ type }) => type === this.newType()));
  protected readonly from = signal<WireEnd | undefined>(undefined);
  protected readonly to = signal<WireEnd | undefined>(undefined);
  protected readonly fromText = signal('');
  protected readonly toText = signal('');

  protected titleOf(device: Device): string {
    return this.forms().find(({ type }) => type === device.type)?.title ?? device.type;
  }

  protected formOf(device: Device): ReturnType<typeof this.newForm> {
    return this.forms().find(({ type }) => type === device.type);
  }

  /** The parameters in one line: "8 lines", "condenser, 12 mV/Pa". */
  protected summary(device: Device): string {
    return Object.entries(device.params)
      .slice(0, 4)
      .map(([key, value]) => {
        const { name, unit } = paramTitle(key);
        const shown = Array.isArray(value) ? value.join('/') : String(value);
        return `${name} ${shown} ${unit}`.trim();
      })
      .join(' · ');
  }

  protected select(device: Device): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id: device.id } }));
  }

  /** Opens or closes the parameters of a device, and brings them into view. */
  protected toggle(device: Device): void {
    this.opened.set(this.opened() === device.id ? '' : device.id);
    this.detector.detectChanges();
    this.openRow()?.nativeElement.scrollIntoView({ block: 'nearest' });
  }

  protected addDevice(name: string, room: string, params: Readonly<Record<string, unknown>>): void {
    this.changes.addDevice({ name: name.trim(), room, type: this.newType(), params });
    this.newType.set('');
  }

  protected addWire(): void {
    const [from, to] = [this.from(), this.to()];
    if (from === undefined || to === undefined) return;
    this.changes.addWire(from.id, to.id, `${from.name} to ${to.name}`);
    this.from.set(undefined);
    this.to.set(undefined);
    this.fromText.set('');
    this.toText.set('');
  }

  protected addStock(
    name: string,
    a: string,
    b: string,
    lengthM: string,
    colour: string,
    count: string,
  ): void {
    const [length, number] = [typedNumber(lengthM), typedNumber(count)];
    if (length === undefined || number === undefined)
      this.changes.complain('No cords were added: they need a length in metres and a number.');
    else
      this.changes.addStock({
        name: name.trim(),
        connectors: [a, b],
        lengthM: length,
        colour,
        count: number,
      });
  }

  protected setCount(stock: CordStock, text: string): void {
    const count = typedNumber(text);
    if (count === undefined) this.changes.complain(`“${text}” is not a number of cords.`);
    else this.changes.set('stock', stock, 'count', count);
  }

  protected roomName(id: string): string {
    return this.rooms().find((room: Room) => room.id === id)?.name ?? id;
  }
}
