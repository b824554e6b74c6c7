import type { Signal } from '@angular/core';
import { inject, signal } from '@angular/core';
import type { FormControl } from '@angular/forms';
import { Store } from '@ngrx/store';
import { liveControl } from '../ui/form/live-control';
import { DraftActions, draftFeature } from './draft.feature';

/** A text that is being typed: it survives a reload until it is entered or emptied. */
export interface TypedDraft {
  readonly text: Signal<string>;
  readonly control: FormControl<string | null>;
  readonly type: (text: string) => void;
}

/** The draft of a key; in an injection context. */
export function typedDraft(key: string): TypedDraft {
  const store = inject(Store);
  const text = signal(store.selectSignal(draftFeature.selectTexts)()[key] ?? '');
  const type = (now: string): void => {
    text.set(now);
    store.dispatch(now === '' ? DraftActions.drop({ key }) : DraftActions.keep({ key, text: now }));
  };
  return { text, control: liveControl(text, type), type };
}
