import { HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { catchError, from, switchMap, throwError } from 'rxjs';
import { sessionActions } from '../session/session.state';
import { readProblem } from './problem';

/** Every failed answer as problem details, those included that come in place of a file. */
export const problems: HttpInterceptorFn = (request, next) =>
  next(request).pipe(
    catchError((error: unknown) => {
      if (!(error instanceof HttpErrorResponse)) return throwError(() => error);
      const { status } = error;
      const body: unknown = error.error;
      return body instanceof Blob
        ? from(body.text()).pipe(switchMap((text) => throwError(() => readProblem(status, text))))
        : throwError(() => readProblem(status, body));
    }),
  );

/** Whoever the server no longer knows signs in again in place: the page and what is on it stay. */
export const session: HttpInterceptorFn = (request, next) => {
  const store = inject(Store);
  return next(request).pipe(
    catchError((error: unknown) => {
      const isSignIn = request.url.endsWith('/session') || request.url.endsWith('/first-engineer');
      if (!isSignIn && error instanceof HttpErrorResponse && error.status === 401) {
        store.dispatch(sessionActions.expired());
      }
      return throwError(() => error);
    }),
  );
};
