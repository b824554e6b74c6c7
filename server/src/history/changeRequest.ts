import type * as z from 'zod';
import { postChangeSchema } from '@ft/contract/posts';
import type { ReadRequest } from '../http/readRequest';
import { readRequestText } from '../http/readRequest';

export type ChangeRequest = z.infer<typeof postChangeSchema>;

/** A change from the text of a request. */
export const readChange = (text: string): ReadRequest<ChangeRequest> =>
  readRequestText(text, postChangeSchema);
