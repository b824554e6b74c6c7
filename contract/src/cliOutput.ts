import * as z from 'zod';

/** What every answer of the command line starts with. Fields may be added; none is renamed or removed. */
const head = { studio: z.string(), session: z.string(), scene: z.string() };

const lane = z.string().describe('device/port/lane');
const level = z.number().optional();

const hop = z.object({
  lane,
  name: z.string(),
  kind: z
    .enum(['route', 'normal', 'hardwire', 'tieLine', 'crosspoint', 'cord'])
    .optional()
    .describe('how the signal arrives; the first hop has none'),
});

const finding = z.object({
  key: z.string().describe('rule and ids; stays the same while figures move'),
  rule: z.string(),
  severity: z.enum(['error', 'warning', 'note']),
  wrong: z.string(),
  remedy: z.string(),
  at: z.array(z.object({ kind: z.string(), id: z.string(), name: z.string() })),
  figures: z.record(z.string(), z.unknown()),
  waivedFor: z.string().optional(),
});

/** `ft check --json`. */
export const checkOutputSchema = z.object({
  format: z.literal('faithful-thread-check/1'),
  ...head,
  counts: z.object({ error: z.number(), warning: z.number(), note: z.number(), waived: z.number() }),
  findings: z.array(finding),
  idleWaivers: z.array(z.object({ id: z.string(), reason: z.string() })),
});
export type CheckOutput = z.infer<typeof checkOutputSchema>;

/** `ft trace --json`. */
export const traceOutputSchema = z.object({
  format: z.literal('faithful-thread-trace/1'),
  ...head,
  direction: z.enum(['from', 'to']),
  start: lane,
  paths: z.array(z.array(hop)),
  mults: z.array(lane).describe('lanes where the signal splits'),
  loops: z.array(z.object({ from: lane, to: lane })),
  cut: z.boolean().describe('true where there were more paths than are listed'),
});
export type TraceOutput = z.infer<typeof traceOutputSchema>;

/** `ft levels --json`. Levels in dBu or dBFS as `unit` says; a figure that is unknown is left out. */
export const levelsOutputSchema = z.object({
  format: z.literal('faithful-thread-levels/1'),
  ...head,
  threads: z.array(
    z.object({
      thread: z.string(),
      name: z.string(),
      complete: z.boolean(),
      hops: z.array(
        hop.extend({
          unit: z.enum(['dBu', 'dBFS']),
          nominal: level,
          peak: level,
          noise: level,
          max: level,
          headroomDb: level,
          delaySamples: z.number(),
          delayMs: z.number(),
          inverted: z.boolean(),
          arithmetic: z.array(z.string()),
        }),
      ),
      gaps: z.array(z.string()),
    }),
  ),
});
export type LevelsOutput = z.infer<typeof levelsOutputSchema>;

/** `ft route --json`. */
export const routeOutputSchema = z.object({
  format: z.literal('faithful-thread-route/1'),
  ...head,
  threads: z.array(
    z.object({
      thread: z.string(),
      name: z.string(),
      routed: z.boolean(),
      kept: z.boolean().describe('true where the thread ran already and was left alone'),
      gain: z
        .object({ runs: z.array(z.string()), savedPoints: z.number() })
        .optional()
        .describe('of a thread that ran and has moved: the threads that run because of it, or points saved'),
      because: z.string().optional().describe('why it could not be routed'),
    }),
  ),
  cords: z.array(
    z.object({
      id: z.string(),
      from: lane,
      to: lane,
      stock: z.string(),
      thread: z.string().optional(),
      isNew: z.boolean(),
    }),
  ),
  settings: z.record(z.string(), z.union([z.number(), z.boolean(), z.null()])),
});
export type RouteOutput = z.infer<typeof routeOutputSchema>;

/** `ft channels --json`. */
export const channelsOutputSchema = z.object({
  format: z.literal('faithful-thread-channels/1'),
  ...head,
  device: z.string(),
  columns: z.array(z.object({ id: z.string(), title: z.string(), unit: z.string().optional() })),
  rows: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      section: z.string(),
      carries: z.string().describe('the lines it carries, or what plays there; empty for nothing'),
      unit: z.string().describe('the unit on its insert point'),
      leads: z.string(),
      cells: z.record(z.string(), z.string()).describe('what stands in its cells, by column'),
    }),
  ),
  changed: z.array(z.string()).describe('what a table that was read back changes'),
});
export type ChannelsOutput = z.infer<typeof channelsOutputSchema>;

const known = (what: string) => z.number().optional().describe(what);

/** `ft cues --json`. Levels are dB SPL at the louder side of a pair of headphones. */
export const cuesOutputSchema = z.object({
  format: z.literal('faithful-thread-cues/1'),
  ...head,
  cues: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      carrier: z.string().describe('the buses or outputs its sends lead to'),
      trouble: z.string().optional().describe('why the carrier is none'),
      status: z.string().optional().describe('of the lines that bring it, the one that has come least far'),
      hasTalkback: z.boolean(),
      sends: z.record(z.string(), z.string()).describe('by the name of the source, as its carrier has it'),
    }),
  ),
  ears: z.array(
    z.object({
      cue: z.string(),
      headphones: z.string(),
      performer: z.string().describe('empty where nobody wears them'),
      isLying: z.boolean(),
      box: z.string().optional().describe('what has their volume'),
      volumeDb: z.tuple([z.number(), z.number()]).optional().describe('left and right'),
      startDb: known('where the volume stands for 75 dB SPL at the ear'),
      sumDbSpl: known('everything that sounds'),
      ownDbSpl: known('their own lines'),
      ownOverRestDb: known('own lines over everything else'),
      ownDelayMs: known('how late they hear themself'),
      talkbackDbSpl: known('while the key is held; left out where it does not reach'),
      clickDbSpl: known('of the click'),
      acousticDbSpl: known('of their own instrument through the air'),
      atEarDbSpl: known('the steady level that gives the same dose'),
      allowedHours: known('by the table of the session'),
      dose: known('1 is all that a day may bring'),
      clickAtMicrophoneDbSpl: known('estimated, at the microphone named'),
      microphone: z.string().optional(),
    }),
  ),
});
export type CuesOutput = z.infer<typeof cuesOutputSchema>;

/** `ft sessions --json`. */
export const sessionsOutputSchema = z.object({
  format: z.literal('faithful-thread-sessions/1'),
  studio: z.string(),
  sessions: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      date: z.string().optional().describe('2026-12-05'),
      goesLive: z.boolean(),
      putAway: z.boolean(),
      template: z.boolean(),
      scenes: z.number(),
      lines: z.number(),
      tracks: z.number(),
      onFloor: z.string().optional().describe('the scene of it that was last put on the floor'),
      scene: z.string().describe('the scene whose findings are counted: on the floor, else where it opens'),
      errors: z.number(),
      warnings: z.number(),
    }),
  ),
  said: z.array(z.string()),
  left: z
    .array(
      z.object({
        what: z.string(),
        of: z.string(),
        missing: z.string(),
        count: z.number(),
        sentence: z.string(),
      }),
    )
    .describe('what had no counterpart when a session was taken over'),
});
export type SessionsOutput = z.infer<typeof sessionsOutputSchema>;
