import type { PlanWent } from '@tug-mark/contract';
import { counted, howItWent, type Went } from '@tug-mark/core';

/* A plan afterwards, in words. */

export const STATES = {
  made: 'made',
  begun: 'being made',
  'not begun': 'not begun',
  'not due': 'not due yet',
} as const;

/** What a plan came to, from what is on record of it. */
export const wentOf = ({ plan, until, gone }: PlanWent): Went =>
  howItWent(plan.placed, plan.jobs, gone, Math.floor((Date.parse(until) - Date.parse(plan.start)) / 60_000));

/** 'Plan 3: 420 of 512 pieces that were due are made.' */
export function wentHeadline(revision: number, { duePieces, madePieces, rows }: Went): string {
  if (!rows.length) return `Plan ${revision} has no pieces to be made.`;
  if (!duePieces) return `Plan ${revision}: nothing of it is due yet.`;
  return madePieces >= duePieces
    ? `Plan ${revision}: all ${counted(duePieces, 'piece')} that ${duePieces === 1 ? 'was' : 'were'} due are made.`
    : `Plan ${revision}: ${madePieces} of ${counted(duePieces, 'piece')} that were due are made.`;
}

/** '12 min later than planned' */
export const tellLate = (late: number): string =>
  Math.round(late) === 0
    ? 'when it was planned'
    : `${Math.abs(Math.round(late))} min ${late > 0 ? 'later' : 'sooner'} than planned`;

export function wentUnder({ notBegun, late, plannedSetUps, setUps }: Went): string {
  return [
    ...(notBegun
      ? [`${counted(notBegun, 'combination')} that should be in hand ${notBegun === 1 ? 'is' : 'are'} not begun.`]
      : []),
    ...(late === null ? [] : [`Work began ${tellLate(late)}, in the middle.`]),
    ...(plannedSetUps || setUps
      ? [`${counted(plannedSetUps, 'set-up')} planned, a tool was taken ${counted(setUps, 'time')}.`]
      : []),
  ].join(' ');
}
