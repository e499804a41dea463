import { CdkDrag, type CdkDragMove } from '@angular/cdk/drag-drop';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChildren,
} from '@angular/core';
import type { Move } from '@tug-mark/core';
import { dropBefore, type Board, type BoardJob, type BoardLine } from './board.layout';

/**
 * A day of the plan: each bench a line, each job as long as it takes, changes and samples hatched at its left end, releases on
 * quality's line. A job is dragged, or taken in hand with M and moved with the arrow keys; what that comes to is asked for before it
 * is dropped.
 */
@Component({
  selector: 'tm-plan-board',
  imports: [CdkDrag],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="board" [class.held]="held() !== null">
      <div class="hours" aria-hidden="true">
        @for (hour of board().hours; track hour.x) {
          <span [style.left.%]="100 * hour.x">{{ hour.text }}</span>
        }
      </div>
      @for (line of board().lines; track line.id) {
        <section class="line" [attr.aria-label]="line.label">
          <div class="name">
            <strong>{{ line.label }}</strong>
            <span>{{ line.under }}</span>
          </div>
          <div class="track" #track [attr.data-bench]="line.id">
            @for (hour of board().hours; track hour.x) {
              <i class="hour" [style.left.%]="100 * hour.x"></i>
            }
            <i class="rail"></i>
            @if (line.first) {
              <span class="first">{{ line.first }}</span>
            }
            @for (done of line.done; track $index) {
              <i class="done" [style.left.%]="100 * done.x" [style.width.%]="100 * done.width" [title]="done.text"></i>
            }
            @for (job of line.jobs; track job.placed.job) {
              <button
                #job
                type="button"
                class="job"
                cdkDrag
                [cdkDragDisabled]="!mayMove()"
                [cdkDragFreeDragPosition]="{ x: 0, y: 0 }"
                [style.left.%]="100 * job.x"
                [style.width.%]="100 * job.width"
                [class.chosen]="chosen() === job.placed.job"
                [class.late]="job.isLate"
                [class.fixed]="job.isFixed"
                [class.in-hand]="held() === job.placed.job"
                [attr.aria-pressed]="chosen() === job.placed.job"
                [attr.aria-label]="job.told"
                [attr.data-job]="job.placed.job"
                [tabindex]="chosen() === job.placed.job || (chosen() === null && isFirst(job)) ? 0 : -1"
                [title]="job.told"
                (click)="choose.emit(job.placed.job)"
                (keydown)="key($event, line, job)"
                (cdkDragStarted)="take(job)"
                (cdkDragMoved)="drag($event)"
                (cdkDragEnded)="$event.source.reset(); release()"
              >
                @if (job.ready > 0) {
                  <i class="ready" [style.width.%]="100 * job.ready"></i>
                }
                <span>{{ job.label }}</span>
              </button>
            }
            @if (mark(); as at) {
              @if (at.bench === line.id) {
                <i class="mark" [style.left.%]="100 * at.x"></i>
              }
            }
          </div>
        </section>
      }
      <section class="line quality" aria-label="Quality">
        <div class="name"><strong>Quality</strong><span>releases of set-ups</span></div>
        <div class="track">
          @for (hour of board().hours; track hour.x) {
            <i class="hour" [style.left.%]="100 * hour.x"></i>
          }
          <i class="rail"></i>
          @for (release of board().quality; track $index) {
            <span
              class="dot"
              role="img"
              [style.left.%]="100 * release.x"
              [attr.aria-label]="release.text + ', ' + release.by"
              [title]="release.text + ', ' + release.by"
            ></span>
          }
        </div>
      </section>
      @if (board().now !== null) {
        <div class="now-line" aria-hidden="true">
          <i [style.left.%]="100 * (board().now ?? 0)"><span>now</span></i>
        </div>
      }
    </div>
  `,
  styleUrl: './plan-board.less',
})
export class PlanBoard {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly board = input.required<Board>();
  readonly chosen = input<string | null>(null);
  readonly mayMove = input(false);
  readonly choose = output<string>();
  /** Where a job in hand would be put: asked again and again while it moves. */
  readonly weigh = output<Move>();
  readonly put = output();
  readonly letGo = output();
  protected readonly held = signal<string | null>(null);
  private readonly target = signal<Move | null>(null);
  private readonly tracks = viewChildren<ElementRef<HTMLElement>>('track');
  /** Where it would go in: the left edge of what it comes before, or the end of the line. */
  protected readonly mark = computed(() => {
    const to = this.target();
    if (!to) return null;
    const line = this.board().lines.find(({ id }) => id === to.bench);
    const next = line?.jobs.find(({ placed }) => placed.job === to.before);
    const last = line?.jobs.at(-1);
    return { bench: to.bench, x: next?.x ?? (last ? last.x + last.width : 0) };
  });

  protected isFirst(job: BoardJob): boolean {
    const first = this.board().lines.find(({ jobs }) => jobs.length)?.jobs[0];
    return first === job;
  }

  protected take(job: BoardJob): void {
    this.held.set(job.placed.job);
    this.choose.emit(job.placed.job);
  }

  protected drag({ pointerPosition }: CdkDragMove): void {
    const job = this.held();
    const track = this.tracks().find(({ nativeElement }) => {
      const { top, bottom } = nativeElement.getBoundingClientRect();
      return pointerPosition.y >= top - 20 && pointerPosition.y <= bottom + 20;
    })?.nativeElement;
    const line = this.board().lines.find(({ id }) => id === track?.dataset['bench']);
    if (job === null || !track || !line) return;
    const { left, width } = track.getBoundingClientRect();
    this.aim({ job, bench: line.id, before: dropBefore(line, (pointerPosition.x - left) / width, job) });
  }

  private aim(move: Move): void {
    const old = this.target();
    if (old?.bench === move.bench && old.before === move.before && old.job === move.job) return;
    this.target.set(move);
    this.weigh.emit(move);
  }

  protected release(): void {
    if (this.held() === null) return;
    const isAimed = this.target() !== null;
    this.held.set(null);
    this.target.set(null);
    if (isAimed) this.put.emit();
    else this.letGo.emit();
  }

  private cancel(): void {
    this.held.set(null);
    this.target.set(null);
    this.letGo.emit();
  }

  protected key(event: KeyboardEvent, line: BoardLine, job: BoardJob): void {
    const { key } = event;
    const isHeld = this.held() === job.placed.job;
    const { lines } = this.board();
    const way = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[key] as
      [number, number] | undefined;
    if (way) {
      event.preventDefault();
      event.stopPropagation();
      if (isHeld) this.step(job, way);
      else this.go(lines, line, job, way);
      return;
    }
    if (key.toLowerCase() === 'm' && this.mayMove()) {
      event.preventDefault();
      event.stopPropagation();
      if (isHeld) this.cancel();
      else this.take(job);
    } else if (isHeld && (key === 'Enter' || key === ' ')) {
      event.preventDefault();
      event.stopPropagation();
      this.release();
    } else if (isHeld && key === 'Escape') {
      event.stopPropagation();
      this.cancel();
    }
  }

  /** From job to job: along a line, or to what lies nearest on the next one. */
  private go(lines: readonly BoardLine[], line: BoardLine, job: BoardJob, [down, right]: [number, number]): void {
    const next = right
      ? line.jobs[line.jobs.indexOf(job) + right]
      : lines
          .slice(...((down > 0 ? [lines.indexOf(line) + 1] : [0, lines.indexOf(line)]) as [number, number?]))
          .filter(({ jobs }) => jobs.length)
          .at(down > 0 ? 0 : -1)
          ?.jobs.reduce((best, one) => (Math.abs(one.x - job.x) < Math.abs(best.x - job.x) ? one : best));
    if (!next) return;
    this.choose.emit(next.placed.job);
    this.host.nativeElement.querySelector<HTMLElement>(`[data-job="${CSS.escape(next.placed.job)}"]`)?.focus();
  }

  /** A job in hand, one place on: before the one before it, behind the next, or to another bench at about the same time. */
  private step(job: BoardJob, [down, right]: [number, number]): void {
    const { lines } = this.board();
    const own = lines.findIndex(({ jobs }) => jobs.includes(job));
    const to = this.target() ?? {
      ...{ job: job.placed.job, bench: lines[own]?.id ?? '' },
      before: this.after(lines[own], job.placed.job),
    };
    const at = lines.findIndex(({ id }) => id === to.bench);
    if (down) {
      const line = lines[at + down];
      if (line) this.aim({ job: to.job, bench: line.id, before: dropBefore(line, job.x, to.job) });
      return;
    }
    const others = (lines[at]?.jobs ?? [])
      .filter(({ placed }) => placed.job !== to.job)
      .map(({ placed }) => placed.job);
    const place = to.before === null ? others.length : others.indexOf(to.before);
    const next = Math.max(0, Math.min(others.length, place + right));
    this.aim({ ...to, before: others[next] ?? null });
  }

  private after(line: BoardLine | undefined, job: string): string | null {
    const at = line?.jobs.findIndex(({ placed }) => placed.job === job) ?? -1;
    return line?.jobs[at + 1]?.placed.job ?? null;
  }
}
