import type { SettingKey } from '../../rig/settings';

/** A cord that is not the same in both scenes: between which jacks it lies on either side. */
export interface CordLine {
  readonly what: 'moved' | 'left only' | 'right only';
  readonly left: string;
  readonly right: string;
  readonly cord: string;
}

export const KNOB_GROUPS = ['48 V', 'Gains', 'Crosspoints', 'Switches', 'Settings'] as const;
export type KnobGroup = (typeof KNOB_GROUPS)[number];

/** A knob that does not stand alike. */
export interface KnobLine {
  readonly key: SettingKey;
  readonly group: KnobGroup;
  readonly device: string;
  readonly knob: string;
  readonly left: string;
  readonly right: string;
}

/** A thread that does not run alike; empty where it is not in the scene. */
export interface WayLine {
  readonly name: string;
  readonly left: string;
  readonly right: string;
}

/** Two scenes side by side, and the difference told. What is alike is left out. */
export interface SceneComparison {
  readonly left: string;
  readonly right: string;
  readonly threads: readonly WayLine[];
  readonly cords: readonly CordLine[];
  readonly knobs: readonly KnobLine[];
  readonly story: readonly string[];
}
