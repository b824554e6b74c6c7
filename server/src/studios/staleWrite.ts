/** A write that was worked out from a studio that is no longer what is stored. Nothing was written. */
export class StaleWrite extends Error {}
