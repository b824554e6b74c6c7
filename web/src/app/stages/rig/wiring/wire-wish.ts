import * as z from 'zod';
import type { WireWish } from '@ft/core/actions/rig/wirePreview';
import { typedNumber } from '@ft/core/text/typedNumber';
import type { FormField } from '../../../ui/form/form-field';
import { SchemaForm } from '../../../ui/form/schema-form';

type What = WireWish['what'];

/** Rows of connectors, as soon as the planner has told them. */
type Rows = () => readonly string[] | undefined;

const offers = (rows: Rows) => () => (rows() ?? []).map((name) => ({ name }));

/** The fields of a wish, by what is wished; rows of connectors are offered as they are typed. */
function fieldsOf(what: What, outs: Rows, ins: Rows): readonly FormField[] {
  const connectors = (key: string, label: string, typical: string): FormField => ({
    ...{ key, label, kind: 'text', typical, offers: offers(ins), widthRem: 14 },
  });
  switch (what) {
    case 'loom':
      return [
        {
          ...{ key: 'first', label: 'From outputs', kind: 'text', widthRem: 14 },
          ...{ typical: 'Bay A lower 1-24', offers: offers(outs) },
        },
        connectors('second', 'To inputs', 'Converter line in 1'),
        { key: 'repeat', label: 'outputs repeat', kind: 'switch' },
        { key: 'down', label: 'count down', kind: 'switch' },
      ];
    case 'shift':
      return [
        connectors('first', 'Connectors', 'Converter line in 1-8'),
        { key: 'second', label: 'By how many', kind: 'figure', widthRem: 5 },
      ];
    case 'swap':
      return [
        connectors('first', 'Connectors', 'Converter line in 1-8'),
        connectors('second', 'With connectors', 'Converter line in 9-16'),
      ];
    case 'clear':
      return [connectors('first', 'Connectors', 'Converter line in 1-8')];
  }
}

/** What is typed is understood by the planner; the form only asks for something. */
const schema = z.looseObject({ first: z.string() });

export const wishForm = (what: What, outs: Rows, ins: Rows): SchemaForm =>
  new SchemaForm(fieldsOf(what, outs, ins), schema);

/** What is asked so far; undefined while something is not typed yet. */
export function wishOf(what: What, typed: Readonly<Record<string, unknown>>): WireWish | undefined {
  const text = (key: string): string => (typeof typed[key] === 'string' ? typed[key].trim() : '');
  const [at, other] = [text('first'), text('second')];
  if (at === '' || (what !== 'clear' && other === '')) return undefined;
  switch (what) {
    case 'loom': {
      const pairing = typed['repeat'] === true ? 'repeat' : 'one-to-one';
      return { what, from: at, to: other, pairing, down: typed['down'] === true };
    }
    case 'shift': {
      const by = typedNumber(other);
      return by !== undefined && Number.isInteger(by) ? { what, at, by } : undefined;
    }
    case 'swap':
      return { what, at, with: other };
    case 'clear':
      return { what, at };
  }
}
