import type { DeviceType } from '../../rig/catalogue/deviceType';
import type { ParamField } from '../../rig/paramFields';
import { formOf } from '../../rig/paramFields';
import { sameValue } from '../../edits/sameValue';
import { typedNumber } from '../../text/typedNumber';
import { didYouMean, nearestNames } from '../../text/nearestName';

type Params = Readonly<Record<string, unknown>>;

/** Data of a device as one cell: "channels=8; phantom=yes; referenceDbu=13 18 24". */
export type DataReading =
  { readonly ok: true; readonly params: Params } | { readonly ok: false; readonly sentence: string };

const YES_NO: Readonly<Record<string, boolean>> = { yes: true, true: true, no: false, false: false };

function valueOf(field: ParamField, text: string): unknown {
  switch (field.kind) {
    case 'number':
      return typedNumber(text);
    case 'switch':
      return YES_NO[text.toLowerCase()];
    case 'numbers':
      return text.split(/\s+/).map(typedNumber);
    case 'choice':
    case 'text':
      return text;
    case 'table':
    case 'record':
      try {
        return JSON.parse(text) as unknown;
      } catch {
        return undefined;
      }
  }
}

const EXPECTED: Readonly<Record<ParamField['kind'], string>> = {
  number: 'a number',
  switch: 'yes or no',
  numbers: 'numbers with spaces between',
  choice: 'one of its choices',
  text: 'a text',
  table: 'a JSON list',
  record: 'a JSON object',
};

const isUnclear = (value: unknown): boolean =>
  value === undefined || (Array.isArray(value) && value.includes(undefined));

/** Reads the data cell of a device of a type. Whether the values fit the type is the schema's word. */
export function readDeviceData(type: DeviceType, text: string): DataReading {
  const fields = formOf(type).fields;
  const params: Record<string, unknown> = {};
  for (const part of text.split(/;\s*(?=[a-zA-Z0-9]+\s*=)/).map((each) => each.trim())) {
    if (part === '') continue;
    const at = part.indexOf('=');
    const key = part.slice(0, at).trim();
    const field = fields.find((each) => each.key.toLowerCase() === key.toLowerCase());
    if (at < 0 || field === undefined) {
      const name = at < 0 ? part : key;
      const hint = didYouMean(
        nearestNames(
          name,
          fields.map((each) => each.key),
        ),
      );
      return {
        ok: false,
        sentence: `${type.title} has no data “${name}”.${hint} It is written name=value.`,
      };
    }
    const value = valueOf(field, part.slice(at + 1).trim());
    if (isUnclear(value))
      return { ok: false, sentence: `“${part}” needs ${EXPECTED[field.kind]} after the = sign.` };
    params[field.key] = value;
  }
  return { ok: true, params };
}

function textOf(value: unknown): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (Array.isArray(value) && value.every((each) => typeof each === 'number')) return value.join(' ');
  return JSON.stringify(value);
}

/** The data of a device as one cell: what differs from the typical values of its type. */
export function deviceDataText(type: DeviceType, params: Params): string {
  return formOf(type)
    .fields.filter(({ key, typical }) => params[key] !== undefined && !sameValue(params[key], typical))
    .map(({ key }) => `${key}=${textOf(params[key])}`)
    .join('; ');
}
