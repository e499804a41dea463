import type { Person } from '@tug-mark/contract';
import { FAMILIES } from '@tug-mark/core';
import { Bench } from '../testing/bench';
import { PersonEditor } from './person-editor';
import { qualifiedWords } from './qualified-words';

const TOVE: Person = {
  ...{ id: 'tove', name: 'Tove', roles: ['technician'], active: true },
  ...{ qualifiedUntil: '2027-06-30', qualifications: null },
};
const given = (family: (typeof FAMILIES)[number], until: string | null) => ({
  ...{ family, until, by: 'Marek', at: '2026-11-02T08:00:00.000Z' },
});

describe('What somebody is qualified for', () => {
  let bench: Bench<PersonEditor>;
  const changePerson = jasmine.createSpy('changePerson');
  const open = async (person: Person) => {
    changePerson.calls.reset();
    changePerson.and.resolveTo(person);
    bench = await Bench.open(PersonEditor, { role: 'engineer', api: { changePerson }, inputs: { person } });
  };
  afterEach(() => {
    bench.close();
  });
  const tick = async (words: string) => {
    const labels = [...bench.element.querySelectorAll('label')];
    labels
      .find((label) => label.textContent?.trim().startsWith(words))
      ?.querySelector('input')
      ?.click();
    await bench.settle();
  };
  const sent = () => changePerson.calls.mostRecent().args[0] as Person;

  it('stays one date until it is kept by family; the date is carried over to each of them', async () => {
    await open(TOVE);
    await bench.submit();
    expect(sent()).toEqual(TOVE);
    await tick('family by family');
    expect(bench.element.querySelectorAll('tbody tr')).toHaveSize(FAMILIES.length);
    await bench.submit();
    expect(sent().qualifications?.map(({ until }) => until)).toEqual(FAMILIES.map(() => '2027-06-30'));
  });

  it('is what is ticked, each with its own last day; who gave what stands is named', async () => {
    await open({ ...TOVE, qualifications: [given('lug', '2027-01-31'), given('ferrule', null)] });
    const rows = () => [...bench.element.querySelectorAll('tbody tr')].map((row) => row.textContent ?? '');
    expect(rows().filter((text) => text.includes('Marek'))).toHaveSize(2);
    await tick('wire-end ferrule');
    await tick('butt splice');
    expect(rows().filter((text) => text.includes('you, once it is kept'))).toHaveSize(1);
    await bench.submit();
    expect(sent().qualifications).toEqual([
      jasmine.objectContaining({ family: 'butt-splice', until: null }),
      jasmine.objectContaining({ family: 'lug', until: '2027-01-31' }),
    ] as never);
  });

  it('keeps the first role first, and several beside it', async () => {
    await open({ ...TOVE, roles: ['quality'] });
    await tick('technician');
    await bench.submit();
    expect(sent().roles).toEqual(['quality', 'technician']);
  });
});

describe('Qualifications in a line', () => {
  it('say what holds, which ends first, what has lapsed', () => {
    const words = (qualifications: Person['qualifications']) =>
      qualifiedWords({ qualifiedUntil: null, qualifications }, '2026-11-27');
    expect(words(null)).toEqual({ text: 'every family, no end', lapsed: '' });
    expect(words([])).toEqual({ text: 'none', lapsed: '' });
    expect(words([given('lug', '2026-11-26'), given('ferrule', '2027-01-02'), given('butt-splice', null)])).toEqual({
      text: '3 families, the first until 2 Jan 2027',
      lapsed: 'lapsed: compression lug',
    });
    expect(words([given('lug', '2026-11-27')]).lapsed).toBe('');
  });
});
