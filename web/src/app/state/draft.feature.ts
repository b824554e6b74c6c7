import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';

/**
 * Text that was typed and not yet taken over, by cell (`thread:field`). It survives a reload, and holds
 * what the server refused.
 */
export const DraftActions = createActionGroup({
  source: 'Draft',
  events: {
    Keep: props<Draft>(),
    Drop: props<{ key: string }>(),
  },
});

/** What was typed, and for which cell. */
export interface Draft {
  readonly key: string;
  readonly text: string;
}

export interface DraftState {
  readonly texts: Readonly<Record<string, string>>;
}

const PREFIX = 'ft-draft:';

/** The drafts kept by the browser. Each has an entry of its own, so that two windows do not overwrite each other's. */
export function keptDrafts(): DraftState {
  const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  const own = keys.filter((key) => key.startsWith(PREFIX));
  return {
    texts: Object.fromEntries(own.map((key) => [key.slice(PREFIX.length), localStorage.getItem(key) ?? ''])),
  };
}

export const saveDraft = ({ key, text }: Draft): void => {
  localStorage.setItem(`${PREFIX}${key}`, text);
};

export const forgetDraft = (key: string): void => {
  localStorage.removeItem(`${PREFIX}${key}`);
};

export const draftFeature = createFeature({
  name: 'draft',
  reducer: createReducer(
    keptDrafts(),
    on(DraftActions.keep, (state, { key, text }): DraftState => ({ texts: { ...state.texts, [key]: text } })),
    on(DraftActions.drop, (state, { key }): DraftState => {
      if (!(key in state.texts)) return state;
      return { texts: Object.fromEntries(Object.entries(state.texts).filter(([other]) => other !== key)) };
    }),
  ),
});
