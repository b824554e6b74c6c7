import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import * as z from 'zod';
import { Entry } from '../app/ui/form/entry';
import { FilePick } from '../app/ui/form/file-pick';
import { LineForm } from '../app/ui/form/line-form';
import { Pick } from '../app/ui/form/pick';
import { SchemaForm } from '../app/ui/form/schema-form';
import { SearchBox } from '../app/ui/form/search-box';
import { Slider } from '../app/ui/form/slider';
import { TextArea } from '../app/ui/form/text-area';
import { Tick } from '../app/ui/form/tick';

/** What counts as soon as it is done, without a form to enter. */
@Component({
  selector: 'ft-kit-live',
  imports: [Entry, FilePick, LineForm, Pick, SearchBox, Slider, TextArea, Tick],
  template: `
    <ft-pick label="Rate" [choices]="rates" [value]="rate()" (picked)="rate.set($event)" />
    <ft-tick label="word clock" [isOn]="isOn()" (ticked)="isOn.set($event)" />
    <ft-slider label="Fader" [min]="-20" [max]="10" [value]="fader()" (slid)="fader.set($event)" />
    <ft-entry
      label="Limit"
      unit="ms"
      [isFigure]="true"
      [widthRem]="5"
      [value]="limit()"
      [refusal]="refusal"
      (entered)="limit.set($event)"
    />
    <ft-search-box label="Filter jacks" [(text)]="filter" />
    <ft-file-pick label="Choose a file" accept=".csv" (picked)="limit.set($event.name)" />
    <ft-text-area label="Reason" [(text)]="filter" />
    <ft-line-form action="Add it" [form]="line" (entered)="limit.set($event.name)" />
    <output>{{ rate() }} {{ isOn() }} {{ fader() }} {{ limit() }}</output>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KitLive {
  protected readonly rates = [44_100, 48_000].map((value) => ({
    value,
    name: `${String(value / 1000)} kHz`,
  }));
  protected readonly rate = signal(48_000);
  protected readonly isOn = signal(true);
  protected readonly fader = signal(0);
  protected readonly limit = signal('10');
  protected readonly filter = signal('');
  protected readonly line = new SchemaForm(
    [{ key: 'name', label: 'Another', kind: 'text' }],
    z.object({ name: z.string() }),
  );
  protected readonly refusal = (text: string): string | undefined =>
    Number(text) > 0 ? undefined : 'Type milliseconds above 0.';
}
