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

/** `ft summing --json`. */
export const summingOutputSchema = z.object({
  format: z.literal('faithful-thread-summing/1'),
  studio: z.string(),
  session: z.string(),
  scene: z.string(),
  sums: z.array(
    z.object({
      name: z.string(),
      mixers: z.array(z.string()),
      school: z.string(),
      inputs: z.number(),
      free: z.string(),
      print: z.string(),
      points: z
        .number()
        .describe('what all places are worth together, were they given anew; typed ones left out'),
      isProven: z.boolean().describe('no sharing out is worth more'),
      places: z.array(
        z.object({
          stem: z.string(),
          sound: z.string(),
          inputs: z.string().describe('counted through all mixers; empty where it has none'),
          isTyped: z.boolean(),
          points: z.number().optional().describe('of the place it would have, were all given anew'),
          because: z.string(),
          nextBest: z.string(),
          output: z.string(),
          converter: z.string(),
          level: z.string(),
          room: z.string(),
          isMono: z.boolean(),
          isBoosted: z.boolean(),
          share: z.string().describe('of the energy of the sum, with whoever shares the place'),
          underSum: z.string(),
          faderDb: z.string(),
          offsetSamples: z.string(),
          trouble: z.string(),
          knobs: z
            .record(z.string(), z.string())
            .describe('what its mixer has there, by column of the channel sheet'),
          unit: z.string().describe('on the insert of its channel'),
          recorded: z.string().describe('inputs of the host its direct outs come to, and how late'),
        }),
      ),
      buses: z
        .array(
          z.object({
            name: z.string(),
            kind: z.enum(['group', 'send', 'mix', 'vca', 'return']),
            from: z.string().describe('what comes to it, or follows it'),
            unit: z.string(),
            level: z.string(),
            room: z.string(),
            leads: z.string(),
            knobs: z.record(z.string(), z.string()),
          }),
        )
        .describe('of the console it is mixed on; none on a summing mixer'),
      remarks: z.array(z.string()),
    }),
  ),
});
export type SummingOutput = z.infer<typeof summingOutputSchema>;
