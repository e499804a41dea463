import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { photoOnRecord, readsPhoto } from '../photoOnRecord';

/** What the section of a cut piece shows. */
export const section: Kind<BodyOf<'section'>> = {
  place: (body) => `section/${body.photo}`,
  reads: readsPhoto,
  after: 'tool',
  rests: false,
  check(body, { own }) {
    const missing = photoOnRecord(own, body.photo);
    if (missing) return missing;
    return body.figures.metal > 0 && body.pxPerMm > 0
      ? null
      : refuse('section-empty', 'figures', 'The section shows no metal. Set its scale and read it again.');
  },
  sentence: (body) =>
    `Piece ${body.piece}${body.end ? ', end 2,' : ''} cut: ${(100 * body.figures.compression).toFixed(1)} % of the metal left, ${(100 * body.figures.voids).toFixed(1)} % voids, ${body.figures.strands} strands${body.mended.length ? ', mask mended by hand' : ''}${noted(body.note)}`,
};
