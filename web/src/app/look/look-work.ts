import { computed, inject } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import {
  adjustHeight,
  AS_DRAWN,
  atEnd,
  endOf,
  faultsOf,
  firstOpenPoint,
  firstRejectedPoint,
  isCaliperOnly,
  isOpenPoint,
  lookAt,
  lookHeadline,
  ofEnd,
  readPointNumber,
  showPoint,
  type Criterion,
  type EntryBody,
  type Finding,
  type LookVerdict,
} from '@tug-mark/core';
import { Hand } from '../hand/hand';
import { count } from '../parts/count';

type Measured = Extract<EntryBody, { kind: 'measure' }>;
type Found = Extract<EntryBody, { kind: 'finding' }>;

/** Something on record that was answered otherwise now: waits for its reason. */
interface Change {
  readonly body: Found | Measured;
  readonly standing: string;
  readonly now: string;
  readonly corrects: string;
}

interface State {
  readonly piece: number;
  readonly point: number;
  readonly note: string;
  readonly typed: string;
  readonly refusal: string;
  /** A finding that waits for its fault to be named. */
  readonly asking: Exclude<Finding, 'accept'> | null;
  readonly change: Change | null;
}

const AT_FIRST: State = { piece: 1, point: 0, note: '', typed: '', refusal: '', asking: null, change: null };
const NO_LOOK: Pick<LookVerdict, 'pieces' | 'points' | 'reasons'> = { pieces: [], points: [], reasons: [] };

/** The sample pieces as they are looked at: the piece and point in hand, and what is said of them. */
export const LookWork = signalStore(
  withState(AT_FIRST),
  withComputed(({ piece, point }, hand = inject(Hand)) => {
    const criteria = computed<readonly Criterion[]>(() => hand.setUp()?.criteria ?? []);
    const current = computed(() => criteria()[point()]);
    const look = computed(() => hand.judgement()?.look ?? NO_LOOK);
    const states = computed(() => look().points[piece() - 1] ?? []);
    const findings = computed(() => new Map(hand.of('finding').map((e) => [foundAt(e.body), e])));
    /** The end of the point in hand, as it is drawn; null until tool and strip length are settled. */
    const drawn = computed(() => {
      const [setUp, point] = [hand.setUp(), current()];
      return setUp && point ? lookAt(setUp, point.end) : null;
    });
    /** Pieces answered as a whole. */
    const whole = computed(() => new Set(hand.of('finding').flatMap(({ body }) => wholePiece(body))));
    return {
      criteria,
      current,
      look,
      states,
      findings,
      whole,
      measures: computed(() => new Map(hand.of('measure').map((e) => [measuredAt(e.body), e]))),
      taken: computed(() => hand.of('tool').length > 0),
      /** Whether one act may answer what nobody has answered of this piece: all of it, but for the points already named. */
      offersWhole: computed(
        () =>
          hand.view()?.practice.lookRecord === 'whole-piece' &&
          !whole().has(piece()) &&
          criteria().some((c, i) => !isCaliperOnly(c) && states()[i]?.finding === null),
      ),
      /** Whether points of the piece in hand were answered one by one. */
      named: computed(() => criteria().some((c) => findings().has(`${piece()}/${c.key}`))),
      drawn,
      faults: computed(() => {
        const context = drawn();
        return context ? faultsOf(context).filter((f) => f.point === current()?.code) : [];
      }),
      bad: computed(() => look().pieces.some((p) => p === 'rejected' || p === 'rework')),
      done: computed(() => look().pieces.length > 0 && !look().pieces.includes('open')),
      headline: computed(() => lookHeadline(look(), current(), piece())),
      why: computed(() => {
        const bad = look().reasons.find((r) => r.weight === 'bad');
        return bad ? `${bad.text} A pull that holds does not change that.` : (current()?.accept ?? '');
      }),
      /** What the measured heights say about the tool's setting. */
      advice: computed(() => {
        const number = current()?.code === 'height' ? current()?.number : null;
        const end = current()?.end;
        const heights = hand
          .of('measure')
          .flatMap(({ body }) => (body.what === 'height' && endOf(body) === end ? [body.value] : []));
        const step = hand.setUp()?.tool?.tool.heightStep ?? null;
        const adjustment = number && adjustHeight(heights, number.range, step);
        const many = heights.length === 1 ? 'One height' : `Mean of ${count(heights.length, 'height')}`;
        return adjustment && `${many}: ${adjustment.text}`;
      }),
    };
  }),
  withMethods((store, hand = inject(Hand)) => {
    const go = (piece: number, point: number) => {
      patchState(store, { piece, point, change: null, asking: null, typed: '' });
      leaveField();
    };
    const advance = () => {
      // A number asked for at this point is measured before the eye goes on.
      if (store.states()[store.point()]?.toMeasure) {
        document.getElementById('measured')?.focus();
        return;
      }
      const piece = store.piece();
      const next = store
        .criteria()
        .findIndex((_, point) => point > store.point() && isOpenPoint(store.look(), { piece, point }));
      const open = next >= 0 ? { piece, point: next } : firstOpenPoint(store.look(), piece);
      if (open) go(open.piece, open.point);
      else leaveField();
    };
    const keep = (body: Found | Measured, correction: { corrects: string; why: string } | null) => {
      const refusal = hand.put(body, correction);
      patchState(store, { refusal: refusal?.text ?? '' });
      if (refusal) return;
      patchState(store, { note: '', typed: '', change: null, asking: null });
      if (!correction) advance();
    };
    /** Keeps it, or asks why where something else is on record. */
    const put = (body: Found | Measured) => {
      const standing =
        body.kind === 'finding' ? store.findings().get(foundAt(body)) : store.measures().get(measuredAt(body));
      if (!standing) {
        keep(body, null);
        return;
      }
      const change = { body, standing: told(standing.body), now: told(body), corrects: standing.id };
      patchState(store, { change, asking: null });
      setTimeout(() => document.getElementById('why-finding')?.focus());
    };
    const finding = (criterion: Criterion, found: Finding, fault: string | null): Found => ({
      kind: 'finding',
      piece: store.piece(),
      ...ofEnd(criterion.end),
      criterion: criterion.code,
      finding: found,
      ...(fault !== null && { fault }),
      note: store.note().trim(),
    });
    const keepNumber = (value: number, unit: Measured['unit'], typed: string, from: string | null) => {
      const criterion = store.current();
      const asked = criterion?.number?.unit;
      if (!criterion || !asked || (from && asked !== 'mm')) {
        const title = criterion?.title ?? '';
        const what = asked ? `'${title}' is measured in ${asked}` : `nothing is measured at '${title}'`;
        if (from) patchState(store, { refusal: `The caliper sent ${value} mm, but ${what}.` });
        return;
      }
      const what = criterion.code;
      const measured = { piece: store.piece(), ...ofEnd(criterion.end), what, value, typed, unit, note: '' };
      put({ kind: 'measure', ...measured, ...(from !== null && { from }) });
    };
    return {
      go,
      refuse(refusal: string): void {
        patchState(store, { refusal });
      },
      set(changes: Partial<Pick<State, 'note' | 'typed' | 'asking' | 'change'>>): void {
        patchState(store, changes);
      },
      /** Goes to the first open point, or where none is, to the first rejected one. */
      begin(): void {
        const at = firstOpenPoint(store.look(), 1) ?? firstRejectedPoint(store.look());
        if (at) go(at.piece, at.point);
      },
      /** Answers the point in hand; what is not as drawn is asked for its fault first. */
      find(found: Finding): void {
        const criterion = store.current();
        if (!criterion || isCaliperOnly(criterion)) return;
        const standing = store.findings().get(`${store.piece()}/${criterion.key}`);
        if (standing?.body.finding === found) advance();
        else if (found === 'accept') put(finding(criterion, found, null));
        else if (store.taken()) patchState(store, { refusal: '', asking: found });
        else
          patchState(store, {
            refusal: 'Take a tool first: the pieces have to be made before they are looked at.',
          });
      },
      /** Keeps the finding that waits, with its fault; null: none of those that are drawn. */
      name(fault: string | null): void {
        const [criterion, found] = [store.current(), store.asking()];
        if (criterion && found) put(finding(criterion, found, fault));
      },
      allAsDrawn(): void {
        if (store.whole().has(store.piece())) return;
        put({ kind: 'finding', piece: store.piece(), criterion: AS_DRAWN, finding: 'accept', note: '' });
      },
      /** A length sent by the station's caliper, mm. */
      sent(millimetres: number, caliper: string): void {
        keepNumber(millimetres, 'mm', String(millimetres), caliper);
      },
      /** Keeps the number typed for the point in hand. */
      measured(): void {
        const unit = store.current()?.number?.unit;
        const text = store.typed().trim();
        if (!unit) return;
        if (!text) {
          leaveField();
          return;
        }
        const read = readPointNumber(text, unit);
        if (read.outcome === 'refused') patchState(store, { refusal: read.text });
        else keepNumber(read.value, read.unit, text, null);
      },
      /** Corrects what is on record, with its reason. */
      correct(why: string): void {
        const wanted = store.change();
        if (wanted) keep(wanted.body, { corrects: wanted.corrects, why });
      },
    };
  }),
);

/** Piece and point an answer or a number is about. */
const foundAt = (body: Found) => `${body.piece}/${atEnd(body.criterion, endOf(body))}`;
const measuredAt = (body: Measured) => `${body.piece}/${atEnd(body.what, endOf(body))}`;
const wholePiece = (body: Found): number[] => (body.criterion === AS_DRAWN ? [body.piece] : []);
const told = (body: Found | Measured) => (body.kind === 'finding' ? body.finding : showPoint(body.value, body.unit));

/** Gives the keys back to the screen. */
function leaveField(): void {
  (document.activeElement as HTMLElement | null)?.blur();
}
