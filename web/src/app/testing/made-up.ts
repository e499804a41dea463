import { setUpContext, type CombinationView, type Here, type KeptEntry, type Role } from '@tug-mark/contract';
import { computeSetUp, NO_DEMAND, type EntryBody } from '@tug-mark/core';
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
    coverings: [],
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
  return gates.map(({ gate }) => kept({ kind: 'gate', gate, answer: 'yes', note: '' }));
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
  const person = { id: name, name, role, active: true, qualifiedUntil: null };
  return { person, shop: { id: 's1', name: 'Fennick Lane', isDemo: true, zone: 'UTC', isNew: false, demoSignIns: [] } };
}
