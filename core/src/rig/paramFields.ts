import * as z from 'zod';
import { CATALOGUE } from './catalogue/catalogue';
import type { DeviceType } from './catalogue/deviceType';

/** One parameter of a device type, as a form needs it. */
export interface ParamField {
  readonly key: string;
  /** A `table` is a list of rows with `columns`; a `record` is edited where it is seen, not in a form. */
  readonly kind: 'number' | 'text' | 'switch' | 'choice' | 'numbers' | 'table' | 'record';
  readonly choices: readonly string[];
  readonly columns: readonly ParamField[];
  /** The typical value the catalogue starts with, where there is one. */
  readonly typical?: unknown;
  readonly required: boolean;
}

/** A device type as a form needs it. */
export interface TypeForm {
  readonly type: string;
  readonly title: string;
  readonly what: string;
  readonly fields: readonly ParamField[];
}

interface JsonField {
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly default?: unknown;
  /** Of a figure that may be left out: what is then taken. */
  readonly typical?: unknown;
  readonly items?: JsonObject;
}

interface JsonObject extends JsonField {
  readonly properties?: Readonly<Record<string, JsonField>>;
  readonly required?: readonly string[];
}

function kindOf({ enum: choices, type, items }: JsonField): ParamField['kind'] {
  if (choices !== undefined) return 'choice';
  switch (type) {
    case 'boolean':
      return 'switch';
    case 'string':
      return 'text';
    case 'array':
      return items?.type === 'object' ? 'table' : 'numbers';
    case 'object':
      return 'record';
    default:
      return 'number';
  }
}

const fieldsOf = ({ properties = {}, required = [] }: JsonObject): readonly ParamField[] =>
  Object.entries(properties).map(([key, json]) => ({
    key,
    kind: kindOf(json),
    choices: (json.enum ?? []).map(String),
    columns: json.items === undefined ? [] : fieldsOf(json.items),
    required: required.includes(key),
    ...((json.default ?? json.typical) !== undefined && { typical: json.default ?? json.typical }),
  }));

function made({ type, title, what, params }: DeviceType): TypeForm {
  const schema = z.toJSONSchema(params, { io: 'input', unrepresentable: 'any' });
  return { type, title, what, fields: fieldsOf(schema as JsonObject) };
}

const known = new WeakMap<DeviceType, TypeForm>();

/** The form of one type, read off its parameter schema once. */
export function formOf(type: DeviceType): TypeForm {
  const form = known.get(type) ?? made(type);
  known.set(type, form);
  return form;
}

/** The forms of the whole catalogue. */
export const typeForms = (): readonly TypeForm[] => CATALOGUE.map(formOf);
