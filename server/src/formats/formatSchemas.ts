import * as z from 'zod';
import {
  checkOutputSchema,
  channelsOutputSchema,
  cuesOutputSchema,
  levelsOutputSchema,
  routeOutputSchema,
  sessionsOutputSchema,
  traceOutputSchema,
} from '@ft/contract/cliOutput';
import { insertsOutputSchema, summingOutputSchema } from '@ft/contract/cliMix';
import { logOutputSchema, playbackOutputSchema } from '@ft/contract/cliTrack';
import { bundleSchema } from '@ft/core/formats/bundle';
import { CATALOGUE } from '@ft/core/rig/catalogue/catalogue';

type JsonSchema = Record<string, unknown>;

/** JSON Schema 2020-12 of what goes into the program: defaults are optional there. */
const ofInput = (schema: z.ZodType): JsonSchema =>
  z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' });

/** The bundle, with the parameters of every catalogue type beside it. */
function bundleWithTypes(): JsonSchema {
  const params = Object.fromEntries(CATALOGUE.map((type) => [`${type.type}.params`, ofInput(type.params)]));
  const bundle = ofInput(bundleSchema);
  const defs = (bundle['$defs'] ?? {}) as JsonSchema;
  return { title: 'Faithful Thread bundle, faithful-thread/2', ...bundle, $defs: { ...defs, ...params } };
}

const ofOutput = (title: string, schema: z.ZodType): JsonSchema => ({ title, ...z.toJSONSchema(schema) });

/** Every published format by file name. */
export const formatSchemas = (): readonly (readonly [string, JsonSchema])[] => [
  ['bundle', bundleWithTypes()],
  ['check', ofOutput('ft check --json, faithful-thread-check/1', checkOutputSchema)],
  ['trace', ofOutput('ft trace --json, faithful-thread-trace/1', traceOutputSchema)],
  ['playback', ofOutput('ft playback --json, faithful-thread-playback/1', playbackOutputSchema)],
  ['inserts', ofOutput('ft inserts --json, faithful-thread-inserts/1', insertsOutputSchema)],
  ['summing', ofOutput('ft summing --json, faithful-thread-summing/1', summingOutputSchema)],
  ['log', ofOutput('ft log --json, faithful-thread-log/1', logOutputSchema)],
  ['cues', ofOutput('ft cues --json, faithful-thread-cues/1', cuesOutputSchema)],
  ['channels', ofOutput('ft channels --json, faithful-thread-channels/1', channelsOutputSchema)],
  ['levels', ofOutput('ft levels --json, faithful-thread-levels/1', levelsOutputSchema)],
  ['route', ofOutput('ft route --json, faithful-thread-route/1', routeOutputSchema)],
  ['sessions', ofOutput('ft sessions --json, faithful-thread-sessions/1', sessionsOutputSchema)],
];
