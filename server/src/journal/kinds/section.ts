import { endOf, measuredPiece, metalArea } from '@tug-mark/core';
import { Piscina } from 'piscina';
import { findPhoto, readWholePhoto } from '../../evidence/photos';
import { SECTION_WORKER } from '../../files/places';
import { refusals } from '../../http/problems';
import type { ServerKind } from '../Evidence';
import type { SectionTask, SectionTaskResult } from '../sectionWorker';

/** One picture at a time, away from the loop that takes readings; the thread ends when nothing was read for a while. */
const pool = new Piscina<SectionTask, SectionTaskResult>({
  filename: SECTION_WORKER.href,
  minThreads: 0,
  maxThreads: 1,
  idleTimeout: 20_000,
});

/** A section's figures are the server's: read again from the kept photograph and what was drawn over its mask. */
export const section: ServerKind<'section'> = {
  async settle(body, { db, combination, setUp, journal }) {
    const photo = await findPhoto(db, body.photo);
    if (photo?.combination !== combination) throw refusals.photoMissing();
    const result = await pool.run({
      photo: await readWholePhoto(db, photo),
      pxPerMm: body.pxPerMm,
      wireArea: setUp.wires.reduce(
        (sum, own) => (own.end === endOf(body) ? sum + metalArea(own.wire.conductor) : sum),
        0,
      ),
      measured: measuredPiece(journal, { piece: body.piece, end: endOf(body) }, setUp.tool?.nest.profile ?? null),
      mended: body.mended,
      byHand: body.byHand ?? false,
    });
    if (!result.ok) throw refusals.entryRefused('section-declined', 'photo', `${result.text} Draw it by hand instead.`);
    if (!(result.figures.metal > 0)) {
      throw refusals.entryRefused('section-empty', 'mended', 'No metal is drawn or found in this section.');
    }
    return { ...body, figures: result.figures };
  },
  asSent: ({ figures, ...body }) => {
    void figures;
    return body;
  },
};
