const FRONT = ['left', 'right'] as const;
const SURROUND = ['surround left', 'surround right'] as const;
const BACK = ['back left', 'back right'] as const;
const TOP = ['top front left', 'top front right', 'top back left', 'top back right'] as const;

/**
 * What the loudspeakers of a set are called, by how many there are. Up to six as ITU-R BS.775-4 places them (2/2, 3/2
 * and 3/2 with a low channel, in the order files have them), beyond as ITU-R BS.2051-3 does (systems I, D and J).
 */
export const SPEAKER_LAYOUTS: readonly (readonly string[])[] = [
  ['mono'],
  FRONT,
  [...FRONT, 'centre'],
  [...FRONT, ...SURROUND],
  [...FRONT, 'centre', ...SURROUND],
  [...FRONT, 'centre', 'low', ...SURROUND],
  [...FRONT, 'centre', ...SURROUND, ...BACK],
  [...FRONT, 'centre', 'low', ...SURROUND, ...BACK],
  [...FRONT, 'centre', ...SURROUND, ...TOP],
  [...FRONT, 'centre', 'low', ...SURROUND, ...TOP],
  [...FRONT, 'centre', ...SURROUND, ...BACK, ...TOP],
  [...FRONT, 'centre', 'low', ...SURROUND, ...BACK, ...TOP],
];
export const MOST_SPEAKERS = SPEAKER_LAYOUTS.length;

export const speakerNames = (count: number): readonly string[] => SPEAKER_LAYOUTS[count - 1] ?? FRONT;
