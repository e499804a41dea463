import { toldStrands } from '../../look';
import { endOf } from '../../terminal';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { photoOnRecord, readsPhoto } from '../photoOnRecord';
import { ofWire } from '../pieceSlot';

/** What was measured of the piece before it was cut: by it a cut that is not square is told. */
const measured = (body: BodyOf<'section'>) =>
  ['height', 'width'].map((what) => `measure/${what}/${body.piece}${ofWire(undefined, endOf(body))}`);

/** What the section of a cut piece shows. */
export const section: Kind<BodyOf<'section'>> = {
  place: (body) => `section/${body.photo}`,
  reads(body) {
    const { run, lot } = readsPhoto(body);
    return { run: [...run, ...measured(body)], lot: [...lot, ...measured(body)] };
  },
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
    `Piece ${body.piece}${body.end ? ', end 2,' : ''} cut: ${(100 * body.figures.compression).toFixed(1)} % of the metal left, ${(100 * body.figures.voids).toFixed(1)} % voids, ${toldStrands(body.figures)}${body.figures.tilt ? `, the cut put right for ${body.figures.tilt.toFixed(0)}° off square` : ''}${body.mended.length ? ', mask mended by hand' : ''}${noted(body.note)}`,
};
