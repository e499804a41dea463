import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { setUpContext, type CombinationRecord, type KeptEntry, type Problem } from '@tug-mark/contract';
import {
  breakingLoad,
  computeSetUp,
  entriesOf,
  judgeCombination,
  judgeLot,
  judgeReading,
  lotNumbers,
  ofCurrentRun,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { describeEntry } from '@tug-mark/core';
import { Mark } from '../parts/mark';
import { ProblemNotice } from '../parts/problem-notice';
import { showRecordTime } from '../parts/show-time';
import { SideViewDrawing } from '../parts/side-view';
import { TugLine } from '../parts/tug-line';
import type { TugFlag } from '../parts/tug-line.layout';

/** The record of one combination: on screen, on paper (A4 and letter), and as files. */
@Component({
  selector: 'tm-record-page',
  imports: [RouterLink, NzButtonModule, Mark, ProblemNotice, SideViewDrawing, TugLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './record-page.html',
  styleUrl: './record-page.less',
})
export class RecordPage {
  private readonly api = inject(Api);
  readonly id = input.required<string>();
  protected readonly record = signal<CombinationRecord | null>(null);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly time = showRecordTime;

  protected readonly chain = signal<{ entries: number; text: string | null } | null>(null);
  protected readonly setUp = computed(() => {
    const record = this.record();
    return record && computeSetUp(this.context(record), record.entries, record.exportedAt);
  });
  protected readonly judgement = computed(() => {
    const record = this.record();
    const setUp = this.setUp();
    return record && setUp && judgeCombination(setUp, record.entries, this.context(record), record.exportedAt);
  });
  protected readonly lots = computed(() => {
    const record = this.record();
    const setUp = this.setUp();
    if (!record || !setUp) return [];
    return lotNumbers(record.entries).flatMap(
      (lot) => judgeLot(setUp, record.entries, record, lot, record.exportedAt) ?? [],
    );
  });
  protected readonly breaks = computed(() =>
    breakingLoad(this.record()?.wire.conductor ?? { strands: 1, strandDiameter: 1, material: 'copper' }),
  );
  private readonly corrected = computed(() => new Set(this.record()?.entries.map((entry) => entry.corrects)));
  protected readonly flags = computed<TugFlag[]>(() => {
    const limit = this.setUp()?.standing.limit?.force ?? null;
    // Pulls of an earlier run stand in the journal below; they prove nothing about this one.
    return entriesOf(ofCurrentRun(this.record()?.entries ?? []), 'reading').map(({ body }) => ({
      piece: body.piece,
      force: body.force,
      verdict: judgeReading(body.force, limit, body.mode).verdict,
      current: false,
    }));
  });
  protected readonly limitName = computed(() => {
    const limit = this.setUp()?.standing.limit;
    return limit
      ? `${limit.table.document} rev ${limit.table.revision}, class ${limit.table.class}: at least ${limit.force.toFixed(1)} N`
      : 'no limit';
  });

  constructor() {
    effect(() => {
      void this.load(this.id());
    });
  }

  private async load(id: string): Promise<void> {
    try {
      this.record.set(await this.api.record(id));
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  /** The wires that share the barrel, in words. */
  protected others({ together }: CombinationRecord): string {
    return together.map((wire) => ` and ${wire.part} ${wire.label}`).join('');
  }

  protected isCorrected(entry: KeptEntry): boolean {
    return this.corrected().has(entry.id);
  }

  /** Whether every entry and curve is still what was sealed, asked of the server. */
  protected async checkChain(): Promise<void> {
    this.chain.set(null);
    try {
      this.chain.set(await this.api.chain(this.id()));
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  protected print(): void {
    window.print();
  }

  protected groupReasons() {
    return this.judgement()?.groups.flatMap((group) => group.reasons) ?? [];
  }

  protected says({ body, verdict }: KeptEntry): string {
    return `${describeEntry(body)}. ${verdict?.text ?? ''}`;
  }

  /** A record is judged by the revisions it was made with: what came out since is not its matter. */
  private context(record: CombinationRecord) {
    return { ...setUpContext(record), cabinet: [], newest: record.revisions };
  }
}
