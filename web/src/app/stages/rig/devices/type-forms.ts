import type { Signal } from '@angular/core';
import { computed } from '@angular/core';
import type { TypeForm } from '@ft/core/rig/paramFields';
import { asked } from '../../../state/asked';

/** What can be entered for each kind of device; none until the planner has told. */
export function typeForms(): Signal<readonly TypeForm[]> {
  const told = asked((api) => api.typeForms());
  return computed(() => told() ?? []);
}
