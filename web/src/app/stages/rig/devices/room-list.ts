import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { roomCell } from '@ft/core/actions/rig/deviceCell';
import type { Room } from '@ft/core/rig/rigSchema';
import { roomSchema } from '@ft/core/rig/rigSchema';
import { roomsInOrder } from '@ft/core/rig/roomsInOrder';
import { studioFeature } from '../../../state/studio.feature';
import { LineForm } from '../../../ui/form/line-form';
import { SchemaForm } from '../../../ui/form/schema-form';
import type { TakingColumn } from '../../../ui/sheet/cell-takers';
import { CellTakers } from '../../../ui/sheet/cell-takers';
import { Reached } from '../../../ui/sheet/reached';
import { Sheet } from '../../../ui/sheet/sheet';
import { SidePanel } from '../../../ui/side-panel';
import { RigChanges } from '../rig-changes';

/** The rooms: renamed, removed with what is in them, and added. */
@Component({
  selector: 'ft-room-list',
  imports: [LineForm, Sheet, SidePanel],
  template: `
    <ft-side-panel title="Rooms" (closed)="closed.emit()">
      <ft-sheet
        name="Rooms"
        [rows]="rooms()"
        [columns]="columns"
        [edits]="edits"
        [rowId]="rowId"
        (reached)="reached.come($event)"
      />
      <p class="quiet">
        The work list walks through them in this order, from the control room on. Drag a room by its grip, or
        press Alt and an arrow.
      </p>
      @if (reached.row(); as room) {
        <button type="button" title="Ctrl Delete in the sheet" (click)="remove(room)">
          Remove {{ room.name }}
        </button>
      }
      <ft-line-form [form]="form" action="Add" [isMain]="true" (entered)="changes.addRoom($event.name)" />
    </ft-side-panel>
  `,
  styles: `
    ft-line-form {
      margin-top: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RoomList {
  readonly closed = output();
  protected readonly changes = inject(RigChanges);
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly rooms = computed(() => roomsInOrder(this.studio()?.rig ?? { rooms: [], devices: [] }));
  private readonly devices = computed(() => this.studio()?.rig.devices ?? []);
  protected readonly rowId = ({ id }: Room): string => `room:${id}`;
  protected readonly reached = new Reached(this.rooms, this.rowId);
  protected readonly form = new SchemaForm(
    [{ key: 'name', label: 'Another room', kind: 'text', widthRem: 16 }],
    roomSchema.pick({ name: true }),
  );
  protected readonly columns: readonly TakingColumn<Room>[] = [
    {
      ...{ id: 'name', title: 'Room', widthPx: 240, editor: 'text', isRequired: true },
      text: ({ name }) => name,
      take: roomCell,
    },
    {
      ...{ id: 'devices', title: 'Devices', widthPx: 80, isFigure: true },
      text: ({ id }) => String(this.devices().filter(({ room }) => room === id).length),
    },
  ];
  protected readonly edits = new CellTakers<Room>(
    () => this.columns,
    { one: ({ name }) => name, many: 'Rooms' },
    {
      move: (room, by) => {
        this.changes.moveRoom(room, by);
      },
      remove: (room) => {
        this.remove(room);
      },
    },
  );

  /** The question what breaks stands over the page, so the panel makes room for it. */
  protected remove(room: Room): void {
    this.closed.emit();
    void this.changes.removeRoom(room);
  }
}
