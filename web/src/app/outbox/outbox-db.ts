import { Injectable } from '@angular/core';
import { openDB, type DBSchema } from 'idb';
import type { OutboxItem } from './outbox.state';

interface Schema extends DBSchema {
  entries: { key: string; value: OutboxItem };
}

/** The outbox on this device, so that neither a reload nor a dead battery loses a reading. */
@Injectable({ providedIn: 'root' })
export class OutboxDb {
  private readonly opened = openDB<Schema>('tug-mark-outbox', 1, {
    upgrade: (db) => {
      db.createObjectStore('entries', { keyPath: 'entry.id' });
    },
  });

  /** Entries in the order they were made: their ids are time-ordered. */
  all = async () => (await this.opened).getAll('entries');
  put = async (item: OutboxItem) => (await this.opened).put('entries', item);
  remove = async (id: string) => (await this.opened).delete('entries', id);
}
