import { asPlan, byDueDate, modelOf } from '@tug-mark/core';
import { COMBINATION, planDay, PLAN_START } from '../testing/made-up-plan';
import { planClock } from './plan-time';
import { editOf, isKeepable, minuteAt, whenOf, whichOf, type Question } from './what-if-questions';

const { work, about } = planDay();
const plan = asPlan(byDueDate(modelOf(work)));
const offers = (question: Question) => whichOf(question, work, about, plan).map(({ label }) => label);
const clock = planClock(PLAN_START, 'UTC');
/** As it is asked when nobody changes the hours it begins with. */
const change = (question: Question, value: string, when = whenOf(question, value, work)) =>
  editOf(question, { value, label: value }, when, about, clock);

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

  it('is of the hours that are asked for', () => {
    expect(change('person', 'Odile', { from: 240, hours: 1.5 })).toEqual({
      change: { what: 'person-away', person: 'Odile', from: 240, to: 330 },
      text: 'Odile is away from 10:00 for 1.5 h',
    });
    expect(change('longer', 'Odile', { from: 0, hours: 0.5 }).change).toEqual(
      jasmine.objectContaining({ what: 'longer', minutes: 30 }),
    );
    expect(change('part', 'R-1', { from: 0, hours: 3 }).change).toEqual(jasmine.objectContaining({ until: 180 }));
    // The plan begins at six: what is past comes tomorrow.
    expect(['6:00', '13.30', '5:59', 'noon'].map((typed) => minuteAt(typed, clock))).toEqual([0, 450, 1439, null]);
  });

  it('is told as a person would say it, and made the plan only where its work is on the bench', () => {
    expect(editOf('tool', { value: 'T', label: 'HT-11' }, { from: 0, hours: 0 }, about, clock).text).toBe(
      'HT-11 fails',
    );
    expect(change('wait', 'Mast').text).toBe('Mast waits');
    expect(change('again', 'Mast')).toEqual({
      change: { what: 'list-again', list: 'Mast', due: 1440 },
      text: 'Mast comes in once more, due in 24 h',
    });
    expect([change('wait', 'Mast'), change('again', 'Mast')].map(isKeepable)).toEqual([true, false]);
  });
});
