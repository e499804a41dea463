import type { Person } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { PeoplePage } from './people-page';

const person = (name: string, changes: Partial<Person> = {}): Person => ({
  id: `id-${name}`,
  name,
  role: 'technician',
  active: true,
  qualifiedUntil: null,
  ...changes,
});

describe('The accounts of the shop', () => {
  let bench: Bench<PeoplePage>;
  const addPerson = jasmine.createSpy('addPerson');
  const giveOnceWord = jasmine.createSpy('giveOnceWord').and.resolveTo({ name: 'Quinn', word: 'k7mq-2vdx-9rtp' });
  const changePerson = jasmine.createSpy('changePerson').and.resolveTo({});
  beforeEach(async () => {
    addPerson.calls.reset();
    addPerson.and.resolveTo({});
    const signIns = () => Promise.resolve([{ name: 'Tove', at: '2026-11-26T08:00:00Z', succeeded: false }]);
    const people = () => Promise.resolve([person('Odile'), person('Tove', { qualifiedUntil: '2020-01-31' })]);
    bench = await Bench.open(PeoplePage, {
      role: 'engineer',
      api: { people, addPerson, changePerson, giveOnceWord, signIns },
    });
  });
  afterEach(() => {
    bench.close();
  });

  it('say whose qualification has lapsed', () => {
    const rows = [...bench.element.querySelectorAll('tbody tr')].map((row) => row.textContent?.includes('lapsed'));
    expect(rows).toEqual([false, true]);
    expect(bench.element.querySelector<HTMLInputElement>('#until-id-Tove')?.value).toBe('2020-01-31');
  });

  it('refuse what the server would, at the field, before anything is sent', async () => {
    await bench.type('new-name', ' ');
    await bench.submit('tm-new-account form');
    expect(bench.element.querySelector('#new-name-fault')?.textContent).toBe('is empty');
    expect(addPerson).not.toHaveBeenCalled();
  });

  it('are made with a role from the list, and the form is empty again', async () => {
    await bench.type('new-name', 'Quinn');
    await bench.choose('new-role', 'quality');
    await bench.submit('tm-new-account form');
    expect(addPerson.calls.mostRecent().args[0]).toEqual(
      jasmine.objectContaining({ name: 'Quinn', role: 'quality', qualifiedUntil: null }),
    );
    expect(giveOnceWord).toHaveBeenCalledWith(addPerson.calls.mostRecent().args[0].id);
    expect(bench.text).toContain('Quinn comes in once with k7mq-2vdx-9rtp, within 7 days');
    expect(bench.element.querySelector<HTMLInputElement>('#new-name')?.value).toBe('');
  });

  it('of somebody who forgot the password get a word for once, told this one time', async () => {
    giveOnceWord.calls.reset();
    bench.element.querySelector<HTMLButtonElement>('button[aria-label="A word for once for Tove"]')?.click();
    await bench.settle();
    expect(giveOnceWord).toHaveBeenCalledWith('id-Tove');
    expect(bench.text).toContain('k7mq-2vdx-9rtp');
    expect(bench.text).toContain('it is not shown again');
  });

  it('say who came in and who tried to, when that is asked for', async () => {
    await bench.press('Who signed in, and when');
    expect(bench.element.querySelector('tm-sign-ins tbody tr')?.textContent).toContain('no, wrong password');
  });
});
