import type { Problem } from '@tug-mark/contract';

type Extra = Partial<Pick<Problem, 'errors' | 'total' | 'standing'>>;

/** A refusal on its way to the reader, as RFC 9457 problem details. */
export class Refusal extends Error {
  readonly problem: Problem;

  constructor(status: number, code: string, title: string, detail: string, extra: Extra = {}) {
    super(`${title} ${detail}`);
    this.problem = { type: `urn:tug-mark:problem:${code}`, title, status, detail, code, ...extra };
  }
}

/** Every refusal the server can give, in one place: what is wrong, then what to do. */
export const refusals = {
  notJson: () =>
    new Refusal(400, 'not-json', 'The request is not JSON.', 'NaN and Infinity are no JSON either: send a number.'),
  tooDeep: () =>
    new Refusal(400, 'too-deep', 'The request is nested too deep.', 'Nothing here is nested more than 40 deep.'),
  textUnreadable: (where: string) =>
    new Refusal(
      422,
      'text-unreadable',
      'The text holds a character that cannot be kept.',
      'Take it out and try again.',
      where ? { errors: [{ where, text: 'holds a character that cannot be kept' }] } : {},
    ),
  mediaType: (kinds: readonly string[]) =>
    new Refusal(
      415,
      'media-type',
      'This kind of content is not read here.',
      `Send the file itself, as ${kinds.join(' or ')}.`,
    ),
  away: () =>
    new Refusal(
      503,
      'away',
      'The database does not answer.',
      'What you entered is kept on this device and sent again by itself.',
    ),
  reportsAway: () =>
    new Refusal(
      503,
      'away',
      'Lists, records and reports are being started again.',
      'Readings go on meanwhile. Try again in a moment.',
    ),
  recordChanged: (text: string, where: string) =>
    new Refusal(422, 'record-changed', 'The record was changed after it was made.', text, {
      errors: [{ where, text }],
    }),
  signInFirst: () =>
    new Refusal(
      401,
      'sign-in-first',
      'You are not signed in.',
      'Sign in; what you have entered is kept on this device.',
    ),
  signInWrong: () =>
    new Refusal(401, 'sign-in-wrong', 'Name and password do not belong together.', 'Check both and try again.'),
  tooManyTries: () => new Refusal(429, 'too-many-tries', 'Too many tries to sign in.', 'Wait a minute and try again.'),
  roleMayNot: (role: string, who: string) =>
    new Refusal(
      403,
      'role-may-not',
      `${role === 'engineer' ? 'An' : 'A'} ${role} does not do this.`,
      `It is for ${who}: ask one of them.`,
    ),
  unqualified: (why: string) =>
    new Refusal(
      403,
      'qualification-lapsed',
      why,
      'Nothing you make counts until it is given or renewed: an engineer enters it under People.',
    ),
  notFound: (what: string) =>
    new Refusal(404, 'not-found', `${what} is not here.`, 'Go back to the list and pick it again.'),
  notNew: () =>
    new Refusal(409, 'not-new', 'This shop has accounts already.', 'Sign in with one of them; an engineer adds more.'),
  choosePassword: () =>
    new Refusal(
      403,
      'choose-password',
      'Choose a password of your own first.',
      'You came in with a word for once; nothing else goes before.',
    ),
  passwordWrong: () =>
    new Refusal(422, 'password-wrong', 'That is not the password in use.', 'Type the one you signed in with.', {
      errors: [{ where: 'current', text: 'is not the password in use' }],
    }),
  passwordWeak: (why: string) =>
    new Refusal(422, 'password-weak', 'That password is easily guessed.', why, {
      errors: [{ where: 'password', text: `is easily guessed. ${why}` }],
    }),
  lastEngineer: () =>
    new Refusal(
      409,
      'last-engineer',
      'This is the last engineer account in use.',
      'Add or open another engineer first: nobody else could open this one again.',
    ),
  idTaken: () =>
    new Refusal(409, 'id-taken', 'This id is used for something else already.', 'Send it again under a new id.'),
  dieUnknown: (tool: string, dies: readonly string[]) =>
    new Refusal(
      422,
      'die-unknown',
      `Say which die or nest of ${tool} was checked.`,
      `A check belongs to the die that is mounted, and to the nest where that has pins of its own. It has ${dies.join(', ')}.`,
      { errors: [{ where: 'die', text: 'is none of this tool' }] },
    ),
  nothingToReturn: (tool: string) =>
    new Refusal(
      409,
      'nothing-to-return',
      `${tool} is not out of use for a failed check.`,
      'Look at its state again: somebody may have put it back already.',
    ),
  nameTaken: (what: string, name: string) =>
    new Refusal(409, 'name-taken', `${what} '${name}' exists already.`, 'Choose another name.'),
  slotTaken: (text: string, standing: unknown) =>
    new Refusal(
      409,
      'slot-taken',
      text,
      'Look at what stands, then keep yours for another piece or as a correction with its reason.',
      { standing },
    ),
  pullTaken: (text: string, standing: unknown) =>
    new Refusal(
      409,
      'pull-taken',
      text,
      'One pull proves one piece. If it was given to the wrong piece, correct that entry with its reason.',
      { standing },
    ),
  correctsStale: (standing: unknown) =>
    new Refusal(
      409,
      'corrects-stale',
      'The entry you correct was corrected by somebody else meanwhile.',
      'Look at what stands now and correct that.',
      { standing },
    ),
  correctsUnknown: () =>
    new Refusal(
      409,
      'corrects-unknown',
      'The entry to correct is not in this journal or speaks of something else.',
      'Reload and correct the entry you see.',
    ),
  photoMissing: () =>
    new Refusal(
      422,
      'photo-missing',
      'The photograph this entry names is not on record.',
      'Send the photograph first; the entry keeps its place until then.',
    ),
  photoRefused: (code: string, title: string, detail: string) => new Refusal(422, code, title, detail),
  shopNotEmpty: () =>
    new Refusal(
      409,
      'shop-not-empty',
      'This shop is not empty any more.',
      'A whole shop is moved only into one nothing was made in yet: begin with an empty database.',
    ),
  wholeShopUnreadable: (why: string) =>
    new Refusal(422, 'whole-shop-unreadable', 'This file does not hold a whole shop that can be read here.', why),
  wholeShopStrange: (faults: readonly string[]) =>
    new Refusal(
      422,
      'whole-shop-unreadable',
      'This file holds what a shop of this release cannot show.',
      'Nothing was moved in. What is named has to be right in the shop it comes from before it is written.',
      { errors: faults.map((text) => ({ where: '', text })) },
    ),
  wholeShopChanged: (faults: readonly string[]) =>
    new Refusal(
      422,
      'whole-shop-changed',
      'Something in this file was changed after it was put on record.',
      'Nothing was moved in. Write the file again from the shop it came from; if that says the same, verify that shop first.',
      { errors: faults.map((text) => ({ where: '', text })) },
    ),
  logoRefused: () =>
    new Refusal(
      422,
      'photo-refused',
      'This is no picture that can stand on paper.',
      'A logo is a PNG, JPEG or WebP picture of up to 2 MB. Save it as one of these and choose it again.',
    ),
  photoTaken: () =>
    new Refusal(409, 'photo-taken', 'Another photograph is kept under this id.', 'Send it under a new id.'),
  traceMissing: () =>
    new Refusal(
      422,
      'trace-missing',
      'The curve this reading names is not on record.',
      'Send the curve first; the reading keeps its place until then.',
    ),
  traceUnreadable: () =>
    new Refusal(
      422,
      'trace-unreadable',
      'These bytes are no curve.',
      'Send it as this application packs it, or as CSV.',
    ),
  traceRate: (text: string) => new Refusal(422, 'trace-rate', 'No gauge sends at this rate.', text),
  traceTaken: () =>
    new Refusal(409, 'trace-taken', 'Another curve is kept under this id.', 'Send it again under a new id.'),
  gaugeSilent: (text: string) => new Refusal(502, 'gauge-silent', 'The gauge sent no curve.', text),
  entryRefused: (code: string, field: string, text: string) =>
    new Refusal(422, code, text, 'Nothing was put on record.', field ? { errors: [{ where: field, text }] } : {}),
  fileTooLarge: (limit: string) =>
    new Refusal(
      413,
      'file-too-large',
      `The file is larger than ${limit}.`,
      'A wire list of 20,000 wires is about 2 MB. Is it the right file?',
    ),
  fileUnreadable: (text: string) => new Refusal(422, 'file-unreadable', 'The file cannot be read.', text),
  listProblems: (errors: NonNullable<Problem['errors']>, total: number) =>
    new Refusal(
      422,
      'list-problems',
      `${total} ${total === 1 ? 'thing' : 'things'} in this list cannot be read. Nothing was imported.`,
      'Mend them in the file and import it again.',
      { errors, total },
    ),
  shapeWrong: (errors: NonNullable<Problem['errors']>) =>
    new Refusal(
      422,
      'shape-wrong',
      'Something in this request is not as it has to be.',
      'Nothing was kept. See where, below.',
      { errors, total: errors.length },
    ),
  conflictingPart: (what: string) =>
    new Refusal(
      409,
      'conflicting-part',
      `${what} stands in this shop already, and differs.`,
      'A record is read into a shop that does not contradict it. Read it into an empty shop.',
    ),
  limitNotDraft: (status: string) =>
    new Refusal(
      409,
      'limit-not-draft',
      `This document is ${status}.`,
      'Only a draft can be released, only a released one withdrawn.',
    ),
  noPractice: (text: string) => new Refusal(409, 'no-practice', 'No house rules apply.', text),
  staleRevision: (part: string, newest: number) =>
    new Refusal(
      409,
      'stale-revision',
      `${part} has been changed since you opened it: it is at revision ${newest}.`,
      'Your entries are still here. Look at the newer revision, then keep yours again if it still holds.',
      { standing: { revision: newest } },
    ),
  floorProblems: (errors: NonNullable<Problem['errors']>) =>
    new Refusal(
      422,
      'floor-problems',
      `${errors.length} ${errors.length === 1 ? 'thing' : 'things'} of this floor cannot be meant. Nothing was kept.`,
      'Mend what is named below and keep it again.',
      { errors, total: errors.length },
    ),
  planGivenOut: (by: string, revision: number) =>
    new Refusal(
      409,
      'plan-given-out',
      `${by} gave out plan ${revision} since you began this one.`,
      'Yours is still here. Plan again from that one, then give it out: what is being made stays where it is.',
      { standing: { revision } },
    ),
  planProblems: (errors: NonNullable<Problem['errors']>, total: number) =>
    new Refusal(
      422,
      'plan-problems',
      `${total} ${total === 1 ? 'thing' : 'things'} in this plan cannot be done as the shop stands now. It was not given out.`,
      'The shop has changed since it was made, or the plan was: load the plan again and give out what comes of it.',
      { errors, total },
    ),
  stockUnknown: (errors: NonNullable<Problem['errors']>) =>
    new Refusal(
      422,
      'stock-unknown',
      `${errors.length} of these cannot be kept in stock. Nothing was taken.`,
      'Mend what is named below and send all of it again.',
      { errors, total: errors.length },
    ),
  partProblems: (what: string, errors: NonNullable<Problem['errors']>, total = errors.length) =>
    new Refusal(
      422,
      'part-problems',
      `${total} ${total === 1 ? 'thing' : 'things'} in ${what} cannot be taken. Nothing was kept.`,
      'Mend what is named below and keep it again.',
      { errors, total },
    ),
  practiceUnresolved: (code: string, text: string) =>
    new Refusal(422, code, 'This profile of house rules cannot be worked out.', text, {
      errors: [{ where: 'base', text }],
    }),
  limitProblems: (errors: NonNullable<Problem['errors']>) =>
    new Refusal(
      422,
      'limit-problems',
      'This document cannot be released.',
      'Mend what is named below in a new draft.',
      {
        errors,
        total: errors.length,
      },
    ),
  limitOverlaps: (name: string) =>
    new Refusal(
      409,
      'limit-overlaps',
      `${name} is in effect for the same days.`,
      'Two that both apply leave it open which one judges. Release this one in its place, or withdraw the other first.',
    ),
  secondPerson: (name: string) =>
    new Refusal(
      403,
      'second-person',
      `${name} drafted this document.`,
      'By the house rules somebody else of quality has to release it.',
    ),
  limitStands: (name: string, status: string) =>
    new Refusal(
      409,
      'limit-stands',
      `${name} is ${status} and does not change any more.`,
      'Give the draft a revision of its own.',
    ),
} as const;
