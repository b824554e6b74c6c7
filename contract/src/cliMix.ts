import * as z from 'zod';

/** `ft inserts --json`. */
export const insertsOutputSchema = z.object({
  format: z.literal('faithful-thread-inserts/1'),
  studio: z.string(),
  session: z.string(),
  scene: z.string(),
  jobs: z.array(
    z.object({
      number: z.number(),
      on: z.string().describe('the track that passes the chain'),
      chain: z.string().describe('its units in order, as they are typed'),
      how: z.string().describe('mid/side, parallel; empty for straight'),
      at: z.string().describe('the slot, or where in line'),
      state: z.enum(['live', 'to commit', 'committed']),
      placing: z.enum(['up', 'standing by', 'waiting']),
      out: z.string().describe('numbers of the host; empty where it has none'),
      in: z.string(),
      trimOutDb: z.string(),
      trimInDb: z.string(),
      levels: z.array(z.string()).describe('at each unit, RMS, and room over the peaks'),
      delaySamples: z.string().describe('of the round trip; empty where there is none'),
      compensation: z.string(),
      notes: z.array(z.string()),
      trouble: z.string(),
    }),
  ),
  budget: z.object({ used: z.number(), limit: z.number(), isOver: z.boolean() }),
  contentions: z.array(z.object({ isConflict: z.boolean(), says: z.string() })),
  days: z.array(
    z.object({
      unit: z.string(),
      jobs: z.array(z.object({ on: z.string(), state: z.string(), when: z.string() })),
    }),
  ),
  free: z.object({ outputs: z.string(), inputs: z.string() }),
  names: z.array(
    z.object({
      what: z.enum(['Input', 'Output', 'Insert', 'Matrix']),
      number: z.string(),
      name: z.string(),
      leads: z.string(),
      isOff: z.boolean(),
    }),
  ),
});
export type InsertsOutput = z.infer<typeof insertsOutputSchema>;
