/** A usage or input error: printed to stderr, exit code 2. */
export class BadInput extends Error {}
