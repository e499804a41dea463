import { z } from 'zod';
import {
  floorKeptSchema,
  givenHeadSchema,
  givenPlanSchema,
  newFloorSchema,
  newGivenPlanSchema,
  newStockMoveSchema,
  partStockSchema,
  planDaySchema,
  planQueueSchema,
  planWentSchema,
  stockMoveSchema,
} from '../../plan';
import { jobsFileSchema } from '../../jobsFile';
import { CSV, csvFile, define, MEBIBYTE } from '../Route';

const tag = 'Plan';
const days = z.coerce.number().int().min(1).max(30).default(3);
const stock = z.object({ parts: z.array(partStockSchema), moves: z.array(stockMoveSchema) });

export const plan = {
  readFloor: define('readFloor', {
    tag,
    summary: 'Benches, hours, absences, and what things take',
    who: 'signed-in',
    answers: { 200: floorKeptSchema },
  }),
  keepFloor: define('keepFloor', {
    tag,
    summary: 'Keeps the floor as its next revision',
    who: 'edit-floor',
    body: newFloorSchema,
    most: MEBIBYTE,
    answers: { 200: floorKeptSchema },
    problems: ['floor-problems', 'stale-revision'],
    example: {
      body: {
        revision: 0,
        floor: { benches: [{ id: 'B1', label: 'Bench 1', places: ['bench 1'] }], hours: [] },
      },
    },
  }),
  writeHours: define('writeHours', {
    tag,
    summary: 'Hours of every week as CSV, a shift a row',
    who: 'signed-in',
    answers: { 200: CSV },
  }),
  readHours: define('readHours', {
    tag,
    summary: 'Takes hours of every week from CSV in place of those kept, whole or not at all',
    who: 'edit-floor',
    body: csvFile(1),
    answers: { 200: floorKeptSchema },
    problems: ['file-unreadable', 'list-problems', 'floor-problems'],
  }),
  readStock: define('readStock', {
    tag,
    summary: 'What is there of each part, reel by reel, and the newest of what was counted, drawn and received',
    who: 'signed-in',
    answers: { 200: stock },
  }),
  moveStock: define('moveStock', {
    tag,
    summary: 'Counts, draws, receives, or expects parts: all of them or none',
    who: 'keep-stock',
    body: z.array(newStockMoveSchema).min(1, 'names nothing').max(2000),
    answers: { 201: stock },
    problems: ['stock-unknown', 'id-taken'],
    example: {
      body: [
        {
          id: '0192f3a4-0000-7000-8000-000000000017',
          kind: 'terminal',
          part: 'FL-RT-0406',
          what: 'counted',
          amount: 400,
        },
      ],
    },
  }),
  writeStock: define('writeStock', {
    tag,
    summary: 'What is there of each part as CSV, a reel a row',
    who: 'signed-in',
    answers: { 200: CSV },
  }),
  readCounts: define('readCounts', {
    tag,
    summary: 'Takes a count of the stock from CSV: each row is what is there of one part on one reel',
    who: 'keep-stock',
    body: csvFile(4),
    answers: { 201: stock },
    problems: ['file-unreadable', 'list-problems', 'stock-unknown'],
  }),
  readPlanDay: define('readPlanDay', {
    tag,
    summary: 'Everything a plan is made from: jobs, tools, hours, stock, what was learned, and the plan given out last',
    who: 'signed-in',
    query: z.object({ days }),
    answers: { 200: planDaySchema },
  }),
  writeJobs: define('writeJobs', {
    tag,
    summary: 'What is to be made, a job a row, as CSV',
    who: 'signed-in',
    query: z.object({ days }),
    answers: { 200: CSV },
  }),
  writeJobsFile: define('writeJobsFile', {
    tag,
    summary: 'Every wire list on the bench with its wires and its day, as JSON',
    who: 'signed-in',
    answers: { 200: jobsFileSchema },
  }),
  readJobsFile: define('readJobsFile', {
    tag,
    summary:
      'Takes wire lists with their days from JSON, whole or not at all; of those that are here already their days alone',
    who: 'import-wire-list',
    body: jobsFileSchema,
    most: 16 * MEBIBYTE,
    answers: { 200: z.object({ lists: z.number().int(), made: z.number().int() }) },
    problems: ['list-problems', 'no-practice', 'name-taken'],
  }),
  readDues: define('readDues', {
    tag,
    summary: 'Takes due dates and priorities of wire lists from CSV, whole or not at all',
    who: 'import-wire-list',
    body: csvFile(1),
    answers: { 200: z.object({ lists: z.number().int() }) },
    problems: ['file-unreadable', 'list-problems'],
  }),
  readQueue: define('readQueue', {
    tag,
    summary:
      'What the benches have to know of the plan given out last: what is next, how far it is, what is checked first',
    who: 'signed-in',
    query: z.object({
      /** Revision the asker has: it is not sent again. */
      known: z.coerce.number().int().min(0).max(2_147_483_647).default(0),
    }),
    answers: { 200: planQueueSchema },
  }),
  givePlanOut: define('givePlanOut', {
    tag,
    summary: 'Gives a plan out: from now on every bench works by it',
    who: 'give-out-plan',
    body: newGivenPlanSchema,
    most: 16 * MEBIBYTE,
    answers: { 201: givenPlanSchema },
    problems: ['plan-given-out', 'plan-problems'],
  }),
  listGivenPlans: define('listGivenPlans', {
    tag,
    summary: 'Plans given out, the newest first',
    who: 'signed-in',
    answers: { 200: z.array(givenHeadSchema) },
  }),
  readGivenPlan: define('readGivenPlan', {
    tag,
    summary: 'One plan as it was given out',
    who: 'signed-in',
    params: z.object({ revision: z.coerce.number().int().positive().max(2_147_483_647) }),
    answers: { 200: givenPlanSchema },
    problems: ['not-found'],
  }),
  readPlanWent: define('readPlanWent', {
    tag,
    summary: 'One plan as it was given out, with what was begun, set up and made of it while it counted',
    who: 'signed-in',
    params: z.object({ revision: z.coerce.number().int().positive().max(2_147_483_647) }),
    answers: { 200: planWentSchema },
    problems: ['not-found'],
  }),
  writeCalendar: define('writeCalendar', {
    tag,
    summary: 'The plan given out last as iCalendar, of one bench or one person',
    who: 'signed-in',
    query: z.object({ bench: z.string().max(60).optional(), person: z.string().max(60).optional() }),
    answers: { 200: { file: ['text/calendar'] } },
    problems: ['not-found'],
  }),
};
