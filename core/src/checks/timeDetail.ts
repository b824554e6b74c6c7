import type { DeviceId } from '../rig/ids';

/** What the rules of time and clocks measure. */
export type TimeDetail =
  | {
      readonly rule: 'clock-masters';
      readonly figures: {
        readonly masters: readonly DeviceId[];
        readonly unsaid: readonly DeviceId[];
        readonly nothing: readonly DeviceId[];
      };
    }
  | {
      readonly rule: 'rate-mismatch';
      readonly figures: {
        readonly what: 'link' | 'session' | 'material';
        readonly firstHz: number;
        readonly secondHz: number;
      };
    }
  | {
      readonly rule: 'lanes-lost-at-rate';
      readonly figures: { readonly rateHz: number; readonly carries: number; readonly lost: number };
    }
  | {
      readonly rule: 'insert-uncompensated';
      readonly figures: {
        readonly slot: number;
        /** Of a wide insert, the side that is furthest off. */
        readonly side?: number;
        readonly why: 'not-compensated' | 'not-known' | 'never-measured' | 'wrong';
        readonly tripSamples: number;
        readonly knownSamples?: number;
      };
    }
  | {
      readonly rule: 'parallel-comb';
      readonly figures: {
        readonly differenceSamples: number;
        readonly differenceMs: number;
        readonly levelDifferenceDb: number;
        readonly firstNotchHz: number;
        readonly dipDb: number;
      };
    }
  | {
      readonly rule: 'cue-delay';
      readonly figures: { readonly delayMs: number; readonly limitMs: number };
    }
  | { readonly rule: 'timecode-missing'; readonly figures: Readonly<Record<string, never>> };
