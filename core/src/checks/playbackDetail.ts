import type { CheckFault } from '../playback/checkFaults';

/** What the rules of playback checks measure. */
export type PlaybackDetail =
  | {
      readonly rule: 'record-tap-mismatch';
      readonly figures: {
        readonly fault: CheckFault['code'];
        readonly by?: number;
        /** The tracks of the first channel it is about. */
        readonly first?: { readonly recordedOn: number; readonly playsFrom: number };
        /** Tracks it is about, by what the recorder calls them. */
        readonly tracks: readonly string[];
      };
    }
  | {
      readonly rule: 'armed-in-playback';
      readonly figures: { readonly tracks: readonly string[] };
    }
  | {
      readonly rule: 'playback-left-on';
      readonly figures: {
        /** In the scene as it is planned, or in the rooms as they stand. */
        readonly where: 'scene' | 'floor';
        readonly channels: number;
        /** The session has a day, or goes live. */
        readonly isMarked: boolean;
      };
    }
  | {
      readonly rule: 'gain-not-carried';
      readonly figures: {
        readonly setting: 'gain' | 'pad';
        /** On stage and in playback: dB, or 1 for a pad that is in. */
        readonly from: number;
        readonly to: number;
      };
    };
