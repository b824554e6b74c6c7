import type { ProposedCord } from '../scene/knownWays';
import type { CueDetail } from './cueDetail';
import type { MixDetail } from './mixDetail';
import type { PlaybackDetail } from './playbackDetail';
import type { TimeDetail } from './timeDetail';
import type { BrokenLeg } from '../routing/brokenLegs';
import type { Obstacle } from '../routing/why/obstacle';
import type { Quiet } from '../repatch/step';
import type { AdaptorId, LaneId, StationId, StockId, TrackId } from '../rig/ids';
import type { HearingTable } from '../units/hearing';
import type { Medium } from '../rig/medium';
import type { PlaceRole } from '../routing/waypoints';

/** What each rule measures. `over` figures are positive amounts in dB. */
export type FindingDetail =
  | { readonly rule: 'phantom-on-jack-bay'; readonly figures: { readonly jacks: readonly LaneId[] } }
  | {
      readonly rule: 'phantom-into-ribbon';
      readonly figures: {
        readonly what: 'ribbon' | 'unit' | 'unbalanced' | 'line-output';
        readonly at: LaneId;
      };
    }
  | {
      readonly rule: 'phantom-missing';
      readonly figures: { readonly why: 'switched-off' | 'nothing-gives-it'; readonly at: LaneId };
    }
  | {
      readonly rule: 'cue-load';
      readonly figures: {
        readonly phones: number;
        /** Junction boxes beside them. */
        readonly boxes?: number;
        /** What each loses more than it would alone, dB. */
        readonly lossDb: number;
        readonly sourceOhm: number;
        readonly loadOhm: number;
        /** The least load the output is made for, where it is less than that. */
        readonly leastOhm?: number;
      };
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
        /** The nearest free way, or why there is none; absent as long as it is being looked for. */
        readonly way?: readonly ProposedCord[] | Obstacle;
      };
    }
  | {
      readonly rule: 'unit-used-twice';
      readonly figures: {
        readonly stations: readonly StationId[];
        readonly count: number;
        /** Of hardware slots: the number they send on, and whether they sound at once. */
        readonly pair?: { readonly send: number; readonly atOnce: boolean };
      };
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
        /** The track that plays too loud, and by how much its fader would have to come down. */
        readonly fader?: { readonly track: TrackId; readonly byDb: number };
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
    }
  | { readonly rule: 'loudspeaker-level-into-line'; readonly figures: { readonly into: 'input' | 'jack' } }
  | {
      readonly rule: 'monitors-open-while-patching';
      readonly figures: { readonly quiet: Quiet; readonly cords: number };
    }
  | {
      readonly rule: 'hearing-dose';
      readonly figures: {
        readonly levelDbSpl: number;
        readonly hours: number;
        readonly allowedHours: number;
        /** 1 is all a day may bring. */
        readonly dose: number;
        readonly table: HearingTable;
      };
    }
  | {
      readonly rule: 'feedback-loop';
      readonly figures: { readonly lanes: readonly LaneId[]; readonly gainDb: number };
    }
  | { readonly rule: 'two-sources-one-input'; readonly figures: { readonly sources: readonly LaneId[] } }
  | {
      readonly rule: 'send-without-return';
      readonly figures: {
        readonly what: 'slot' | 'unit';
        readonly slot?: number;
        /** Where what was sent ends. */
        readonly stopsAt?: LaneId;
        readonly return?: LaneId;
      };
    }
  | {
      readonly rule: 'insert-pair-mismatch';
      readonly figures: {
        readonly slot: number;
        readonly send: number;
        readonly return: number;
        readonly strict: boolean;
      };
    }
  | {
      readonly rule: 'stereo-split';
      readonly figures: {
        readonly what: 'apart' | 'crossed' | 'left-even';
        readonly left: number;
        readonly right: number;
      };
    }
  | {
      readonly rule: 'mult-overload';
      readonly figures: {
        readonly lossDb: number;
        readonly loads: number;
        readonly sourceOhm: number;
        readonly loadOhm: number;
      };
    }
  | { readonly rule: 'dead-end'; readonly figures: { readonly what: 'output' | 'input' } }
  | { readonly rule: 'orphan-cord'; readonly figures: Readonly<Record<string, never>> }
  | {
      readonly rule: 'cords-short';
      readonly figures: {
        /** The kind of cord or adaptor. */
        readonly what: StockId | AdaptorId;
        readonly needed: number;
        readonly have: number;
        readonly tooMany: number;
      };
    }
  | {
      readonly rule: 'virtual-not-physical';
      readonly figures: {
        readonly what:
          | 'no-such-input'
          | 'no-such-output'
          | 'input-not-wired'
          | 'output-not-wired'
          | 'bus-unheard'
          | 'bus-unfed';
        /** Of the host's inputs or outputs. */
        readonly number?: number;
        readonly bus?: string;
      };
    }
  | {
      readonly rule: 'low-into-converter';
      readonly figures: {
        readonly nominalDbfs: number;
        readonly lineUpDbfs: number;
        readonly underDb: number;
        readonly turnUp?: { readonly station: StationId; readonly byDb: number; readonly gainDb: number };
      };
    }
  | {
      readonly rule: 'line-up-mismatch';
      readonly figures: {
        readonly what: 'round-trip' | 'pair';
        readonly firstDbu: number;
        readonly secondDbu: number;
        readonly gainDb: number;
      };
    }
  | {
      readonly rule: 'loading';
      readonly figures: {
        readonly lossDb: number;
        readonly sourceOhm: number;
        readonly loadOhm: number;
        /** How many times its source the load should at least be. */
        readonly leastRatio: number;
        readonly isMicrophone: boolean;
      };
    }
  | {
      readonly rule: 'unbalanced-leg';
      readonly figures: { readonly into: 'unbalanced' | 'balanced'; readonly lossDb: number };
    }
  | {
      readonly rule: 'summing-headroom';
      readonly figures: {
        readonly sources: number;
        readonly peak: number;
        readonly worstPeak: number;
        readonly max: number;
        /** Of the peaks added as of unrelated sounds. */
        readonly overDb: number;
        readonly unit: 'dBu' | 'dBFS';
      };
    }
  | { readonly rule: 'polarity'; readonly figures: { readonly levelDifferenceDb: number } }
  | MixDetail
  | PlaybackDetail
  | CueDetail
  | TimeDetail;
