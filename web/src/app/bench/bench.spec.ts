import type { CombinationView } from '@tug-mark/contract';
import { windowSplice, wireOf } from '../../../../core/src/testing/shop';
import { ApiProblem } from '../http/api';
import { MatchStage } from '../match/match-stage';
import { outboxActions } from '../outbox/outbox.state';
import { PrepareStage } from '../prepare/prepare-stage';
import { sessionActions } from '../session/session.state';
import { RefusedEntries } from '../shell/refused-entries';
import { Shell } from '../shell/shell';
import { settingsFeature } from '../settings/settings.state';
import { Bench, pulled, signedIn, TOOL_TAKEN, viewOf } from '../testing/bench';
import { LimitsPage } from '../tug/limits-page';
import { handActions } from '../hand/hand.state';
import { BenchPage } from './bench-page';

const problem = (status: number, changes = {}) =>
  new ApiProblem({ type: 'about:blank', title: 'Refused.', detail: 'Do else.', status, code: 'x', ...changes });

describe('Around the bench', () => {
  let bench: Bench<unknown>;
  afterEach(() => {
    bench.close();
  });

  it('draws no pieces for numbers that were left out: piece 3, then piece 2000', async () => {
    bench = await Bench.open(BenchPage, { inputs: { id: 'c1' } });
    const entries = [TOOL_TAKEN(), pulled(3, 118.4), pulled(2000, 118.4)];
    bench.store.dispatch(handActions.loaded({ view: viewOf({ entries }) }));
    await bench.settle();
    const told = [...bench.element.querySelectorAll('tm-lot-line ol .out-of-sight')].map((n) => n.textContent);
    expect(told.map((text) => Number(/Sample (\d+)/.exec(text ?? '')?.[1]))).toEqual([1, 2, 3, 4, 5, 2000]);
    expect(told[2]).toContain('tug holds');
    expect(bench.element.querySelector('tm-lot-line .more')).toBeNull();
  });

  describe('Match and Prepare', () => {
    it('refuse a soldered wire with the reason, and stop there', async () => {
      bench = await Bench.open(MatchStage, { view: viewOf({ wire: wireOf({ kind: 'soldered' }) }) });
      expect(bench.headline).toBe('This pair does not belong together.');
      expect(bench.text).toContain('Solder creeps under pressure');
      expect(bench.text).toContain('Nothing can be put on record for this pair.');
      await bench.key('Enter');
      expect(bench.wentTo).toBeUndefined();
    });

    it('name what fits instead', async () => {
      const far = {
        ...viewOf().terminal,
        conductorRange: { smallest: { scale: 'mm2' as const, value: 4 }, largest: { scale: 'mm2' as const, value: 6 } },
      };
      bench = await Bench.open(MatchStage, { view: viewOf({ terminal: far }) });
      expect(bench.element.querySelector('.nearest li')?.textContent).toContain('RT insulated ring');
    });

    it('ask quality for what settles a match at the edge, and nobody else', async () => {
      const range = { smallest: { scale: 'mm2' as const, value: 0.78 }, largest: { scale: 'mm2' as const, value: 1 } };
      const view = viewOf({ terminal: { ...viewOf().terminal, conductorRange: range } });
      bench = await Bench.open(MatchStage, { view });
      expect(bench.headline).toBe('At the edge: trial evidence is needed.');
      expect(bench.has('Put it on record')).toBeFalse();
      bench.close();
      bench = await Bench.open(MatchStage, { view, role: 'quality' });
      await bench.type('trial-evidence', '1');
      await bench.press('Put it on record');
      expect(bench.text).toContain('Name the report, section or sample that settles it.');
      await bench.type('trial-evidence', 'report FL-T-12');
      await bench.press('Put it on record');
      expect(bench.put[0]?.body).toEqual({ kind: 'trial', evidence: 'report FL-T-12', note: '' });
      expect(bench.headline).toBe('At the edge, settled by a trial.');
      expect(bench.text).toContain('Trial evidence by Odile: report FL-T-12.');
      expect(bench.element.querySelector('tm-reasons .hold')).toBeNull();
    });

    it('tell what the other end of these wires asks, open where something is slid on', async () => {
      const end = { terminal: 'RB', label: 'ring', joined: false };
      const wires = (does: 'slide-on' | 'crimp'): CombinationView['loom'][number] => ({
        ...{ wire: 'W-075', wireLabel: '0.75 mm²', wires: 6, ids: ['A1'], more: false, a: end, b: end },
        ...{ first: 'A', why: 'Either end may come first.', reasons: [] },
        steps: [{ end: 'A', does, text: 'boot onto end A' }],
      });
      const isOpen = async (loom: CombinationView['loom']) => {
        bench = await Bench.open(PrepareStage, { view: viewOf({ loom }) });
        const found = bench.element.querySelector('tm-loom-wires')?.closest('details')?.open ?? null;
        bench.close();
        return found;
      };
      expect([await isOpen([wires('slide-on')]), await isOpen([wires('crimp')]), await isOpen([])]).toEqual([
        true,
        false,
        null,
      ]);
      bench = await Bench.open(PrepareStage, { view: viewOf({ loom: [wires('slide-on')] }) });
      expect(bench.text).toContain('Slide on boot onto end A');
    });

    it('show one strip length in headline, facts, drawing and ruler', async () => {
      bench = await Bench.open(PrepareStage, { view: viewOf() });
      // L 6, envelope 1.1317, brush to 4: [8.263, 10], middle 9.13 on the 0.1 step
      expect(bench.headline).toBe('Strip 9.1 mm.');
      expect(bench.element.querySelector('dd')?.textContent?.trim()).toMatch(/^9\.1 mm/);
      await bench.press('in inches');
      expect(bench.element.querySelector('dd')?.textContent).toContain('0.358 in (9.1 mm)');
      expect(bench.element.querySelector('tm-side-view svg')?.textContent).toContain('strip 9.1');
      expect(bench.element.querySelector('tm-strip-ruler svg')?.getAttribute('aria-label')).toContain(
        'band from 8.3 to 10.0 mm, set point 9.1 mm',
      );
    });

    it('tell the strip of every wire that shares the barrel, and take the first measured one at the key M', async () => {
      const view = viewOf({ entries: [TOOL_TAKEN()] });
      const practice = { ...view.practice, measuredPieces: 1 };
      bench = await Bench.open(PrepareStage, { view: { ...view, practice, together: [wireOf({ strands: 32 })] } });
      // 32 strands of 0.2 bunched: 1.3067 over them; [6 + 2 x 1.3067, 10], middle 9.31 on the 0.1 step
      expect(bench.headline).toBe('Strip 9.1 mm; wire 2: 9.3 mm.');
      await bench.key('m');
      expect(document.activeElement?.id).toBe('strip-typed');
    });

    it('name what is slid on first, and a screen that is not checked for size', async () => {
      bench = await Bench.open(PrepareStage, { view: viewOf({ terminal: windowSplice }) });
      expect(bench.text).toContain('SS sealing sleeve 3.2/1.0, 30 mm');
      expect(bench.text).toContain('not true size yet');
      await bench.press('check this screen');
      await bench.press('much longer');
      await bench.press('It is as long as the card');
      expect(bench.text).toContain('true size, mm');
      expect(bench.store.selectSignal(settingsFeature.selectPxPerMm)()).toBeCloseTo(96 / 25.4 + 0.1, 6);
    });
  });

  describe('The frame of every page', () => {
    const waiting = (person: string) => ({
      entry: { id: person, body: pulled(1, 118).body, corrects: null, why: null },
      combination: 'c1',
      person,
      personName: person,
      madeAt: '',
      refused: null,
    });

    it('says that the server is silent and what is kept here', async () => {
      bench = await Bench.open(Shell);
      bench.store.dispatch(outboxActions.put({ item: waiting('Odile') }));
      bench.store.dispatch(outboxActions.serverSilent());
      await bench.settle();
      expect(bench.text).toContain('Server silent · 1 kept here');
    });

    it('asks to sign in again in place, and tells whose entries wait for whom', async () => {
      bench = await Bench.open(Shell);
      bench.store.dispatch(outboxActions.put({ item: waiting('Odile') }));
      bench.store.dispatch(sessionActions.expired());
      await bench.settle();
      expect(bench.text).toContain('1 entry is kept on this device.');
      bench.store.dispatch(sessionActions.arrived({ here: signedIn('quality', 'Ines') }));
      await bench.settle();
      expect(bench.text).toContain('1 entry made by Odile: kept on this device, and sent when Odile signs in here.');
    });

    it('shows a refused reading with what was meant, and keeps it as the next piece', async () => {
      bench = await Bench.open(RefusedEntries, { view: viewOf({ entries: [TOOL_TAKEN(), pulled(1, 116)] }) });
      bench.store.dispatch(outboxActions.put({ item: waiting('Odile') }));
      bench.store.dispatch(
        outboxActions.refused({
          id: 'Odile',
          problem: problem(409, { code: 'slot-taken', title: 'Piece 1 has a reading already.' }).problem,
        }),
      );
      await bench.settle();
      expect(bench.text).toContain('Not on record: Piece 1 has a reading already.');
      expect(bench.text).toContain('Yours: Piece 1 pulled: 118 N');
      await bench.press('Keep mine as piece 2');
      expect(bench.put.map(({ body }) => (body.kind === 'reading' ? [body.piece, body.force] : []))).toEqual([
        [2, 118],
      ]);
    });
  });

  describe('The limits', () => {
    const table = { ...viewOf().limits[0], revision: 'D', status: 'draft' };
    const draft = {
      table,
      draftedBy: 'Marek',
      releasedBy: null,
      releasedAt: null,
      withdrawnBy: null,
      withdrawnAt: null,
      problems: [],
    };
    const limits = () => Promise.resolve([draft]);

    it('are released by quality', async () => {
      const releaseLimit = jasmine.createSpy('releaseLimit').and.resolveTo({});
      bench = await Bench.open(LimitsPage, { role: 'quality', api: { limits, releaseLimit } });
      await bench.press('Release rev D, grade 2');
      expect(releaseLimit).toHaveBeenCalledOnceWith({
        document: 'FL-SPEC-07',
        revision: 'D',
        class: '2',
        replaces: false,
      });
    });

    it('are only looked at by others', async () => {
      bench = await Bench.open(LimitsPage, { role: 'technician', api: { limits } });
      expect(bench.has('Release rev D')).toBeFalse();
      expect(bench.text).toContain('Releasing and withdrawing is for quality.');
    });
  });
});
