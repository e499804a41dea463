import {
  POINT_NUMBERS,
  type Api as Contract,
  type ChartKind,
  type FirstEngineer,
  type Gauge,
  type ListColumns,
  type NewAnswer,
  type NewBaseline,
  type NewEntry,
  type NewPerson,
  type OwnPassword,
  type NewStudy,
  type NewToolCheck,
  NewToolReturn,
  type PersonChange,
  type Sent,
  type ShopChange,
  type SignIn,
} from '@tug-mark/contract';
import type { CatalogueKind, DocumentKey, LimitTable, LookSheet, Paper, PracticeDraft } from '@tug-mark/core';
import { inject, Injectable } from '@angular/core';
import { Client } from './client';
import { SheetCount } from './sheet-count';
import { ApiProblem, OFFLINE } from './problem';

export { ApiProblem, toProblem } from './problem';

const csv = (file: Blob) => new Blob([file], { type: 'text/csv' });
const bytesOf = async (file: Blob) => new Uint8Array(await file.arrayBuffer());

/** Every call the pages make, by what it does. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly client = inject(Client);

  here = () => this.client.call('here', {});
  signIn = (body: SignIn) => this.client.call('signIn', { body });
  signOut = () => this.client.call('signOut', {});
  makeFirstEngineer = (body: FirstEngineer) => this.client.call('makeFirstEngineer', { body });
  changeOwnPassword = (body: OwnPassword) => this.client.call('changeOwnPassword', { body });
  giveOnceWord = (id: string) => this.client.call('giveOnceWord', { params: { id } });
  signIns = () => this.client.call('listSignIns', {});
  people = () => this.client.call('listPeople', {});
  addPerson = (body: NewPerson) => this.client.call('addPerson', { body });
  changePerson = ({ id, active, roles, qualifiedUntil, qualifications }: PersonChange & { id: string }) =>
    this.client.call('changePerson', {
      params: { id },
      body: {
        ...{ active, roles, qualifiedUntil },
        qualifications: qualifications?.map(({ family, until }) => ({ family, until })) ?? null,
      },
    });
  changeShop = (body: ShopChange) => this.client.call('changeShop', { body });
  putLogo = (body: Blob) => this.client.call('putLogo', { body });
  removeLogo = () => this.client.call('removeLogo', {});
  moveShopIn = (file: Blob, only: 'check' | 'keep') =>
    this.client.call('moveShopIn', { query: { only }, body: new Blob([file], { type: 'application/gzip' }) });

  combinations = (after: number) => this.client.call('listCombinations', { query: { after } });
  bench = (query: Sent<Contract['listBench'], Blob>['query']) => this.client.call('listBench', { query });
  benchTotals = () => this.client.call('readBench', {});
  lots = (query: Sent<Contract['listLots'], Blob>['query']) => this.client.call('listLots', { query });
  changeWireList = (id: string, body: Sent<Contract['changeWireList'], Blob>['body']) =>
    this.client.call('changeWireList', { params: { id }, body });
  combination = (id: string) => this.client.call('readCombination', { params: { id }, query: {} });
  combinationOfLot = (id: string, lot: number) =>
    this.client.call('readCombination', { params: { id }, query: { lot } });
  putOnRecord = (id: string, body: NewEntry) => this.client.call('putEntry', { params: { id }, body });
  settleUnsent = (id: string, body: Sent<Contract['settleUnsent'], Blob>['body']) =>
    this.client.call('settleUnsent', { params: { id }, body });
  unsent = (id: string) => this.client.call('listUnsent', { params: { id } });
  /** What others put on record after a place in the journal. */
  entriesAfter = (id: string, after: number) =>
    this.client.call('readEntriesAfter', { params: { id }, query: { after } });
  putCurve = (id: string, trace: string, body: Blob) => this.client.call('putCurve', { params: { id, trace }, body });
  importReadings = (id: string, lot: number, file: Blob) =>
    this.client.call('importReadings', { params: { id, lot }, body: csv(file) });
  curve = async (id: string, trace: string) => bytesOf(await this.client.file('readCurve', { params: { id, trace } }));
  putPhoto = (id: string, photo: string, body: Blob) => this.client.call('putPhoto', { params: { id, photo }, body });
  demoWireList = () => this.client.file('demoWireList', {});
  keepListColumns = (id: string, body: ListColumns) => this.client.call('keepListColumns', { params: { id }, body });
  connectors = (id: string) => this.client.call('readConnectors', { params: { id } });
  loom = (id: string) => this.client.call('readLoom', { params: { id } });
  listColumns = () => this.client.call('readListColumns', {});
  importWireList = (query: Sent<Contract['importWireList'], Blob>['query'], file: Blob) =>
    this.client.call('importWireList', {
      query,
      body: csv(file),
    });

  heights = (id: string) => this.client.call('readHeights', { params: { id } });
  causes = () => this.client.call('listCauses', {});
  studies = () => this.client.call('listStudies', {});
  beginStudy = (body: NewStudy) => this.client.call('beginStudy', { body });
  studyTurn = (id: string) => this.client.call('readStudyTurn', { params: { id } });
  answerStudy = (id: string, body: NewAnswer) => this.client.call('answerStudy', { params: { id }, body });
  closeStudy = (id: string) => this.client.call('closeStudy', { params: { id } });
  studyResults = (id: string) => this.client.call('readStudyResults', { params: { id } });
  chartChoices = () => this.client.call('listChartChoices', {});
  chartAbout = (kind: ChartKind, value: string) => this.client.call('readChart', { query: { kind, value } });
  chartGlances = (kind: ChartKind, value: string) => this.client.call('readChartGlances', { query: { kind, value } });
  freezeBaseline = (body: NewBaseline) => this.client.call('freezeBaseline', { body });

  floor = () => this.client.call('readFloor', {});
  keepFloor = (body: Sent<Contract['keepFloor'], Blob>['body']) => this.client.call('keepFloor', { body });
  readHours = (file: Blob) => this.client.call('readHours', { body: csv(file) });
  stock = () => this.client.call('readStock', {});
  moveStock = (body: Sent<Contract['moveStock'], Blob>['body']) => this.client.call('moveStock', { body });
  readCounts = (file: Blob) => this.client.call('readCounts', { body: csv(file) });
  readJobsFile = (body: unknown) =>
    this.client.call('readJobsFile', { body: body as Sent<Contract['readJobsFile'], Blob>['body'] });
  readDues = (file: Blob) => this.client.call('readDues', { body: csv(file) });
  planDay = (days: number) => this.client.call('readPlanDay', { query: { days } });
  planQueue = (known: number) => this.client.call('readQueue', { query: { known } });
  givePlanOut = (body: Sent<Contract['givePlanOut'], Blob>['body']) => this.client.call('givePlanOut', { body });
  givenPlans = () => this.client.call('listGivenPlans', {});
  planWent = (revision: number) => this.client.call('readPlanWent', { params: { revision } });

  gauges = () => this.client.call('listGauges', {});
  keepGauge = (body: Gauge) => this.client.call('keepGauge', { body });
  zeroGauge = (id: string) => this.client.call('zeroGauge', { params: { id } });
  gaugeCurve = async (id: string) => bytesOf(await this.client.file('readGaugeCurve', { params: { id } }));

  checkTool = (body: NewToolCheck) => this.client.call('checkTool', { body });
  returnTool = (body: NewToolReturn) => this.client.call('returnTool', { body });
  cabinet = () => this.client.call('readCabinet', {});
  importShopFile = (file: unknown) => this.client.call('importShopFile', { body: file as never });
  suspect = (part: string) => this.client.call('readSuspect', { params: { part } });
  revisions = (kind: CatalogueKind | 'practice', part: string) =>
    this.client.call('listRevisions', { params: { kind, part } });
  keepPart = (kind: CatalogueKind, opened: number, body: unknown) =>
    this.client.call('keepPart', { params: { kind }, body: { opened, body } });
  keepPractice = (opened: number, draft: PracticeDraft) =>
    this.client.call('keepPractice', { body: { opened, draft: draft as never } });
  importPartTable = (kind: CatalogueKind, file: Blob) =>
    this.client.call('importPartTable', { params: { kind }, body: csv(file) });
  importParts = (kind: CatalogueKind, file: unknown) =>
    this.client.call('importParts', { params: { kind }, body: file as never });

  limits = () => this.client.call('listLimits', {});
  draftLimit = (body: LimitTable) => this.client.call('keepLimitDraft', { body });
  readLimitRows = (file: Blob) => this.client.call('readLimitRows', { body: csv(file) });
  releaseLimit = (body: DocumentKey & { replaces: boolean }) => this.client.call('releaseLimit', { body });
  withdrawLimit = (body: DocumentKey) => this.client.call('withdrawLimit', { body });
  touchedByLimits = ({ document, revision, class: className }: DocumentKey) =>
    this.client.call('touchedByLimits', { query: { document, revision, class: className } });
  looks = () => this.client.call('listLooks', {});
  keepLookDraft = (body: LookSheet) => this.client.call('keepLookDraft', { body });
  moveLook = (key: DocumentKey, to: 'release' | 'withdraw', replaces: boolean) =>
    this.client.call(to === 'release' ? 'releaseLook' : 'withdrawLook', { body: { ...key, replaces } });

  sheetPages = (id: string, paper: Paper) => this.client.call('readSheet', { params: { id }, query: { paper } });
  chain = (id: string) => this.client.call('verifyChain', { params: { id } });
  chains = (after: number) => this.client.call('verifyChains', { query: { after } });
  record = (id: string) => this.client.call('writeRecord', { params: { id } });
  /** Keeps a record of another shop, as the bytes it is. */
  readInRecord = (file: File) =>
    this.client.call('readInRecord', {
      query: { name: file.name.slice(0, 200) },
      body: new Blob([file], { type: 'application/json' }),
    });
  foreignRecords = () => this.client.call('listForeignRecords', {});
  foreignRecord = (id: string) => this.client.call('readForeignRecord', { params: { id } });

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
    const reader = (await this.client.stream('readChartPoints', { query: { kind, value } }, signal))?.getReader();
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

  /**
   * All set-up sheets of a list as one PDF, told as it grows.
   * @param tell called with sheets done
   */
  async sheetPile(list: string, paper: Paper, signal: AbortSignal, tell: (done: number) => void): Promise<Blob> {
    const reader = (await this.client.stream('printSheets', { query: { list, paper } }, signal))?.getReader();
    const parts: BlobPart[] = [];
    const progress = new SheetCount();
    try {
      for (let read = await reader?.read(); read && !read.done; read = await reader?.read()) {
        parts.push(read.value);
        tell(progress.take(read.value));
      }
    } catch (error) {
      if (signal.aborted) throw error;
    }
    if (!progress.isWhole)
      throw new ApiProblem({ ...OFFLINE, title: 'The sheets broke off.', detail: 'Nothing is lost: make them again.' });
    return new Blob(parts, { type: 'application/pdf' });
  }
}
