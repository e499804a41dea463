import { setUpContext, type CombinationView } from '@tug-mark/contract';
import { computeSetUp, entriesOf, judgeCombination, ofCurrentRun, type EntryBody } from '@tug-mark/core';
import { kept, stepsDone, TOOL_TAKEN, viewOf } from '../testing/made-up';
import { newerText, releaseSteps } from './release-steps';

function stepsOf(view: CombinationView) {
  const context = setUpContext(view);
  const now = new Date().toISOString();
  const setUp = computeSetUp(context, view.entries, now);
  const judgement = judgeCombination(setUp, view.entries, context, now);
  const of = <K extends EntryBody['kind']>(kind: K) => entriesOf(ofCurrentRun(view.entries), kind);
  return releaseSteps(view, setUp, judgement, of);
}

describe('The way to a release', () => {
  it('goes from wire and terminal to the pull, each step to its own stage', () => {
    expect(stepsOf(viewOf()).map(({ title, to }) => [title, to])).toEqual([
      ['Wire and terminal', 'match'],
      ['Mount and check', 'tool'],
      ['Strip, measured', 'prepare'],
      ['First pieces', 'crimp'],
      ['Height and look', 'look'],
      ['Pulled', 'tug'],
    ]);
  });

  it('says what is to be mounted and taken before a tool is, and what was taken after', () => {
    const said = (view: CombinationView) => stepsOf(view).find(({ to }) => to === 'tool')?.said ?? '';
    expect(said(viewOf())).toMatch(/^Take it: Hand tool HT/);
    expect(said(viewOf({ checks: [] }))).toContain('heck it, then take it');
    expect(said(viewOf({ entries: [TOOL_TAKEN()] }))).not.toContain('ake it');
  });

  it('counts the strip lengths that were measured against those the house rules ask', () => {
    const strip = (piece: number) =>
      kept({ kind: 'measure', piece, what: 'strip', value: 9, typed: '9', unit: 'mm', note: '' } as EntryBody);
    const view = viewOf({ entries: [TOOL_TAKEN(), strip(1), strip(2)] });
    const wanted = view.practice.measuredPieces;
    expect(stepsOf(view).find(({ to }) => to === 'prepare')?.said).toContain(`2 of ${wanted} measured.`);
  });

  it('passes the crimp once every step of it is confirmed', () => {
    const state = (view: CombinationView) => stepsOf(view).find(({ to }) => to === 'crimp')?.state;
    expect(state(viewOf({ entries: [TOOL_TAKEN()] }))).not.toBe('pass');
    expect(state(viewOf({ entries: [TOOL_TAKEN(), ...stepsDone(viewOf())] }))).toBe('pass');
  });
});

describe('Newer revisions than a set-up was made from', () => {
  const revisions = { terminal: 1, wire: 1, together: [1], practice: 1 };

  it('are named, and the other wires of the barrel with them', () => {
    expect(newerText({ revisions, newest: revisions })).toBe('');
    expect(newerText({ revisions, newest: { ...revisions, terminal: 2, practice: 3 } })).toBe(
      'There is a newer revision of the terminal and the practice. Begin the set-up again to work from it.',
    );
    expect(newerText({ revisions, newest: { ...revisions, together: [2] } })).toContain('of the other wire.');
  });
});
