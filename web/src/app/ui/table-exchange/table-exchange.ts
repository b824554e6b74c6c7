import { ChangeDetectionStrategy, Component, effect, input, output, signal } from '@angular/core';
import { decodeText } from '@ft/core/formats/decodeText';
import type { TableReading } from '@ft/core/formats/csv/tableReading';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import { FilePick } from '../form/file-pick';
import { TextArea } from '../form/text-area';

const SIGN = { new: '+ new', changed: '± changed', there: '= there already' } as const;

/** A table pasted or read from a file, tried before it is taken in; and the same written out. */
@Component({
  selector: 'ft-table-exchange',
  imports: [FilePick, TextArea],
  template: `
    <div class="side">
      <ft-text-area
        [label]="'Paste cells of ' + name() + ' from a spreadsheet'"
        [rows]="7"
        [text]="text()"
        (textChange)="put($event)"
      />
      <p class="quiet num">{{ columns() }}</p>
      <div class="buttons">
        <ft-file-pick label="Choose a CSV file" accept=".csv,.tsv,.txt,text/csv" (picked)="take($event)" />
        <button type="button" [disabled]="text().trim() === ''" (click)="tried.emit(text())">Try it</button>
        <button type="button" class="main" [disabled]="!ready()" (click)="taken.emit()">Take it in</button>
        <span class="fill"></span>
        <button type="button" (click)="wanted.emit()">Write as CSV</button>
      </div>
    </div>
    @if (said() !== '') {
      <p class="warning" role="status">{{ said() }}</p>
    }
    @if (reading(); as it) {
      @if (!it.ok) {
        <p class="error" role="status">
          Nothing was taken in.
          {{ it.problems.length === 1 ? 'One place is' : it.problems.length + ' places are' }} not understood:
        </p>
        <ul>
          @for (problem of it.problems.slice(0, most); track $index) {
            <li>{{ line(problem) }}</li>
          }
          @if (it.problems.length > most) {
            <li class="quiet">and {{ it.problems.length - most }} more</li>
          }
        </ul>
      } @else {
        <p role="status">
          {{
            it.edits.length === 0 ? 'Everything is there already.' : 'This would happen; nothing is done yet:'
          }}
        </p>
        <ul>
          @for (row of it.lines.slice(0, most); track $index) {
            <li [class]="row.change">
              <span class="num sign">{{ sign[row.change] }}</span> {{ row.text }}
            </li>
          }
          @if (it.lines.length > most) {
            <li class="quiet">and {{ it.lines.length - most }} more</li>
          }
        </ul>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.5rem 0.75rem;
    }
    p {
      margin: 0.2rem 0;
    }
    .buttons {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
      margin: 0.3rem 0;
    }
    .fill {
      flex: 1;
    }
    ul {
      margin: 0;
      padding: 0;
      list-style: none;
    }
    .sign {
      display: inline-block;
      width: 9rem;
      color: var(--ft-quiet);
    }
    .new .sign {
      color: var(--ft-good);
    }
    .changed .sign {
      color: var(--ft-warning);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TableExchange {
  readonly name = input.required<string>();
  readonly columns = input.required<string>();
  readonly reading = input<TableReading>();
  readonly tried = output<string>();
  readonly taken = output();
  readonly wanted = output();
  protected readonly text = signal('');
  /** What a chosen file turned out to be. */
  protected readonly said = signal('');
  protected readonly most = 200;
  protected readonly sign = SIGN;
  protected readonly line = csvProblemLine;

  constructor() {
    // Another table starts with an empty field.
    effect(() => {
      this.name();
      this.text.set('');
      this.said.set('');
    });
  }

  protected ready(): boolean {
    const reading = this.reading();
    return reading?.ok === true && reading.edits.length > 0;
  }

  protected put(text: string): void {
    this.text.set(text);
    if (text.trim() !== '') this.tried.emit(text);
  }

  protected async take(file: File): Promise<void> {
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    this.said.set(
      !decoded.ok
        ? `${file.name}: ${decoded.sentence}`
        : decoded.encoding === 'UTF-8'
          ? ''
          : `${file.name} is ${decoded.encoding}; it was read as that.`,
    );
    if (decoded.ok) this.put(decoded.text);
  }
}
