import { computed, signal } from '@angular/core';
import type { AbstractControl, ValidationErrors, ValidatorFn } from '@angular/forms';
import { FormControl, FormGroup } from '@angular/forms';
import type * as z from 'zod';
import { shapeProblems } from '@ft/core/formats/shapeProblems';
import { problemSentence } from '@ft/core/words/problemWording';
import type { FormField } from './form-field';
import { entryOf, readField } from './form-field';

type Values = Readonly<Record<string, unknown>>;

/** What is wrong in a form, by the key of the field; under the empty key what belongs to none. */
type FieldProblems = Readonly<Record<string, string>>;

/** The values of fields that hold something, and the fields that cannot be read. */
function readAll(
  fields: readonly FormField[],
  entries: Values,
): { readonly values: Values; readonly unclear: FieldProblems } {
  const values: Record<string, unknown> = {};
  const unclear: Record<string, string> = {};
  for (const field of fields) {
    const read = readField(field, entries[field.key]);
    if (!read.ok) unclear[field.key] = read.sentence;
    else if (read.value !== undefined) values[field.key] = read.value;
  }
  return { values, unclear };
}

/** Inside a table, the row a problem stands in: "Row 2, lanes: …". */
function placed(path: readonly PropertyKey[], sentence: string): string {
  const [, row, column] = path;
  if (typeof row !== 'number') return sentence;
  return `Row ${String(row + 1)}${column === undefined ? '' : `, ${String(column)}`}: ${sentence}`;
}

function refusedBy(schema: z.ZodType, fields: readonly FormField[], values: Values): FieldProblems {
  const parsed = schema.safeParse(values);
  if (parsed.success) return {};
  const keys = new Set(fields.map(({ key }) => key));
  const found: Record<string, string> = {};
  for (const problem of shapeProblems(parsed.error.issues)) {
    const key = String(problem.path[0] ?? '');
    const at = keys.has(key) ? key : '';
    const isMissing = at !== '' && values[at] === undefined;
    found[at] ??= isMissing ? 'This is needed.' : placed(problem.path, problemSentence(problem));
  }
  return found;
}

/** Holds a group of controls to a schema: what does not fit stands at its field, in the words of the schema. */
const fitsSchema =
  (fields: readonly FormField[], schema: z.ZodType): ValidatorFn =>
  (group: AbstractControl): ValidationErrors | null => {
    const { values, unclear } = readAll(fields, group.value as Values);
    const problems = { ...refusedBy(schema, fields, values), ...unclear };
    return Object.keys(problems).length === 0 ? null : { problems };
  };

/** A form whose fields are read, and refused, by one schema. */
export class SchemaForm<S extends z.ZodType = z.ZodType> {
  readonly group: FormGroup<Record<string, FormControl<unknown>>>;
  /** Somebody wanted to enter it: from then on everything that is wrong is said. */
  readonly isAsked = signal(false);
  /** Reactive forms tell by events, this by signals. */
  private readonly happened = signal(0);

  /** @param start the stored values the form begins with. */
  constructor(
    readonly fields: readonly FormField[],
    private readonly schema: S,
    start: Values = {},
  ) {
    const controls = fields.map(
      (field) => [field.key, new FormControl<unknown>(entryOf(field, start[field.key]))] as const,
    );
    this.group = new FormGroup(Object.fromEntries(controls), { validators: fitsSchema(fields, schema) });
    this.group.events.subscribe(() => {
      this.happened.update((times) => times + 1);
    });
  }

  private readonly problems = computed((): FieldProblems => {
    this.happened();
    return (this.group.errors?.['problems'] as FieldProblems | undefined) ?? {};
  });

  /** What is wrong with the whole and with no field of it. */
  readonly problem = computed(() => (this.isAsked() ? this.problems()[''] : undefined));

  control(key: string): FormControl<unknown> | undefined {
    return this.group.controls[key];
  }

  /** What is wrong with a field, once somebody has left it or wanted to enter the form. */
  problemAt(key: string): string | undefined {
    // To be left is an event of its own: what is wrong has not changed by it, whether it is said has.
    this.happened();
    const problem = this.problems()[key];
    return this.isAsked() || this.control(key)?.touched === true ? problem : undefined;
  }

  /** What is in it as the schema has it, where all of it fits; else everything that does not is said. */
  read(): z.output<S> | undefined {
    this.isAsked.set(true);
    // What a schema holds it to may have changed since it was typed: the rooms there are, the kinds there are.
    this.group.updateValueAndValidity();
    return this.group.valid ? this.schema.parse(readAll(this.fields, this.group.value).values) : undefined;
  }

  /** What a field holds, where that fits. */
  valueAt(key: string): unknown {
    const entry = this.problems()[key] === undefined ? this.group.value[key] : undefined;
    const field = this.fields.find((each) => each.key === key);
    const read = field && readField(field, entry);
    return read?.ok === true ? read.value : undefined;
  }

  /** The first field that does not fit. */
  firstProblem(): string | undefined {
    return this.fields.find(({ key }) => key in this.problems())?.key;
  }

  /** Begins anew with what is given. */
  restart(values: Values): void {
    this.isAsked.set(false);
    for (const field of this.fields) {
      if (field.key in values) this.control(field.key)?.reset(entryOf(field, values[field.key]));
    }
  }
}
