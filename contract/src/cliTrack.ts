import { logRowSchema } from '@ft/core/takes/logRows';
import * as z from 'zod';

/** `ft playback --json`. */
export const playbackOutputSchema = z.object({
  format: z.literal('faithful-thread-playback/1'),
  studio: z.string(),
  session: z.string(),
  scene: z.string(),
  checks: z.array(
    z.object({
      name: z.string(),
      console: z.string(),
      recorder: z.string(),
      live: z.string().describe('the scene in which people play'),
      playback: z.string().describe('the scene in which the recorder does'),
      points: z.array(
        z.object({ title: z.string(), stands: z.enum(['holds', 'fails', 'note']), says: z.string() }),
      ),
      channels: z.array(
        z.object({
          channel: z.string(),
          line: z.string().describe('of the input list; empty where it is none alone'),
          input: z.string().describe('what it listens to live'),
          track: z.string().describe('that records it; empty where none does'),
          tap: z.string(),
          plays: z.string().describe('what it hears in playback'),
          isPlaying: z.boolean(),
          isWrong: z.boolean(),
        }),
      ),
      wanted: z
        .array(z.object({ channel: z.string(), knob: z.string(), from: z.string(), to: z.string() }))
        .describe('gains and trims turned in playback: on stage, and wanted there'),
    }),
  ),
  lost: z.array(z.string()).describe('checks whose console or recorder is not in the rig any more'),
});
export type PlaybackOutput = z.infer<typeof playbackOutputSchema>;

/** `ft log --json`. */
export const logOutputSchema = z.object({
  format: z.literal('faithful-thread-log/1'),
  studio: z.string(),
  session: z.string(),
  rows: z.array(logRowSchema).describe('takes, notes and punches, as they were written last'),
});
export type LogOutput = z.infer<typeof logOutputSchema>;
