import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { typeForms } from '@ft/core/rig/paramFields';
import type { Device } from '@ft/core/rig/rigSchema';
import { Here } from '../../../shell/here';
import { PartPage } from '../../../shell/part';
import { PlanActions, planFeature } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import { CellTakers } from '../../../ui/sheet/cell-takers';
import { SearchBox } from '../../../ui/form/search-box';
import { ColumnMenu } from '../../../ui/sheet/column-menu';
import { Sheet } from '../../../ui/sheet/sheet';
import { SidePanel } from '../../../ui/side-panel';
import { LossQuestion } from '../loss-question';
import { RigChanges } from '../rig-changes';
import { AddDevice } from './add-device';
import { BegunAs } from './begun-as';
import type { DeviceRow } from './device-columns';
import { answering, deviceColumns, deviceRows } from './device-columns';
import { DeviceForm } from './device-form';
import { GearList } from './gear-list';
import { RoomList } from './room-list';

/** The devices of all rooms, and one line to add more. */
@Component({
  selector: 'ft-devices-page',
  imports: [
    AddDevice,
    BegunAs,
    ColumnMenu,
    DeviceForm,
    GearList,
    LossQuestion,
    PartPage,
    RoomList,
    RouterLink,
    SearchBox,
    Sheet,
    SidePanel,
  ],
  templateUrl: './devices-page.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DevicesPage {
  private readonly store = inject(Store);
  protected readonly here = inject(Here);
  protected readonly changes = inject(RigChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  protected readonly sheet = viewChild<Sheet<DeviceRow>>(Sheet);
  private readonly forms = typeForms();

  protected readonly filter = signal('');
  private readonly all = computed(() => {
    const rig = this.studio()?.rig;
    return rig === undefined ? [] : deviceRows(rig, this.forms);
  });
  protected readonly rows = computed(() => answering(this.all(), this.filter()));
  protected readonly empty = computed(() => this.all().length === 0);
  protected readonly rowId = ({ device }: DeviceRow): string => device.id;
  protected readonly columns = deviceColumns(() => this.studio()?.rig);
  protected readonly edits = new CellTakers<DeviceRow>(
    () => this.columns,
    { one: ({ device }) => device.name, many: 'Devices' },
    {
      open: ({ device }) => {
        this.here.go('rig/devices', device.id);
      },
      remove: ({ device }) => void this.changes.removeDevice(device),
    },
  );

  /** The device that is selected, here or in another window. */
  protected readonly chosen = computed(() => {
    const selection = this.selection();
    return selection?.kind === 'device'
      ? this.all().find(({ device }) => device.id === selection.id)?.device
      : undefined;
  });
  protected readonly form = computed(() => this.forms.find(({ type }) => type === this.chosen()?.type));
  protected readonly isDataOpen = signal(false);
  protected readonly isListOpen = signal(false);
  protected readonly areRoomsOpen = signal(false);

  protected reach({ device }: DeviceRow): void {
    if (device.id !== this.chosen()?.id)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id: device.id } }));
  }

  protected save(device: Device, params: Readonly<Record<string, unknown>>): void {
    this.isDataOpen.set(false);
    void this.changes.setParams(device, params);
  }
}
