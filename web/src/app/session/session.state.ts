import type { Here, Problem, SignIn } from '@tug-mark/contract';
import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';

export interface SessionState {
  readonly here: Here | null;
  /**
   * 'expired': the server no longer knows us, but the page stays and asks to sign in again in place; 'locked': nobody
   * touched it for a while, and nothing of it can be until somebody signs in.
   */
  readonly state: 'unknown' | 'out' | 'in' | 'expired' | 'locked';
  readonly problem: Problem | null;
  readonly busy: boolean;
}

export const sessionActions = createActionGroup({
  source: 'Session',
  events: {
    ask: emptyProps(),
    arrived: props<{ here: Here }>(),
    'sign in': props<SignIn>(),
    'sign in failed': props<{ problem: Problem }>(),
    'sign out': emptyProps(),
    expired: emptyProps(),
    lock: emptyProps(),
  },
});

const initial: SessionState = { here: null, state: 'unknown', problem: null, busy: false };

export const sessionFeature = createFeature({
  name: 'session',
  reducer: createReducer<SessionState>(
    initial,
    on(sessionActions.arrived, (_, { here }): SessionState => ({
      here,
      state: here.person ? 'in' : 'out',
      problem: null,
      busy: false,
    })),
    on(sessionActions.signIn, (s): SessionState => ({ ...s, busy: true, problem: null })),
    on(sessionActions.signInFailed, (s, { problem }): SessionState => ({ ...s, busy: false, problem })),
    on(sessionActions.lock, (s): SessionState => (s.state === 'in' ? { ...s, state: 'locked', problem: null } : s)),
    on(sessionActions.expired, (s): SessionState => (s.state === 'in' ? { ...s, state: 'expired', problem: null } : s)),
  ),
  extraSelectors: ({ selectHere }) => ({
    selectPerson: createSelector(selectHere, (here) => here?.person ?? null),
    /** Came in with a word for once: a password of one's own goes before anything else. */
    selectMustChoose: createSelector(selectHere, (here) => here?.mustChoose ?? false),
    selectShop: createSelector(selectHere, (here) => here?.shop ?? null),
  }),
});
