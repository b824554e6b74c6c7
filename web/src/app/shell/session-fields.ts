import * as z from 'zod';
import { nameSchema } from '@ft/core/rig/rigSchema';
import { BUFFER_SAMPLES, sessionSchema, WORD_LENGTHS_BITS } from '@ft/core/session/sessionSchema';
import type { Session } from '@ft/core/session/sessionSchema';
import { SAMPLE_RATES_HZ } from '@ft/core/units/sampleRates';
import type { FormField } from '../ui/form/form-field';

const { date, sampleRateHz, wordLengthBits, bufferSamples, lineUp, headroomDb } = sessionSchema.shape;
const { dbfs, dbu } = lineUp.shape;

/** The facts of a session as the panel asks for them, and the three names. */
export const sessionFactsSchema = z.object({
  ...{ session: nameSchema, scene: nameSchema, studio: nameSchema },
  ...{ date, goesLive: z.boolean() },
  ...{ sampleRateHz, wordLengthBits, bufferSamples, dbfs, dbu, headroomDb },
});
export type SessionFacts = z.infer<typeof sessionFactsSchema>;

/** The usual buffers, and the one set where it is another. */
const buffersOf = ({ bufferSamples: own }: Session): readonly number[] =>
  [...new Set<number>([...BUFFER_SAMPLES, own])].sort((a, b) => a - b);

const choice = (key: string, label: string, values: readonly number[], unit: string): FormField => ({
  ...{ key, label, kind: 'choice' },
  choices: values.map((value) => ({
    value,
    name: `${String(unit === 'kHz' ? value / 1000 : value)} ${unit}`,
  })),
});

export const sessionFields = (session: Session): readonly FormField[] => [
  { key: 'session', label: 'Session', kind: 'text' },
  { key: 'scene', label: 'Scene', kind: 'text' },
  { key: 'studio', label: 'Studio', kind: 'text' },
  { key: 'date', label: 'Day', unit: 'year-month-day', kind: 'text', typical: 'none yet', widthRem: 8 },
  { key: 'goesLive', label: 'Goes live: people hear it as it happens', kind: 'switch' },
  choice('sampleRateHz', 'Sample rate', SAMPLE_RATES_HZ, 'kHz'),
  choice('wordLengthBits', 'Word length', WORD_LENGTHS_BITS, 'bit'),
  choice('bufferSamples', 'Host buffer', buffersOf(session), 'samples'),
  { key: 'dbfs', label: 'Line-up, digital', unit: 'dBFS', kind: 'figure', widthRem: 5 },
  { key: 'dbu', label: 'is, analogue', unit: 'dBu', kind: 'figure', widthRem: 5 },
  { key: 'headroomDb', label: 'Room over peaks', unit: 'dB, where preamps are advised', kind: 'figure' },
];

export const factsOf = (session: Session): Omit<SessionFacts, 'session' | 'scene' | 'studio'> => ({
  date: session.date,
  goesLive: session.goesLive === true,
  sampleRateHz: session.sampleRateHz,
  wordLengthBits: session.wordLengthBits,
  bufferSamples: session.bufferSamples,
  ...session.lineUp,
  headroomDb: session.headroomDb,
});
