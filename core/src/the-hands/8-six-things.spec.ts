import { ofCurrentRun, releaseThings, standingOf, type EntryBody } from '../index';
import { Bench } from '../testing/bench';
import { everyTool, families, familyContext } from '../testing/families';
import { practice } from '../testing/shop';

const bare = families['bare-terminal'];
const sheet = { number: 'Sheet 12', revision: 'B', page: '3' };

/** A bare terminal set up and proved, up to its release. */
function proved(papers: { terminal: typeof bare.sheet; tool: typeof everyTool.sheet }): Bench {
  const bench = new Bench(
    familyContext('bare-terminal', {
      terminal: { ...bare, sheet: papers.terminal },
      tools: [{ ...everyTool, sheet: papers.tool }],
      practice: { ...practice, setUpPieces: 1, measuredPieces: 0, acceptance: 'minimum-only' },
    }),
  );
  bench.take().make();
  for (const { code } of bench.setUp.criteria)
    bench.put({ kind: 'finding', piece: 1, criterion: code, finding: 'accept', note: '' });
  bench.put({
    ...{ kind: 'reading', piece: 1, force: 180, typed: '180', unit: 'N', mode: 'slid-out', note: '' },
    confirmed: [],
  });
  return bench;
}
const release = (bench: Bench, changes: object = {}): EntryBody => {
  const stands = standingOf(bench.setUp, ofCurrentRun(bench.entries), bench.context.revisions);
  if (!stands) throw new Error('nothing to release');
  return { kind: 'release', stands, note: '', ...changes };
};
const missing = (bench: Bench, named = {}) =>
  releaseThings(bench.setUp, bench.entries, bench.judged, named).flatMap(({ thing, isThere }) =>
    isThere ? [] : [thing],
  );

describe('A release asks for six things', () => {
  it('person, wire, terminal, tool, documents and inspection; with all of them it is given', () => {
    const bench = proved({ terminal: sheet, tool: sheet });
    const things = releaseThings(bench.setUp, bench.entries, bench.judged);
    expect(things.map(({ title }) => title)).toEqual(['Person', 'Wire', 'Terminal', 'Tool', 'Documents', 'Inspection']);
    expect(missing(bench)).toEqual([]);
    expect(things[0]?.text).toBe(
      'Odile. Whoever the shop does not call qualified for bare terminal is refused at every entry.',
    );
    expect(things[4]?.text).toContain('terminal: Sheet 12 rev B, page 3; tool: Sheet 12 rev B, page 3; limits:');
    expect(bench.put(release(bench))).toBeNull();
  });

  it('is held by a paper nobody names, of the terminal or of the tool, and says which', () => {
    const noTool = proved({ terminal: sheet, tool: null });
    expect(missing(noTool)).toEqual(['document']);
    expect(noTool.put(release(noTool))).toBe('document-missing');
    const neither = proved({ terminal: null, tool: null });
    expect(neither.put(release(neither, { sheets: { terminal: sheet } }))).toBe('document-missing');
  });

  it('takes a paper that is named with it, and keeps it', () => {
    const bench = proved({ terminal: null, tool: sheet });
    expect(missing(bench, { terminal: sheet })).toEqual([]);
    expect(bench.put(release(bench, { sheets: { terminal: sheet } }))).toBeNull();
    expect(bench.setUp.sheets.terminal).toEqual(sheet);
    expect(missing(bench)).toEqual([]);
  });

  it('misses everything before anything is on record', () => {
    expect(missing(new Bench(familyContext('bare-terminal')))).toEqual(['person', 'wire', 'tool', 'inspection']);
  });
});
