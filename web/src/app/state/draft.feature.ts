import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';

/**
 * Text that was typed and not yet taken over, by cell (`thread:field`). It survives a reload, and holds
 * what the server refused.
 */
export const DraftActions = createActionGroup({
  source: 'Draft',
  events: {
    Keep: props<{ key: string; text: string }>(),
    Drop: props<{ key: string }>(),
  },
});

export interface DraftState {
  readonly texts: Readonly<Record<string, string>>;
}

const KEY = 'ft-drafts';

/** The drafts kept by the browser; unreadable ones are dropped. */
export function keptDrafts(): DraftState {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as unknown;
    const entries = typeof kept === 'object' && kept !== null ? Object.entries(kept) : [];
    return {
      texts: Object.fromEntries(entries.filter(([, text]) => typeof text === 'string')),
    };
  } catch {
    return { texts: {} };
  }
}

export const saveDrafts = (texts: DraftState['texts']): void => {
  localStorage.setItem(KEY, JSON.stringify(texts));
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
