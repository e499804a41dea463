import { z } from 'zod';
import {
  CHART_KINDS,
  chartAboutSchema,
  chartChoiceSchema,
  chartGlanceSchema,
  heightChartSchema,
  newBaselineSchema,
} from '../../charts';
import { newAnswerSchema, newStudySchema, studyLineSchema, studyResultSchema, studyTurnSchema } from '../../study';
import { BYTES, define } from '../Route';

const tag = 'Charts and studies';
const id = z.object({ id: z.uuid() });
const chart = z.object({ kind: z.enum(CHART_KINDS), value: z.string().min(1).max(200) });

export const insight = {
  listChartChoices: define('listChartChoices', {
    tag,
    summary: 'Everything readings can be charted by',
    who: 'signed-in',
    answers: { 200: z.array(chartChoiceSchema) },
  }),
  readHeights: define('readHeights', {
    tag,
    summary: 'Crimp heights of a combination beside the pulls of the same pieces',
    who: 'signed-in',
    params: id,
    answers: { 200: heightChartSchema },
    problems: ['not-found'],
  }),
  readChart: define('readChart', {
    tag,
    summary: 'What goes with a chart’s points: limit, changes, baseline',
    who: 'signed-in',
    query: chart,
    answers: { 200: chartAboutSchema },
    problems: ['not-found'],
  }),
  readChartPoints: define('readChartPoints', {
    tag,
    summary: 'A chart’s points as float64 numbers',
    who: 'signed-in',
    query: chart,
    answers: { 200: BYTES },
    problems: ['not-found'],
  }),
  readChartGlances: define('readChartGlances', {
    tag,
    summary: 'A chart’s readings at a glance, in blocks: enough to draw it by, long before the points are there',
    who: 'signed-in',
    query: chart,
    answers: { 200: z.array(chartGlanceSchema) },
    problems: ['not-found'],
  }),
  freezeBaseline: define('freezeBaseline', {
    tag,
    summary: 'Freezes a chart’s limits',
    who: 'draft-limits',
    body: newBaselineSchema,
    answers: { 201: chartAboutSchema },
    problems: ['not-found'],
  }),
  listCauses: define('listCauses', {
    tag,
    summary: 'Causes the shop has confirmed, newest first',
    who: 'signed-in',
    answers: { 200: z.array(z.object({ cause: z.string(), evidence: z.array(z.string()) })) },
  }),
  listStudies: define('listStudies', {
    tag,
    summary: 'Studies of inspectors, newest first',
    who: 'signed-in',
    answers: { 200: z.array(studyLineSchema) },
  }),
  beginStudy: define('beginStudy', {
    tag,
    summary: 'Begins a study; its key never changes',
    who: 'set-study',
    body: newStudySchema,
    answers: { 200: studyLineSchema },
    problems: ['not-found', 'nothing-to-draw', 'study-too-small'],
  }),
  readStudyTurn: define('readStudyTurn', {
    tag,
    summary: 'What this person sees next',
    who: 'answer-study',
    params: id,
    answers: { 200: studyTurnSchema },
    problems: ['not-found'],
  }),
  answerStudy: define('answerStudy', {
    tag,
    summary: 'Answers one piece; the answer is the next turn',
    who: 'answer-study',
    params: id,
    body: newAnswerSchema,
    answers: { 200: studyTurnSchema },
    problems: ['not-found', 'study-closed', 'answered-already'],
  }),
  closeStudy: define('closeStudy', {
    tag,
    summary: 'Closes a study for good',
    who: 'set-study',
    params: id,
    answers: { 200: studyLineSchema },
    problems: ['not-found'],
  }),
  readStudyResults: define('readStudyResults', {
    tag,
    summary: 'What a closed study shows',
    who: 'signed-in',
    params: id,
    answers: { 200: studyResultSchema },
    problems: ['not-found', 'study-open'],
  }),
};
