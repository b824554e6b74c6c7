const FLOOR_EDIT = /^(plug|precaution)\.(add|remove|set)$|^floorSetting\.set$|^floor\.set$/;

/** Whether edits do nothing but say what is plugged and set. */
export const areTicks = (edits: readonly { readonly type: string }[]): boolean =>
  edits.every(({ type }) => FLOOR_EDIT.test(type));
