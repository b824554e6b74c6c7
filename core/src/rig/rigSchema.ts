import * as z from 'zod';
import { CATALOGUE } from './catalogue/catalogue';
import { CONNECTORS } from './connector';
import { SAMPLE_RATES_HZ } from '../units/sampleRates';
import {
  adaptorIdSchema,
  deviceIdSchema,
  hardwireIdSchema,
  laneIdSchema,
  roomIdSchema,
  stockIdSchema,
} from './ids';
import { MOST_ITEMS } from './listBounds';

/** A name a person gives: 1 to 80 characters, not only blanks. */
export const nameSchema = z.string().trim().min(1, 'a name is needed').max(80, 'at most 80 characters');

export const roomSchema = z.strictObject({
  id: roomIdSchema,
  name: nameSchema,
  /** Its place on the walk through the rooms, from 1; one without comes after those that have one. */
  position: z.number().int().min(1).max(9999).optional(),
});

const typeNames = CATALOGUE.map((entry) => entry.type) as [string, ...string[]];

/** `internal`, or the key of the connector it follows: its clock input, a digital link. */
export const clockSchema = z.strictObject({
  follows: z.string().regex(/^[a-z0-9-]{1,64}$/, 'internal, or the key of a connector'),
  /** The rate its own clock is fixed to; left out, the rate of the session. */
  rateHz: z.literal(SAMPLE_RATES_HZ).optional(),
});

/** Where a device stands in its room: a rack, a table, a shelf. */
export const rackSchema = z
  .string()
  .trim()
  .min(1, 'a rack has a name, or is left out')
  .max(40, 'at most 40 characters');

const deviceBaseSchema = z.strictObject({
  id: deviceIdSchema,
  name: nameSchema,
  room: roomIdSchema,
  rack: rackSchema.optional(),
  /** What its word clock comes from; left out, what its connections suggest. */
  clock: clockSchema.optional(),
  type: z.enum(typeNames),
  params: z.record(z.string(), z.unknown()).default({}),
});

/** A device: a catalogue type and its parameters, checked by that type and filled with its defaults. */
export const deviceSchema = deviceBaseSchema.transform((device, context) => {
  const type = CATALOGUE.find((entry) => entry.type === device.type);
  const parsed = type?.params.safeParse(device.params);
  if (parsed?.success) return { ...device, params: parsed.data };
  for (const issue of parsed?.error.issues ?? [])
    context.addIssue({ code: 'custom', message: issue.message, path: ['params', ...issue.path] });
  return z.NEVER;
});

/** Fixed cable from an output lane to an input lane. */
export const hardwireSchema = z.strictObject({ id: hardwireIdSchema, from: laneIdSchema, to: laneIdSchema });

const MOST_ALIKE = 10_000;
const COUNT = `from 0 to ${String(MOST_ALIKE)} of a kind`;

/** Cords of one kind on the hook. */
export const stockSchema = z.strictObject({
  id: stockIdSchema,
  name: nameSchema,
  connectors: z.tuple([z.enum(CONNECTORS), z.enum(CONNECTORS)]),
  lengthM: z.number().positive('a length is above 0 m').max(500, 'a length is at most 500 m'),
  colour: z.string().trim().max(40, 'at most 40 characters'),
  count: z.number().int('a whole number of cords').min(0, COUNT).max(MOST_ALIKE, COUNT),
});

/** Adaptors of one kind: pushed onto the plug of a cord, they make it another plug. */
export const adaptorSchema = z.strictObject({
  id: adaptorIdSchema,
  name: nameSchema,
  connectors: z.tuple([z.enum(CONNECTORS), z.enum(CONNECTORS)]),
  count: z.number().int('a whole number of adaptors').min(0, COUNT).max(MOST_ALIKE, COUNT),
});

/** A place that does not work until somebody mends it. Its id is the lane's. */
export const faultSchema = z.strictObject({
  id: laneIdSchema,
  note: z.string().trim().max(200, 'at most 200 characters').default(''),
});

/** What a rig was begun as, so that a reader knows what of it was asked and what is only typical. */
export const begunAsSchema = z.strictObject({
  room: z.string().trim().min(1).max(80),
  /** The questions with their answers: "Mic inputs: 4". */
  asked: z.array(z.string().max(120)).max(20),
});

export const rigSchema = z.strictObject({
  begunAs: begunAsSchema.optional(),
  rooms: z.array(roomSchema).max(MOST_ITEMS.rooms),
  devices: z.array(deviceSchema).max(MOST_ITEMS.devices),
  hardwires: z.array(hardwireSchema).max(MOST_ITEMS.hardwires),
  cords: z.array(stockSchema).max(MOST_ITEMS.cordStocks),
  adaptors: z.array(adaptorSchema).max(MOST_ITEMS.adaptors).default([]),
  faults: z.array(faultSchema).max(MOST_ITEMS.faults).default([]),
});

export type Room = z.infer<typeof roomSchema>;
export type Device = z.infer<typeof deviceSchema>;
export type Hardwire = z.infer<typeof hardwireSchema>;
export type CordStock = z.infer<typeof stockSchema>;
export type Adaptor = z.infer<typeof adaptorSchema>;
export type Fault = z.infer<typeof faultSchema>;
export type Rig = z.infer<typeof rigSchema>;
