import {
  POINT_NUMBERS,
  type Cabinet,
  type ChainReport,
  type ChartAbout,
  type ChartChoice,
  type ChartKind,
  type NewBaseline,
  type CombinationLine,
  type CombinationRecord,
  type CombinationView,
  type FirstEngineer,
  type Gauge,
  type HeightChart,
  type Here,
  type KeptEntry,
  type LimitRecord,
  type LookRecord,
  type NewAnswer,
  type NewStudy,
  type StudyLine,
  type StudyResults,
  type StudyTurn,
  type NewEntry,
  type NewPerson,
  type NewToolCheck,
  type PartRevision,
  type Person,
  type Problem,
  type SignIn,
  type Suspect,
  type Touched,
  type WireListKept,
} from '@tug-mark/contract';
import type { CatalogueKind, DocumentKey, LimitRow, LimitTable, LookSheet, PracticeDraft, Paper } from '@tug-mark/core';
import { Injectable } from '@angular/core';

const chartQuery = (kind: ChartKind, value: string) => new URLSearchParams({ kind, value }).toString();

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
  /** What others put on record after a place in the journal. */
  entriesAfter = (combination: string, after: number) =>
    this.json<KeptEntry[]>('GET', `combinations/${combination}/entries?after=${after}`);
  combinationOfLot = (id: string, lot: number) => this.json<CombinationView>('GET', `combinations/${id}?lot=${lot}`);
  putCurve = (combination: string, id: string, bytes: Blob) =>
    this.json<{ digest: string }>('PUT', `combinations/${combination}/traces/${id}`, bytes);
  importReadings = (combination: string, lot: number, file: Blob) =>
    this.json<{ readings: number }>(
      'POST',
      `combinations/${combination}/lots/${lot}/readings`,
      new Blob([file], { type: 'text/csv' }),
    );
  curve = async (combination: string, id: string) =>
    new Uint8Array(await (await this.call('GET', `combinations/${combination}/traces/${id}`)).arrayBuffer());
  putPhoto = (combination: string, id: string, file: Blob) =>
    this.json<{ id: string; digest: string; width: number; height: number }>(
      'PUT',
      `combinations/${combination}/photos/${id}`,
      file,
    );
  heights = (combination: string) => this.json<HeightChart>('GET', `charts/heights/${combination}`);
  causes = () => this.json<{ cause: string; evidence: string[] }[]>('GET', 'causes');
  looks = () => this.json<LookRecord[]>('GET', 'looks');
  keepLookDraft = (sheet: LookSheet) => this.json<LookRecord[]>('PUT', 'looks/draft', sheet);
  moveLook = (key: DocumentKey, to: 'release' | 'withdraw', replaces: boolean) =>
    this.json<LookSheet>('POST', `looks/${to}`, { ...key, replaces });
  studies = () => this.json<StudyLine[]>('GET', 'studies');
  beginStudy = (study: NewStudy) => this.json<StudyLine>('POST', 'studies', study);
  studyTurn = (id: string) => this.json<StudyTurn>('GET', `studies/${id}/turn`);
  answerStudy = (id: string, answer: NewAnswer) => this.json<StudyTurn>('POST', `studies/${id}/answers`, answer);
  closeStudy = (id: string) => this.json<StudyLine>('POST', `studies/${id}/close`);
  studyResults = (id: string) => this.json<StudyResults>('GET', `studies/${id}/results`);
  gauges = () => this.json<Gauge[]>('GET', 'gauges');
  keepGauge = (gauge: Gauge) => this.json<Gauge[]>('PUT', 'gauges', gauge);
  zeroGauge = (id: string) => this.json<{ sent: boolean }>('POST', `gauges/${encodeURIComponent(id)}/zero`);
  gaugeCurve = async (id: string) =>
    new Uint8Array(await (await this.call('GET', `gauges/${encodeURIComponent(id)}/trace`)).arrayBuffer());
  chartChoices = () => this.json<ChartChoice[]>('GET', 'charts');
  chartAbout = (kind: ChartKind, value: string) =>
    this.json<ChartAbout>('GET', `charts/about?${chartQuery(kind, value)}`);
  freezeBaseline = (baseline: NewBaseline) => this.json<ChartAbout>('POST', 'charts/baselines', baseline);

  /**
   * The readings of a chart, as they come in.
   * @param take called with whole points and how many they are
   */
  async chartPoints(
    kind: ChartKind,
    value: string,
    signal: AbortSignal,
    take: (bytes: ArrayBuffer, count: number) => void,
  ): Promise<void> {
    const response = await this.call('GET', `charts/points?${chartQuery(kind, value)}`, undefined, signal);
    const reader = response.body?.getReader();
    const size = POINT_NUMBERS * 8;
    let rest = new Uint8Array(0);
    for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
      const bytes = new Uint8Array(rest.length + read.value.length);
      bytes.set(rest);
      bytes.set(read.value, rest.length);
      const whole = bytes.length - (bytes.length % size);
      rest = bytes.slice(whole);
      if (whole) take(bytes.slice(0, whole).buffer, whole / size);
    }
  }

  checkTool = (check: NewToolCheck) => this.json<{ at: string; by: string }>('POST', 'tool-checks', check);
  cabinet = () => this.json<Cabinet>('GET', 'cabinet');
  importShopFile = (file: unknown) => this.json<{ parts: number; limits: number }>('POST', 'shop-file', file);
  suspect = (tool: string) => this.json<Suspect | null>('GET', `tools/${encodeURIComponent(tool)}/suspect`);
  revisions = (kind: CatalogueKind | 'practice', part: string) =>
    this.json<PartRevision[]>('GET', `cabinet/${kind}/${encodeURIComponent(part)}/revisions`);
  keepPart = (kind: CatalogueKind, opened: number, body: unknown) =>
    this.json<PartRevision>('PUT', `cabinet/${kind}`, { opened, body });
  keepPractice = (opened: number, draft: PracticeDraft) =>
    this.json<PartRevision>('PUT', 'practices', { opened, draft });
  importPartTable = (kind: CatalogueKind, file: Blob) =>
    this.json<{ parts: number; changed: number }>(
      'POST',
      `cabinet/${kind}/table`,
      new Blob([file], { type: 'text/csv' }),
    );
  importParts = (kind: CatalogueKind, file: unknown) =>
    this.json<{ parts: number; changed: number }>('POST', `cabinet/${kind}/parts`, file);
  limits = () => this.json<LimitRecord[]>('GET', 'limits');
  touchedByLimits = ({ document, revision, class: className }: DocumentKey) =>
    this.json<Touched[]>(
      'GET',
      `limits/touched?${new URLSearchParams({ document, revision, class: className }).toString()}`,
    );
  draftLimit = (table: LimitTable) => this.json<LimitRecord[]>('PUT', 'limits/draft', table);
  readLimitRows = (file: Blob) => this.json<LimitRow[]>('POST', 'limits/rows', new Blob([file], { type: 'text/csv' }));
  releaseLimit = (key: DocumentKey & { replaces: boolean }) => this.json<LimitTable>('POST', 'limits/release', key);
  withdrawLimit = (key: DocumentKey) => this.json<LimitTable>('POST', 'limits/withdraw', key);
  sheetPages = (id: string, paper: Paper) => this.json<string[]>('GET', `combinations/${id}/sheet?paper=${paper}`);

  /**
   * All set-up sheets of a list as one PDF, told as it grows.
   * @param tell called with sheets done and sheets in all
   */
  async sheetPile(
    list: string,
    paper: Paper,
    signal: AbortSignal,
    tell: (done: number, of: number) => void,
  ): Promise<Blob> {
    const query = new URLSearchParams({ list, paper }).toString();
    const response = await this.call('GET', `sheets?${query}`, undefined, signal);
    const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
    const parts: BlobPart[] = [];
    let rest = '';
    let isWhole = false;
    for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
      rest += read.value;
      const lines = rest.split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        const { done, of, bytes, end } = JSON.parse(line) as {
          done: number;
          of: number;
          bytes?: string;
          end?: boolean;
        };
        tell(done, of);
        if (bytes) parts.push(Uint8Array.from(atob(bytes), (character) => character.charCodeAt(0)));
        isWhole ||= end === true;
      }
    }
    if (!isWhole)
      throw new ApiProblem({ ...OFFLINE, title: 'The sheets broke off.', detail: 'Nothing is lost: make them again.' });
    return new Blob(parts, { type: 'application/pdf' });
  }

  chain = (id: string) =>
    this.json<{ entries: number; hash: string; text: string | null }>('GET', `combinations/${id}/chain`);
  chains = (after: number) => this.json<ChainReport>('GET', `chains?after=${after}`);
  record = (id: string) => this.json<CombinationRecord>('GET', `combinations/${id}/record.json`);
  importRecord = (record: unknown) => this.json<{ id: string }>('POST', 'records', record);
  demoWireList = async () => (await this.call('GET', 'demo/sprayer-loom.csv')).blob();
  importWireList = (id: string, name: string, className: string, customer: string, file: Blob) =>
    this.json<WireListKept>(
      'POST',
      `wire-lists?${new URLSearchParams({ id, name, class: className, ...(customer && { customer }) }).toString()}`,
      new Blob([file], { type: 'text/csv' }),
    );

  private async json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await this.call(method, path, body);
    return (response.status === 204 ? undefined : await response.json()) as T;
  }

  private async call(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<Response> {
    let response: Response;
    try {
      response = await fetch(`/api/${path}`, {
        method,
        ...(signal && { signal }),
        ...(body instanceof Blob
          ? { body, headers: { 'content-type': body.type || 'text/csv' } }
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
