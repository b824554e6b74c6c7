import * as z from 'zod';
import { CATALOGUE } from './catalogue/catalogue';
import type { DeviceType } from './catalogue/deviceType';

/** One parameter of a device type, as a form needs it. */
export interface ParamField {
  readonly key: string;
  readonly kind: 'number' | 'switch' | 'choice' | 'numbers';
  readonly choices: readonly string[];
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
}

function fieldOf(key: string, json: JsonField, required: readonly string[]): ParamField {
  const kind =
    json.enum !== undefined
      ? 'choice'
      : json.type === 'boolean'
        ? 'switch'
        : json.type === 'array'
          ? 'numbers'
          : 'number';
  return {
    key,
    kind,
    choices: (json.enum ?? []).map(String),
    required: required.includes(key),
    ...(json.default !== undefined && { typical: json.default }),
  };
}

function formOf({ type, title, what, params }: DeviceType): TypeForm {
  const schema = z.toJSONSchema(params, { io: 'input', unrepresentable: 'any' });
  const required = schema.required ?? [];
  const fields = Object.entries(schema.properties ?? {}).map(([key, json]) =>
    fieldOf(key, json as JsonField, required),
  );
  return { type, title, what, fields };
}

/** The forms of the whole catalogue, read off the parameter schemas. */
export const typeForms = (): readonly TypeForm[] => CATALOGUE.map(formOf);
