import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { capital, judgeReading, pullLimit, pullName } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Hand } from '../hand/hand';
import type { PackedCurve } from '../outbox/outbox.state';
import { AfterFailure } from '../parts/after-failure';
import { Mark } from '../parts/mark';
import { TugLine } from '../parts/tug-line';
import type { TugFlag } from '../parts/tug-line.layout';
import { GaugeBar } from './gauge/gauge-bar';
import { groupNumbers } from './group-numbers';
import { KeptTests } from './kept-tests';
import { PullAsk } from './pull/pull-ask';
import { PULL_ENTRY, PullEntry } from './pull/pull-entry';
import { PullField } from './pull/pull-field';
import type { PulledForce } from './pull/pull-host';
import { PullStore } from './pull/pull-store';
import { PullsInHand } from './pull/pulls-in-hand';
import { PullsWaiting } from './pull/pulls-waiting';
import { pulledEnds, targetName } from './pull/target-name';
import { TugReadings, type TugReading, type TugRuling } from './tug-readings';
import { Notice } from '../parts/notice';
import { injectForceDecimals } from '../settings/force-decimals';

/** A reading being corrected; the next one kept corrects it. */
interface Correcting {
  readonly id: string;
  readonly piece: number;
  readonly wire: number;
}

/** Does it hold? The set-up's samples, pulled and judged one by one, each wire by its own limit. */
@Component({
  selector: 'tm-tug-stage',
  imports: [
    Notice,
    RouterLink,
    NzButtonModule,
    TugLine,
    Mark,
    GaugeBar,
    AfterFailure,
    KeptTests,
    PullAsk,
    PullField,
    PullsWaiting,
    TugReadings,
  ],
  providers: [PULL_ENTRY],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './tug-stage.html',
  styleUrls: ['../parts/stage.less', '../parts/pulls.less', './tug-stage.less'],
})
export class TugStage {
  private readonly decimals = injectForceDecimals();
  protected readonly hand = inject(Hand);
  protected readonly entry = inject(PullStore);
  private readonly inHand = inject(PullsInHand);
  protected readonly correcting = signal<Correcting | null>(null);

  protected readonly setUp = this.hand.setUp;
  protected readonly taken = computed(() => this.hand.of('tool').length > 0);
  /** Pulls before everything is as set up were wanted by a person. */
  protected readonly anyway = signal(false);
  /** What is open before the first pull; empty once there is one. */
  protected readonly before = computed(() => {
    if (this.anyway() || this.readings().length) return [];
    return (this.hand.judgement()?.stages ?? []).flatMap(({ stage, state, answer, reasons }) =>
      state === 'pass' || stage === 'look' || stage === 'tug'
        ? []
        : [
            {
              ...{ stage, state, name: capital(stage) },
              text: reasons.find((r) => r.weight === 'bad' || r.weight === 'hold')?.text ?? answer,
            },
          ],
    );
  });
  protected readonly pulls = computed(() => this.setUp()?.pulls ?? []);
  protected readonly wanted = computed(() => this.hand.view()?.practice.setUpPieces ?? 0);

  /** Readings in force with their verdict, by piece and wire. */
  protected readonly readings = computed<readonly TugReading[]>(() => {
    const setUp = this.setUp();
    const standing = (setUp?.wires ?? []).map((own) => own.standing);
    const unsent = this.hand.unsent();
    const rulings = this.hand.of('ruling');
    return this.hand
      .of('reading')
      .map((entry) => {
        const { piece, wire = 1, force, mode, failedEnd } = entry.body;
        const pull = setUp?.pulls[wire - 1];
        const limit = (pull && pullLimit(pull, standing, failedEnd))?.limit?.force ?? null;
        return {
          entry,
          piece,
          wire,
          limit,
          verdict: judgeReading(force, limit, mode),
          ruling: rulings.find((r) => r.body.piece === piece && (r.body.wire ?? 1) === wire),
          unsent: unsent.has(entry.id),
        };
      })
      .sort((a, b) => a.piece - b.piece || a.wire - b.wire);
  });

  /** The next piece and wire without a reading; an invalid one is replaced by a further piece. */
  protected readonly target = computed<{ piece: number; wire: number }>(() => {
    const correcting = this.correcting();
    if (correcting) return correcting;
    const last = this.readings().at(-1);
    if (!last) return { piece: 1, wire: 1 };
    return last.wire < this.pulls().length
      ? { piece: last.piece, wire: last.wire + 1 }
      : { piece: last.piece + 1, wire: 1 };
  });
  protected readonly own = computed(() => this.pulls()[this.target().wire - 1] ?? null);
  protected readonly limit = computed(() => this.own()?.limit.limit?.force ?? null);
  protected readonly standing = computed(() => this.own()?.standing.limit?.force ?? this.limit());
  protected readonly breaks = computed(() => this.own()?.breaks ?? 0);
  /** Of a splice whose ends differ, the limit of the stronger one beside that of the weaker. */
  protected readonly further = computed(() => {
    const lowest = this.standing();
    return (this.entry.ends() ?? []).flatMap(({ end, limit }) =>
      limit !== null && lowest !== null && limit > lowest ? [{ name: `end ${end}`, limit }] : [],
    );
  });
  protected readonly group = computed(() => this.hand.judgement()?.groups[this.target().wire - 1] ?? null);
  private readonly counts = computed(() => (this.hand.judgement()?.groups ?? []).map((g) => g.summary?.n ?? 0));
  protected readonly enough = computed(
    () => this.counts().length > 0 && this.counts().every((count) => count >= this.wanted()),
  );

  protected readonly flags = computed<TugFlag[]>(() => {
    const { wire } = this.target();
    const correcting = this.correcting()?.piece;
    const pending = this.entry.pending();
    const flags: TugFlag[] = this.readings()
      .filter((r) => r.wire === wire && (r.piece !== correcting || !pending))
      .map((r) => ({ piece: r.piece, force: r.entry.body.force, verdict: r.verdict.verdict, current: false }));
    const verdict = this.entry.verdict();
    if (pending && verdict) {
      flags.push({ piece: this.target().piece, force: pending.newtons, verdict: verdict.verdict, current: true });
    }
    return flags;
  });

  protected readonly headline = computed(() => {
    const open = this.before().length;
    if (open) return `No pull yet: ${open === 1 ? 'one stage before it is' : `${open} stages before it are`} open.`;
    const { piece } = this.target();
    const [own, setUp] = [this.own(), this.setUp()];
    const wire = own && setUp && this.pulls().length > 1 ? `, ${pullName(own, setUp)}` : '';
    if (this.correcting()) return `Correct piece ${piece}${wire}`;
    if (this.enough() && !this.entry.pending()) return `${Math.min(...this.counts())} of ${this.wanted()} pulled`;
    return piece > this.wanted() ? `Piece ${piece}, a replacement${wire}` : `Piece ${piece} of ${this.wanted()}${wire}`;
  });
  protected readonly how = computed(() => {
    const speed = this.setUp()?.limit.limit?.table.speed;
    const grip = this.setUp()?.pulledWith ?? '';
    const each = this.setUp()?.other
      ? 'Pulled as one piece, wire against wire: the weaker end decides, by its own limit. '
      : this.pulls().length > 1
        ? 'Each wire by itself, against its own limit. '
        : '';
    return `${each}${grip ? `${grip} ` : ''}${speed ? `${speed.min}–${speed.max} mm/min, straight` : 'Straight'} pull, eyes covered: wire ends whip.`;
  });

  protected readonly summary = computed(() => {
    const group = this.group();
    const limit = this.standing();
    return group && limit !== null ? groupNumbers(group, limit, this.entry.unit(), this.decimals()) : null;
  });

  constructor() {
    inject(PullEntry).serve({
      place: computed(() => this.hand.view()?.combination.id ?? null),
      target: computed(() => {
        const setUp = this.setUp();
        return setUp ? targetName(this.target(), setUp) : '';
      }),
      limit: this.limit,
      ends: computed(() => {
        const setUp = this.setUp();
        const limits = (setUp?.wires ?? []).map((own) => own.limit.limit?.force ?? null);
        return setUp ? pulledEnds(setUp, this.target().wire, limits) : null;
      }),
      breaks: this.breaks,
      lowest: computed(() => this.group()?.summary?.min ?? null),
      context: computed(() => ({
        breaks: this.breaks(),
        strands: this.own()?.wires[0]?.wire.conductor.strands ?? 1,
        loadingRate: this.own()?.limit.limit?.table.loadingRate ?? null,
        speed: this.own()?.limit.limit?.table.speed ?? null,
      })),
      isOpen: computed(() => this.hand.view() !== null && !this.before().length),
      isUnseen: computed(() => !this.hand.of('finding').some((e) => e.body.piece === this.target().piece)),
      kept: this.hand.pulls,
      keep: (force, why, curve) => this.keep(force, why, curve),
    });
    effect(() => {
      if (this.hand.view()) this.inHand.takeNext();
    });
  }

  private keep(force: PulledForce, why: string, curve: PackedCurve | null) {
    const { piece, wire } = this.target();
    const correcting = this.correcting();
    const refusal = this.hand.put(
      { kind: 'reading', piece, ...(wire > 1 && { wire }), ...force },
      correcting && { corrects: correcting.id, why },
      curve ? { curve } : {},
    );
    if (!refusal) this.correcting.set(null);
    return refusal;
  }

  protected correct({ entry, piece, wire }: TugReading): void {
    this.entry.correct();
    this.correcting.set({ id: entry.id, piece, wire });
  }

  protected leave(): void {
    this.correcting.set(null);
    this.entry.leaveCorrection();
  }

  protected rule({ reading: { piece, wire }, ruling, note }: TugRuling): void {
    const refusal = this.hand.put({ kind: 'ruling', piece, ...(wire > 1 && { wire }), ruling, note });
    this.entry.set({ message: refusal?.text ?? '' });
  }
}
