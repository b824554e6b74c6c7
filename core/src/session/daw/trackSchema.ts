import * as z from 'zod';
import { busIdSchema, jobIdSchema, trackIdSchema } from '../../rig/ids';
import { nameSchema } from '../../rig/rigSchema';
import { SAMPLE_RATES_HZ } from '../../units/sampleRates';

const hostNumber = z
  .number()
  .int('a whole number')
  .min(1, 'host inputs and outputs are counted from 1')
  .max(1024, 'at most 1024');
const levelDb = z.number().min(-144, 'from -144 dB to +24 dB').max(24, 'from -144 dB to +24 dB');
const panPosition = z
  .number()
  .min(-100, 'from -100 (left) to 100 (right)')
  .max(100, 'from -100 (left) to 100 (right)');
export const crestDb = z
  .number()
  .min(0, 'a crest factor from 0 to 40 dB')
  .max(40, 'a crest factor from 0 to 40 dB');
const delaySamples = z.number().min(0, 'a delay is zero or more samples').max(1_000_000);

export const TRACK_KINDS = ['audio', 'aux', 'group', 'vca', 'instrument', 'print'] as const;
export type TrackKind = (typeof TRACK_KINDS)[number];

/** Sides of a track or bus. */
export const MOST_SIDES = 16;
/** Slots of a track. */
export const MOST_SLOTS = 10;
export const MOST_SENDS = 10;

/** A place a signal can be sent to: a bus, or host outputs from a number on. */
export const destinationSchema = z.discriminatedUnion('to', [
  z.strictObject({
    to: z.literal('host'),
    first: hostNumber,
    /** Of a mono track on a pair of outputs, between which its pan divides it; else as many as the track is wide. */
    width: z.literal(2).optional(),
  }),
  z.strictObject({ to: z.literal('bus'), bus: busIdSchema }),
]);
export type Destination = z.infer<typeof destinationSchema>;

export const trackInputSchema = z.discriminatedUnion('from', [
  z.strictObject({ from: z.literal('none') }),
  z.strictObject({ from: z.literal('host'), first: hostNumber }),
  z.strictObject({ from: z.literal('bus'), bus: busIdSchema }),
]);

/** What of the dry signal is heard beside what comes back, and how much of that, dB. */
export const parallelSchema = z.strictObject({ dryDb: levelDb, wetDb: levelDb });
export type Parallel = z.infer<typeof parallelSchema>;

/** What stands in an insert slot. */
export const slotSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('plugin'),
    name: nameSchema,
    delaySamples,
    /** The bus its key (side-chain) input listens to. */
    key: busIdSchema.optional(),
    /** It only turns the level, by so much. */
    gainDb: levelDb.optional(),
    /** It stands before or behind the hardware of a job, on a host that cannot trim. */
    job: jobIdSchema.optional(),
  }),
  z.strictObject({
    kind: z.literal('hardware'),
    send: hostNumber,
    return: hostNumber,
    sendTrimDb: levelDb,
    returnTrimDb: levelDb,
    /** Round trip as measured or typed in; left out while nobody knows it. */
    delaySamples: delaySamples.optional(),
    /** Of a stereo track: the first side of the trip is the middle, the second what differs. */
    midSide: z.literal(true).optional(),
    parallel: parallelSchema.optional(),
    /** It keeps its place and is not in use: the track goes past it. */
    off: z.literal(true).optional(),
    /** The job it does. */
    job: jobIdSchema.optional(),
  }),
]);
export type Slot = z.infer<typeof slotSchema>;
export type HardwareSlot = Extract<Slot, { kind: 'hardware' }>;

export const sendSchema = z.strictObject({
  destination: destinationSchema,
  preFader: z.boolean(),
  levelDb,
  pan: panPosition,
});
export type Send = z.infer<typeof sendSchema>;

/** A track as its host sees it. A VCA carries no sound: it moves the faders of the tracks that follow it. */
export const trackSchema = z.strictObject({
  id: trackIdSchema,
  number: z.number().int('a whole number').min(1, 'numbers start at 1').max(9999),
  name: nameSchema,
  kind: z.enum(TRACK_KINDS),
  width: z.number().int('a whole number of lanes').min(1, 'at least 1').max(MOST_SIDES, 'at most 16'),
  input: trackInputSchema,
  /** Slots 1 to 10 in order; null is an empty one. */
  inserts: z.array(slotSchema.nullable()).max(MOST_SLOTS, 'a track has ten slots'),
  faderDb: levelDb,
  muted: z.boolean(),
  pan: panPosition,
  sends: z.array(sendSchema).max(MOST_SENDS, 'a track has ten sends'),
  outputs: z.array(destinationSchema).max(16, 'at most 16 outputs at once'),
  recordArm: z.boolean(),
  inputMonitor: z.boolean(),
  /** The VCA it follows. */
  vca: trackIdSchema.optional(),
  /** What it plays, RMS; left out, the level of the line-up. */
  levelDbfs: z
    .number()
    .min(-80, 'a level from -80 to 0 dBFS')
    .max(0, 'a level from -80 to 0 dBFS')
    .optional(),
  crestDb: crestDb.optional(),
  /** It is the click that people play to. */
  click: z.literal(true).optional(),
  /** The rate its material was recorded at; left out, that of the session. */
  recordedAtHz: z.literal(SAMPLE_RATES_HZ).optional(),
});
export type Track = z.infer<typeof trackSchema>;

export const busSchema = z.strictObject({
  id: busIdSchema,
  name: nameSchema,
  width: z.number().int().min(1).max(MOST_SIDES),
});
export type Bus = z.infer<typeof busSchema>;
