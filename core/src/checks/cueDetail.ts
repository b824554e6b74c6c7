/** What the rules of cues measure. */
export type CueDetail =
  | {
      readonly rule: 'cue-post-fader';
      readonly figures: {
        readonly sends: number;
        /** Whether the sends could as well leave before their fader. */
        readonly canBePre: boolean;
      };
    }
  | {
      readonly rule: 'performer-without-cue';
      readonly figures: {
        readonly why: 'not-listed' | 'no-headphones' | 'no-cue' | 'not-heard';
        /** As in the input list; somebody who is not listed has no other name. */
        readonly performer: string;
      };
    }
  | {
      readonly rule: 'open-headphones';
      readonly figures: {
        readonly isLying: boolean;
        /** At the microphone. */
        readonly clickDbSpl: number;
        readonly distanceM: number;
        /** How far the click lies under what is recorded there. */
        readonly marginDb: number;
      };
    }
  | {
      readonly rule: 'no-talkback';
      readonly figures: {
        /** Talkback reaches some of its headphones, and not these; none where it reaches no one. */
        readonly some: boolean;
      };
    }
  | {
      readonly rule: 'cue-heard-twice';
      readonly figures: {
        readonly lateMs: number;
        readonly levelDifferenceDb: number;
        readonly firstNotchHz: number;
      };
    };
