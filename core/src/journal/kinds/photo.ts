import { NOTHING, noted, type BodyOf, type Kind } from '../Kind';

/** A photograph of a piece. */
export const photo: Kind<BodyOf<'photo'>> = {
  place: (body) => `photo/${body.photo.id}`,
  reads: () => NOTHING,
  after: 'tool',
  rests: false,
  check: () => null,
  sentence: (body) => `Piece ${body.piece}${body.end ? ', end 2' : ''} photographed, ${body.shows}${noted(body.note)}`,
};
