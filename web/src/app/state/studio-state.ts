import type { EnvironmentProviders } from '@angular/core';
import { provideEffects } from '@ngrx/effects';
import { provideState } from '@ngrx/store';
import * as draftEffects from './draft.effects';
import { draftFeature } from './draft.feature';
import * as leavingEffects from './leaving.effects';
import * as logEffects from './log.effects';
import { logFeature } from './log.feature';
import * as planEffects from './plan.effects';
import { planFeature } from './plan.feature';
import * as pointingEffects from './pointing.effects';
import * as sendingEffects from './sending.effects';
import * as studioEffects from './studio.effects';
import { studioFeature } from './studio.feature';
import * as undoEffects from './undo.effects';

/** What is kept of an open studio, and what keeps it in step with server and planner. */
export const studioState: EnvironmentProviders[] = [
  provideState(studioFeature),
  provideState(planFeature),
  provideState(draftFeature),
  provideState(logFeature),
  provideEffects(
    studioEffects,
    sendingEffects,
    leavingEffects,
    undoEffects,
    planEffects,
    pointingEffects,
    draftEffects,
    logEffects,
  ),
];
