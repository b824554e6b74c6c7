import { CONNECTORS } from '@ft/core/rig/connector';
import type { FormField } from '../../../ui/form/form-field';

/** What a cord can end in. */
const PLUGS = CONNECTORS.filter((connector) => connector !== 'fixed' && connector !== 'host');

/** A choice of a plug. */
export const plugField = (key: string, label: string): FormField => ({
  ...{ key, label, kind: 'choice' },
  choices: PLUGS.map((value) => ({ value, name: value })),
});
