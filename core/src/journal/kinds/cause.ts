import { CAUSES } from '../../diagnosis';
import { NOTHING, noted, refuse, type BodyOf, type Kind } from '../Kind';

/** What was found to be behind a fault, once it was put right. */
export const cause: Kind<BodyOf<'cause'>> = {
  place: (body) => `cause/${body.step}`,
  reads: () => NOTHING,
  after: 'tool',
  rests: false,
  check: (body) =>
    CAUSES.some((c) => c.code === body.cause)
      ? null
      : refuse('cause-unknown', 'cause', `'${body.cause}' is not among the causes.`),
  sentence: (body) =>
    `Cause confirmed: ${CAUSES.find((c) => c.code === body.cause)?.title.toLowerCase() ?? body.cause}${noted(body.note)}`,
  cells: (body) => ({ answer: body.cause }),
};
