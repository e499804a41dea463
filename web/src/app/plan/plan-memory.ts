import { Injectable } from '@angular/core';
import type { PlanDay, PlanQueue } from '@tug-mark/contract';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

interface Known {
  day: PlanDay;
  queue: PlanQueue;
}
interface Row {
  readonly shop: string;
  readonly at: string;
  readonly value: Known[keyof Known];
}
interface Kept extends DBSchema {
  last: { key: string; value: Row };
}

/** The plan as it was read last, kept on this device: without the server a bench still knows what comes next. */
@Injectable({ providedIn: 'root' })
export class PlanMemory {
  private opened: Promise<IDBPDatabase<Kept>> | null = null;

  private open(): Promise<IDBPDatabase<Kept>> {
    return (this.opened ??= openDB<Kept>('tug-mark-plan', 1, {
      upgrade(db) {
        db.createObjectStore('last');
      },
    }));
  }

  async keep<K extends keyof Known>(what: K, shop: string, value: Known[K]): Promise<void> {
    try {
      await (await this.open()).put('last', { shop, at: new Date().toISOString(), value }, what);
    } catch {
      // A device without room shows the plan all the same.
    }
  }

  /** The one kept for this shop, and when it was read; null where there is none. */
  async read<K extends keyof Known>(
    what: K,
    shop: string,
  ): Promise<{ readonly at: string; readonly value: Known[K] } | null> {
    try {
      const kept = await (await this.open()).get('last', what);
      return kept?.shop === shop ? { at: kept.at, value: kept.value as Known[K] } : null;
    } catch {
      return null;
    }
  }
}
