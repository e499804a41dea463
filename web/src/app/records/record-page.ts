import {
  ApplicationRef,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  type Unsent,
  setUpContext,
  type CombinationRecord,
  type ForeignRecord,
  type KeptEntry,
  type Problem,
} from '@tug-mark/contract';
import {
  breakingLoad,
  TYPICAL_STRENGTHS,
  computeSetUp,
  describeEntry,
  entriesOf,
  isSplice,
  judgeCombination,
  judgeLot,
  judgeReading,
  lotNumbers,
  ofCurrentRun,
  pullLimit,
  type EntryBody,
} from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzTableModule } from 'ng-zorro-antd/table';
import { Api, toProblem } from '../http/api';
import { Mark } from '../parts/mark';
import { MoreRows } from '../parts/more-rows';
import { ProblemNotice } from '../parts/problem-notice';
import { showRecordTime } from '../parts/show-time';
import { SideViewDrawing } from '../parts/side-view';
import { TugLine } from '../parts/tug-line';
import type { TugFlag } from '../parts/tug-line.layout';
import { Notice } from '../parts/notice';

/** An entry that came in later than this after it was made waited on its device. */
const LATE_MS = 60_000;

type ShownRecord = Omit<CombinationRecord, 'curves' | 'photos'>;

/** Entries of a journal drawn at a time. */
const ENTRIES_AT_ONCE = 100;

/** The record of one combination: on screen, on paper (A4 and letter), and as files. */
@Component({
  selector: 'tm-record-page',
  imports: [Notice, NzTableModule, RouterLink, NzButtonModule, Mark, MoreRows, ProblemNotice, SideViewDrawing, TugLine],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './record-page.html',
  styleUrl: './record-page.less',
})
export class RecordPage {
  private readonly api = inject(Api);
  readonly id = input.required<string>();
  /** Whether it is the record of another shop, kept apart from this one's. */
  readonly isElsewhere = input(false);
  protected readonly foreign = signal<ForeignRecord | null>(null);
  protected readonly record = signal<ShownRecord | null>(null);
  /** Entries that waited on a device for somebody who did not come back. */
  protected readonly unsent = signal<readonly Unsent[]>([]);
  protected readonly describe = describeEntry;
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
    breakingLoad(
      this.record()?.wire.conductor ?? { strands: 1, strandDiameter: 1, material: 'copper' },
      this.record()?.practice ?? TYPICAL_STRENGTHS,
    ),
  );
  private readonly corrected = computed(() => new Set(this.record()?.entries.map((entry) => entry.corrects)));
  protected readonly flags = computed<TugFlag[]>(() => {
    const setUp = this.setUp();
    const standing = (setUp?.wires ?? []).map((own) => own.standing);
    const limitOf = ({ wire = 1, failedEnd }: Extract<EntryBody, { kind: 'reading' }>) => {
      const pull = setUp?.pulls[wire - 1];
      return (pull && pullLimit(pull, standing, failedEnd))?.limit?.force ?? null;
    };
    // Pulls of an earlier run stand in the journal below; they prove nothing about this one.
    return entriesOf(ofCurrentRun(this.record()?.entries ?? []), 'reading').map(({ body }) => ({
      piece: body.piece,
      force: body.force,
      verdict: judgeReading(body.force, limitOf(body), body.mode).verdict,
      current: false,
    }));
  });
  protected readonly limitName = computed(() => {
    const limit = this.setUp()?.standing.limit;
    return limit
      ? `${limit.table.document} rev ${limit.table.revision}, grade ${limit.table.class}: at least ${limit.force.toFixed(1)} N`
      : 'no limit';
  });

  /** Entries drawn so far; a record of thousands is drawn as somebody comes to it, and whole on paper. */
  protected readonly drawn = signal(ENTRIES_AT_ONCE);

  constructor() {
    const application = inject(ApplicationRef);
    const drawAll = () => {
      this.drawn.set(Infinity);
      application.tick();
    };
    window.addEventListener('beforeprint', drawAll);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('beforeprint', drawAll);
    });
    effect(() => {
      void this.load(this.id(), this.isElsewhere());
    });
  }

  protected drawMore(): void {
    this.drawn.update((entries) => entries + ENTRIES_AT_ONCE);
  }

  private async load(id: string, isElsewhere: boolean): Promise<void> {
    try {
      const foreign = isElsewhere ? await this.api.foreignRecord(id) : null;
      this.foreign.set(foreign);
      const [record, unsent] = await Promise.all([
        foreign?.record ?? this.api.record(id),
        foreign ? [] : this.api.unsent(id),
      ]);
      this.record.set(record);
      this.unsent.set(unsent);
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  /** The wires that share the barrel, and those at the other end of a splice, in words. */
  protected others({ together, opposite, terminal }: ShownRecord): string {
    const named = (wires: ShownRecord['together']) => wires.map((wire) => `${wire.part} ${wire.label}`).join(' and ');
    const end = opposite.length ? `; end 2: ${named(opposite)}` : isSplice(terminal) ? '; one end' : '';
    return `${together.length ? ` and ${named(together)}` : ''}${end}`;
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

  /** When it was made, where that was not when it came in, and whether its device's clock was off. */
  protected lateness({ at, madeAt, clockBehind }: KeptEntry): string {
    if (madeAt === null) return '';
    const made = Date.parse(madeAt) + (clockBehind ?? 0);
    const late = Date.parse(at) - made > LATE_MS ? `made ${this.time(new Date(made).toISOString())}, came in then` : '';
    const off = Math.round(Math.abs(clockBehind ?? 0) / 60_000);
    const clock = off ? `its device's clock was ${off} min ${(clockBehind ?? 0) > 0 ? 'slow' : 'fast'}` : '';
    return [late, clock].filter((said) => said).join('; ');
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
  private context(record: ShownRecord) {
    return { ...setUpContext(record), cabinet: [], newest: record.revisions };
  }
}
