import * as z from 'zod';
import type { Ask, Answers, CountAsk, Starter } from './starter';

/** "bus" is more than one as "buses". */
const plural = ({ one }: CountAsk): string => `${one}${/[sx]$/.test(one) ? 'es' : 's'}`;

function answerSchema(ask: Ask): z.ZodType<Answers[string]> {
  if (ask.kind === 'switch') return z.boolean();
  const range = `such a room has ${String(ask.least)} to ${String(ask.most)} ${plural(ask)}`;
  return z.number(range).int('a whole number').min(ask.least, range).max(ask.most, range);
}

/** What a starter room may be answered with; every refusal says what would fit. */
export const answersSchema = ({ asks }: Starter): z.ZodType<Answers> =>
  z.strictObject(Object.fromEntries(asks.map((ask) => [ask.key, answerSchema(ask)])));
