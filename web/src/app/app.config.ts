import { provideHttpClient, withFetch, withXsrfConfiguration } from '@angular/common/http';
import type { ApplicationConfig } from '@angular/core';
import { provideBrowserGlobalErrorListeners, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { TOKEN_COOKIE, TOKEN_HEADER } from '@ft/contract/token';
import { routes } from './app.routes';
import * as draftEffects from './state/draft.effects';
import { draftFeature } from './state/draft.feature';
import * as planEffects from './state/plan.effects';
import { planFeature } from './state/plan.feature';
import * as pointingEffects from './state/pointing.effects';
import * as sendingEffects from './state/sending.effects';
import * as studioEffects from './state/studio.effects';
import { studioFeature } from './state/studio.feature';
import * as undoEffects from './state/undo.effects';

export const appConfig: ApplicationConfig = {
  providers: [
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(
      withFetch(),
      withXsrfConfiguration({ cookieName: TOKEN_COOKIE, headerName: TOKEN_HEADER }),
    ),
    provideStore({
      [studioFeature.name]: studioFeature.reducer,
      [planFeature.name]: planFeature.reducer,
      [draftFeature.name]: draftFeature.reducer,
    }),
    provideEffects(studioEffects, sendingEffects, undoEffects, planEffects, pointingEffects, draftEffects),
  ],
};
