import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { RouterLink } from '@angular/router';
import { PAPERS, type Paper } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import type { Problem } from '@tug-mark/contract';
import { ProblemNotice } from '../parts/problem-notice';

/** The set-up sheet as it is printed: the server's own pages, on A4 or letter, to print or to take away as PDF or SVG. */
@Component({
  selector: 'tm-sheet-page',
  imports: [RouterLink, NzButtonModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head not-printed">
        <h1>Set-up sheet</h1>
        <p class="acts">
          @for (option of papers; track option) {
            <button
              nz-button
              type="button"
              [class.on]="option === paper()"
              [attr.aria-pressed]="option === paper()"
              (click)="paper.set(option)"
            >
              {{ option }}
            </button>
          }
          <button nz-button nzType="primary" class="bench-button" type="button" (click)="print()">
            Print at 100 %
          </button>
          <a [href]="address('pdf')" download>PDF</a>
          <a [href]="address('svg')" download>SVG</a>
          <a [routerLink]="['/bench', id()]">Back to the bench</a>
        </p>
      </div>
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      @for (page of pages(); track $index) {
        <div
          class="sheet {{ paper() }}"
          role="img"
          [attr.aria-label]="'Set-up sheet, page ' + ($index + 1) + '. The same is told, stage by stage, at the bench.'"
          [innerHTML]="page"
        ></div>
      } @empty {
        <p class="soft" role="status">Drawing the sheet ...</p>
      }
    </div>
  `,
  styles: `
    .acts {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 12px;
    }
    .on.ant-btn {
      background: var(--petrol);
      color: var(--on-petrol);
    }
    .sheet {
      background: #fff;
      border: 1px solid var(--line);
      display: block;
      margin: 0 auto 20px;
      max-width: 100%;
      overflow-x: auto;
      width: fit-content;
    }
    @media print {
      .sheet {
        border: 0;
        break-after: page;
        margin: 0;
        max-width: none;
        overflow: visible;
      }
      .sheet:last-of-type {
        break-after: auto;
      }
    }
  `,
})
export class SheetPage {
  private readonly api = inject(Api);
  private readonly sanitizer = inject(DomSanitizer);
  readonly id = input.required<string>();
  protected readonly papers = PAPERS;
  protected readonly paper = signal<Paper>('A4');
  protected readonly problem = signal<Problem | null>(null);
  private readonly svgs = signal<readonly string[]>([]);
  protected readonly pages = computed(() =>
    this.svgs().map((svg) =>
      // Made by the server from escaped text alone; the sanitizer would strip the drawing.
      this.sanitizer.bypassSecurityTrustHtml(svg),
    ),
  );

  constructor() {
    effect(() => {
      const [id, paper] = [this.id(), this.paper()];
      void this.api.sheetPages(id, paper).then(
        (svgs) => {
          this.svgs.set(svgs);
          this.problem.set(null);
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  protected address(kind: 'pdf' | 'svg'): string {
    return `/api/combinations/${this.id()}/sheet.${kind}?paper=${this.paper()}`;
  }
  protected print(): void {
    window.print();
  }
}
