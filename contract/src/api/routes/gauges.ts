import { z } from 'zod';
import { gaugeSchema } from '../../gauge';
import { BYTES, define } from '../Route';

const tag = 'Gauges';
const id = z.string().min(1).max(40);

export const gauges = {
  listGauges: define('listGauges', {
    tag,
    summary: 'The shop’s force gauges and calipers',
    who: 'signed-in',
    answers: { 200: z.array(gaugeSchema) },
  }),
  keepGauge: define('keepGauge', {
    tag,
    summary: 'Keeps a gauge’s settings',
    who: 'edit-cabinet',
    body: gaugeSchema,
    answers: { 200: z.array(gaugeSchema) },
  }),
  zeroGauge: define('zeroGauge', {
    tag,
    summary: 'Tells a gauge to zero itself',
    who: 'record',
    params: z.object({ id }),
    answers: { 200: z.object({ sent: z.boolean() }) },
  }),
  readGaugeCurve: define('readGaugeCurve', {
    tag,
    summary: 'The curve a gauge keeps of its last pull',
    who: 'signed-in',
    params: z.object({ id }),
    answers: { 200: BYTES },
    problems: ['gauge-silent'],
  }),
  listen: define('listen', {
    tag,
    summary: 'News of the shop and of a station’s gauge, as server-sent events',
    who: 'signed-in',
    query: z.object({ gauge: id.optional(), caliper: id.optional() }),
    answers: { 200: { file: ['text/event-stream'] } },
  }),
};
