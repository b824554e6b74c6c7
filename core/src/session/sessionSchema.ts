import * as z from 'zod';
import { STATION_ROLES } from '../rig/deviceModel';
import {
  adaptorIdSchema,
  cordIdSchema,
  cueIdSchema,
  deviceIdSchema,
  jobIdSchema,
  laneIdSchema,
  sceneIdSchema,
  sessionIdSchema,
  stationIdSchema,
  stockIdSchema,
  threadIdSchema,
} from '../rig/ids';
import { MOST_ITEMS } from '../rig/listBounds';
import { nameSchema } from '../rig/rigSchema';
import { settingKeySchema } from '../rig/settings';
import { PAN_LAWS_DB } from '../units/panLaw';
import { FIRST_PROFILE, hostProfileSchema } from './daw/hostProfile';
import { PREFERENCE_ORDER, preferenceOrderSchema } from './preferences';
import { busSchema, crestDb, trackSchema } from './daw/trackSchema';
import { trackStateSchema } from './daw/trackState';
import { SAMPLE_RATES_HZ } from '../units/sampleRates';
import { HEARING_TABLES } from '../units/hearing';
import { byNumber } from './byNumber';
import { PURPOSES } from './purposes';
import { performerSchema } from './performerSchema';
import { consoleViewSchema } from './consoleViewSchema';
import { cueSchema } from './cueSchema';
import { jobSchema, mixSettingsSchema } from './jobSchema';
import { playbackCheckSchema } from './playbackSchema';
import { sumSchema } from './sumSchema';
import { takeSettingsSchema } from './tempo';
import { readingSchema } from './readingSchema';

const text = z.string().max(200, 'at most 200 characters');

/** Stations the user fixed. The router never moves a pin. */
export const pinsSchema = z.strictObject(
  Object.fromEntries(STATION_ROLES.map((role) => [role, stationIdSchema.optional()])) as Record<
    (typeof STATION_ROLES)[number],
    z.ZodOptional<typeof stationIdSchema>
  >,
);

/** A thread is at most as wide as a DB-25 or an optical link. */
export const MOST_WIDE = 8;

export const threadSchema = z.strictObject({
  id: threadIdSchema,
  /** The line of the input list. */
  number: z.number().int('a whole number').min(1, 'numbers start at 1').max(9999),
  purpose: z.enum(PURPOSES),
  performer: text,
  /** What sounds: "Voice", "Harp". */
  source: text,
  /** The output lane the thread starts from: a microphone, an instrument, a DAW output. */
  from: laneIdSchema,
  /** Where a feed ends. Inputs and inserts end at the DAW. */
  to: laneIdSchema.optional(),
  /** Part of a wider thread: side `place` of the one that `lead` is the first of. Sides sit on adjacent DAW inputs. */
  link: z.strictObject({ lead: threadIdSchema, place: z.number().int().min(2).max(MOST_WIDE) }).optional(),
  /** Expected sound level at the microphone, and crest factor of the source. */
  levelDbSpl: z
    .number()
    .min(0, 'a sound level from 0 to 160 dB SPL')
    .max(160, 'a sound level from 0 to 160 dB SPL')
    .optional(),
  /** Of a source that is no microphone: what its output carries, RMS. */
  levelDbu: z
    .number()
    .min(-80, 'a level from -80 to +40 dBu')
    .max(40, 'a level from -80 to +40 dBu')
    .optional(),
  crestDb: crestDb.optional(),
  /** How far the microphone stands from what sounds. */
  distanceM: z
    .number()
    .min(0, 'a distance from 0 to 100 m')
    .max(100, 'a distance from 0 to 100 m')
    .optional(),
  /** Processors to pass, in order. */
  inserts: z.array(stationIdSchema).max(MOST_ITEMS.threadInserts),
  trackName: text,
  /** The cue it brings to its headphones. */
  cue: cueIdSchema.optional(),
  /** The job of the mix it does. */
  job: jobIdSchema.optional(),
  /** It is the click that people play to. */
  click: z.literal(true).optional(),
  pins: pinsSchema,
  scenes: z.array(sceneIdSchema).max(MOST_ITEMS.scenes),
});

/** A cable a scene wants plugged, output face to input face. */
export const cordSchema = z.strictObject({
  id: cordIdSchema,
  from: laneIdSchema,
  to: laneIdSchema,
  stock: stockIdSchema,
  /** Adaptors on its two plugs, where the jacks need another connector. */
  fromAdaptor: adaptorIdSchema.optional(),
  toAdaptor: adaptorIdSchema.optional(),
  /** The thread the router plugged it for; a cord a person planned by hand has none. */
  thread: threadIdSchema.optional(),
});

export const sceneSchema = z.strictObject({
  id: sceneIdSchema,
  name: nameSchema,
  /** The scene this one follows: what changes there changes here, as long as it is alike in both. */
  follows: sceneIdSchema.optional(),
  /** Put away: kept and comparable, but not offered at the top. */
  archived: z.literal(true).optional(),
  /** Its place among the scenes, from 1; one without comes after those that have one. */
  position: z.number().int().min(1).max(9999).optional(),
  cords: z.array(cordSchema).max(MOST_ITEMS.sceneCords),
  settings: z.record(settingKeySchema, z.union([z.number(), z.boolean()])),
  /** Tracks that are armed or monitored otherwise in this scene. */
  trackStates: z.array(trackStateSchema).max(MOST_ITEMS.tracks).optional(),
  /** The scene a trainee's copy was made of, and goes back to. */
  trains: sceneIdSchema.optional(),
});

export const waiverSchema = z.strictObject({
  /** The key of the waived finding. */
  id: z.string().min(1).max(1000),
  reason: z.string().trim().min(1, 'a reason is needed').max(500),
});

export const WORD_LENGTHS_BITS = [16, 24, 32] as const;
const DIGITAL_LEVEL = 'a digital level from −60 to 0 dBFS';
const ANALOGUE_LEVEL = 'an analogue level from −20 to +24 dBu';

/** The buffers a host usually offers; a session may hold any from 16 to 8192. */
export const BUFFER_SAMPLES = [16, 32, 64, 128, 256, 512, 1024, 2048] as const;

export const sessionSchema = z.strictObject({
  id: sessionIdSchema,
  name: nameSchema,
  /** Its day, or the first of them: "2026-12-05". */
  date: z.iso.date('a day is written 2026-12-05').optional(),
  /** People hear it as it happens: a show, a broadcast. */
  goesLive: z.literal(true).optional(),
  /** Put away: kept and comparable, but not offered at the top. */
  archived: z.literal(true).optional(),
  /** A session without its material that others are started from. */
  template: z.literal(true).optional(),
  sampleRateHz: z.literal(SAMPLE_RATES_HZ),
  wordLengthBits: z.literal(WORD_LENGTHS_BITS),
  bufferSamples: z.number().int().min(16).max(8192),
  /** The level the session works at: "−18 dBFS = +4 dBu". */
  lineUp: z.strictObject({
    dbfs: z.number().min(-60, DIGITAL_LEVEL).max(0, DIGITAL_LEVEL),
    dbu: z.number().min(-20, ANALOGUE_LEVEL).max(24, ANALOGUE_LEVEL),
  }),
  threads: z.array(threadSchema).max(MOST_ITEMS.threads),
  scenes: z.array(sceneSchema).min(1, 'a session has at least one scene').max(MOST_ITEMS.scenes),
  waivers: z.array(waiverSchema).max(MOST_ITEMS.waivers),
  /** What the router prefers, first things first. */
  routing: preferenceOrderSchema.default([...PREFERENCE_ORDER]),
  /** The DAW host that plays and records the tracks. */
  host: deviceIdSchema.optional(),
  hostProfile: hostProfileSchema.default(FIRST_PROFILE),
  panLawDb: z.literal(PAN_LAWS_DB).default(-3),
  buses: z.array(busSchema).max(MOST_ITEMS.buses).default([]),
  tracks: z.array(trackSchema).max(MOST_ITEMS.tracks).default([]),
  performers: z.array(performerSchema).max(MOST_ITEMS.performers).default([]),
  /** What performers hear. */
  cues: z.array(cueSchema).max(MOST_ITEMS.cues).default([]),
  /** Channels that are recorded, and can be played back into. */
  playbackChecks: z.array(playbackCheckSchema).max(MOST_ITEMS.playbackChecks).default([]),
  /** Tracks that shall pass outboard. */
  jobs: z.array(jobSchema).max(MOST_ITEMS.jobs).default([]),
  mix: mixSettingsSchema.optional(),
  /** Stems that are summed outside the host. */
  sums: z.array(sumSchema).max(MOST_ITEMS.sums).default([]),
  /** The line-up sheet as it was last filled in. */
  readings: z.array(readingSchema).max(MOST_ITEMS.readings).default([]),
  /** Named views of consoles. */
  consoleViews: z.array(consoleViewSchema).max(MOST_ITEMS.consoleViews).default([]),
  /** Room left over the peak of a source where it is recorded, dB. */
  headroomDb: z
    .number()
    .min(0, 'a headroom from 0 to 40 dB')
    .max(40, 'a headroom from 0 to 40 dB')
    .default(6),
  /** The table that cue levels are held against. */
  hearingTable: z.enum(HEARING_TABLES).default('niosh'),
  /** How takes are logged. */
  takes: takeSettingsSchema.optional(),
  /** The console whose automation follows timecode, where one does. */
  automatedConsole: deviceIdSchema.optional(),
});

export type Pins = z.infer<typeof pinsSchema>;
export type Thread = z.infer<typeof threadSchema>;
export type Cord = z.infer<typeof cordSchema>;
export type Scene = z.infer<typeof sceneSchema>;
export type Waiver = z.infer<typeof waiverSchema>;
export type Session = z.infer<typeof sessionSchema>;

/** The threads that are active in a scene, by their number on the input list. */
export const threadsIn = (session: Session, scene: Scene): readonly Thread[] =>
  session.threads.filter((thread) => thread.scenes.includes(scene.id)).sort(byNumber);
