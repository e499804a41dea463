import { Injectable, signal } from '@angular/core';

/** Whether the pages open here while the server is silent. */
export type OfflinePages = 'unknown' | 'kept' | 'not-over-http' | 'not-here';

/** Has the pages kept on this device, where the browser allows it: over https, or from the same machine. */
@Injectable({ providedIn: 'root' })
export class OfflineKeeper {
  readonly state = signal<OfflinePages>('unknown');

  async keep(): Promise<void> {
    // lib.dom says it is always there; over plain http from another machine it is not.
    const workers = navigator.serviceWorker as ServiceWorkerContainer | undefined;
    if (!workers) {
      this.state.set(isSecureContext ? 'not-here' : 'not-over-http');
      return;
    }
    try {
      const kept = await workers.register('/offline.js', { updateViaCache: 'none' });
      kept.waiting?.postMessage('take over');
      await workers.ready;
      this.state.set('kept');
    } catch {
      this.state.set('not-here');
    }
  }
}
