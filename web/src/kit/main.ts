import { provideHttpClient } from '@angular/common/http';
import { provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { provideRouter } from '@angular/router';
import { provideState, provideStore } from '@ngrx/store';
import { draftFeature } from '../app/state/draft.feature';
import { studioFeature } from '../app/state/studio.feature';
import { Planner } from '../app/workers/planner.service';
import { Kit } from './kit';

// The pieces of the interface by themselves: no server and no planner stand behind them.
bootstrapApplication(Kit, {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(),
    provideRouter([]),
    provideStore(),
    provideState(studioFeature),
    provideState(draftFeature),
    { provide: Planner, useValue: {} },
  ],
}).catch((error: unknown) => {
  console.error(error);
});
