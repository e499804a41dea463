import { inject, Injectable, signal } from '@angular/core';
import type { Cabinet, Problem } from '@tug-mark/contract';
import type { CatalogueKind, CatalogueParts } from '@tug-mark/core';
import { Api, toProblem } from '../http/api';

/** The shop's cabinet on this device: read once, read again when something in it was changed. */
@Injectable({ providedIn: 'root' })
export class CabinetParts {
  private readonly api = inject(Api);
  readonly cabinet = signal<Cabinet | null>(null);
  readonly problem = signal<Problem | null>(null);

  /** Parts of one kind, in order of their numbers. */
  of<K extends CatalogueKind>(kind: K): readonly CatalogueParts[K][] {
    const cabinet = this.cabinet();
    if (!cabinet) return [];
    const { wires, terminals, tools, strippers, coverings } = cabinet;
    const all: { [P in CatalogueKind]: readonly CatalogueParts[P][] } = {
      wire: wires,
      terminal: terminals,
      tool: tools,
      stripper: strippers,
      covering: coverings,
    };
    return all[kind];
  }

  async load(): Promise<void> {
    try {
      this.cabinet.set(await this.api.cabinet());
      this.problem.set(null);
    } catch (error) {
      this.problem.set(toProblem(error));
    }
  }
}
