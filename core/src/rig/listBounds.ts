/**
 * The most items each list of a studio holds: ten times the largest facility we know of, and few enough that
 * a file made to be slow is refused before it costs anything. Schemas and integrity read them here.
 */
export const MOST_ITEMS = {
  rooms: 200,
  devices: 5_000,
  hardwires: 50_000,
  cordStocks: 1_000,
  adaptors: 1_000,
  faults: 5_000,
  sessions: 500,
  threads: 2_000,
  scenes: 500,
  waivers: 5_000,
  buses: 1_000,
  tracks: 2_000,
  performers: 500,
  cues: 200,
  playbackChecks: 50,
  checkedChannels: 128,
  jobs: 500,
  sums: 50,
  stems: 256,
  tempoChanges: 500,
  readings: 10_000,
  consoleViews: 200,
  sceneCords: 10_000,
  floorCords: 10_000,
  precautions: 10_000,
  threadInserts: 64,
} as const;
