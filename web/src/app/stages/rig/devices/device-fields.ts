import type { ParamField } from '@ft/core/rig/paramFields';
import type { FormField } from '../../../ui/form/form-field';
import { paramTitle } from './param-title';

const KINDS: Readonly<Record<ParamField['kind'], FormField['kind']>> = {
  ...{ number: 'figure', numbers: 'figures', text: 'text', switch: 'switch', choice: 'choice' },
  ...{ table: 'rows', record: 'rows' },
};

const shown = (value: unknown): string => (Array.isArray(value) ? value.join(' ') : String(value));

/** What an empty field means. */
function typicalOf({ required, typical }: ParamField): string {
  if (required) return 'needed';
  return typical === undefined ? 'not known' : `typical ${shown(typical)}`;
}

/** Reference positions and gain steps are lists: they are read whole, not scrolled through. */
const LIST_WIDTH_REM = 11;

/** A parameter of a kind of device, as a field of a form. */
export function deviceField(param: ParamField): FormField {
  const { name, unit } = paramTitle(param.key);
  return {
    ...{ key: param.key, label: name, unit, kind: KINDS[param.kind], typical: typicalOf(param) },
    ...(param.kind === 'numbers' && { widthRem: LIST_WIDTH_REM }),
    ...(param.kind === 'choice' && { choices: param.choices.map((value) => ({ value, name: value })) }),
  };
}

/** What a form begins with: what is stored, or the catalogue's typical value. */
export const deviceStart = (
  params: readonly ParamField[],
  stored: Readonly<Record<string, unknown>>,
): Readonly<Record<string, unknown>> =>
  Object.fromEntries(
    params.map(({ key, kind, typical, choices }) => [
      key,
      stored[key] ?? typical ?? (kind === 'choice' ? choices[0] : undefined),
    ]),
  );
