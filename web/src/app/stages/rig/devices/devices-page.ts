import type { RoomId } from '@ft/core/rig/ids';
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
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { TypeForm } from '@ft/core/rig/paramFields';
import type { Device, Room } from '@ft/core/rig/rigSchema';
import { PlanActions } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import { typedNumber } from '@ft/core/text/typedNumber';
import { DeviceForm } from './device-form';
import { paramTitle } from './param-title';
import { RigChanges } from '../rig-changes';
import { typeForms } from './type-forms';
import { LossBar } from '../loss-bar';
import { PartPage } from '../../../shell/part';

const NAMES = new Intl.Collator('en', { numeric: true });
const MOST_AT_ONCE = 100;

/** Devices of a room by rack; those that stand in none come first, without a heading. */
function racksOf(devices: readonly Device[]): readonly { rack: string; devices: readonly Device[] }[] {
  const names = [...new Set(devices.map(({ rack }) => rack ?? ''))].sort(NAMES.compare);
  return names.map((rack) => ({
    rack,
    devices: devices
      .filter((device) => (device.rack ?? '') === rack)
      .sort((a, b) => NAMES.compare(a.name, b.name)),
  }));
}

/** Rooms as a tree of their devices, and one line to add more. */
@Component({
  selector: 'ft-devices-page',
  imports: [LossBar, PartPage, DeviceForm, RouterLink],
  templateUrl: './devices-page.html',
  styleUrl: './devices-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DevicesPage {
  private readonly store = inject(Store);
  private readonly detector = inject(ChangeDetectorRef);
  private readonly openRow = viewChild<ElementRef<HTMLElement>>('openRow');
  private readonly nameField = viewChild<ElementRef<HTMLInputElement>>('deviceName');
  protected readonly changes = inject(RigChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);

  protected readonly rooms = computed(() => this.studio()?.rig.rooms ?? []);
  protected readonly filter = signal('');
  /** Rooms that are folded up. */
  protected readonly folded = signal<ReadonlySet<string>>(new Set());
  protected readonly groups = computed(() => {
    const devices = this.answering(this.studio()?.rig.devices ?? []);
    return [...this.rooms()]
      .sort((a, b) => NAMES.compare(a.name, b.name))
      .map((room) => {
        const here = devices.filter((device) => device.room === room.id);
        return { room, count: here.length, racks: racksOf(here) };
      })
      .filter(({ count }) => count > 0 || this.filter().trim() === '');
  });
  protected readonly empty = computed(() => (this.studio()?.rig.devices.length ?? 0) === 0);
  protected readonly forms = typeForms();
  /** The device whose parameters are open. */
  protected readonly opened = signal('');
  protected readonly newKind = signal('');
  protected readonly newForm = computed(() =>
    this.forms().find(({ title }) => title.toLowerCase() === this.newKind().trim().toLowerCase()),
  );

  protected titleOf(device: Device): string {
    return this.forms().find(({ type }) => type === device.type)?.title ?? device.type;
  }

  protected formOf(device: Device): TypeForm | undefined {
    return this.forms().find(({ type }) => type === device.type);
  }

  /** The parameters in one line, the counts first: "channels 8 · phantom true". */
  protected summary(device: Device): string {
    return Object.entries(device.params)
      .filter(([, value]) => typeof value !== 'object' || Array.isArray(value))
      .filter(([, value]) => !Array.isArray(value) || value.every((each) => typeof each === 'number'))
      .slice(0, 4)
      .map(([key, value]) => {
        const { name, unit } = paramTitle(key);
        const shown = Array.isArray(value) ? value.join('/') : String(value);
        return `${name} ${shown} ${unit}`.trim();
      })
      .join(' · ');
  }

  /** Devices whose name or kind has what is typed as it stands; where none has, all its words. */
  private answering(devices: readonly Device[]): readonly Device[] {
    const typed = this.filter().trim().toLowerCase();
    const text = (device: Device): string => `${device.name} ${this.titleOf(device)}`.toLowerCase();
    const exact = devices.filter((device) => text(device).includes(typed));
    return exact.length > 0 ? exact : devices.filter((device) => nameMatches(text(device), typed));
  }

  /** Whether something must be known before a device of the kind can be added. */
  protected needsData(form: TypeForm): boolean {
    return form.fields.some(({ required }) => required);
  }

  protected select(device: Device): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id: device.id } }));
  }

  protected fold(room: Room): void {
    this.folded.update((folded) => {
      const next = new Set(folded);
      if (!next.delete(room.id)) next.add(room.id);
      return next;
    });
  }

  /** Opens or closes the parameters of a device, and brings them into view. */
  protected toggle(device: Device): void {
    this.opened.set(this.opened() === device.id ? '' : device.id);
    this.detector.detectChanges();
    this.openRow()?.nativeElement.scrollIntoView({ block: 'nearest' });
  }

  /** Adds one or several devices, and is ready for the next. */
  protected add(name: string, room: string, count: string, params: Readonly<Record<string, unknown>>): void {
    const form = this.newForm();
    const number = typedNumber(count) ?? 1;
    if (form === undefined) this.changes.complain('Nothing was added: choose a kind of device first.');
    else if (!Number.isInteger(number) || number < 1 || number > MOST_AT_ONCE)
      this.changes.complain(
        `Nothing was added: “${count}” is not a number of devices from 1 to ${String(MOST_AT_ONCE)}.`,
      );
    else {
      this.changes.addDevices(
        { name: name.trim() || form.title, room: room as RoomId, type: form.type, params },
        number,
      );
      const field = this.nameField()?.nativeElement;
      if (field !== undefined) field.value = '';
      field?.focus();
    }
  }
}
