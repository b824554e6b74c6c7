import type { Studio } from '@ft/core/session/studioSchema';
import type { Documents } from '../studios/documents';
import { studioOf } from '../studios/documents';

/** A studio from its documents. */
export const readStudioTask = (documents: Documents): Studio => studioOf(documents);
