import { computed, signal } from '@angular/core';
import type { DocumentHistory, Problem } from '@tug-mark/contract';
import { documentKey, isSameDocument, type DocumentKey, type ShopDocument } from '@tug-mark/core';
import { toProblem } from '../http/api';

/** A shelf of any kind of document, as far as it is shown and moved. */
export type AnyShelf = Pick<
  Shelf<ShopDocument, DocumentHistory>,
  'chosen' | 'record' | 'others' | 'compared' | 'problem' | 'move' | 'compareWith'
>;

/** Where a kind of document comes from, and how one is released or withdrawn. */
export interface ShelfSource<T extends ShopDocument, R extends DocumentHistory> {
  readonly documentOf: (record: R) => T;
  readonly list: () => Promise<readonly R[]>;
  readonly move: (key: DocumentKey, to: 'release' | 'withdraw', replaces: boolean) => Promise<unknown>;
}

/** All revisions of one kind of document: which one is looked at, what it is compared with, what became of moving it. */
export class Shelf<T extends ShopDocument, R extends DocumentHistory> {
  private readonly records = signal<readonly R[]>([]);
  private readonly pick = signal<DocumentKey | null>(null);
  private readonly other = signal<DocumentKey | null>(null);
  readonly problem = signal<Problem | null>(null);
  readonly loaded = signal(false);
  readonly documents = computed(() => this.records().map(this.source.documentOf));
  /** The one picked, else the one in effect, else the first. */
  readonly record = computed(() => {
    const of = this.source.documentOf;
    return (
      this.records().find((r) => isSameDocument(of(r), this.pick())) ??
      this.records().find((r) => of(r).status === 'released') ??
      this.records()[0]
    );
  });
  readonly chosen = computed(() => {
    const record = this.record();
    return record && this.source.documentOf(record);
  });
  readonly others = computed(() => this.documents().filter((d) => !isSameDocument(d, this.chosen())));
  readonly compared = computed(() => this.others().find((d) => isSameDocument(d, this.other())) ?? null);
  readonly released = computed(() => this.documents().filter((d) => d.status === 'released'));

  constructor(private readonly source: ShelfSource<T, R>) {
    void this.load();
  }

  choose(document: DocumentKey): void {
    this.pick.set(documentKey(document));
  }

  compareWith(document: DocumentKey | null): void {
    this.other.set(document);
  }

  /** Shows what was drafted. */
  take(records: readonly R[]): void {
    this.records.set(records);
    this.problem.set(null);
  }

  async move(document: DocumentKey, to: 'release' | 'withdraw', replaces = false): Promise<void> {
    this.choose(document);
    try {
      await this.source.move(documentKey(document), to, replaces);
      this.problem.set(null);
      await this.load();
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }

  private async load(): Promise<void> {
    try {
      this.records.set(await this.source.list());
      this.loaded.set(true);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
