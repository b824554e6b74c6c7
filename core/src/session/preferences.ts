import * as z from 'zod';

/** What the router may be told to prefer, in the order it starts with. Common practice, no source. */
export const PREFERENCE_ORDER = [
  'keep',
  'normals',
  'one-to-one',
  'few-cords',
  'short-cords',
  'few-tie-lines',
  'others-normals',
] as const;
export type Preference = (typeof PREFERENCE_ORDER)[number];

/** Every preference once, the most important first. */
export const preferenceOrderSchema = z
  .array(z.enum(PREFERENCE_ORDER))
  .refine(
    (order) => order.length === PREFERENCE_ORDER.length && new Set(order).size === order.length,
    'each preference once',
  );
