import type { Rule } from './rule';
import { goneFromRig } from './rules/goneFromRig';
import { levelClass } from './rules/levelClass';
import { normalBroken } from './rules/normalBroken';
import { overMaxInput } from './rules/overMaxInput';
import { phantomIntoRibbon } from './rules/phantomIntoRibbon';
import { phantomOnJackBay } from './rules/phantomOnJackBay';
import { threadIncomplete } from './rules/threadIncomplete';
import { unitUsedTwice } from './rules/unitUsedTwice';

/** Every rule, safety first. Ids are never reused. */
export const RULES: readonly Rule[] = [
  phantomOnJackBay,
  phantomIntoRibbon,
  goneFromRig,
  threadIncomplete,
  unitUsedTwice,
  normalBroken,
  overMaxInput,
  levelClass,
];
