import { HttpClient, HttpParams } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { ADDRESSES, type Api as Contract, type Got, type OperationId, type Sent } from '@tug-mark/contract';
import { firstValueFrom } from 'rxjs';
import { sessionActions } from '../session/session.state';
import { ApiProblem, OFFLINE, readProblem } from './problem';

interface Loose {
  readonly params?: Readonly<Record<string, unknown>> | undefined;
  readonly query?: Readonly<Record<string, unknown>> | undefined;
  readonly body?: unknown;
}

/** Where an operation is, its parameters filled in. */
export function addressOf<K extends OperationId>(id: K, sent: Pick<Loose, 'params' | 'query'> = {}): string {
  const [, path = ''] = ADDRESSES[id].split(' ');
  const filled = path.replace(/:(\w+)/g, (_, name: string) => encodeURIComponent(String(sent.params?.[name] ?? '')));
  const query = paramsOf(sent.query).toString();
  return `/api${filled}${query ? `?${query}` : ''}`;
}

/** What is left out or null is not sent. */
function paramsOf(query: Loose['query']): HttpParams {
  const given = Object.entries(query ?? {}).filter(([, value]) => value !== undefined && value !== null);
  return new HttpParams({ fromObject: Object.fromEntries(given.map(([name, value]) => [name, String(value)])) });
}

const methodOf = (id: OperationId) => ADDRESSES[id].split(' ')[0] ?? 'GET';

/** Calls the server: what an operation takes and answers is read off the contract, and nothing is written down twice. */
@Injectable({ providedIn: 'root' })
export class Client {
  private readonly http = inject(HttpClient);
  private readonly store = inject(Store);

  /** An operation that answers JSON, or nothing. */
  call<K extends OperationId>(id: K, sent: Sent<Contract[K], Blob>): Promise<Got<Contract[K], Blob>> {
    const { body } = sent as Loose;
    return firstValueFrom(
      this.http.request<Got<Contract[K], Blob>>(methodOf(id), addressOf(id, sent as Loose), {
        ...(body !== undefined && { body }),
        responseType: 'json',
      }),
    );
  }

  /** An operation that answers a file. */
  file<K extends OperationId>(id: K, sent: Sent<Contract[K], Blob>): Promise<Blob> {
    return firstValueFrom(this.http.request(methodOf(id), addressOf(id, sent as Loose), { responseType: 'blob' }));
  }

  /** An operation whose answer is read as it comes in. HttpClient gives a body only when it is whole. */
  async stream<K extends OperationId>(
    id: K,
    sent: Sent<Contract[K], Blob>,
    signal: AbortSignal,
  ): Promise<ReadableStream<Uint8Array<ArrayBuffer>> | null> {
    let response: Response;
    try {
      response = await fetch(addressOf(id, sent as Loose), { method: methodOf(id), signal });
    } catch {
      throw new ApiProblem(OFFLINE);
    }
    if (response.ok) return response.body;
    if (response.status === 401) this.store.dispatch(sessionActions.expired());
    throw readProblem(response.status, await response.text().catch(() => null));
  }
}
