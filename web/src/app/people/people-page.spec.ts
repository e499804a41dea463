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
  const changePerson = jasmine.createSpy('changePerson').and.resolveTo({});
  beforeEach(async () => {
    addPerson.calls.reset();
    addPerson.and.resolveTo({});
    const people = () => Promise.resolve([person('Odile'), person('Tove', { qualifiedUntil: '2020-01-31' })]);
    bench = await Bench.open(PeoplePage, { role: 'engineer', api: { people, addPerson, changePerson } });
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
    await bench.type('new-name', 'Quinn');
    await bench.type('new-password', 'short');
    await bench.submit('tm-new-account form');
    expect(bench.element.querySelector('#new-password-fault')?.textContent).toBe('needs at least 10 characters');
    expect(bench.element.querySelector('#new-name')?.getAttribute('aria-invalid')).toBe('false');
    expect(addPerson).not.toHaveBeenCalled();
  });

  it('are made with a role from the list, and the form is empty again', async () => {
    await bench.type('new-name', 'Quinn');
    await bench.type('new-password', 'correct horse');
    await bench.choose('new-role', 'quality');
    await bench.submit('tm-new-account form');
    expect(addPerson.calls.mostRecent().args[0]).toEqual(
      jasmine.objectContaining({ name: 'Quinn', role: 'quality', password: 'correct horse', qualifiedUntil: null }),
    );
    expect(bench.text).toContain('Quinn can sign in as quality.');
    expect(bench.element.querySelector<HTMLInputElement>('#new-name')?.value).toBe('');
  });
});
