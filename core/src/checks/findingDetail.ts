import type { BrokenLeg } from '../routing/brokenLegs';
import type { Obstacle } from '../routing/diagnose';
import type { LaneId, StationId } from '../rig/ids';
import type { Medium } from '../rig/medium';
import type { PlaceRole } from '../routing/waypoints';

/** Where a proposed way would plug its cords. */
export interface ProposedCord {
  readonly from: LaneId;
  readonly to: LaneId;
}

/** What each rule measures. `over` figures are positive amounts in dB. */
export type FindingDetail =
  | { readonly rule: 'phantom-on-jack-bay'; readonly figures: { readonly jacks: readonly LaneId[] } }
  | {
      readonly rule: 'phantom-into-ribbon';
      readonly figures: { readonly what: 'ribbon' | 'unbalanced' | 'line-output'; readonly at: LaneId };
    }
  | {
      readonly rule: 'gone-from-rig';
      /** Lanes, stations and cord stocks that are asked for, and knobs by title and channel. */
      readonly figures: { readonly gone: readonly string[]; readonly knobs: readonly string[] };
    }
  | {
      readonly rule: 'thread-incomplete';
      readonly figures: {
        readonly stopsAt: LaneId;
        readonly role: PlaceRole;
        readonly lane?: LaneId;
        readonly station?: StationId;
        /** Legs it had that do not conduct any more; none where it was never patched. */
        readonly legs: readonly BrokenLeg[];
        /** The nearest free way, or why there is none. */
        readonly way: readonly ProposedCord[] | Obstacle;
      };
    }
  | {
      readonly rule: 'unit-used-twice';
      readonly figures: { readonly stations: readonly StationId[]; readonly count: number };
    }
  | {
      readonly rule: 'normal-broken';
      readonly figures: { readonly normalFrom: LaneId; readonly normalTo: LaneId; readonly jack: LaneId };
    }
  | {
      readonly rule: 'over-max-input';
      readonly figures: {
        readonly peak: number;
        readonly max: number;
        readonly overDb: number;
        readonly unit: 'dBu' | 'dBFS';
        /** The preamp to turn down and what it would then be set to, where one stands before the hop. */
        readonly turnDown?: { readonly station: StationId; readonly byDb: number; readonly gainDb: number };
        /** A higher reference level that would take the peak, where the hop is a converter input. */
        readonly referenceDbu?: number;
      };
    }
  | {
      readonly rule: 'level-class';
      readonly figures: {
        readonly from: Medium;
        readonly into: Medium;
        readonly box: 'preamp' | 'di' | 're-amp' | 'pad' | 'none';
      };
    };
