import {
  PLAIN_SETTINGS,
  setUpContext,
  type Cabinet,
  type CombinationView,
  type Here,
  type KeptEntry,
  type Role,
} from '@tug-mark/contract';
import { computeSetUp, gateAbout, NO_DEMAND, ofCurrentRun, standingOf, type EntryBody } from '@tug-mark/core';
import {
  bareRing,
  insulatedRing,
  limitTable,
  practice,
  stripper,
  tool,
  wire075,
} from '../../../../core/src/testing/shop';

const hoursAgo = (hours: number) => new Date(Date.now() - hours * 3_600_000).toISOString();

/** A bare ring on 0.75 mm2 with a tool checked an hour ago, and a limit of 85 N. */
export function viewOf(changes: Partial<CombinationView> = {}): CombinationView {
  return {
    combination: {
      id: 'c1',
      list: 'Sprayer loom',
      terminal: 'RB',
      wire: 'W-075',
      pieces: 24,
      place: 'dry',
      class: '2',
      customer: null,
      demand: NO_DEMAND,
      readIn: false,
    },
    wire: wire075,
    terminal: bareRing,
    practice,
    strippers: [{ ...stripper, repeatability: 0.1, step: 0.1 }],
    tools: [tool],
    checks: [
      {
        id: 'k1',
        tool: 'HT',
        die: null,
        nest: null,
        at: hoursAgo(1),
        goPassed: true,
        noGoStopped: true,
        by: 'Odile',
        setting: null,
        cycles: null,
      },
    ],
    returns: [],
    limits: [
      {
        ...limitTable,
        effectiveFrom: '2020-01-01',
        rows: [
          { size: { scale: 'mm2', value: 0.75 }, families: [], material: null, force: 85, percent: null, hold: null },
        ],
      },
    ],
    looks: [],
    cabinet: [insulatedRing],
    together: [],
    opposite: [],
    coverings: [],
    loom: [],
    lot: null,
    zone: 'UTC',
    revisions: { terminal: 1, wire: 1, together: [], practice: 1 },
    newest: { terminal: 1, wire: 1, together: [], practice: 1 },
    entries: [],
    ...changes,
  };
}

/** A kept entry as the server gives it back. */
export function kept(body: EntryBody, changes: Partial<KeptEntry> = {}): KeptEntry {
  const id = `kept-${Math.random().toString(36).slice(2)}`;
  return {
    id,
    seq: 1,
    at: hoursAgo(0.5),
    by: 'Odile',
    role: 'technician',
    body,
    verdict: null,
    limit: body.kind === 'reading' ? { document: 'FL-SPEC-07', revision: 'C', class: '2' } : null,
    corrects: null,
    why: null,
    madeAt: null,
    clockBehind: null,
    version: 2,
    previous: '',
    hash: '',
    ...changes,
  };
}
/** A piece somebody has looked at. */
export const seen = (piece: number) => kept({ kind: 'finding', piece, criterion: 'mark', finding: 'accept', note: '' });
/** Every step of the crimp confirmed, as the set-up of a view with its tool taken asks. */
export function stepsDone(view: CombinationView): KeptEntry[] {
  const context = setUpContext(view);
  const { gates } = computeSetUp(context, [...view.entries, TOOL_TAKEN()], new Date().toISOString());
  return gates.map((step) => kept({ kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' }));
}
export const TOOL_TAKEN = () => kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1' });
export const pulled = (piece: number, force: number, changes: Partial<Extract<EntryBody, { kind: 'reading' }>> = {}) =>
  kept({
    kind: 'reading',
    piece,
    force,
    typed: String(force),
    unit: 'N',
    mode: 'slid-out',
    note: '',
    confirmed: ['pulled-already'],
    ...changes,
  });

export function signedIn(role: Role, name = 'Odile'): Here {
  const person = { id: name, name, roles: [role], active: true, qualifiedUntil: null, qualifications: null };
  const shop = { id: 's1', name: 'Fennick Lane', isDemo: true, zone: 'UTC', isNew: false, demoSignIns: [] };
  return { person, shop: { ...shop, settings: PLAIN_SETTINGS, logo: null, movedIn: null } };
}

/** A cabinet with nothing in it; a test fills in what it is about. */
export const EMPTY_CABINET: Cabinet = {
  ...{ wires: [], terminals: [], strippers: [], tools: [], coverings: [], connectors: [], practices: [] },
  ...{ checks: [], returns: [] },
};

export const PLAN = { everyPieces: 10, everyHours: null, afterChange: ['wire-reel' as const], bothSides: false };

/** A bare ring proved, released, and with a lot of 40 opened; looked at by the shop's own sheet where there is one. */
export function released(
  more: (view: CombinationView) => EntryBody[] = () => [],
  looks: CombinationView['looks'] = [],
): CombinationView {
  let seq = 0;
  const put = (entries: KeptEntry[], body: EntryBody, role: 'technician' | 'quality' = 'technician') =>
    entries.push(kept(body, { seq: ++seq, role, by: role === 'quality' ? 'Ines' : 'Odile' }));
  const [sheet] = looks;
  const look = sheet && { document: sheet.document, revision: sheet.revision, class: sheet.class };
  const tool = kept({ kind: 'tool', tool: 'HT', die: 'A', nest: '1', ...(look && { look }) });
  const entries: KeptEntry[] = [{ ...tool, seq: ++seq }];
  const view = () => viewOf({ looks, entries: [...entries] });
  const now = new Date().toISOString();
  const setUp = () => computeSetUp(setUpContext(view()), entries, now);
  for (let piece = 1; piece <= view().practice.measuredPieces; piece++) {
    const strip = setUp().preparation?.strip.setPoint ?? 7;
    put(entries, { kind: 'measure', piece, what: 'strip', value: strip, typed: String(strip), unit: 'mm', note: '' });
  }
  for (const step of setUp().gates) put(entries, { kind: 'gate', ...gateAbout(step), answer: 'yes', note: '' });
  for (let piece = 1; piece <= 5; piece++) {
    for (const { code } of setUp().criteria)
      put(entries, { kind: 'finding', piece, criterion: code, finding: 'accept', note: '' });
  }
  for (const [i, force] of [116.2, 112.2, 121.3, 118.4, 119.9].entries())
    entries.push({ ...pulled(i + 1, force), seq: ++seq });
  const stands = standingOf(setUp(), ofCurrentRun(entries), view().revisions);
  if (!stands) throw new Error('nothing to stand on');
  put(entries, { kind: 'release', stands, note: '' }, 'quality');
  const lot: EntryBody = { kind: 'lot', lot: 1, name: 'L-1', pieces: 40, plan: PLAN, stands, note: '' };
  for (const body of more({ ...view() })) put(entries, body.kind === 'lot' ? lot : body);
  return viewOf({ looks, entries, lot: 1 });
}
/** The opening of the lot; what it stands on is filled in. */
export const OPEN: EntryBody = {
  kind: 'lot',
  lot: 1,
  name: 'L-1',
  pieces: 40,
  plan: PLAN,
  stands: {} as never,
  note: '',
};
