/** Every tolerance the program compares with. Nothing else in the code base carries its own epsilon. */
export const TOLERANCE = {
  /** Levels nearer than this are equal; far under the 0.1 dB shown, far over floating-point noise. */
  levelDb: 1e-6,
  /** Delays nearer than this come at once: a hundredth of a sample is far under what can be heard or set. */
  samples: 0.01,
} as const;
