import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type Cabinet, type Problem } from '@tug-mark/contract';
import { familyName, judgeTool, metalArea, rangeLabel, sizeLabel } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { readJsonFile } from '../http/read-json-file';
import { ProblemNotice } from '../parts/problem-notice';
import { sessionFeature } from '../session/session.state';

const KINDS = ['terminals', 'wires', 'tools', 'strippers'] as const;
type Kind = (typeof KINDS)[number];

interface Line {
  readonly part: string;
  readonly label: string;
  readonly facts: readonly string[];
}

const COLUMNS: Record<Kind, readonly string[]> = {
  terminals: ['Family', 'Conductor', 'Insulation', 'Stud or mating'],
  wires: ['Size', 'Metal', 'Insulation', 'Kind'],
  tools: ['Kind', 'State today', 'Dies and nests', 'Cycles'],
  strippers: ['Repeats within', 'Step', 'Insulations', 'Notches'],
};

/** What the shop has: terminals, wires, tools and strippers. Filled by a shop file; editing comes later. */
@Component({
  selector: 'tm-cabinet-page',
  imports: [NzButtonModule, NzInputModule, NzTableModule, ProblemNotice],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="page">
      <div class="page-head">
        <div>
          <h1>Cabinet</h1>
          <p class="soft">
            What the shop has. It is filled from a shop file (JSON); editing parts here is not built yet.
          </p>
        </div>
        <div class="tools">
          <div class="field">
            <label for="cabinet-search">Search</label>
            <input nz-input id="cabinet-search" type="search" [value]="search()" (input)="search.set(value($event))" />
          </div>
          @if (mayImport()) {
            <div class="field">
              <label for="shop-file">Read a shop file</label>
              <input id="shop-file" type="file" accept=".json,application/json" (change)="read($event)" />
            </div>
          }
        </div>
      </div>
      @if (said()) {
        <p class="notice good" role="status">{{ said() }}</p>
      }
      @if (problem(); as found) {
        <tm-problem [problem]="found" />
      }
      <div class="kinds" role="tablist" aria-label="Kinds of part">
        @for (k of kinds; track k) {
          <button
            type="button"
            role="tab"
            aria-controls="parts"
            [attr.aria-selected]="k === kind()"
            [class.here]="k === kind()"
            (click)="kind.set(k)"
          >
            {{ k }} <span class="figures soft">{{ cabinet()?.[k]?.length ?? 0 }}</span>
          </button>
        }
      </div>
      <div id="parts" role="tabpanel" [attr.aria-label]="kind()">
        <nz-table
          #table
          [nzData]="shown()"
          nzSize="small"
          [nzFrontPagination]="false"
          [nzShowPagination]="false"
          nzNoResult="Nothing here, or nothing matches."
        >
          <thead>
            <tr>
              <th scope="col">Part</th>
              @for (column of columns(); track column) {
                <th scope="col">{{ column }}</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (line of table.data; track line.part) {
              <tr class="ant-table-row">
                <td>
                  <strong class="figures">{{ line.part }}</strong><span class="under">{{ line.label }}</span>
                </td>
                @for (fact of line.facts; track $index) {
                  <td>{{ fact }}</td>
                }
              </tr>
            }
          </tbody>
        </nz-table>
      </div>
    </div>
  `,
  styles: `
    .tools {
      align-items: end;
      display: flex;
      gap: 18px;
    }
    .kinds {
      display: flex;
      gap: 6px;
      margin: 12px 0;
    }
    .kinds button {
      background: var(--sheet);
      border: 1px solid var(--line);
      color: var(--ink);
      cursor: pointer;
      font: 600 16px var(--figures);
      min-height: 44px;
      padding: 0 16px;
    }
    .kinds .here {
      background: var(--petrol-tint);
      border-color: var(--petrol);
    }
    .under {
      color: var(--ink-soft);
      display: block;
      font-size: 14px;
    }
  `,
})
export class CabinetPage {
  private readonly api = inject(Api);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly kinds = KINDS;
  protected readonly cabinet = signal<Cabinet | null>(null);
  protected readonly kind = signal<Kind>('terminals');
  protected readonly search = signal('');
  protected readonly said = signal('');
  protected readonly problem = signal<Problem | null>(null);
  protected readonly mayImport = computed(() => may(this.person()?.role ?? 'technician', 'import-shop-file'));
  protected readonly columns = computed(() => COLUMNS[this.kind()]);

  private readonly lines = computed<readonly Line[]>(() => {
    const cabinet = this.cabinet();
    if (!cabinet) return [];
    const now = new Date().toISOString();
    switch (this.kind()) {
      case 'terminals':
        return cabinet.terminals.map((t) => ({
          part: t.part,
          label: t.label,
          facts: [
            familyName(t.family),
            rangeLabel(t.conductorRange),
            t.insulationRange ? `${t.insulationRange.min}–${t.insulationRange.max} mm` : 'not gripped',
            t.stud ?? 'none',
          ],
        }));
      case 'wires':
        return cabinet.wires.map((w) => ({
          part: w.part,
          label: w.label,
          facts: [
            sizeLabel(w.conductor.size),
            `${metalArea(w.conductor).toFixed(3)} mm²`,
            `${w.insulation}, ${w.insulationDiameter} mm`,
            w.conductor.kind,
          ],
        }));
      case 'tools':
        return cabinet.tools.map((t) => ({
          part: t.part,
          label: t.label,
          facts: [
            t.kind,
            judgeTool(t, cabinet.checks, now)
              .reasons.map((r) => r.text)
              .join(' '),
            t.dies.map((d) => `${d.label}: ${d.nests.map((n) => n.label).join(', ')}`).join('; '),
            `${t.cycles} of ${t.cycleLimit}`,
          ],
        }));
      case 'strippers':
        return cabinet.strippers.map((s) => ({
          part: s.part,
          label: s.label,
          facts: [`± ${s.repeatability} mm`, `${s.step} mm`, s.insulations.join(', '), `${s.notches.length}`],
        }));
    }
  });
  protected readonly shown = computed(() => {
    const words = this.search().toLowerCase().split(/\s+/).filter(Boolean);
    return this.lines().filter((line) => {
      const text = [line.part, line.label, ...line.facts].join(' ').toLowerCase();
      return words.every((word) => text.includes(word));
    });
  });

  constructor() {
    void this.load();
  }

  private async load(): Promise<void> {
    try {
      this.cabinet.set(await this.api.cabinet());
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected async read(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    if (!file) return;
    this.said.set('');
    this.problem.set(null);
    try {
      const { parts, limits } = await this.api.importShopFile(await readJsonFile(file));
      this.said.set(
        `${parts} parts are new or revised; ${limits} limit tables came in as drafts for quality to release.`,
      );
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
    field.value = '';
  }

  protected value(event: Event): string {
    return (event.target as HTMLInputElement).value;
  }
}
