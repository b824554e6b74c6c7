import type { z } from 'zod';
import type { performerSchema } from '@ft/core/session/performerSchema';

/** Who hears themself with what, for how long a day, and how late they stand it. */
export const PERFORMERS: z.input<typeof performerSchema>[] = [
  { id: 'imke-tarrow', name: 'Imke Tarrow', headphones: 'narrator-headphones', cueLimitMs: 5, hoursADay: 4 },
  { id: 'odile-marrable', name: 'Odile Marrable', headphones: 'foley-headphones', hoursADay: 5 },
  { id: 'wen-askelby', name: 'Wen Askelby', headphones: 'harp-headphones', hoursADay: 3 },
  { id: 'joss-verrill', name: 'Joss Verrill', headphones: 'lamplighter-headphones', hoursADay: 4 },
  { id: 'aud-pellow', name: 'Aud Pellow', headphones: 'ferry-keeper-headphones', hoursADay: 4 },
  { id: 'tamsin-rook', name: 'Tamsin Rook', headphones: 'foley-left-headphones', hoursADay: 5 },
  { id: 'jory-askam', name: 'Jory Askam', headphones: 'foley-right-headphones', hoursADay: 5 },
  { id: 'hedda-lisle', name: 'Hedda Lisle', headphones: 'rostrum-headphones', hoursADay: 6 },
  { id: 'brannoc-teale', name: 'Brannoc Teale', headphones: 'vibraphone-headphones', hoursADay: 6 },
  { id: 'saskia-orrel', name: 'Saskia Orrel', headphones: 'bass-clarinet-headphones', hoursADay: 6 },
  { id: 'mattis-quill', name: 'Mattis Quill', headphones: 'harmonium-headphones', hoursADay: 6 },
  { id: 'nell-farrow', name: 'Nell Farrow', headphones: 'frame-drums-headphones', hoursADay: 6 },
];

/** Tracks whose performers listen to themselves through the DAW. */
export const LISTENING: ReadonlySet<string> = new Set(['NARR', 'FOLEY', 'HARP']);
