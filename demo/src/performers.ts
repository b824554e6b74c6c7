import type { z } from 'zod';
import type { performerSchema } from '@ft/core/session/performerSchema';

/** Who hears themself with what, for how long a day, and how late they stand it. */
export const PERFORMERS: z.input<typeof performerSchema>[] = [
  { id: 'imke-tarrow', name: 'Imke Tarrow', headphones: 'narrator-headphones', cueLimitMs: 5, hoursADay: 4 },
  { id: 'odile-marrable', name: 'Odile Marrable', headphones: 'foley-headphones', hoursADay: 5 },
  { id: 'wen-askelby', name: 'Wen Askelby', headphones: 'harp-headphones', hoursADay: 3 },
];

/** Tracks whose performers listen to themselves through the DAW. */
export const LISTENING: ReadonlySet<string> = new Set(['NARR', 'FOLEY', 'HARP']);
