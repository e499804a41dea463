import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { showAmount, testingCost, testingCosts } from '@tug-mark/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { ReactiveFormsModule } from '@angular/forms';
import { toSignal } from '@angular/core/rxjs-interop';
import { ChartCanvas } from '../charts/chart-canvas';
import { inks } from '../charts/chart-ink';
import { Field } from '../parts/field';
import { plainNumber } from '../parts/plain-number';
import { SheetFrame } from './sheet-frame';
import { Select } from '../parts/select';
import { typedText } from '../parts/zod-form';
import { SuppliesStore } from './supplies.store';
import { testingOptions } from './testing-options';

/** What each way of checking a lot destroys, and what it leaves undetected: a curve to choose a check plan from. */
@Component({
  selector: 'tm-testing-page',
  imports: [ReactiveFormsModule, NzInputModule, ChartCanvas, Field, SheetFrame, Select],
  providers: [SuppliesStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame [headline]="headline()" [under]="under()" [problem]="store.problem()">
      <div class="fields">
        <div class="field">
          <label for="of">Pieces of</label>
          <tm-select selectId="of" [options]="options()" [value]="job()" (valueChange)="chosen.set($event)" />
        </div>
        <tm-field for="every" label="A check every ... pieces" [control]="every">
          <input nz-input id="every" inputmode="numeric" [formControl]="every" />
        </tm-field>
        <tm-field for="share" label="If this many in 100 are bad" [control]="share">
          <input nz-input id="share" inputmode="decimal" [formControl]="share" />
        </tm-field>
      </div>
      @if (curve().length) {
        <div class="chart">
          <tm-chart-canvas
            [options]="drawn()"
            label="Pieces destroyed against the chance that a bad lot passes, plan by plan; the table beside has the numbers"
          />
        </div>
        <div class="scroll">
          <table>
            <caption class="out-of-sight">
              What each check plan costs
            </caption>
            <thead>
              <tr>
                <th scope="col">A check every</th>
                <th scope="col" class="right">Pulled</th>
                <th scope="col" class="right">Destroyed with samples</th>
                <th scope="col" class="right">Wire</th>
                <th scope="col" class="right">Minutes</th>
                <th scope="col" class="right">In doubt when one fails</th>
                <th scope="col" class="right">Passes all the same</th>
              </tr>
            </thead>
            <tbody>
              @for (one of curve(); track one.everyPieces) {
                <tr [class.here]="one.everyPieces === everyPieces()">
                  <th scope="row">
                    {{
                      one.everyPieces === null
                        ? 'first and last alone'
                        : one.everyPieces === 1
                          ? 'piece'
                          : one.everyPieces + ' pieces'
                    }}
                  </th>
                  <td class="right figures">{{ one.pulls }}</td>
                  <td class="right figures">{{ one.destroyed }}</td>
                  <td class="right figures">{{ wire(one.wire) }}</td>
                  <td class="right figures">{{ one.minutes.toFixed(0) }}</td>
                  <td class="right figures">{{ one.inDoubt }}</td>
                  <td class="right figures">{{ percent(one.passes) }}</td>
                </tr>
              }
            </tbody>
          </table>
        </div>
        <p class="soft">
          The chance is that of pieces that are bad anywhere in the lot. A fault that begins and stays is found by the
          next check, whatever the chance: then the pieces since the check before are in doubt. What a customer or a
          specification asks for comes before any of this.
        </p>
      }
    </tm-sheet-frame>
  `,
  styleUrl: './sheets.less',
  styles: `
    .fields {
      display: grid;
      gap: 10px 16px;
      grid-template-columns: repeat(auto-fit, minmax(min(220px, 100%), 1fr));
      margin-bottom: 14px;
      max-width: 900px;
    }
    .chart {
      height: 300px;
    }
    tr.here {
      background: var(--petrol-tint);
      font-weight: 600;
    }
  `,
})
export class TestingPage {
  protected readonly store = inject(SuppliesStore);
  protected readonly chosen = signal<string | null>(null);
  protected readonly every = typedText('50');
  protected readonly share = typedText('5');
  private readonly typedEvery = toSignal(this.every.valueChanges, { initialValue: '50' });
  private readonly typedShare = toSignal(this.share.valueChanges, { initialValue: '5' });
  private readonly lots = computed(() => {
    const found = new Map<
      string,
      { id: string; label: string; pieces: number; samples: number; wire: string; list: string }
    >();
    for (const { does, combination, label, pieces, samples, wire, wireLabel, list } of this.store.day()?.about ?? []) {
      if (does !== 'crimp' || combination === null) continue;
      const known = found.get(combination) ?? {
        id: combination,
        label: `${label} on ${wireLabel}`,
        pieces: 0,
        samples: 0,
        wire,
        list,
      };
      known.pieces += pieces;
      known.samples += samples;
      found.set(combination, known);
    }
    return [...found.values()].sort((a, b) => b.pieces - a.pieces);
  });
  protected readonly options = computed(() =>
    this.lots().map(({ id, label, pieces }) => ({ value: id, label: `${pieces} × ${label}` })),
  );
  protected readonly job = computed(() => this.chosen() ?? this.lots()[0]?.id ?? '');
  protected readonly everyPieces = computed(() => {
    const every = plainNumber(this.typedEvery());
    return every !== null && every >= 1 ? Math.round(every) : null;
  });
  private readonly shareOf = computed(() => {
    const share = plainNumber(this.typedShare());
    return share !== null && share > 0 && share < 100 ? share / 100 : 0.05;
  });
  private readonly tested = computed(() => {
    const [lot, day] = [this.lots().find(({ id }) => id === this.job()), this.store.day()];
    if (!lot || !day) return null;
    const { sampleLength, minutes } = day.floor.floor;
    const lengths = day.wires.filter(({ list, wire }) => list === lot.list && lot.wire.split(' + ').includes(wire));
    return {
      ...{ pieces: lot.pieces, samples: lot.samples, sampleLength, checkMinutes: minutes.check },
      wireLength: Math.max(sampleLength, ...lengths.map(({ length }) => length)),
    };
  });
  protected readonly curve = computed(() => {
    const of = this.tested();
    if (!of) return [];
    const [every, share] = [this.everyPieces(), this.shareOf()];
    const all = testingCosts(of, share);
    // The plan in hand is one of them, wherever it lies.
    const own =
      every !== null && every < of.pieces && !all.some(({ everyPieces }) => everyPieces === every)
        ? [testingCost(of, every, share)]
        : [];
    return [...all, ...own].sort((a, b) => (a.everyPieces ?? Infinity) - (b.everyPieces ?? Infinity));
  });
  private readonly here = computed(
    () => this.curve().find(({ everyPieces }) => everyPieces === this.everyPieces()) ?? this.curve().at(-1),
  );
  protected readonly drawn = computed(() => testingOptions(this.curve(), this.everyPieces(), inks()));
  protected readonly headline = computed(() => {
    const here = this.here();
    return here
      ? `${here.destroyed} pieces and ${showAmount('wire', here.wire)} of wire are destroyed; a bad lot passes ${Math.round(100 * here.passes)} times in 100.`
      : 'What testing costs';
  });
  protected readonly under = computed(() => {
    const of = this.tested();
    return of
      ? `Of ${of.pieces} pieces, with ${Math.round(100 * this.shareOf())} in 100 bad and a check every ${this.everyPieces() ?? of.pieces}. Fewer checks destroy less and let more pass: choose where.`
      : '';
  });

  protected wire(mm: number): string {
    return showAmount('wire', mm);
  }

  protected percent(share: number): string {
    return share > 0 && share < 0.001 ? 'under 0.1 %' : `${(100 * share).toFixed(1)} %`;
  }
}
