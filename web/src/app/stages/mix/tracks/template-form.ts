import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import type { TrackKind } from '@ft/core/session/daw/trackSchema';
import { TRACK_KINDS } from '@ft/core/session/daw/trackSchema';
import { typedNumber } from '@ft/core/text/typedNumber';
import { DawChanges } from './daw-changes';

/** Makes several tracks at once, with host inputs and outputs counting on. */
@Component({
  selector: 'ft-template-form',
  template: `
    <form (submit)="make(); $event.preventDefault()">
      <input
        class="num"
        type="text"
        aria-label="How many tracks"
        [value]="count()"
        (input)="count.set($any($event.target).value)"
      />
      <select aria-label="Kind of track" (change)="kind.set($any($event.target).value)">
        @for (each of kinds; track each) {
          <option [selected]="each === kind()">{{ each }}</option>
        }
      </select>
      <select class="num" aria-label="Width of the tracks" (change)="width.set(+$any($event.target).value)">
        <option value="1">mono</option>
        <option value="2" [selected]="width() === 2">stereo</option>
      </select>
      <input
        type="text"
        placeholder="Name, # is the number"
        aria-label="Name of the tracks"
        [value]="name()"
        (input)="name.set($any($event.target).value)"
      />
      <label
        >inputs from
        <input
          class="num"
          type="text"
          aria-label="First input"
          [value]="input()"
          (input)="input.set($any($event.target).value)"
      /></label>
      <label
        >outputs from
        <input
          class="num"
          type="text"
          aria-label="First output"
          [value]="output()"
          (input)="output.set($any($event.target).value)"
      /></label>
      <label
        ><input type="checkbox" [checked]="ascend()" (change)="ascend.set($any($event.target).checked)" />
        each its own</label
      >
      <button type="submit" class="main">Add tracks</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.35rem 0.6rem;
    }
    input:not(.num) {
      max-width: 11rem;
    }
    input.num {
      width: 2.6rem;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TemplateForm {
  private readonly changes = inject(DawChanges);
  protected readonly kinds = TRACK_KINDS;
  protected readonly count = signal('1');
  protected readonly kind = signal<TrackKind>('audio');
  protected readonly width = signal(1);
  protected readonly name = signal('');
  protected readonly input = signal('');
  protected readonly output = signal('');
  protected readonly ascend = signal(true);

  protected make(): void {
    const count = typedNumber(this.count());
    const [first, out] = [this.input(), this.output()].map((text) => typedNumber(text));
    if (count === undefined || !Number.isInteger(count) || count < 1 || count > 256) {
      this.changes.complain(
        `No tracks were added: “${this.count()}” is not a number of tracks from 1 to 256.`,
      );
      return;
    }
    if (this.name().trim() === '') {
      this.changes.complain('No tracks were added: type a name first; # stands for the number.');
      return;
    }
    void this.changes.template({
      count,
      name: this.name().trim(),
      kind: this.kind(),
      width: this.width(),
      outputsAscend: this.ascend(),
      ...(first !== undefined && { firstInput: first }),
      ...(out !== undefined && { firstOutput: out }),
    });
    this.name.set('');
  }
}
