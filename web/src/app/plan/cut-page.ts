import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { may, type NewStockMove, type PlanDay } from '@tug-mark/contract';
import { counted, cutList, cutMoves, type WireNeed } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { unparse } from 'papaparse';
import { timeOrderedId } from '../http/uuid';
import { saveText } from '../parts/save-text';
import { sessionFeature } from '../session/session.state';
import { BundleLabels } from './bundle-labels';
import { cutHeadline, picksOf } from './cut-words';
import { PickTable } from './pick-table';
import { SheetFrame } from './sheet-frame';
import { SuppliesStore } from './supplies.store';
import { WireCuts } from './wire-cuts';

/** What has to be cut from which reel, and drawn from which drawer, for the work that is planned; what is short and when it comes. */
@Component({
  selector: 'tm-cut-page',
  imports: [NzButtonModule, BundleLabels, PickTable, SheetFrame, WireCuts],
  providers: [SuppliesStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tm-sheet-frame [headline]="headline()" [under]="under()" [problem]="store.problem()" [said]="store.said()">
      <p acts class="acts not-printed">
        <button nz-button type="button" (click)="print()">Print</button>
        <button nz-button type="button" (click)="saveCuts()">Cut list as CSV</button>
        <button nz-button type="button" (click)="savePicks()">Pick list as CSV</button>
      </p>
      <h2>Wires to cut</h2>
      @for (wire of wires(); track wire.wire) {
        <tm-wire-cuts [need]="wire" />
      } @empty {
        <p class="soft">{{ store.day() ? 'Nothing is to be cut: the wires of every list are.' : 'Gathering ...' }}</p>
      }
      @if (mayKeep() && wires().length) {
        <p class="acts not-printed">
          @for (list of lists(); track list) {
            <button nz-button type="button" (click)="draw(list)">{{ list }} is cut: draw its wires</button>
          }
        </p>
      }
      <h2>Parts to draw</h2>
      @if (picks().length) {
        <tm-pick-table [picks]="picks()" />
      }
      <tm-bundle-labels [day]="store.day()" />
      <p class="soft">
        Ends that are made again take from the spare of their wire (house rules), not from the reel. Tiny contacts that
        are hard to crimp can be bought as ready-made leads: for a handful that is often less work.
      </p>
    </tm-sheet-frame>
  `,
  styleUrl: './sheets.less',
})
export class CutPage {
  protected readonly store = inject(SuppliesStore);
  private readonly person = inject(Store).selectSignal(sessionFeature.selectPerson);
  protected readonly mayKeep = computed(() =>
    (['keep-stock', 'import-wire-list'] as const).every((action) => may(this.person()?.roles, action)),
  );
  protected readonly wires = computed(() => this.cut(() => true));
  protected readonly lists = computed(() => [
    ...new Set((this.store.day()?.wires ?? []).flatMap(({ list, isCut }) => (isCut ? [] : [list]))),
  ]);
  protected readonly picks = computed(() => {
    const day = this.store.day();
    return day ? picksOf(day, this.store.parts()) : [];
  });
  protected readonly headline = computed(() =>
    this.store.day() ? cutHeadline(this.wires(), this.picks()) : 'To cut and pick',
  );
  protected readonly under = computed(() =>
    this.store.day()
      ? 'For everything that is still to be made, with samples, pieces that are pulled, and ends expected to be made again.'
      : '',
  );

  /** Wires of some lists, as they are cut from what there is. */
  private cut(of: (list: string) => boolean): WireNeed[] {
    const day: PlanDay | null = this.store.day();
    if (!day) return [];
    const { sampleLength: sample, keepLength: keep } = day.floor.floor;
    const [wires, jobs] = [day.wires.filter(({ list }) => of(list)), day.about.filter(({ list }) => of(list))];
    return cutList(wires, jobs, this.store.parts(), { sample, keep });
  }

  protected print(): void {
    window.print();
  }

  /** Draws what the wires of one list take from their reels, and says that they are cut. */
  protected async draw(list: string): Promise<void> {
    const moves = cutMoves(this.cut((one) => one === list)).map(({ wire, reel, amount }): NewStockMove => ({
      ...{ id: timeOrderedId(), kind: 'wire', part: wire, what: 'drawn', arrives: null, settles: null },
      ...{ reel, amount, note: `cut for ${list}` },
    }));
    const drawn = moves.length ? `: drawn from ${counted(moves.length, 'reel or remnant', 'reels and remnants')}` : '';
    const said = `${list} is cut${drawn}.`;
    if (moves.length && !(await this.store.move(moves, said))) return;
    await this.store.cut(list, said);
  }

  protected saveCuts(): void {
    const rows = this.wires().flatMap(({ wire, lists, plan }) => [
      ...lists.flatMap(({ list, demands }) => demands.map((demand) => ({ wire, list, reel: '', ...demand }))),
      ...(plan?.reels ?? []).flatMap(({ reel, cuts }) => cuts.map((cut) => ({ wire, list: '', reel, ...cut }))),
    ]);
    this.save('cut-list.csv', rows);
  }

  protected savePicks(): void {
    const rows = this.picks().map(({ jobs: _jobs, meaning: _meaning, have, arrives, ...need }) => ({
      ...need,
      ...{ have: have ?? '', arrives: arrives ?? '' },
    }));
    this.save('pick-list.csv', rows);
  }

  private save(name: string, rows: object[]): void {
    saveText(name, 'text/csv', unparse(rows, { newline: '\r\n', escapeFormulae: true }));
  }
}
