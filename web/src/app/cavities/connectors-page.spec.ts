import type { KeptEntry, LoomConnectors, NewEntry } from '@tug-mark/contract';
import type { Connector, EntryBody } from '@tug-mark/core';
import { ApiProblem } from '../http/problem';
import { Bench, kept } from '../testing/bench';
import { TickHarness } from '../testing/harness/tick.harness';
import { ConnectorsPage } from './connectors-page';

const part: Connector = {
  ...{ part: 'CN-4', label: 'connector', maker: 'Larkspur Stampings', lock: 'lock bar', sheet: null },
  cavities: [
    { id: '1', column: 1, row: 1, terminals: [] },
    { id: '2', column: 2, row: 1, terminals: [] },
    { id: '3', column: 1, row: 2, terminals: [] },
  ],
};
const contact = {
  ...{ release: 'rear' as const, insertionTool: 'tool IT', removalTool: 'tool RT', secondaryLock: true },
  mostRemovals: 1,
};
const combination = '0192f3a4-0000-7000-8000-0000000000c1';
const wire = (cavity: string, looms = 2) => ({
  ...{ cavity, wireId: `W${cavity}`, looms, wire: 'W-075', terminal: 'SC', contact, push: 20 },
  combination,
});
const filled = (cavity: string, changes: Partial<Extract<EntryBody, { kind: 'retention' }>> = {}) =>
  kept({
    ...{ kind: 'retention', piece: 1, connector: 'X1', cavity, clicked: true, locked: null, force: 20, stayed: true },
    ...{ tool: 'tool IT', straight: true, pulledBack: true, note: '' },
    ...changes,
  });

describe('Connectors, cavity by cavity', () => {
  let bench: Bench<ConnectorsPage>;
  let sent: NewEntry[];
  /** The combinations they were sent for. */
  let on: string[];
  afterEach(() => {
    bench.close();
  });
  const open = async (
    work: KeptEntry[] = [],
    connectors: LoomConnectors['connectors'] = [{ name: 'X1', part, looms: 2, wires: [wire('1'), wire('2', 1)] }],
    putOnRecord?: () => Promise<unknown>,
  ) => {
    sent = [];
    on = [];
    bench = await Bench.open(ConnectorsPage, {
      inputs: { id: 'l1' },
      api: {
        connectors: () =>
          Promise.resolve({ name: 'Mast loom', connectors, work: work.map((each) => ({ ...each, combination })) }),
        putOnRecord:
          putOnRecord ??
          ((of: string, entry: NewEntry) => {
            on.push(of);
            sent.push(entry);
            return Promise.resolve(kept(entry.body));
          }),
      },
    });
  };
  const map = () =>
    [...bench.element.querySelectorAll('tm-cavity-grid button')].map((each) => each.getAttribute('aria-label'));

  it('show what comes next on the map, and keep a contact with all that was done to it', async () => {
    await open();
    expect(bench.headline).toBe('X1: cavity 1 comes next; 0 of 2 are home.');
    expect(map()).toEqual(['Cavity 1, empty, W1', 'Cavity 2, empty, W2', 'Cavity 3, unused']);
    expect(bench.text).toContain('Grip it with tool IT, straight behind the cavity.');
    expect(bench.text).toContain('Push it from the front with 20 N.');
    await bench.type('cavity-push', '21');
    await bench.press('In straight, it clicked');
    expect(sent[0]?.body).toEqual({
      ...{ kind: 'retention', piece: 1, connector: 'X1', cavity: '1', straight: true, clicked: true },
      ...{ pulledBack: true, stayed: true, locked: null, force: 21, tool: 'tool IT', note: '' },
    });
    expect(map()[0]).toBe('Cavity 1, home, W1');
    expect(bench.headline).toBe('X1: cavity 2 comes next; 1 of 2 are home.');
  });

  it('close the lock when every contact is home, and open it only with a reason', async () => {
    await open([filled('1'), filled('2')]);
    expect(bench.headline).toBe('X1: all 2 contacts are home. Close the lock.');
    await bench.press('The lock is closed');
    expect(sent[0]?.body).toEqual({ kind: 'lock', piece: 1, connector: 'X1', count: 1, closed: true, note: '' });
    expect(bench.text).toContain('Lock bar is closed.');
    expect(bench.text).toContain('Open the lock before a contact is taken out.');
    await bench.type('lock-why', 'wrong wire');
    await bench.press('The lock is open again');
    expect(sent[1]?.body).toEqual(
      jasmine.objectContaining({ kind: 'lock', count: 2, closed: false, note: 'wrong wire' }),
    );
  });

  it('take a loose contact out from the side its sheet releases it, with what it looks like', async () => {
    await open([filled('1', { clicked: false, note: 'no click' })]);
    expect(bench.text).toContain('Released from the rear with tool RT');
    await bench.press('It is out');
    expect(sent[0]?.body).toEqual({
      ...{ kind: 'removal', piece: 1, connector: 'X1', cavity: '1', seat: 1, technique: 'rear', tool: 'tool RT' },
      ...{ reason: 'wrong cavity', lance: 'good', grip: 'good', note: '' },
    });
    expect(map()[0]).toBe('Cavity 1, taken out, W1');
    expect(bench.text).toContain('it may go in again');
  });

  it('have a contact taken out that lies where the list puts none', async () => {
    await open([filled('1'), filled('2'), filled('3')]);
    expect(bench.headline).toBe('X1: cavity 3 comes next; 2 of 2 are home.');
    expect(bench.text).toContain('A contact is in it, and the list puts none there.');
    expect(bench.text).not.toContain('Leave it in');
    await bench.press('It is out');
    expect(sent[0]?.body).toEqual(jasmine.objectContaining({ kind: 'removal', cavity: '3', seat: 1, tool: 'tool RT' }));
    expect(map()[2]).toBe('Cavity 3, unused');
    expect(bench.headline).toBe('X1: all 2 contacts are home. Close the lock.');
  });

  it('have the lock opened before a loose contact is taken out', async () => {
    const locked = kept({ kind: 'lock', piece: 1, connector: 'X1', count: 1, closed: true, note: '' });
    await open([filled('1'), filled('2'), filled('3'), locked]);
    expect(bench.text).toContain('Open the lock before a contact is taken out.');
    expect(bench.text).not.toContain('It is out');
    await bench.type('lock-why', 'a contact too many');
    await bench.press('The lock is open again');
    expect(bench.text).toContain('It is out');
  });

  it('put nothing in over a closed lock, and tell of a lock where it was told of before', async () => {
    const locked = kept({ kind: 'lock', piece: 1, connector: 'X1', count: 1, closed: true, note: '' });
    const second = { ...wire('2'), combination: '0192f3a4-0000-7000-8000-0000000000c2' };
    // The lock was told of in the journal of another contact than the one that is first by now.
    await open(
      [locked],
      [{ name: 'X1', part, looms: 2, wires: [{ ...wire('1'), combination: second.combination }, second] }],
    );
    expect(bench.text).toContain('Open the lock before a contact is put in.');
    expect(bench.text).not.toContain('In straight, it clicked');
    await bench.type('lock-why', 'cavity 1 is empty');
    await bench.press('The lock is open again');
    expect(on).toEqual([combination]);
    expect(bench.text).toContain('In straight, it clicked');
  });

  it('ask for the push of a contact that was pushed too lightly, and keep the first one on record', async () => {
    const light = filled('1', { force: 12 });
    await open([light]);
    expect(map()[0]).toBe('Cavity 1, not pushed yet, W1');
    expect(bench.text).toContain('Pushed with 12 N only; 20 N is asked.');
    await bench.type('cavity-push', '21');
    await bench.press('Keep the push');
    expect(sent[0]).toEqual(jasmine.objectContaining({ corrects: light.id, why: 'pushed again' }));
    expect(sent[0]?.body).toEqual(jasmine.objectContaining({ kind: 'retention', cavity: '1', force: 21 }));
  });

  it('take what is not so one by one, with what differs', async () => {
    await open();
    expect(bench.text).not.toContain('Untick what is not so');
    await bench.press('Not like this');
    await (await bench.part(TickHarness.with({ text: 'clicked' }))).turn();
    await bench.type('cavity-note', 'lance bent');
    await bench.press('Keep it so');
    expect(sent[0]?.body).toEqual(
      jasmine.objectContaining({ kind: 'retention', clicked: false, straight: true, note: 'lance bent' }),
    );
    expect(map()[0]).toBe('Cavity 1, loose, W1');
  });

  it('are of one loom at a time; a wire of fewer looms is in the first of them alone', async () => {
    await open([filled('1')]);
    await bench.press('Next loom');
    expect(map()).toEqual(['Cavity 1, empty, W1', 'Cavity 2, unused', 'Cavity 3, unused']);
    await bench.press('Next loom');
    expect(bench.element.querySelector<HTMLInputElement>('#loom')?.value).toBe('2');
  });

  it('take nothing that was typed for one loom over to the next', async () => {
    await open();
    await bench.type('cavity-push', '21');
    await bench.press('Next loom');
    expect(map()[0]).toBe('Cavity 1, empty, W1');
    expect(bench.element.querySelector<HTMLInputElement>('#cavity-push')?.value).toBe('');
  });

  it('go from cavity to cavity by arrow keys', async () => {
    await open();
    const [first] = bench.element.querySelectorAll<HTMLElement>('tm-cavity-grid button');
    first?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true, cancelable: true }));
    await bench.settle();
    expect(document.activeElement?.getAttribute('data-cavity')).toBe('3');
    expect(bench.text).toContain('The list puts nothing into it.');
  });

  it('lose nothing that was typed when it is refused, and say why', async () => {
    await open([], undefined, () =>
      Promise.reject(
        new ApiProblem({
          ...{ type: 'about:blank', title: 'Not kept.', status: 422, code: 'seat-order' },
          detail: 'Cavity 1 is filled.',
        } as never),
      ),
    );
    await bench.type('cavity-push', '21');
    await bench.press('In straight, it clicked');
    expect(bench.text).toContain('Cavity 1 is filled.');
    expect(bench.element.querySelector<HTMLInputElement>('#cavity-push')?.value).toBe('21');
    await bench.type('cavity-push', 'hard');
    await bench.press('In straight, it clicked');
    expect(bench.text).toContain('The push is a number in N, or left out.');
  });

  it('show what another station did meanwhile, and keep what was typed, when something is refused for it', async () => {
    const work: KeptEntry[] = [];
    await open(work, undefined, () => {
      work.push(kept({ kind: 'lock', piece: 1, connector: 'X1', count: 1, closed: true, note: '' }));
      return Promise.reject(
        new ApiProblem({
          type: 'about:blank',
          title: 'The lock is closed.',
          status: 422,
          code: 'lock-closed',
        } as never),
      );
    });
    await bench.type('cavity-push', '21');
    await bench.press('In straight, it clicked');
    expect(bench.text).toContain('The lock is closed.');
    expect(bench.text).toContain('Lock bar is closed, and a contact is not home: open it.');
    work.push(kept({ kind: 'lock', piece: 1, connector: 'X1', count: 2, closed: false, note: 'not home' }));
    await bench.type('lock-why', 'not home');
    await bench.press('The lock is open again');
    expect(bench.element.querySelector<HTMLInputElement>('#cavity-push')?.value).toBe('21');
  });

  it('say how a list comes to name them where it names none', async () => {
    await open([], []);
    expect(bench.text).toContain('This list names no connectors.');
  });
});
