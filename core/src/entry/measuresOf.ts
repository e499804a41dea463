import { atEnd } from '../terminal';
import type { Entry, EntryBody, Measure } from './Entry';
import { entriesOf } from './entriesOf';

type MeasureEntry = Entry & { readonly body: Extract<EntryBody, { kind: 'measure' }> };

/** Points a section answers, and its figure for each in the point's unit. */
const FROM_SECTION = [
  ['compression', (figures) => 100 * figures.compression],
  ['voids', (figures) => 100 * figures.voids],
] as const satisfies readonly (readonly [
  Measure,
  (figures: Extract<EntryBody, { kind: 'section' }>['figures']) => number,
])[];

/**
 * The measures in force: those put on record one by one, and those that follow from a section, which is one entry. Where
 * both are there, the one that was put by itself stands: sections of before that were followed by their measures.
 */
export function measuresOf(entries: readonly Entry[]): MeasureEntry[] {
  const put = entriesOf(entries, 'measure');
  const place = (what: Measure, { piece, end }: { readonly piece: number; readonly end?: 2 | undefined }) =>
    `${atEnd(what, end ?? 1)}/${piece}`;
  const known = new Set(put.map(({ body }) => place(body.what, body)));
  const derived = entriesOf(entries, 'section').flatMap((entry) =>
    FROM_SECTION.filter(([what]) => !known.has(place(what, entry.body))).map(([what, figure]): MeasureEntry => {
      const value = figure(entry.body.figures);
      const { run, lot, piece, end } = entry.body;
      const body = {
        run,
        lot,
        piece,
        ...(end && { end }),
        what,
        value,
        typed: String(value),
        unit: '%',
        note: '',
        from: 'section',
      } as const;
      return { ...entry, body: { kind: 'measure', ...body } };
    }),
  );
  return derived.length ? [...put, ...derived] : put;
}
