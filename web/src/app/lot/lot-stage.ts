import { ChangeDetectionStrategy, Component, computed, effect, inject, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import { fromNewtons, showNumber } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Hand } from '../hand/hand';
import { LotMeasure } from '../look/lot-measure';
import { Reasons } from '../parts/reasons';
import { GaugeBar } from '../tug/gauge/gauge-bar';
import { KeptTests } from '../tug/kept-tests';
import { PullAsk } from '../tug/pull/pull-ask';
import { lotPlace } from '../session/drafts';
import { PULL_ENTRY, PullEntry } from '../tug/pull/pull-entry';
import { PullField } from '../tug/pull/pull-field';
import { PullStore } from '../tug/pull/pull-store';
import { PullsInHand } from '../tug/pull/pulls-in-hand';
import { PullsWaiting } from '../tug/pull/pulls-waiting';
import { targetName } from '../tug/pull/target-name';
import { AnotherPiece } from './another-piece';
import { Disposition } from './disposition';
import { LotCard } from './lot-card';
import { LotChangeForm } from './lot-change';
import { LotChecks } from './lot-checks';
import { LotOpen } from './lot-open';
import { LotSide } from './lot-side';
import { LotWork, type LotPanel } from './lot-work';
import { NotAsDrawn } from './not-as-drawn';
import { PullsFromFile } from './pulls-from-file';
import { Notice } from '../parts/notice';
import { injectForceDecimals } from '../settings/force-decimals';

const PAPERS = [
  { end: 'pdf', name: 'Certificate as PDF' },
  { end: 'json', name: 'as JSON' },
  { end: 'csv', name: 'as CSV' },
] as const;

/** Keys that open a panel, and the field the cursor goes to then. */
const PANELS: Readonly<Record<string, { readonly panel: LotPanel; readonly field: string }>> = {
  x: { panel: 'differs', field: 'differs' },
  k: { panel: 'measure', field: 'lot-measured' },
  c: { panel: 'another', field: 'check-piece' },
  h: { panel: 'change', field: 'change-what' },
  d: { panel: 'decide', field: 'disposition-note' },
  w: { panel: 'kept', field: 'kept-piece' },
};

/** The lot while it is made: one card with the task in hand; what is made at its left, what was found at its right. */
@Component({
  selector: 'tm-lot-stage',
  imports: [
    ...[Notice, NzButtonModule],
    ...[RouterLink, AnotherPiece, Disposition, GaugeBar, LotCard, LotChangeForm, LotChecks, LotMeasure, LotOpen],
    ...[KeptTests, LotSide, NotAsDrawn, PullAsk, PullField, PullsFromFile, PullsWaiting, Reasons],
  ],
  providers: [LotWork, PULL_ENTRY],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '[class.running]': 'work.isRunning()', '(keydown.escape)': 'leavePanel($event)' },
  templateUrl: './lot-stage.html',
  styleUrl: './lot-stage.less',
})
export class LotStage {
  private readonly decimals = injectForceDecimals();
  protected readonly hand = inject(Hand);
  protected readonly entry = inject(PullStore);
  private readonly inHand = inject(PullsInHand);
  protected readonly work = inject(LotWork);
  protected readonly papers = PAPERS;
  private readonly side = viewChild<LotSide>('side');
  protected readonly released = computed(() => this.hand.judgement()?.release.state ?? 'none');

  protected readonly headline = computed(() => {
    const correcting = this.work.correcting();
    if (correcting) return `Correct piece ${correcting.piece}.`;
    return this.work.task()?.headline ?? (this.released() === 'released' ? 'Open a lot' : 'No lot yet');
  });
  protected readonly why = computed(
    () =>
      this.work.task()?.why ??
      (this.released() === 'released'
        ? 'Quantity and check plan are fixed with it; both can be corrected with a reason.'
        : 'A lot is made with a released set-up.'),
  );
  /** What is open instead of the task; empty while the task is. */
  protected readonly panelTitle = computed(() => {
    const piece = this.work.piece();
    switch (this.work.panel()) {
      case 'change':
        return 'Something was changed';
      case 'decide':
        return this.work.suspects().length ? 'What becomes of the pieces held back?' : '';
      case 'plan':
        return 'Quantity and plan';
      case 'another':
        return 'Check another piece';
      case 'file':
        return 'Pulls from a file';
      case 'kept':
        return 'What leaves a piece whole';
      case 'differs':
        return piece === null || this.work.step() !== 'look' ? '' : `Piece ${piece} is not as drawn`;
      case 'measure':
        return piece === null || this.work.isPulled() ? '' : `Measure piece ${piece}`;
      case 'none':
        return '';
    }
  });
  protected readonly shown = computed(() => {
    const limit = this.work.limit();
    const unit = this.entry.unit();
    return (newtons: number | null) =>
      newtons === null
        ? ''
        : showNumber(
            fromNewtons(newtons, unit),
            this.decimals(),
            limit === null ? undefined : fromNewtons(limit, unit),
          );
  });

  constructor() {
    inject(PullEntry).serve(
      {
        place: computed(() => {
          const id = this.hand.view()?.combination.id;
          return id === undefined ? null : lotPlace(id);
        }),
        target: computed(() => {
          const setUp = this.hand.setUp();
          return setUp ? targetName({ piece: this.work.piece() ?? 0, wire: this.work.wire() }, setUp) : '';
        }),
        isUnseen: computed(() => {
          const lot = this.work.head()?.lot;
          return lot !== undefined && !this.hand.ofLot(lot, 'finding').some((e) => e.body.piece === this.work.piece());
        }),
        kept: this.hand.pulls,
        limit: this.work.limit,
        ends: this.work.ends,
        breaks: this.work.breaks,
        lowest: computed(() => this.work.lot()?.group.summary?.min ?? null),
        context: computed(() => {
          const pull = this.work.pulls()[this.work.wire() - 1];
          return {
            breaks: this.work.breaks(),
            strands: pull?.wires[0]?.wire.conductor.strands ?? 1,
            loadingRate: pull?.limit.limit?.table.loadingRate ?? null,
            speed: pull?.limit.limit?.table.speed ?? null,
          };
        }),
        isOpen: computed(() => this.work.isRunning() && this.work.step() === 'tug' && !this.panelTitle()),
        keep: (force, why, curve) => this.work.keep(force, why, curve),
      },
      {
        help: [
          { key: 'A', does: 'piece is as drawn' },
          { key: 'X', does: 'piece is not as drawn' },
          { key: 'K', does: 'type a number of the piece' },
          { key: 'M', does: 'count what is made' },
          { key: '+', does: 'one more is made' },
          { key: 'C', does: 'check another piece' },
          { key: 'H', does: 'something was changed or put right' },
          { key: 'P', does: 'pause or resume' },
          { key: 'W', does: 'holds, cavities, pairs' },
          { key: 'D', does: 'decide about pieces held back' },
          { key: 'G', does: 'choose the gauge' },
          { key: 'F', does: 'finish the lot' },
        ],
        handle: (key) => this.handle(key),
      },
    );
    effect(() => {
      if (this.work.step() === 'tug') this.inHand.takeNext();
    });
  }

  private handle(key: string): boolean {
    if (!this.work.isRunning()) return false;
    const low = key.toLowerCase();
    const panel = PANELS[low];
    if (panel) {
      if (this.work.panel() !== panel.panel) this.work.open(panel.panel);
      focus(panel.field);
    } else if (low === 'a') this.work.asDrawn();
    else if (low === 'm') this.side()?.type();
    else if (low === 'p') this.work.pause();
    else if (low === 'g') focus('station-gauge');
    else if (low === 'f') this.work.finish();
    else if (key === '+') this.work.count((this.work.head()?.made ?? 0) + 1);
    else if (key === 'Escape' && this.panelTitle()) this.work.open('none');
    else return false;
    return true;
  }

  /** Escape in a panel's field leads back too; an open list closes first. */
  protected leavePanel(event: Event): void {
    const isListOpen = event.target instanceof Element && event.target.closest('.ant-select-open');
    if (!this.panelTitle() || isListOpen || event.defaultPrevented) return;
    event.preventDefault();
    this.work.open('none');
  }

  protected correct(piece: number): void {
    if (!this.work.correct(piece)) return;
    this.entry.correct();
  }

  protected leaveCorrection(): void {
    this.work.leaveCorrection();
    this.entry.leaveCorrection();
  }
}

function focus(id: string): void {
  setTimeout(() => document.getElementById(id)?.focus());
}
