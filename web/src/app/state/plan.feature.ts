import {
  createActionGroup,
  createFeature,
  createReducer,
  createSelector,
  emptyProps,
  on,
  props,
} from '@ngrx/store';
import type { EntityRef } from '@ft/core/session/entityRef';
import type { PatchLine } from '@ft/core/views/bay/patchList';
import type { Plan } from '@ft/core/views/plan';
import type { Strip } from '@ft/core/views/strip/strip';
import type { TrackId } from '@ft/core/rig/ids';
import type { SettingKey } from '@ft/core/rig/settings';
import type { TrackGainKey } from '@ft/core/views/mix/trackGains';
import { StudioActions } from './studio.actions';

/** Where a level is turned: a knob of the rig, or a fader, send or trim of a track. */
export type TrialPlace =
  | { readonly kind: 'knob'; readonly key: SettingKey }
  | { readonly kind: 'track'; readonly track: TrackId; readonly key: TrackGainKey };

/** A level somebody asks “what if” about. */
export interface Trial {
  readonly on: TrialPlace;
  readonly value: number;
  /** What the reader calls it: "Mic preamp 2: Gain". */
  readonly name: string;
  readonly unit: string;
}

export const PlanActions = createActionGroup({
  source: 'Plan',
  events: {
    Planned: props<{ plan: Plan; patchLines: readonly PatchLine[] }>(),
    'Plan failed': props<{ message: string }>(),
    /** The scene was removed, perhaps in another window: what was planned of it says nothing any more. */
    'Scene gone': emptyProps(),
    /** Somebody asks for a plan that failed, or for the strip of it, once more. */
    'Plan again': emptyProps(),
    /** `quietly` shows the strip and leaves the inspector shut: the sheet must not move under a hand. */
    Select: props<{ ref: EntityRef; quietly?: boolean }>(),
    'Select finding': props<{ key: string }>(),
    /** Opens the inspector on a track, for its levels on trial; it follows from track to track. */
    Inspect: emptyProps(),
    'Clear selection': emptyProps(),
    /** Whether what is selected here is selected in every window that shares, and the other way round. */
    'Share selection': props<{ shared: boolean }>(),
    /** What another window selected, or null where it let go. */
    'Selection came': props<{ ref: EntityRef | null }>(),
    'Strip made': props<{ strip: Strip | null }>(),
    'Strip failed': props<{ message: string }>(),
    /** Turns a level on trial: everything is worked out as if it stood there, and nothing is changed. */
    'Try level': props<{ trial: Trial }>(),
    'End trial': emptyProps(),
    /** Moves along the strip; -1 is no hop. */
    'Step to hop': props<{ hop: number }>(),
  },
});

export interface PlanState {
  readonly plan: Plan | null;
  readonly patchLines: readonly PatchLine[];
  /** Why the scene as it is now could not be planned; what is shown is from before. */
  readonly failure: string | null;
  readonly selection: EntityRef | null;
  readonly sharesSelection: boolean;
  /** Whether the selection was made without asking for the inspector. */
  readonly quietly: boolean;
  /** Whether somebody has asked for the levels of the selected track. */
  readonly inspects: boolean;
  /** The finding the inspector shows, by key. */
  readonly findingKey: string | null;
  readonly strip: Strip | null;
  readonly stripFailure: string | null;
  readonly trial: Trial | null;
  readonly hop: number;
}

export const initialPlanState: PlanState = {
  plan: null,
  patchLines: [],
  failure: null,
  selection: null,
  quietly: false,
  inspects: false,
  sharesSelection: false,
  findingKey: null,
  strip: null,
  stripFailure: null,
  trial: null,
  hop: -1,
};

function firstLine({ rows }: Plan): EntityRef | null {
  const thread = rows[0]?.thread;
  return thread === undefined ? null : { kind: 'thread', id: thread.id };
}

const sameRef = (a: EntityRef | null, b: EntityRef): boolean => a?.kind === b.kind && a.id === b.id;

/** What has a line or a page of its own, which says more than the inspector could. */
const OWN_PAGE: ReadonlySet<EntityRef['kind']> = new Set(['thread', 'track', 'device']);

export const planFeature = createFeature({
  name: 'plan',
  reducer: createReducer(
    initialPlanState,
    on(PlanActions.planned, (state, { plan, patchLines }): PlanState => ({
      ...state,
      plan,
      patchLines,
      failure: null,
      // A studio opens on its first line, so that the strip has something to show.
      selection: state.selection ?? (state.plan === null ? firstLine(plan) : null),
    })),
    on(PlanActions.planFailed, (state, { message }): PlanState => ({ ...state, failure: message })),
    on(PlanActions.select, (state, { ref, quietly = false }): PlanState => ({
      ...state,
      selection: ref,
      quietly,
      findingKey: null,
      hop: sameRef(state.selection, ref) ? state.hop : -1,
    })),
    on(PlanActions.selectFinding, (state, { key }): PlanState => {
      const finding = state.plan?.findings.find((candidate) => candidate.key === key);
      const refs = finding?.places.map(({ ref }) => ref) ?? [];
      // A lane shows its thread's strip with the place marked, so it says more than the thread alone.
      const ref =
        refs.find(({ kind }) => kind === 'lane') ?? refs.find(({ kind }) => kind === 'cord') ?? refs[0];
      // Selected anew even where it is selected: its strip comes again, and marks the place again.
      const selection = ref === undefined ? state.selection : { ...ref };
      return { ...state, findingKey: key, selection, hop: -1 };
    }),
    on(PlanActions.inspect, (state): PlanState => ({ ...state, inspects: true })),
    on(PlanActions.clearSelection, (state): PlanState => ({
      ...state,
      inspects: false,
      selection: null,
      findingKey: null,
      strip: null,
      stripFailure: null,
      hop: -1,
    })),
    on(PlanActions.shareSelection, (state, { shared }): PlanState => ({ ...state, sharesSelection: shared })),
    on(PlanActions.selectionCame, (state, { ref }): PlanState => ({
      ...state,
      selection: ref,
      // Nobody at this window asked for an inspector over the sheet.
      quietly: true,
      findingKey: null,
      ...(ref === null && { strip: null, stripFailure: null }),
      hop: -1,
    })),
    on(PlanActions.stripFailed, (state, { message }): PlanState => ({
      ...state,
      strip: null,
      stripFailure: message,
      hop: -1,
    })),
    on(PlanActions.stripMade, (state, { strip }): PlanState => {
      const hop = state.hop < (strip?.hops.length ?? 0) ? state.hop : -1;
      return {
        ...state,
        strip,
        stripFailure: null,
        hop: hop < 0 && strip !== null && strip.selected >= 0 ? strip.selected : hop,
      };
    }),
    on(PlanActions.tryLevel, (state, { trial }): PlanState => ({ ...state, trial })),
    on(PlanActions.endTrial, (state): PlanState => ({ ...state, trial: null })),
    on(PlanActions.stepToHop, (state, { hop }): PlanState => {
      const last = (state.strip?.hops.length ?? 0) - 1;
      return { ...state, findingKey: null, quietly: false, hop: Math.max(-1, Math.min(hop, last)) };
    }),
    on(StudioActions.open, StudioActions.close, PlanActions.sceneGone, ({ sharesSelection }): PlanState => ({
      ...initialPlanState,
      sharesSelection,
    })),
  ),
  extraSelectors: ({
    selectPlan,
    selectFindingKey,
    selectStrip,
    selectHop,
    selectSelection,
    selectQuietly,
    selectInspects,
  }) => ({
    selectOpenFindings: createSelector(selectPlan, (plan) =>
      (plan?.findings ?? []).filter((finding) => finding.waivedFor === undefined),
    ),
    selectFinding: createSelector(selectPlan, selectFindingKey, (plan, key) =>
      plan?.findings.find((finding) => finding.key === key),
    ),
    /** Whether the inspector has something to say beyond what the sheet and the strip show. */
    selectInspected: createSelector(
      selectFindingKey,
      selectHop,
      selectSelection,
      selectQuietly,
      selectInspects,
      (key, hop, selection, quietly, inspects) =>
        key !== null ||
        (inspects && selection?.kind === 'track') ||
        (!quietly && (hop >= 0 || (selection !== null && !OWN_PAGE.has(selection.kind)))),
    ),
    selectCurrentHop: createSelector(selectStrip, selectHop, (strip, hop) => strip?.hops[hop]),
  }),
});
