import { API } from '@tug-mark/contract';
import { rateFault, unpackTrace, writeTraceCsv } from '@tug-mark/core';
import type { FastifyInstance } from 'fastify';
import type { Knex } from 'knex';
import { sha256 } from '../chain/hashes';
import { refusals } from '../http/problems';
import { serve, takeFiles } from '../api/serve';

interface TraceRow {
  id: string;
  combination: string;
  digest: string;
  bytes: Buffer;
}

/** The curves of pulls: kept before the reading that names them, never changed. */
export function traceRoutes(app: FastifyInstance, { db }: { db: Knex }): Promise<void> {
  takeFiles(app, ['application/octet-stream'], API.putCurve.body.most);

  serve(app, API.putCurve, async ({ params: { id: combination, trace: id }, body, doer }) => {
    const trace = unpackTrace(body);
    if (!trace) throw refusals.traceUnreadable();
    const fault = rateFault(trace.rate);
    if (fault) throw refusals.traceRate(fault);
    if (!(await db('combinations').where({ id: combination }).first('id'))) throw refusals.notFound('This combination');
    const digest = sha256(body);
    const { rate, forces } = trace;
    await db('traces')
      .insert({ id, combination, digest, rate, samples: forces.length, bytes: body, by_name: doer.by })
      .onConflict('id')
      .ignore();
    const standing = (await db('traces').where({ id }).first('digest', 'combination')) as TraceRow | undefined;
    if (standing?.digest !== digest || standing.combination !== combination) throw refusals.traceTaken();
    return { digest };
  });

  const readRow = async (combination: string, id: string): Promise<TraceRow> => {
    const row = (await db('traces').where({ id, combination }).first('bytes', 'digest')) as TraceRow | undefined;
    if (!row) throw refusals.notFound('This curve');
    return row;
  };

  serve(app, API.readCurve, async ({ params, reply }) =>
    reply.type('application/octet-stream').send((await readRow(params.id, params.trace)).bytes),
  );
  serve(app, API.writeCurveTable, async ({ params, reply }) => {
    const trace = unpackTrace((await readRow(params.id, params.trace)).bytes);
    if (!trace) throw refusals.notFound('This curve');
    return reply
      .type('text/csv; charset=utf-8')
      .header('content-disposition', `attachment; filename="curve-${params.trace}.csv"`)
      .send(writeTraceCsv(trace));
  });
  return Promise.resolve();
}
