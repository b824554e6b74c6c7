/**
 * The tracks of the mix of reel 1, as a list pasted into the track sheet. What was recorded plays from disk; what goes into
 * no bus is a stem, whose outputs come with its place in the sum.
 */
export const MIX_LIST = `Name\tKind\tWidth\tInput\tOutputs\tInserts\tSends\tFader\tPan\tCrest dB
NARR\taudio\tmono\t\tbus Dialogue\tDe-ess @64\tbus Plate −18\t0\tC\t14
LAMP\taudio\tmono\t\tbus Dialogue\t\tbus Plate −14\t−2\tL20\t16
FERRY\taudio\tmono\t\tbus Dialogue\t\tbus Plate −14\t−2\tR20\t15
FOLEY\taudio\tmono\t\tbus Foley\tGate @0\tbus Cistern −14\t−4\tC\t20
STEPS\taudio\tmono\t\tbus Foley\t\t\t−6\tL30\t20
DRUM\taudio\tmono\t\t9\t\t\t−3\tC\t20
BCL\taudio\tmono\t\t10\t\tbus Hall −12\t−1\tC\t14
VIB\taudio\tstereo\t\t13–14\t\tbus Hall −12\t−3\tC\t18
HARP\taudio\tmono\t\tbus Strings\t\tbus Hall −10\t−1\tL25\t16
HARPLO\taudio\tmono\t\tbus Strings\t\t\t−5\tL25\t16
HARM\taudio\tmono\t\tbus Air\t\tbus Hall −14\t−4\tR15\t12
ROOM\taudio\tstereo\t\tbus Air\t\t\t−8\tC\t18
LAMPS\tinstrument\tstereo\t\tbus Effects\tGas hiss @0\t\t−14\tC\t10
WIND\tinstrument\tstereo\t\tbus Effects\tNorth wind @0\t\t−10\tC\t12
TOLL\taudio\tmono\t\t25–26\t\tbus Hall −8\t−6\tR40\t20
GLASS\taudio\tstereo\t\t27–28\t\tbus Hall −12\t−6\tC\t14
DRONE\tinstrument\tstereo\t\t27–28\tBellows @0\t\t−9\tC\t9
QUAY\taudio\tstereo\t\t21–22\t\t\t−10\tC\t15
SEA\taudio\tstereo\t\t21–22\t\t\t−10\tC\t12
DX\tgroup\tstereo\tbus Dialogue\t11–12\t\t\t0\tC\t
FY\tgroup\tstereo\tbus Foley\t17–18\t\t\t0\tC\t
STR\tgroup\tstereo\tbus Strings\t15–16\t\t\t0\tC\t
AIR\tgroup\tstereo\tbus Air\t19–20\t\t\t0\tC\t
FX\tgroup\tstereo\tbus Effects\t21–22\t\t\t0\tC\t
PLATE\taux\tstereo\tbus Plate\t23–24\tPlate @0\t\t−3\tC\t
HALL\taux\tstereo\tbus Hall\t23–24\tHall @128\t\t−4\tC\t
CISTERN\taux\tstereo\tbus Cistern\t23–24\tCistern @64\t\t−6\tC\t
PRINT\tprint\tstereo\t23–24\t\t\t\t0\tC\t`;

/**
 * Jobs of the mix as they are typed. Two transistor compressors serve five of them, one after the other; the mix is printed
 * through the loops in line behind the sum.
 */
export const JOBS: readonly string[] = [
  'NARR: valve equaliser A > opto > passive equaliser A',
  'LAMP: transistor compressor A; at +6; commit',
  'FERRY: transistor compressor B; at +6; commit',
  'DRUM: transistor compressor A; parallel 40 %; commit',
  'HARP: transistor compressor B; at +2; commit',
  'DX: bus compressor; mid/side',
  'BCL: transistor compressor A; at 0',
  'FOLEY: pedal loops loop 2',
  'PRINT: mix loops loop 1 > mix loops loop 2; in line',
];

/** What is summed, in the order of the tracks, and what of it is not told by its name. */
export const STEMS: readonly string[] = [
  'DRUM',
  'BCL',
  'VIB',
  'DX',
  'FY',
  'STR',
  'AIR',
  'FX',
  'TOLL',
  'GLASS',
  'DRONE',
  'QUAY',
  'SEA',
  'PLATE',
  'HALL',
  'CISTERN',
];
/** The chamber group carries the tune, on inputs of its own; what is long shares, and so do foley and the harbour bell. */
export const STEM_SOUNDS: Readonly<Record<string, string>> = {
  ...{ VIB: 'lead', STR: 'lead', AIR: 'lead', FY: 'other', TOLL: 'other', CISTERN: 'effects' },
  ...{ FX: 'long', GLASS: 'long', DRONE: 'long', QUAY: 'long', SEA: 'long' },
};
/** The stems of the chamber group. */
export const CHAMBER: readonly string[] = ['DRUM', 'BCL', 'VIB', 'STR', 'AIR'];
