import type {
  Cabinet,
  CombinationLine,
  CombinationRecord,
  CombinationView,
  FirstEngineer,
  Here,
  KeptEntry,
  NewEntry,
  NewPerson,
  NewToolCheck,
  Person,
  Problem,
  SignIn,
  WireListKept,
} from '@tug-mark/contract';
import type { LimitKey, LimitTable } from '@tug-mark/core';
import { Injectable } from '@angular/core';

/** The server's refusal, or that it could not be reached. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(`${problem.title} ${problem.detail}`);
  }

  /** Nothing came back: the network or the server is down, and trying again later is right. */
  get isOffline(): boolean {
    return this.problem.status === 0 || this.problem.status >= 502;
  }
}

const OFFLINE: Problem = {
  type: 'about:blank',
  title: 'The server does not answer.',
  status: 0,
  detail: 'What you entered is kept on this device and sent as soon as it answers.',
  code: 'offline',
};

/** Every call to the server, typed by the contract. */
@Injectable({ providedIn: 'root' })
export class Api {
  here = () => this.json<Here>('GET', 'session');
  signIn = (body: SignIn) => this.json<Here>('POST', 'session', body);
  signOut = () => this.json<undefined>('DELETE', 'session');
  makeFirstEngineer = (body: FirstEngineer) => this.json<Here>('POST', 'first-engineer', body);
  people = () => this.json<Person[]>('GET', 'people');
  addPerson = (body: NewPerson) => this.json<Person>('POST', 'people', body);
  changePerson = ({ id, active, qualifiedUntil }: Person) =>
    this.json<Person>('PATCH', `people/${id}`, { active, qualifiedUntil });
  combinations = (after: number) =>
    this.json<{ lines: CombinationLine[]; next: number | null }>('GET', `combinations?after=${after}`);
  combination = (id: string) => this.json<CombinationView>('GET', `combinations/${id}`);
  putOnRecord = (combination: string, entry: NewEntry) =>
    this.json<KeptEntry>('POST', `combinations/${combination}/entries`, entry);
  checkTool = (check: NewToolCheck) => this.json<{ at: string; by: string }>('POST', 'tool-checks', check);
  cabinet = () => this.json<Cabinet>('GET', 'cabinet');
  importShopFile = (file: unknown) => this.json<{ parts: number; limits: number }>('POST', 'shop-file', file);
  limits = () => this.json<LimitTable[]>('GET', 'limits');
  releaseLimit = (key: LimitKey) => this.json<LimitTable>('POST', 'limits/release', key);
  withdrawLimit = (key: LimitKey) => this.json<LimitTable>('POST', 'limits/withdraw', key);
  record = (id: string) => this.json<CombinationRecord>('GET', `combinations/${id}/record.json`);
  importRecord = (record: unknown) => this.json<{ id: string }>('POST', 'records', record);
  demoWireList = async () => (await this.call('GET', 'demo/sprayer-loom.csv')).blob();
  importWireList = (id: string, name: string, className: string, file: Blob) =>
    this.json<WireListKept>(
      'POST',
      `wire-lists?${new URLSearchParams({ id, name, class: className }).toString()}`,
      new Blob([file], { type: 'text/csv' }),
    );

  private async json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await this.call(method, path, body);
    return (response.status === 204 ? undefined : await response.json()) as T;
  }

  private async call(method: string, path: string, body?: unknown): Promise<Response> {
    let response: Response;
    try {
      response = await fetch(`/api/${path}`, {
        method,
        ...(body instanceof Blob
          ? { body, headers: { 'content-type': 'text/csv' } }
          : body !== undefined && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      });
    } catch {
      throw new ApiProblem(OFFLINE);
    }
    if (response.ok) return response;
    const problem = (await response.json().catch(() => null)) as Problem | null;
    throw new ApiProblem(problem ?? { ...OFFLINE, status: response.status });
  }
}

/** Any failure of a call as problem details; a bug of ours says so. */
export function toProblem(error: unknown): Problem {
  if (error instanceof ApiProblem) return error.problem;
  console.error(error);
  return {
    ...OFFLINE,
    status: 500,
    title: 'Something went wrong on this page.',
    detail: 'Reload it; what you entered is kept.',
  };
}
