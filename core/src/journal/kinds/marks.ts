import { MARK_POINTS } from '../../look';
import { noted, refuse, type BodyOf, type Kind } from '../Kind';
import { photoOnRecord, readsPhoto } from '../photoOnRecord';

/** What was measured on a photograph. */
export const marks: Kind<BodyOf<'marks'>> = {
  place: (body) => `marks/${body.photo}`,
  reads: readsPhoto,
  after: 'tool',
  rests: false,
  check(body, { own }) {
    const missing = photoOnRecord(own, body.photo);
    if (missing) return missing;
    const open = body.marks.marks.find((m) => m.points.length < MARK_POINTS[m.kind].least);
    return open ? refuse('mark-open', 'marks', `A mark for ${open.kind} is not finished: it lacks points.`) : null;
  },
  sentence: (body) => `Piece ${body.piece}: ${body.marks.marks.length} measured on its photograph${noted(body.note)}`,
};
