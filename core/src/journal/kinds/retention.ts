import { contactSpent, seatOf } from '../../connector';
import { entriesOf } from '../../entry';
import { NOTHING, noted, refuse, type Bench, type BodyOf, type EntryRefusal, type Kind } from '../Kind';
import { isReason } from '../isReason';

/** Times one cavity of one loom may be filled before something else is wrong. */
export const MOST_SEATS = 20;

type Body = BodyOf<'retention'>;
type InCavity = Pick<Body, 'piece' | 'connector' | 'cavity'>;

/** A cavity of a connector, or where a contact was tried by itself of none. */
const cavityOf = ({ connector, cavity }: Pick<Body, 'connector' | 'cavity'>) =>
  connector === undefined ? cavity : `${connector}:${cavity}`;

/** What becomes of connectors has places of its own, beside those of set-up and lots: no set-up is read with them. */
export const inLoom = (piece: number, place: string) => `loom/${piece}/${place}`;

export const outPlace = (body: InCavity, seat: number) => inLoom(body.piece, `${cavityOf(body)}/out${seat}`);

const place = (body: InCavity & Pick<Body, 'seat'>) =>
  body.connector === undefined
    ? `retention/${body.piece}/${body.cavity}`
    : inLoom(body.piece, `${cavityOf(body)}/seat${seatOf(body)}`);

/** Everything that was put into a cavity of a connector, and taken out of it. */
export function cavityPlaces(body: InCavity): string[] {
  return Array.from({ length: MOST_SEATS }, (_, i) => i + 1).flatMap((seat) => [
    place({ ...body, seat }),
    outPlace(body, seat),
  ]);
}

/** A contact put into its cavity and pushed there. */
export const retention: Kind<Body> = {
  place,
  reads: (body) => (body.connector === undefined ? NOTHING : { run: cavityPlaces(body), lot: [] }),
  // What is made goes into its connector whatever becomes of its set-up.
  after: (body) => (body.connector === undefined ? 'tool' : 'nothing'),
  rests: false,
  check(body, bench) {
    const { setUp } = bench;
    if (!setUp.retention) return refuse('no-cavity', '', 'This terminal goes into no cavity.');
    if (!body.cavity.trim()) return refuse('cavity-missing', 'cavity', 'Say which cavity.');
    if (body.force !== null && !(body.force > 0)) {
      return refuse('force-impossible', 'force', 'A push is a force above 0.');
    }
    if (body.connector === undefined && setUp.retention.secondaryLock && body.locked === null) {
      return refuse('lock-missing', 'locked', 'This connector has a secondary lock: say whether it went home.');
    }
    if (body.connector !== undefined && body.lot !== undefined) {
      return refuse('connector-of-loom', 'lot', 'A connector belongs to a loom, not to a lot: leave the lot out.');
    }
    const wrong = body.connector === undefined ? null : checkSeat(body, bench);
    if (wrong) return wrong;
    const isGood =
      body.clicked && body.stayed && body.locked !== false && body.straight !== false && body.pulledBack !== false;
    if (!isGood && !isReason(body.note)) return refuse('note-missing', 'note', 'Say what differs.');
    return null;
  },
  sentence: (body) =>
    `${body.connector === undefined ? `Connector ${body.piece}` : `Loom ${body.piece}, ${body.connector}`}, cavity ${body.cavity}${seatOf(body) > 1 ? `, seat ${seatOf(body)}${body.contact ? ', new contact' : ''}` : ''}: ${body.clicked ? 'clicked' : 'did not click'}${body.straight === false ? ', not straight' : ''}${body.pulledBack === false ? ', came back at a light pull' : ''}${body.locked === null ? '' : body.locked ? ', locked' : ', not locked'}${body.force === null ? '' : `, pushed with ${body.force} N`}, ${body.stayed ? 'stayed' : 'came out'}${noted(body.note)}`,
  cells: (body) => ({ answer: body.stayed ? 'stayed' : 'came out', force: body.force ?? '' }),
};

/** A contact of a connector: put in with its sheet's tool, straight, pulled back lightly, and after a removal only if it may. */
function checkSeat(body: Body, { setUp, own, isCorrection }: Bench): EntryRefusal | null {
  const contact = setUp.retention;
  if (body.straight === undefined || body.pulledBack === undefined) {
    return refuse('seat-unsaid', 'straight', 'Say whether it went in straight, and stayed at a light pull back.');
  }
  if (contact?.insertionTool && body.tool !== contact.insertionTool) {
    return refuse('insertion-tool', 'tool', `Its sheet asks for ${contact.insertionTool}.`);
  }
  const seat = seatOf(body);
  const seats = entriesOf(own, 'retention').flatMap((e) => (isOneCavity(e.body, body) ? [e.body] : []));
  const removals = entriesOf(own, 'removal').flatMap((e) => (isOneCavity(e.body, body) ? [e.body] : []));
  const last = Math.max(0, ...seats.map(seatOf));
  if (!isCorrection && (seat !== last + 1 || (last > 0 && !removals.some((each) => each.seat === last)))) {
    return refuse(
      'seat-order',
      'seat',
      last === 0
        ? `Nothing was put into cavity ${body.cavity} yet: this is its first.`
        : `Cavity ${body.cavity} is filled (seat ${last}): take that contact out first, on record.`,
    );
  }
  const spent = seat > 1 && body.contact !== 'new' ? contactSpent(seats, removals, contact) : null;
  return spent ? refuse('contact-spent', 'contact', spent) : null;
}

/** Whether two entries are about one cavity of one loom. */
export const isOneCavity = (a: InCavity, b: InCavity) => a.piece === b.piece && cavityOf(a) === cavityOf(b);
