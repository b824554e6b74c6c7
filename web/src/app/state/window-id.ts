import { newId } from './new-id';

/** This window, as long as its page is loaded: by it a window knows its own words when they come back. */
export const WINDOW_ID = newId();
