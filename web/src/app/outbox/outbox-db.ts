import { Injectable } from '@angular/core';
import type { OutboxItem } from './outbox.state';

const STORE = 'entries';

/** The outbox on this device (IndexedDB), so that neither a reload nor a dead battery loses a reading. */
@Injectable({ providedIn: 'root' })
export class OutboxDb {
  private readonly opened = new Promise<IDBDatabase>((resolve, reject) => {
    const request = indexedDB.open('tug-mark-outbox', 1);
    request.onupgradeneeded = () => request.result.createObjectStore(STORE, { keyPath: 'entry.id' });
    request.onsuccess = () => {
      resolve(request.result);
    };
    request.onerror = () => {
      reject(request.error ?? new Error('IndexedDB did not open'));
    };
  });

  /** Entries in the order they were made: their ids are time-ordered. */
  all = () => this.run<OutboxItem[]>('readonly', (store) => store.getAll());
  put = (item: OutboxItem) => this.run('readwrite', (store) => store.put(item));
  remove = (id: string) => this.run('readwrite', (store) => store.delete(id));

  private async run<T>(mode: IDBTransactionMode, work: (store: IDBObjectStore) => IDBRequest<T>): Promise<T> {
    const db = await this.opened;
    return new Promise<T>((resolve, reject) => {
      const transaction = db.transaction(STORE, mode);
      const request = work(transaction.objectStore(STORE));
      transaction.oncomplete = () => {
        resolve(request.result);
      };
      transaction.onabort = transaction.onerror = () => {
        reject(transaction.error ?? new Error('IndexedDB refused'));
      };
    });
  }
}
