import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { Problem } from '@tug-mark/contract';
import { CATALOGUES, type CatalogueKind } from '@tug-mark/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Api, toProblem } from '../http/api';
import { readJsonFile } from '../http/read-json-file';
import { FileButton } from '../parts/file-button';
import { CabinetStore } from './cabinet.store';

/** What became of a file: what was read of it, or why it was not. */
export interface FileRead {
  readonly said: string;
  readonly problem: Problem | null;
}

/** Parts of a kind as files, out and in; a whole shop in one; and a new part. */
@Component({
  selector: 'tm-cabinet-files',
  imports: [NzButtonModule, FileButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <a [href]="'/api/cabinet/' + kind() + '/parts.csv'" download>CSV</a>
    <a [href]="'/api/cabinet/' + kind() + '/parts.json'" download>JSON</a>
    @if (mayEdit()) {
      <tm-file-button accept=".csv,.json,text/csv,application/json" (file)="readParts($event)">
        Read {{ catalogue().many }} (CSV, JSON)
      </tm-file-button>
      <tm-file-button accept=".json,application/json" (file)="readShop($event)">Read a shop file</tm-file-button>
      <button nz-button type="button" (click)="fresh.emit()">New {{ catalogue().one }}</button>
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: flex;
      flex-wrap: wrap;
      gap: 8px 16px;
      margin-left: auto;
    }
  `,
})
export class CabinetFiles {
  readonly kind = input.required<CatalogueKind>();
  readonly mayEdit = input.required<boolean>();
  readonly read = output<FileRead>();
  readonly fresh = output();
  /** A table to be looked at before anything of it is kept. */
  readonly looked = output<File>();
  private readonly api = inject(Api);
  private readonly store = inject(CabinetStore);
  protected readonly catalogue = computed(() => CATALOGUES[this.kind()]);

  protected async readParts(file: File): Promise<void> {
    // A table is looked at first, and mended here where it is wrong.
    if (!file.name.toLowerCase().endsWith('.json')) {
      this.looked.emit(file);
      return;
    }
    await this.attempt(async () => {
      const { parts, changed } = await this.api.importParts(this.kind(), await readJsonFile(file));
      return `${file.name}: ${parts} ${this.catalogue().many} read, ${changed} of them new or changed.`;
    });
  }

  protected readShop(file: File): Promise<void> {
    return this.attempt(async () => {
      const { parts, limits } = await this.api.importShopFile(await readJsonFile(file));
      return `${file.name}: ${parts} parts new or changed, ${limits} limit tables as drafts.`;
    });
  }

  private async attempt(take: () => Promise<string>): Promise<void> {
    try {
      const said = await take();
      await this.store.load();
      this.read.emit({ said, problem: null });
    } catch (error) {
      this.read.emit({ said: '', problem: toProblem(error) });
    }
  }
}
