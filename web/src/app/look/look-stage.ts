import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import {
  adjustHeight,
  AS_DRAWN,
  FAULTS,
  faultsOf,
  isCaliperOnly,
  PLAIN_SHEET,
  readPointNumber,
  showPoint,
  type Criterion,
  type EntryBody,
  type Finding,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Hand } from '../hand/hand';
import { DeviceField } from '../parts/device-field';
import { Mark } from '../parts/mark';
import { valueOf } from '../parts/value-of';
import { Keys } from '../shell/keys';
import { CaliperBar } from './caliper-bar';
import { PiecePhotos } from './piece-photos';
import { PointExamples } from './point-examples';
import { StationCaliper } from './station-caliper';

const ANSWERS: readonly { finding: Finding; key: string; word: string }[] = [
  { finding: 'accept', key: '1', word: 'As drawn' },
  { finding: 'rework', key: '2', word: 'Rework' },
  { finding: 'reject', key: '3', word: 'Reject' },
  { finding: 'note', key: '4', word: 'Note' },
];
const WORDS: Readonly<Record<Finding, string>> = {
  accept: 'As drawn',
  note: 'Note',
  rework: 'Rework',
  reject: 'Reject',
};
const STATE = { accept: 'pass', note: 'note', rework: 'hold', reject: 'fail' } as const;
const PIECE_STATE = { accepted: 'pass', rework: 'hold', rejected: 'fail', open: 'missing' } as const;

type Measured = Extract<EntryBody, { kind: 'measure' }>;
type Found = Extract<EntryBody, { kind: 'finding' }>;

/** Is the finished crimp right to eye and caliper? Piece by piece, point by point, by keys. */
@Component({
  selector: 'tm-look-stage',
  imports: [DeviceField, RouterLink, NzButtonModule, NzInputModule, Mark, CaliperBar, PiecePhotos, PointExamples],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './look-stage.html',
  styleUrls: ['../parts/stage.less', './look-stage.less'],
})
export class LookStage {
  protected readonly value = valueOf;
  private readonly photos = viewChild(PiecePhotos);
  protected readonly hand = inject(Hand);
  private readonly router = inject(Router);
  private readonly caliper = inject(StationCaliper);
  protected readonly answers = ANSWERS;
  protected readonly words = WORDS;
  protected readonly state = STATE;
  protected readonly pieceState = PIECE_STATE;
  protected readonly caliperOnly = isCaliperOnly;
  protected readonly piece = signal(1);
  protected readonly point = signal(0);
  protected readonly note = signal('');
  protected readonly typed = signal('');
  protected readonly refusal = signal('');
  /** A finding that waits for its fault to be named. */
  protected readonly asking = signal<Exclude<Finding, 'accept'> | null>(null);
  /** Something on record that was answered otherwise now: waits for its reason. */
  protected readonly change = signal<{
    body: Found | Measured;
    standing: string;
    now: string;
    corrects: string;
  } | null>(null);

  protected readonly criteria = computed<readonly Criterion[]>(() => this.hand.setUp()?.criteria ?? []);
  protected readonly sheet = computed(() => this.hand.setUp()?.lookSheet ?? PLAIN_SHEET);
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  protected readonly current = computed(() => this.criteria()[this.point()]);
  protected readonly pieces = computed(() => this.hand.judgement()?.look.pieces ?? []);
  protected readonly states = computed(() => this.hand.judgement()?.look.points[this.piece() - 1] ?? []);
  protected readonly findings = computed(
    () => new Map(this.hand.of('finding').map((e) => [`${e.body.piece}/${e.body.criterion}`, e])),
  );
  private readonly measures = computed(
    () => new Map(this.hand.of('measure').map((e) => [`${e.body.piece}/${e.body.what}`, e])),
  );
  /** Pieces answered as a whole. */
  protected readonly whole = computed(
    () =>
      new Set(
        this.hand
          .of('finding')
          .filter((e) => e.body.criterion === AS_DRAWN)
          .map((e) => e.body.piece),
      ),
  );
  private readonly mayWhole = computed(() => this.hand.view()?.practice.lookRecord === 'whole-piece');
  /** Whether one act may answer what nobody has answered of this piece: all of it, but for the points already named. */
  protected readonly offersWhole = computed(
    () =>
      this.mayWhole() &&
      !this.whole().has(this.piece()) &&
      this.criteria().some((c, i) => !isCaliperOnly(c) && this.states()[i]?.finding === null),
  );
  /** Whether points of the piece in hand were answered one by one. */
  protected readonly named = computed(() =>
    this.criteria().some((c) => this.findings().has(`${this.piece()}/${c.code}`)),
  );
  protected readonly faults = computed(() => {
    const look = this.hand.setUp()?.look;
    const code = this.current()?.code;
    return look ? faultsOf(look).filter((f) => f.point === code) : [];
  });
  protected readonly bad = computed(() => this.pieces().some((p) => p === 'rejected' || p === 'rework'));
  protected readonly done = computed(() => this.pieces().length > 0 && !this.pieces().includes('open'));
  protected readonly headline = computed(() => {
    const rejected = this.pieces().filter((p) => p === 'rejected').length;
    if (rejected) return `${rejected} of ${this.pieces().length} pieces rejected: the set-up is not good.`;
    if (this.done()) return `All ${this.pieces().length} pieces are looked at.`;
    return `Piece ${this.piece()} of ${this.pieces().length}: ${this.current()?.title.toLowerCase() ?? ''}, ${this.current()?.view ?? ''}.`;
  });
  protected readonly why = computed(() => {
    const bad = this.hand.judgement()?.look.reasons.find((r) => r.weight === 'bad');
    return bad ? `${bad.text} A pull that holds does not change that.` : (this.current()?.accept ?? '');
  });
  /** What the measured heights say about the tool's setting. */
  protected readonly advice = computed(() => {
    const number = this.current()?.code === 'height' ? this.current()?.number : null;
    const heights = this.hand
      .of('measure')
      .filter((e) => e.body.what === 'height')
      .map((e) => e.body.value);
    const step = this.hand.setUp()?.tool?.tool.heightStep ?? null;
    const many = heights.length === 1 ? 'One height' : `Mean of ${heights.length} heights`;
    const adjustment = number && adjustHeight(heights, number.range, step);
    return adjustment && `${many}: ${adjustment.text}`;
  });

  constructor() {
    void this.caliper.open();
    this.caliper.lengths.pipe(takeUntilDestroyed()).subscribe(({ millimetres, caliper }) => {
      this.keepNumber(millimetres, 'mm', String(millimetres), caliper);
    });
    // Go to the first open point once the journal is there.
    const start = effect(() => {
      const open = this.firstOpen(1);
      if (!this.criteria().length) return;
      start.destroy();
      const at = open ?? this.firstRejected();
      if (at) this.go(at.piece, at.point);
    });
    // The point in hand stays in sight above the buttons; where only a number answers, the cursor is in its field.
    effect(() => {
      this.piece();
      const criterion = this.current();
      const wantsNumber = criterion && isCaliperOnly(criterion) && this.states()[this.point()]?.toMeasure;
      setTimeout(() => {
        document.querySelector('#points .here')?.scrollIntoView({ block: 'nearest' });
        if (wantsNumber && this.taken()) document.getElementById('measured')?.focus();
      });
    });
    inject(Keys).use(
      [
        { key: '1', does: 'as drawn' },
        { key: '2', does: 'rework, where the fault can be reworked' },
        { key: '3', does: 'reject' },
        { key: '4', does: 'note: good, but something has moved' },
        { key: '1-9', does: 'then: which fault it is' },
        { key: 'A', does: 'the piece as drawn but for the points answered, where the house rules allow it' },
        { key: 'M', does: 'type the number of the point' },
        { key: 'P', does: 'add a photograph of the piece' },
        { key: 'N', does: 'write a note' },
        { key: '↑ ↓', does: 'point' },
        { key: '← →', does: 'piece' },
        { key: 'Enter', does: 'go on to Tug when all is looked at' },
      ],
      (key) => this.handle(key),
    );
  }

  private handle(key: string): boolean {
    if (this.asking()) return this.handleAsking(key);
    const answer = ANSWERS.find((a) => a.key === key);
    const points = this.criteria().length;
    const low = key.toLowerCase();
    if (answer) {
      if (this.current()?.findings.includes(answer.finding)) this.find(answer.finding);
      else {
        const can = ANSWERS.filter((a) => this.current()?.findings.includes(a.finding));
        this.refusal.set(
          `'${this.current()?.title}' cannot be '${answer.word.toLowerCase()}' here: ${can.map((a) => `${a.word.toLowerCase()} (${a.key})`).join(', ')}.`,
        );
      }
    } else if (key === 'ArrowDown') this.go(this.piece(), Math.min(points - 1, this.point() + 1));
    else if (key === 'ArrowUp') this.go(this.piece(), Math.max(0, this.point() - 1));
    else if (key === 'ArrowRight') this.go(Math.min(this.pieces().length, this.piece() + 1), this.point());
    else if (key === 'ArrowLeft') this.go(Math.max(1, this.piece() - 1), this.point());
    else if (low === 'm') document.getElementById('measured')?.focus();
    else if (low === 'p') this.photos()?.open();
    else if (low === 'a' && this.offersWhole()) this.allAsDrawn();
    else if (key === 'Enter' && this.done()) this.next();
    else return false;
    return true;
  }

  /** While a fault is being named, digits are faults. */
  private handleAsking(key: string): boolean {
    const fault = /^[1-9]$/.test(key) ? this.faults()[Number(key) - 1] : undefined;
    if (fault) this.name(fault.code);
    else if (key === 'Enter') this.name(null);
    else if (key === 'Escape') this.asking.set(null);
    else if (key.toLowerCase() === 'n') document.getElementById('look-note')?.focus();
    else return false;
    return true;
  }

  private isOpen(piece: number, point: number): boolean {
    const state = this.hand.judgement()?.look.points[piece - 1]?.[point];
    return state === undefined || state.finding === null || state.toMeasure;
  }

  private firstOpen(from: number): { piece: number; point: number } | null {
    const count = this.pieces().length;
    for (let i = 0; i < count; i++) {
      const piece = ((from - 1 + i) % count) + 1;
      const point = this.criteria().findIndex((_, p) => this.isOpen(piece, p));
      if (point >= 0) return { piece, point };
    }
    return null;
  }

  private firstRejected(): { piece: number; point: number } | null {
    const look = this.hand.judgement()?.look;
    const index = look?.pieces.indexOf('rejected') ?? -1;
    if (!look || index < 0) return null;
    return { piece: index + 1, point: look.points[index]?.findIndex((p) => p.finding === 'reject') ?? 0 };
  }

  protected go(piece: number, point: number): void {
    this.piece.set(piece);
    this.point.set(point);
    this.change.set(null);
    this.asking.set(null);
    this.setTyped('');
    (document.activeElement as HTMLElement | null)?.blur();
  }

  protected show(value: number, criterion: Criterion): string {
    return showPoint(value, criterion.number?.unit ?? 'mm');
  }

  protected told({ fault, note }: Found): string {
    const title = FAULTS.find((f) => f.code === fault)?.title.toLowerCase();
    const text = [title, note].filter(Boolean).join(', ');
    return text ? `: ${text}` : '';
  }

  protected find(finding: Finding): void {
    const criterion = this.current();
    if (!criterion || isCaliperOnly(criterion)) return;
    const standing = this.findings().get(`${this.piece()}/${criterion.code}`);
    if (standing?.body.finding === finding) return this.advance();
    if (finding === 'accept') this.put(this.finding(criterion, finding, null));
    else if (!this.taken())
      this.refusal.set('Take a tool first: the pieces have to be made before they are looked at.');
    else {
      this.refusal.set('');
      this.asking.set(finding);
    }
  }

  /** Keeps the finding that waits, with its fault; null: none of those that are drawn. */
  protected name(fault: string | null): void {
    const [criterion, finding] = [this.current(), this.asking()];
    if (criterion && finding) this.put(this.finding(criterion, finding, fault));
  }

  protected noted(event: Event): void {
    event.preventDefault();
    this.name(null);
  }

  protected allAsDrawn(): void {
    if (this.whole().has(this.piece())) return;
    this.put({ kind: 'finding', piece: this.piece(), criterion: AS_DRAWN, finding: 'accept', note: '' });
  }

  private finding(criterion: Criterion, finding: Finding, fault: string | null): Found {
    return {
      kind: 'finding',
      piece: this.piece(),
      criterion: criterion.code,
      finding,
      ...(fault === null ? {} : { fault }),
      note: this.note().trim(),
    };
  }

  /** An empty field left with Enter or an arrow gives the keys back to the points. */
  protected leaveMeasure(event: KeyboardEvent): void {
    const isEmpty = !this.typed().trim();
    if (event.key === 'Escape' || (isEmpty && /^Arrow(Up|Down)$/.test(event.key))) {
      event.preventDefault();
      (event.target as HTMLElement).blur();
      if (event.key !== 'Escape') this.handle(event.key);
    }
  }

  protected measured(event: Event): void {
    event.preventDefault();
    const number = this.current()?.number;
    if (!number) return;
    const text = this.typed().trim();
    if (!text) {
      document.getElementById('measured')?.blur();
      return;
    }
    const read = readPointNumber(text, number.unit);
    if (read.outcome === 'refused') this.refusal.set(read.text);
    else this.keepNumber(read.value, read.unit, text, null);
  }

  private keepNumber(value: number, unit: Measured['unit'], typed: string, from: string | null): void {
    const criterion = this.current();
    if (!criterion?.number) {
      if (from)
        this.refusal.set(`The caliper sent ${value} mm, but nothing is measured at '${criterion?.title ?? ''}'.`);
      return;
    }
    if (from && criterion.number.unit !== 'mm') {
      this.refusal.set(
        `The caliper sent ${value} mm, but '${criterion.title}' is measured in ${criterion.number.unit}.`,
      );
      return;
    }
    this.put({
      kind: 'measure',
      piece: this.piece(),
      what: criterion.code,
      value,
      typed,
      unit,
      note: '',
      ...(from === null ? {} : { from }),
    });
  }

  /** Keeps it, or asks why where something else is on record. */
  private put(body: Found | Measured): void {
    const standing =
      body.kind === 'finding'
        ? this.findings().get(`${body.piece}/${body.criterion}`)
        : this.measures().get(`${body.piece}/${body.what}`);
    if (standing) {
      const say = (b: Found | Measured) => (b.kind === 'finding' ? b.finding : showPoint(b.value, b.unit));
      this.change.set({ body, standing: say(standing.body), now: say(body), corrects: standing.id });
      this.asking.set(null);
      setTimeout(() => document.getElementById('why-finding')?.focus());
      return;
    }
    this.keep(body, null);
  }

  protected correct(event: Event, why: string): void {
    event.preventDefault();
    const wanted = this.change();
    if (wanted) this.keep(wanted.body, { corrects: wanted.corrects, why });
  }

  private keep(body: Found | Measured, correction: { corrects: string; why: string } | null): void {
    const refusal = this.hand.put(body, correction);
    this.refusal.set(refusal?.text ?? '');
    if (refusal) return;
    this.note.set('');
    this.setTyped('');
    this.change.set(null);
    this.asking.set(null);
    if (!correction) this.advance();
  }

  private setTyped(text: string): void {
    this.typed.set(text);
    const field = document.getElementById('measured');
    if (field instanceof HTMLInputElement) field.value = text;
  }

  private advance(): void {
    // A number asked for at this point is measured before the eye goes on.
    if (this.states()[this.point()]?.toMeasure) {
      document.getElementById('measured')?.focus();
      return;
    }
    const next = this.criteria().findIndex((_, p) => p > this.point() && this.isOpen(this.piece(), p));
    if (next >= 0) return this.go(this.piece(), next);
    const open = this.firstOpen(this.piece());
    if (open) this.go(open.piece, open.point);
    else (document.activeElement as HTMLElement | null)?.blur();
  }

  protected next(): void {
    void this.router.navigate(['/bench', this.hand.view()?.combination.id, 'tug']);
  }
}
