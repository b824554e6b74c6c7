import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { DeviceId } from '@ft/core/rig/ids';
import type { TypeForm } from '@ft/core/rig/paramFields';
import { typeForms } from '@ft/core/rig/paramFields';
import type { Device } from '@ft/core/rig/rigSchema';
import { SettingField } from '../../../shell/inspector/setting-field';
import { askedAbout } from '../../../state/asked';
import { PlanActions } from '../../../state/plan.feature';
import { studioFeature } from '../../../state/studio.feature';
import { DeviceForm } from './device-form';
import { LossQuestion } from '../loss-question';
import { RigChanges } from '../rig-changes';
import { PORT_COLUMNS } from './port-columns';
import { Entry } from '../../../ui/form/entry';
import { Pick } from '../../../ui/form/pick';
import { TextArea } from '../../../ui/form/text-area';
import { Fold } from '../../../ui/fold';
import { Sheet } from '../../../ui/sheet/sheet';
import type { SheetEdits } from '../../../ui/sheet/sheet-column';
import type { PortLine } from '@ft/core/views/rig/deviceView';
import { AnswerState } from '../../../ui/answer';
import { Here } from '../../../shell/here';
import { PartPage } from '../../../shell/part';

/** One device: its data, connectors and what they are wired to, where it is used, and its knobs. */
@Component({
  selector: 'ft-device-page',
  imports: [
    AnswerState,
    DeviceForm,
    Entry,
    Fold,
    LossQuestion,
    PartPage,
    Pick,
    RouterLink,
    SettingField,
    Sheet,
    TextArea,
  ],
  templateUrl: './device-page.html',
  styleUrl: './device-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DevicePage {
  readonly device = input.required<string>();
  private readonly store = inject(Store);
  protected readonly here = inject(Here);
  protected readonly changes = inject(RigChanges);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);

  protected readonly it = computed(() => this.studio()?.rig.devices.find(({ id }) => id === this.device()));
  protected readonly room = computed(
    () => this.studio()?.rig.rooms.find(({ id }) => id === this.it()?.room)?.name ?? '',
  );
  private readonly forms = typeForms();
  protected readonly form = computed((): TypeForm | undefined =>
    this.forms.find(({ type }) => type === this.it()?.type),
  );
  protected readonly view = askedAbout(this.device, (api, id) => api.device(id as DeviceId));
  protected readonly ports = PORT_COLUMNS;
  protected readonly readOnly: SheetEdits<PortLine> = { enter: () => [] };
  protected readonly portId = ({ name, direction, face }: PortLine): string =>
    `port:${name}:${direction}:${face}`;
  protected readonly channel = signal(1);
  protected readonly knobs = askedAbout(
    computed(() => ({ device: this.device() as DeviceId, channel: this.channel() })),
    (api, { device, channel }) => api.channelSettings(device, channel),
  );
  protected readonly channels = computed(() =>
    Array.from({ length: this.view()?.channels ?? 0 }, (_, i) => ({ value: i + 1, name: String(i + 1) })),
  );
  /** The data as JSON, for units of one's own. */
  protected readonly jsonText = linkedSignal(() => JSON.stringify(this.it()?.params ?? {}, null, 2));

  constructor() {
    effect(() => {
      this.store.dispatch(PlanActions.select({ ref: { kind: 'device', id: this.device() as DeviceId } }));
    });
  }

  /** Adds a device with the same data beside this one, and shows it. */
  protected addAnother({ name, room, rack, type, params }: Device): void {
    const [id] = this.changes.addDevices({ name, room, type, params, ...(rack && { rack }) }, 1);
    if (id !== undefined) this.here.go('rig/devices', id);
  }

  protected takeJson(text: string): void {
    const device = this.it();
    if (device === undefined) return;
    try {
      const params = JSON.parse(text) as Readonly<Record<string, unknown>>;
      void this.changes.setParams(device, params);
    } catch (error) {
      this.changes.complain(
        `This is not JSON: ${(error as Error).message}. Mend it and try again; nothing was changed.`,
      );
    }
  }
}
