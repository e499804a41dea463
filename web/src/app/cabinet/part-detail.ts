import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import type { PartRevision, Problem } from '@tug-mark/contract';
import {
  compareParts,
  missingResults,
  qrPath,
  selectorHoles,
  type CatalogueKind,
  type CatalogueParts,
  type Terminal,
  type Tool,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { ProblemNotice } from '../parts/problem-notice';
import { showTime } from '../parts/show-time';
import { Select } from '../parts/select';
import { Notice } from '../parts/notice';

type AnyPart = CatalogueParts[CatalogueKind];

/** One part: its fields, beside another part or an earlier revision of itself, its revisions and its label. */
@Component({
  selector: 'tm-part-detail',
  imports: [Notice, NzTableModule, Select, NzButtonModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-labelledby="part-name">
      <div class="head">
        <div>
          <h2 id="part-name">{{ part().part }}</h2>
          <p>{{ part().label }}</p>
          <p class="soft">
            @if (revisions()[0]; as newest) {
              revision {{ newest.revision }}, {{ time(newest.at) }} by {{ newest.by }}
            }
          </p>
          <p class="acts">
            @if (mayEdit()) {
              <button nz-button nzType="primary" type="button" (click)="edit.emit()">Change it</button>
            }
            <button nz-button type="button" (click)="print()">Print its label</button>
            <button nz-button class="quiet" type="button" (click)="closed.emit()">close</button>
          </p>
        </div>
        <svg viewBox="0 0 25 25" role="img" [attr.aria-label]="'QR code of ' + part().part">
          <rect width="25" height="25" fill="#fff" />
          <path [attr.d]="qr()" fill="#16242a" />
        </svg>
      </div>
      @for (line of missing(); track line) {
        <tm-notice>{{ line }}</tm-notice>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="field">
        <label for="beside">Beside it</label>
        <tm-select
          selectId="beside"
          [options]="besides()"
          [value]="beside()"
          (valueChange)="beside.set($event ?? '')"
        />
      </div>
      <div class="scroll" tabindex="0" role="group" aria-label="Fields">
        <nz-table nzTemplateMode nzSize="small" [nzShowPagination]="false">
          @if (other(); as second) {
            <thead>
              <tr>
                <th scope="col">{{ differing() === 1 ? 'one field differs' : differing() + ' fields differ' }}</th>
                <th scope="col">{{ part().part }}</th>
                <th scope="col">{{ second.name }}</th>
              </tr>
            </thead>
          }
          <tbody>
            @for (field of fields(); track field.title) {
              <tr [class.changed]="other() && field.differs">
                <th scope="row">{{ field.title }}</th>
                <td>{{ field.a || '–' }} {{ field.a && field.unit }}</td>
                @if (other()) {
                  <td>{{ field.b || '–' }} {{ field.b && field.unit }}</td>
                }
              </tr>
            }
          </tbody>
        </nz-table>
      </div>
    </section>
  `,
  styleUrl: '../parts/compare.less',
  styles: `
    section {
      background: var(--sheet);
      border: 1px solid var(--line);
      display: grid;
      gap: 10px;
      padding: 14px 16px;
    }
    .head {
      display: flex;
      gap: 14px;
      justify-content: space-between;
    }
    svg {
      flex: none;
      height: 96px;
      width: 96px;
    }
    .acts {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
      margin-top: 8px;
    }
    .scroll {
      max-height: calc(100vh - 520px);
      min-height: 220px;
      overflow-y: auto;
    }
    tbody th {
      color: var(--ink-soft);
      white-space: nowrap;
    }
  `,
})
export class PartDetail {
  private readonly api = inject(Api);
  readonly kind = input.required<CatalogueKind>();
  readonly part = input.required<AnyPart>();
  readonly others = input.required<readonly AnyPart[]>();
  readonly mayEdit = input(false);
  readonly edit = output();
  readonly closed = output();
  protected readonly time = showTime;
  protected readonly revisions = signal<readonly PartRevision[]>([]);
  /** What the part can be put beside. */
  protected readonly besides = computed(() => [
    { value: '', label: 'nothing' },
    ...this.revisions()
      .slice(1)
      .map(({ revision, by }) => ({ value: `r${revision}`, label: `its revision ${revision}, by ${by}` })),
    ...this.others()
      .filter(({ part }) => part !== this.part().part)
      .map(({ part, label }) => ({ value: `p${part}`, label: `${part} ${label}` })),
  ]);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly beside = signal('');
  protected readonly other = computed<{ name: string; part: AnyPart } | null>(() => {
    const key = this.beside();
    if (key.startsWith('r')) {
      const old = this.revisions().find((r) => r.revision === Number(key.slice(1)));
      return old ? { name: `revision ${old.revision}`, part: old.body as AnyPart } : null;
    }
    const found = this.others().find((p) => `p${p.part}` === key);
    return found ? { name: found.part, part: found } : null;
  });
  protected readonly fields = computed(() =>
    compareParts(this.kind(), this.part() as never, (this.other()?.part ?? this.part()) as never),
  );
  protected readonly differing = computed(() => this.fields().filter((f) => f.differs).length);
  private readonly address = computed(
    () => `${location.origin}/cabinet/${this.kind()}/${encodeURIComponent(this.part().part)}`,
  );
  protected readonly qr = computed(() => qrPath(this.address(), 2, 2, 21));
  protected readonly missing = computed(() => {
    if (this.kind() === 'terminal') {
      return missingResults(this.part() as Terminal).map(
        ({ field, lost, kept }) => `No ${field} on record: ${lost} cannot be given; ${kept} still can.`,
      );
    }
    if (this.kind() !== 'tool') return [];
    return selectorHoles(this.part() as Tool).map(
      (hole) =>
        `The selector table has no setting for barrel size ${hole.barrelSize} with ${hole.size}, though it has smaller and larger ones.`,
    );
  });

  constructor() {
    effect(() => {
      const { part } = this.part();
      const kind = this.kind();
      this.beside.set('');
      void this.api.revisions(kind, part).then(
        (revisions) => {
          this.revisions.set(revisions);
        },
        (error: unknown) => {
          this.problem.set(toProblem(error));
        },
      );
    });
  }

  /** The label alone on a small page: part, name and code. */
  protected print(): void {
    const page = window.open('', '_blank', 'width=420,height=260');
    if (!page) return;
    const { document: doc } = page;
    doc.title = `${this.part().part} label`;
    const svg = doc.createElementNS('http://www.w3.org/2000/svg', 'svg');
    for (const [name, given] of Object.entries({ width: '62mm', height: '29mm', viewBox: '0 0 62 29' }))
      svg.setAttribute(name, given);
    const path = doc.createElementNS('http://www.w3.org/2000/svg', 'path');
    path.setAttribute('d', qrPath(this.address(), 3, 3, 23));
    svg.append(path);
    const write = (y: number, size: number, words: string) => {
      const text = doc.createElementNS('http://www.w3.org/2000/svg', 'text');
      for (const [name, given] of Object.entries({
        x: '29',
        y: String(y),
        'font-size': String(size),
        'font-family': 'sans-serif',
      }))
        text.setAttribute(name, given);
      text.textContent = words;
      svg.append(text);
    };
    write(8, 4, this.part().part);
    const words = this.part().label.split(' ');
    const lines: string[] = [];
    for (const word of words) {
      const last = lines.at(-1);
      if (last !== undefined && `${last} ${word}`.length <= 18) lines[lines.length - 1] = `${last} ${word}`;
      else lines.push(word);
    }
    lines.slice(0, 4).forEach((line, index) => {
      write(13 + index * 3.8, 3, line);
    });
    doc.body.append(svg);
    page.print();
  }
}
