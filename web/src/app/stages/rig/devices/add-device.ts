import { ChangeDetectionStrategy, Component, computed, ElementRef, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import * as z from 'zod';
import type { TypeForm } from '@ft/core/rig/paramFields';
import { typeForms } from '@ft/core/rig/paramFields';
import { studioFeature } from '../../../state/studio.feature';
import { Fold } from '../../../ui/fold';
import { Field } from '../../../ui/form/field';
import { focusField } from '../../../ui/form/focus-field';
import type { FormField } from '../../../ui/form/form-field';
import { SchemaForm } from '../../../ui/form/schema-form';
import { RigChanges } from '../rig-changes';
import { DeviceForm } from './device-form';

const MOST_AT_ONCE = 100;
const NUMBER = `from 1 to ${String(MOST_AT_ONCE)} devices`;

/** Adds one or several devices of a kind, with typical data or its own. */
@Component({
  selector: 'ft-add-device',
  imports: [DeviceForm, Field, Fold],
  template: `
    <form (submit)="add({}); $event.preventDefault()">
      @for (field of form.fields; track field.key) {
        <ft-field [form]="form" [key]="field.key" />
      }
      <button type="submit" class="main" [disabled]="kind() !== undefined && needsData()">
        Add with typical data
      </button>
    </form>
    @if (kind(); as form) {
      <p class="quiet">{{ form.what }}</p>
      @if (form.fields.length > 0) {
        <ft-fold title="Its data, where it is not typical" [isOpen]="needsData()">
          <ft-device-form [form]="form" action="Add" (saved)="add($event)" />
        </ft-fold>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.4rem 0.75rem;
      border-bottom: 1px solid var(--ft-line);
    }
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: start;
      gap: 0.3rem 0.6rem;
    }
    button {
      margin-top: 1.15rem;
    }
    p {
      margin: 0.3rem 0 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddDevice {
  private readonly changes = inject(RigChanges);
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  private readonly forms = typeForms();

  protected readonly form = this.makeForm();
  private readonly typed = toSignal(this.form.group.valueChanges, { initialValue: this.form.group.value });
  /** The kind that is typed, once it is one. */
  protected readonly kind = computed(() => this.kindNamed(this.typed()['kind']));
  /** Whether something must be known before a device of the kind can be added. */
  protected readonly needsData = computed(() => (this.kind()?.fields ?? []).some(({ required }) => required));

  /** Adds what is described, and is ready for the next. */
  protected add(params: Readonly<Record<string, unknown>>): void {
    const entered = this.form.read();
    const kind = this.kindNamed(entered?.kind);
    if (entered === undefined || kind === undefined) {
      focusField(this.element.nativeElement, this.form.firstProblem());
      return;
    }
    const { type, title } = kind;
    const { name = title, room: inRoom, count, on } = entered;
    const room = this.studio()?.rig.rooms.find((each) => each.name === inRoom)?.id;
    if (room === undefined) return;
    const isAdded = this.changes.addDevices({ name, room, type, params }, count, on).length > 0;
    // What was refused stays to be mended.
    if (isAdded) this.form.restart({ name: '', on: '' });
    focusField(this.element.nativeElement, isAdded ? 'name' : 'on');
  }

  private kindNamed(typed: unknown): TypeForm | undefined {
    const title = typeof typed === 'string' ? typed.trim().toLowerCase() : '';
    return this.forms.find((form) => form.title.toLowerCase() === title);
  }

  private makeForm() {
    const rooms = (): readonly string[] => (this.studio()?.rig.rooms ?? []).map(({ name }) => name);
    const schema = z.object({
      kind: z
        .string()
        .refine((kind) => this.kindNamed(kind) !== undefined, 'choose one of the kinds offered'),
      name: z.string().max(80, 'at most 80 characters').optional(),
      room: z.string().refine((room) => rooms().includes(room), 'choose one of the rooms there are'),
      on: z.string().max(80, 'at most 80 characters').optional(),
      count: z.number().int('a whole number of devices').min(1, NUMBER).max(MOST_AT_ONCE, NUMBER),
    });
    const fields: readonly FormField[] = [
      {
        ...{ key: 'kind', label: 'Kind of device', kind: 'text', typical: 'compressor, patchbay …' },
        ...{ offers: () => this.forms.map(({ title }) => ({ name: title })), widthRem: 14 },
      },
      { key: 'name', label: 'Name of the device', kind: 'text', typical: 'as its kind', widthRem: 11 },
      {
        ...{ key: 'room', label: 'Room of the device', kind: 'text', widthRem: 9 },
        offers: () => rooms().map((name) => ({ name })),
      },
      { key: 'count', label: 'How many', kind: 'figure', widthRem: 3.5 },
      { key: 'on', label: 'Wired on', kind: 'text', typical: 'interface 3-4', widthRem: 8 },
    ];
    return new SchemaForm(fields, schema, { room: rooms()[0], count: 1 });
  }
}
