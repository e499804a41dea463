import type { Person } from '@tug-mark/contract';
import { Bench } from '../testing/bench';
import { PeoplePage } from './people-page';

const person = (name: string, changes: Partial<Person> = {}): Person => ({
  id: `id-${name}`,
  name,
  roles: ['technician'],
  active: true,
  qualifiedUntil: null,
  qualifications: null,
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

  const tick = async (where: string, words: string) => {
    const labels = [...bench.element.querySelectorAll(`${where} label`)];
    labels
      .find((label) => label.textContent?.trim().startsWith(words))
      ?.querySelector('input')
      ?.click();
    await bench.settle();
  };

  it('have no account without a role', async () => {
    await bench.type('new-name', 'Quinn');
    await tick('tm-new-account', 'technician');
    await bench.submit('tm-new-account form');
    expect(bench.text).toContain('An account has at least one role.');
    expect(addPerson).not.toHaveBeenCalled();
  });

  it('are given roles and qualifications in a form of their own, and stand as before when it is left', async () => {
    changePerson.calls.reset();
    bench.element
      .querySelector<HTMLButtonElement>('button[aria-label="Change roles and qualifications of Tove"]')
      ?.click();
    await bench.settle();
    expect(document.activeElement?.textContent).toBe('Tove');
    await tick('tm-person-editor', 'quality');
    await bench.press('Leave it as it was');
    expect(bench.element.querySelector('tm-person-editor')).toBeNull();
    expect(changePerson).not.toHaveBeenCalled();
  });

  it('say whose qualification has lapsed', () => {
    const rows = [...bench.element.querySelectorAll('tbody tr')].map((row) => row.textContent?.includes('lapsed'));
    expect(rows).toEqual([false, true]);
    expect(bench.text).toContain('every family until 31 Jan 2020');
  });

  it('refuse what the server would, at the field, before anything is sent', async () => {
    await bench.type('new-name', ' ');
    await bench.submit('tm-new-account form');
    expect(bench.element.querySelector('#new-name-fault')?.textContent).toBe('is empty');
    expect(addPerson).not.toHaveBeenCalled();
  });

  it('are made with one role or several, and the form is empty again', async () => {
    await bench.type('new-name', 'Quinn');
    await tick('tm-new-account', 'quality');
    await bench.submit('tm-new-account form');
    expect(addPerson.calls.mostRecent().args[0]).toEqual(
      jasmine.objectContaining({ name: 'Quinn', roles: ['technician', 'quality'], qualifiedUntil: null }),
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
