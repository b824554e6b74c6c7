/** "Undo: Gain 40" and "Redo: Gain 40" are about "Gain 40". */
export const bare = (label: string): string => label.replace(/^(Undo|Redo): /, '');
