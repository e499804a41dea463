import { provideHttpClient, withFetch, withInterceptors } from '@angular/common/http';
import { provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideState, provideStore } from '@ngrx/store';
import { NZ_I18N, en_US } from 'ng-zorro-antd/i18n';
import { routes } from './app.routes';
import * as handEffects from './hand/hand.effects';
import { handFeature } from './hand/hand.state';
import { problems, session } from './http/interceptors';
import * as outboxEffects from './outbox/outbox.effects';
import { outboxFeature } from './outbox/outbox.state';
import * as sessionEffects from './shell/session.effects';
import { sessionFeature } from './session/session.state';
import * as settingsEffects from './settings/settings.effects';
import { readSettings, settingsFeature } from './settings/settings.state';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(withFetch(), withInterceptors([problems, session])),
    provideStore({
      [sessionFeature.name]: sessionFeature.reducer,
      [outboxFeature.name]: outboxFeature.reducer,
      [handFeature.name]: handFeature.reducer,
    }),
    // As the device has kept them, before anything is drawn.
    provideState(settingsFeature.name, settingsFeature.reducer, { initialState: readSettings }),
    provideEffects(settingsEffects, sessionEffects, outboxEffects, handEffects),
    { provide: NZ_I18N, useValue: en_US },
  ],
};
