import type { ReadRequest } from '../http/readRequest';
import { readChange } from '../history/changeRequest';
import type { ChangeRequest } from '../history/changeRequest';

/** A large change from the text of a request. */
export const readChangeTask = (text: string): ReadRequest<ChangeRequest> => readChange(text);
