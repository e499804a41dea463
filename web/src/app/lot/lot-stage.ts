import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { may, type Problem } from '@tug-mark/contract';
import {
  AS_DRAWN,
  faultsOf,
  isCaliperOnly,
  CHANGES,
  changeName,
  fromNewtons,
  showNumber,
  type LotChange,
  type PieceCheck,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { handActions } from '../hand/hand.state';
import { Api, toProblem } from '../http/api';
import type { PackedCurve } from '../outbox/outbox.state';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { Reasons } from '../parts/reasons';
import { showTime } from '../parts/show-time';
import { plainNumber } from '../parts/plain-number';
import { valueOf } from '../parts/value-of';
import { sessionFeature } from '../session/session.state';
import { GaugeBar } from '../tug/gauge/gauge-bar';
import { PullAsk } from '../tug/pull/pull-ask';
import { PullEntry, type PulledForce } from '../tug/pull/pull-entry';
import { PullField } from '../tug/pull/pull-field';
import { PullsWaiting } from '../tug/pull/pulls-waiting';
import { targetName } from '../tug/pull/target-name';
import { WaitingPulls } from '../tug/pull/waiting-pulls';
import { LotMeasure } from '../look/lot-measure';
import { Disposition } from './disposition';
import { LotOpen } from './lot-open';

/** The lot while it is made: what is due, the check in hand, what is suspect and what to do about it. */
@Component({
  selector: 'tm-lot-stage',
  imports: [
    RouterLink,
    NzButtonModule,
    NzInputModule,
    Disposition,
    GaugeBar,
    LotMeasure,
    LotOpen,
    Mark,
    PullAsk,
    ProblemNotice,
    PullField,
    PullsWaiting,
    Reasons,
  ],
  providers: [PullEntry, WaitingPulls],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lot-stage.html',
  styleUrls: ['../parts/stage.less', '../parts/pulls.less', './lot-stage.less'],
})
export class LotStage {
  protected readonly hand = inject(Hand);
  protected readonly entry = inject(PullEntry);
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly person = this.store.selectSignal(sessionFeature.selectPerson);
  protected readonly value = valueOf;
  protected readonly time = showTime;
  protected readonly changeName = changeName;
  protected readonly changes = CHANGES;

  protected readonly lot = this.hand.lot;
  protected readonly head = computed(() => this.lot()?.head ?? null);
  protected readonly isRunning = computed(() => this.head() !== null && this.head()?.state !== 'finished');
  protected readonly released = computed(() => this.hand.judgement()?.release.state ?? 'none');
  protected readonly wires = computed(() => this.hand.setUp()?.wires ?? []);
  protected readonly mayRule = computed(() => may(this.person()?.role ?? 'technician', 'rule'));

  /** A pull being corrected; the next one kept corrects it. */
  protected readonly correcting = signal<{ id: string; piece: number; wire: number } | null>(null);
  /** A count lower than the one before: it corrects that one, with its reason. */
  protected readonly recount = signal<number | null>(null);
  protected readonly recountWhy = signal('');
  /** Piece the person named; null follows what is due. */
  private readonly named = signal<number | null>(null);
  protected readonly due = computed(() => this.lot()?.due ?? []);
  protected readonly next = computed(() => this.due().find((d) => d.code !== 'contain') ?? null);
  protected readonly target = computed(() => {
    const lot = this.lot();
    if (!lot) return null;
    const open = lot.checks.find((c) => c.outcome === 'open' && c.tug !== 'quality' && c.tug !== 'no-limit');
    const due = lot.due.find((d) => d.code !== 'contain' && d.inPieces <= 0);
    const contain = lot.due[0]?.code === 'contain' ? lot.bracket?.next : null;
    return (
      this.correcting()?.piece ?? this.named() ?? open?.piece ?? contain ?? due?.piece ?? lot.bracket?.next ?? null
    );
  });
  protected readonly check = computed(() => this.lot()?.checks.find((c) => c.piece === this.target()) ?? null);
  /** Wire of the piece in hand that is pulled next. */
  protected readonly wire = computed(() => {
    const correcting = this.correcting();
    if (correcting) return correcting.wire;
    const lot = this.head()?.lot;
    const piece = this.target();
    if (lot === undefined || piece === null) return 1;
    const pulled = new Set(
      this.hand
        .ofLot(lot, 'reading')
        .filter((e) => e.body.piece === piece)
        .map((e) => e.body.wire ?? 1),
    );
    return this.wires().findIndex((_, i) => !pulled.has(i + 1)) + 1 || 1;
  });
  protected readonly isPulled = computed(() => {
    const tug = this.check()?.tug;
    return tug !== undefined && tug !== 'open';
  });
  protected readonly limit = computed(() => {
    const lot = this.head()?.lot;
    return lot === undefined ? null : (this.hand.setUp()?.lots.get(lot)?.[this.wire() - 1]?.limit?.force ?? null);
  });
  protected readonly breaks = computed(() => this.wires()[this.wire() - 1]?.breaks ?? 0);
  protected readonly criteria = computed(() => {
    const lot = this.head()?.lot;
    const own = lot === undefined ? undefined : this.hand.setUp()?.lotCriteria.get(lot);
    return (own ?? []).filter((c) => !isCaliperOnly(c));
  });
  /** Faults of the point that differs, to be named; and the one that was. */
  protected readonly faults = computed(() => {
    const look = this.hand.setUp()?.look;
    return look ? faultsOf(look).filter((f) => f.point === this.differs()) : [];
  });
  protected readonly fault = signal<string | null>(null);

  protected readonly madeText = signal('');
  protected readonly change = signal<LotChange>('wire-reel');
  protected readonly changeTo = signal('');
  protected readonly changeNote = signal('');
  protected readonly pieceText = signal('');
  protected readonly differs = signal<string | null>(null);
  protected readonly differNote = signal('');
  /** Checks shown, newest first. */
  protected readonly many = signal(8);
  protected readonly message = signal('');
  protected readonly problem = signal<Problem | null>(null);
  /** What is open beside the check in hand. */
  protected readonly panel = signal<'none' | 'change' | 'dispose' | 'plan' | 'differs'>('none');

  protected readonly headline = computed(() => {
    const lot = this.lot();
    const head = this.head();
    const correcting = this.correcting();
    if (correcting) return `Correct piece ${correcting.piece}.`;
    if (!lot || !head) return this.released() === 'released' ? 'Open a lot' : 'No lot yet';
    if (head.state === 'finished') return lot.headline;
    const first = lot.due[0];
    const piece = this.target();
    if (first?.code === 'contain') {
      return piece === null
        ? `Stop: piece ${first.piece} failed.`
        : `Piece ${first.piece} failed. Pull piece ${piece}.`;
    }
    if (head.state === 'paused') return `Paused at piece ${head.made}.`;
    if (piece !== null && piece === lot.bracket?.next) return `Pull piece ${piece} to find where it began.`;
    if (piece !== null) return `Check piece ${piece} now.`;
    const next = this.next();
    if (!next)
      return head.made < head.pieces
        ? `${head.pieces - head.made} more to make.`
        : 'Every check is there: finish the lot.';
    return next.inMinutes !== null && next.code === 'hours'
      ? `Next check in ${next.inMinutes} min of work.`
      : `${next.inPieces} more, then check piece ${next.piece}.`;
  });
  protected readonly why = computed(() => {
    const lot = this.lot();
    const head = this.head();
    if (!lot || !head) {
      return this.released() === 'released'
        ? 'Quantity and check plan are fixed with it; both can be corrected with a reason.'
        : 'A lot is made with a released set-up.';
    }
    if (head.state === 'finished') {
      return `${head.made} made, ${lot.counts.spent} pulled, ${lot.counts.scrapped} scrapped, ${lot.counts.left} to deliver.`;
    }
    const first = lot.due[0];
    if (lot.noBracket) return lot.noBracket;
    if (lot.bracket && (first?.code === 'contain' || this.target() === lot.bracket.next)) return lot.bracket.text;
    if (first?.code === 'contain') return first.text;
    const due = lot.due.find((d) => d.piece === this.target());
    const atRest = head.made >= head.pieces ? (lot.unfinished[0] ?? '') : '';
    return due
      ? `${due.text}${due.overdue ? ' It is overdue.' : ''} Look at it, then pull it.`
      : (this.next()?.text ?? atRest);
  });
  protected readonly suspects = computed(
    () => this.lot()?.spans.filter((s) => s.state === 'suspect' || s.state === 'rework') ?? [],
  );
  protected readonly rows = computed(() => {
    const lot = this.lot();
    return lot ? [...lot.checks].sort((a, b) => (a.at < b.at ? 1 : -1)) : [];
  });

  constructor() {
    this.entry.serve(
      {
        place: computed(() => {
          const id = this.hand.view()?.combination.id;
          return id === undefined ? null : `lot-${id}`;
        }),
        target: computed(() => targetName({ piece: this.target() ?? 0, wire: this.wire() }, this.wires().length)),
        isUnseen: computed(() => {
          const lot = this.lot()?.head.lot;
          return lot !== undefined && !this.hand.ofLot(lot, 'finding').some((e) => e.body.piece === this.target());
        }),
        kept: this.hand.pulls,
        limit: this.limit,
        breaks: this.breaks,
        lowest: computed(() => this.lot()?.group.summary?.min ?? null),
        context: computed(() => ({
          breaks: this.breaks(),
          strands: this.wires()[this.wire() - 1]?.wire.conductor.strands ?? 1,
          loadingRate: this.wires()[this.wire() - 1]?.limit.limit?.table.loadingRate ?? null,
        })),
        isOpen: computed(
          () => this.isRunning() && this.target() !== null && (!this.isPulled() || this.correcting() !== null),
        ),
        keep: (force, why, curve) => this.keep(force, why, curve),
      },
      {
        help: [
          { key: 'A', does: 'piece is as drawn' },
          { key: 'X', does: 'piece is not as drawn' },
          { key: 'K', does: 'type a number of the piece' },
          { key: 'M', does: 'count what is made' },
          { key: 'C', does: 'check another piece' },
          { key: 'H', does: 'something was changed' },
          { key: 'P', does: 'pause or resume' },
          { key: 'D', does: 'decide about pieces held back' },
          { key: 'G', does: 'choose the gauge' },
          { key: 'F', does: 'finish the lot' },
        ],
        handle: (key) => this.handle(key),
      },
    );
    effect(() => {
      if (this.target() !== null && !this.isPulled()) this.entry.takeNext();
    });
  }

  private handle(key: string): boolean {
    if (!this.isRunning()) return false;
    const focus = (id: string) => {
      setTimeout(() => document.getElementById(id)?.focus());
    };
    switch (key.toLowerCase()) {
      case 'a':
        this.asDrawn();
        return true;
      case 'x':
        if (this.target() !== null) this.panel.set('differs');
        return true;
      case 'k':
        document.getElementById('lot-measured')?.focus();
        return true;
      case 'm':
        focus('made');
        return true;
      case 'c':
        focus('check-piece');
        return true;
      case 'h':
        this.panel.set('change');
        focus('change-what');
        return true;
      case 'p':
        this.pause();
        return true;
      case 'd':
        if (!this.suspects().length) return false;
        this.panel.set('dispose');
        focus('disposition-note');
        return true;
      case 'g':
        focus('station-gauge');
        return true;
      case 'f':
        this.finish();
        return true;
      default:
        return false;
    }
  }

  private keep(force: PulledForce, why: string, curve: PackedCurve | null) {
    const head = this.head();
    const piece = this.target();
    if (!head || piece === null) return { code: 'not-ready', field: '', text: 'Say first which piece this is.' };
    const wire = this.wire();
    const correcting = this.correcting();
    const refusal = this.hand.put(
      { kind: 'reading', lot: head.lot, piece, ...(wire > 1 && { wire }), ...force },
      correcting && { corrects: correcting.id, why },
      curve,
    );
    if (!refusal) {
      this.correcting.set(null);
      this.settled();
    }
    return refusal;
  }

  /** The newest pull of a piece, to be read again; the first entry stays on record. */
  protected correct(piece: number): void {
    const head = this.head();
    const reading = head && this.hand.ofLot(head.lot, 'reading').findLast((e) => e.body.piece === piece);
    if (!reading) return;
    this.entry.clear();
    this.entry.correcting.set(true);
    this.correcting.set({ id: reading.id, piece, wire: reading.body.wire ?? 1 });
  }

  protected leaveCorrection(): void {
    this.correcting.set(null);
    this.entry.correcting.set(false);
    this.entry.why.set('');
    this.entry.clear();
  }

  /** The piece is done with once it is looked at and pulled: back to what is due. */
  private settled(): void {
    const outcome = this.check()?.outcome;
    if (outcome !== 'open') this.named.set(null);
  }

  protected asDrawn(): void {
    this.putFinding(AS_DRAWN, 'accept', '');
  }

  protected notAsDrawn(): void {
    const code = this.differs();
    if (!code) return this.message.set('Say which point is not as drawn.');
    if (!this.differNote().trim() && !this.fault()) return this.message.set('Say what you see.');
    this.putFinding(code, 'reject', this.differNote().trim(), this.fault());
  }

  private putFinding(criterion: string, finding: 'accept' | 'reject', note: string, fault: string | null = null): void {
    const head = this.head();
    const piece = this.target();
    if (!head || piece === null || this.check()?.look === 'accepted' || this.check()?.look === 'rejected') return;
    const isSaid = this.hand
      .ofLot(head.lot, 'finding')
      .some((e) => e.body.piece === piece && e.body.criterion === criterion);
    if (isSaid && criterion === AS_DRAWN) {
      return this.message.set('It is as drawn already; a number is still to be measured.');
    }
    const refusal = this.hand.put({
      kind: 'finding',
      lot: head.lot,
      piece,
      criterion,
      finding,
      ...(fault && { fault }),
      note,
    });
    this.message.set(refusal?.text ?? '');
    if (refusal) return;
    this.panel.set('none');
    this.differs.set(null);
    this.fault.set(null);
    this.differNote.set('');
    this.settled();
  }

  protected chooseDiffers(event: Event): void {
    this.differs.set(valueOf(event) || null);
    this.fault.set(null);
  }

  protected count(event: Event): void {
    event.preventDefault();
    const made = plainNumber(this.madeText());
    const head = this.head();
    if (!head) return;
    if (made === null || !Number.isInteger(made)) {
      return this.message.set('Count pieces in whole numbers: what the last piece made is, counted from 1.');
    }
    this.step({ what: 'made', made, note: '' }, () => {
      this.counted();
    });
    const counted = head.steps.at(-1)?.made ?? 0;
    this.recount.set(made < counted ? made : null);
  }

  private counted(): void {
    this.madeText.set('');
    this.recount.set(null);
    this.recountWhy.set('');
    const field = document.querySelector<HTMLInputElement>('#made');
    if (field) field.value = '';
    field?.blur();
  }

  /** The last count was wrong: it is corrected, not counted back. */
  protected keepRecount(event: Event): void {
    event.preventDefault();
    const head = this.head();
    const made = this.recount();
    const last = head && this.hand.ofLot(head.lot, 'progress').findLast((e) => e.body.step === head.steps.length);
    if (!last || made === null) return;
    const refusal = this.hand.put({ ...last.body, made }, { corrects: last.id, why: this.recountWhy() });
    this.message.set(refusal?.text ?? '');
    if (!refusal) this.counted();
  }

  protected pause(): void {
    const head = this.head();
    if (head) this.step({ what: head.state === 'paused' ? 'resume' : 'pause', made: head.made, note: '' });
  }

  protected keepChange(event: Event): void {
    event.preventDefault();
    const head = this.head();
    if (!head) return;
    const to = this.changeTo().trim();
    this.step(
      { what: 'change', made: head.made, change: this.change(), ...(to && { to }), note: this.changeNote().trim() },
      () => {
        this.panel.set('none');
        this.changeTo.set('');
        this.changeNote.set('');
      },
    );
  }

  protected chooseChange(event: Event): void {
    this.change.set(CHANGES.find((c) => c === valueOf(event)) ?? 'wire-reel');
  }

  private step(
    said: { what: 'made' | 'pause' | 'resume' | 'change'; made: number; change?: LotChange; to?: string; note: string },
    done: () => void = () => undefined,
  ): void {
    const head = this.head();
    if (!head) return;
    const refusal = this.hand.put({ kind: 'progress', lot: head.lot, step: head.steps.length + 1, ...said });
    this.message.set(refusal?.text ?? '');
    if (!refusal) done();
  }

  protected namePiece(event: Event): void {
    event.preventDefault();
    const piece = plainNumber(this.pieceText());
    const head = this.head();
    if (!head) return;
    if (piece === null || !Number.isInteger(piece) || piece < 1 || piece > head.pieces) {
      return this.message.set(`Pieces of this lot are numbered 1 to ${head.pieces}.`);
    }
    this.named.set(piece);
    this.pieceText.set('');
    this.message.set('');
    const field = document.querySelector<HTMLInputElement>('#check-piece');
    if (field) field.value = '';
    field?.blur();
  }

  protected finish(): void {
    const head = this.head();
    if (!head) return;
    this.message.set(this.hand.put({ kind: 'finish', lot: head.lot, note: '' })?.text ?? '');
  }

  /** Pulls made elsewhere, whole or not at all. */
  protected async takeFile(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    const head = this.head();
    const view = this.hand.view();
    field.value = '';
    if (!file || !head || !view) return;
    try {
      const { readings } = await this.api.importReadings(view.combination.id, head.lot, file);
      this.problem.set(null);
      this.message.set(`${readings} pulls are on record. Each of those pieces has still to be looked at.`);
      this.store.dispatch(handActions.refresh({ id: view.combination.id }));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected turn(panel: 'change' | 'dispose' | 'plan'): void {
    this.panel.update((open) => (open === panel ? 'none' : panel));
  }

  protected rule(piece: number, ruling: 'counts' | 'invalid', note: string): void {
    const head = this.head();
    if (head) this.message.set(this.hand.put({ kind: 'ruling', lot: head.lot, piece, ruling, note })?.text ?? '');
  }

  /** A check in a few words. */
  protected said({ look, tug }: PieceCheck): string {
    const eye = { accepted: 'as drawn', rejected: 'rejected by eye', open: 'not looked at' }[look];
    const pull = {
      holds: 'holds',
      below: 'does not hold',
      invalid: 'no test',
      quality: 'to quality',
      'no-limit': 'no limit',
      open: 'not pulled',
    }[tug];
    return `${eye}, ${pull}`;
  }

  protected shown(newtons: number | null): string {
    if (newtons === null) return '';
    const limit = this.limit();
    const unit = this.entry.unit();
    return showNumber(fromNewtons(newtons, unit), 1, limit === null ? undefined : fromNewtons(limit, unit));
  }
}
