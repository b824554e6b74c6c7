import type { Want } from '../mix/chainUnits';
import type { TrackId } from '../rig/ids';

/** What the rules of the mix measure. */
export type MixDetail =
  | {
      readonly rule: 'unit-wanted-twice';
      readonly figures: {
        readonly units: readonly Want[];
        /** Tracks whose jobs are committed before, in order, and those that then stay live. */
        readonly first: readonly TrackId[];
        readonly live: readonly TrackId[];
        /** How long the commits take, where every length is known. */
        readonly commitS?: number;
      };
    }
  | {
      readonly rule: 'pan-mismatch';
      /** In the order of the places, the carrier left out: where each stands, −100 is full left. */
      readonly figures: { readonly pairs: readonly { readonly mix: number; readonly bus: number }[] };
    }
  | { readonly rule: 'fader-far-from-unity'; readonly figures: { readonly faderDb: number } }
  | {
      readonly rule: 'mono-sum-loss';
      readonly figures: { readonly lossDb: number; readonly worstHz: number; readonly worstLossDb: number };
    }
  | {
      readonly rule: 'pair-not-on-own-number';
      readonly figures: {
        readonly slot: number;
        readonly send: number;
        readonly return: number;
        /** Side by side as many. */
        readonly sides: number;
      };
    };
