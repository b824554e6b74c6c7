import { holderOf } from './holderOf';

/** Whether edits do nothing but say what is plugged and set. */
export const areTicks = (edits: readonly { readonly type: string }[]): boolean =>
  edits.every(({ type }) => holderOf(type) === 'floor');
