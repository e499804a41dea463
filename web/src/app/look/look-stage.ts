import { ChangeDetectionStrategy, Component, effect, inject, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { isCaliperOnly } from '@tug-mark/core';
import { Hand } from '../hand/hand';
import { Mark } from '../parts/mark';
import { Keys } from '../shell/keys';
import { CaliperBar } from './caliper-bar';
import { LookAnswer } from './look-answer';
import { LookPoints } from './look-points';
import { LookWork } from './look-work';
import { PiecePhotos } from './piece-photos';
import { PointExamples } from './point-examples';
import { StationCaliper } from './station-caliper';
import { Notice } from '../parts/notice';

const PIECE_STATE = { accepted: 'pass', rework: 'hold', rejected: 'fail', open: 'missing' } as const;

/** Is the finished crimp right to eye and caliper? Piece by piece, point by point, by keys. */
@Component({
  selector: 'tm-look-stage',
  imports: [Notice, RouterLink, CaliperBar, LookAnswer, LookPoints, Mark, PiecePhotos, PointExamples],
  providers: [LookWork],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './look-stage.html',
  styleUrls: ['../parts/stage.less', './look-stage.less'],
})
export class LookStage {
  protected readonly hand = inject(Hand);
  protected readonly work = inject(LookWork);
  protected readonly pieceState = PIECE_STATE;
  private readonly photos = viewChild(PiecePhotos);
  private readonly answer = viewChild(LookAnswer);

  constructor() {
    const { work } = this;
    const caliper = inject(StationCaliper);
    void caliper.open();
    caliper.lengths.pipe(takeUntilDestroyed()).subscribe((sent) => {
      work.sent(sent.millimetres, sent.caliper);
    });
    // Go to the first open point once the journal is there.
    const start = effect(() => {
      if (!work.criteria().length) return;
      start.destroy();
      work.begin();
    });
    // The point in hand stays in sight above the buttons; where only a number answers, the cursor is in its field.
    effect(() => {
      work.piece();
      const criterion = work.current();
      const wantsNumber = criterion && isCaliperOnly(criterion) && work.states()[work.point()]?.toMeasure;
      setTimeout(() => {
        document.querySelector('#points .here')?.scrollIntoView({ block: 'nearest' });
        if (wantsNumber && work.taken()) document.getElementById('measured')?.focus();
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
    const { work } = this;
    const answer = this.answer();
    if (answer?.handle(key)) return true;
    if (work.asking()) return false;
    const last = work.look().pieces.length;
    if (key === 'ArrowDown') answer?.step(1);
    else if (key === 'ArrowUp') answer?.step(-1);
    else if (key === 'ArrowRight') work.go(Math.min(last, work.piece() + 1), work.point());
    else if (key === 'ArrowLeft') work.go(Math.max(1, work.piece() - 1), work.point());
    else if (key.toLowerCase() === 'p') this.photos()?.open();
    else return false;
    return true;
  }
}
