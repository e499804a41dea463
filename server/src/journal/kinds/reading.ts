import { curveAgrees, readTrace, unpackTrace } from '@tug-mark/core';
import { refusals } from '../../http/problems';
import type { BodyOf, Proving, ServerKind } from '../Evidence';

/** A curve is kept before the reading that names it, and says the same: its peak is read again here. */
export const reading: ServerKind<'reading'> = {
  prove: (body, proving) => (body.trace ? proveTrace(body, body.trace, proving) : null),
  pull: ({ gauge, pull }) => (gauge !== undefined && pull ? { gauge, ...pull } : null),
};

async function proveTrace(
  { force, wire }: BodyOf<'reading'>,
  { id, digest }: NonNullable<BodyOf<'reading'>['trace']>,
  { db, combination, setUp }: Proving,
): Promise<void> {
  const row = (await db('traces').where({ id, combination, digest }).first('bytes')) as { bytes: Buffer } | undefined;
  const trace = row && unpackTrace(row.bytes);
  if (!trace) throw refusals.traceMissing();
  const own = setUp.pulls[(wire ?? 1) - 1];
  const read = readTrace(trace, {
    breaks: own?.breaks ?? setUp.breaks,
    strands: own?.wires[0]?.wire.conductor.strands ?? 1,
    loadingRate: null,
  });
  if (!read.ok || curveAgrees(read.read.peak.force, force)) return;
  const peak = read.read.peak.force.toFixed(1);
  throw refusals.entryRefused(
    'trace-differs',
    'force',
    `The curve’s peak is ${peak} N, the reading says ${force.toFixed(1)} N. Keep the reading without the curve, or the curve’s own.`,
  );
}
