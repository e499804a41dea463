import { asPlan, byDueDate, modelOf } from '@tug-mark/core';
import { COMBINATION, planDay } from '../testing/made-up-plan';
import { editOf, whichOf, type Question } from './what-if-questions';

const { work, about } = planDay();
const plan = asPlan(byDueDate(modelOf(work)));
const offers = (question: Question) => whichOf(question, work, about, plan).map(({ label }) => label);
const change = (question: Question, value: string) => editOf(question, { value, label: value }, work, about);

describe('What can be asked of a plan', () => {
  it('are tools and people that are in it, lists, and the parts of its jobs', () => {
    expect(offers('tool')).toEqual(['T']);
    expect(offers('person')).toEqual(['Odile']);
    expect(offers('list')).toEqual(['Chassis', 'Mast']);
    expect(offers('part')).toEqual(['R-1', 'W-1']);
    expect(whichOf('tool', work, about, { ...plan, placed: [] })).toEqual([]);
  });

  it('somebody away is away for the shift that goes on, stays longer behind it, and works the next one after it', () => {
    expect(change('person', 'Odile').change).toEqual({ what: 'person-away', person: 'Odile', from: 0, to: 480 });
    expect(change('longer', 'Odile').change).toEqual({ what: 'longer', person: 'Odile', minutes: 120 });
    expect(change('shift', 'Odile').change).toEqual({ what: 'shift', person: 'Odile', from: 480, to: 960 });
  });

  it('a part that is short holds up each job it goes into', () => {
    const short = change('part', 'W-1').change;
    expect(short).toEqual(
      jasmine.objectContaining({ what: 'part-late', jobs: jasmine.arrayContaining([`${COMBINATION}/0`, 'b/0']) }),
    );
  });

  it('is told as a person would say it', () => {
    expect(editOf('tool', { value: 'T', label: 'HT-11' }, work, about).text).toBe('HT-11 fails');
    expect(editOf('wait', { value: 'Mast', label: 'Mast' }, work, about).text).toBe('Mast waits');
  });
});
