import { random, type PlanJob, type PlanPerson, type PlanWork, type ToolSetting } from '@tug-mark/core';

/*
 * Days made up another way than the first generator: lists are looms whose wires are cut, made at one end and then at the other,
 * and put into connectors; hand tools that go to any bench beside presses that stand; people of full and short hours; times with a long
 * tail; due in steps of half a day.
 */

const NOTHING: ToolSetting = { die: null, nest: null, selector: null, positioner: null, grip: null, reel: null };
const DAY = 1440;

export function makeLooms(count: number, seed: number): PlanWork {
  const next = random(seed * 7919 + 13);
  const below = (n: number) => Math.floor(next() * n);
  /** Most short, few very long. */
  const minutes = (usual: number) => Math.max(2, Math.min(150, Math.round(usual / Math.sqrt(0.06 + next()))));
  const benchCount = Math.max(2, Math.round(count / 25));
  const benches = Array.from({ length: benchCount }, (_, b) => ({
    id: `B${b}`,
    label: `B${b}`,
    heater: b % 3 === 2 ? { warmUp: 10, coldAfter: 45 } : null,
    stripper: { set: null, minutes: { notch: 0.5, stop: 1 } },
  }));
  const all = benches.map(({ id }) => id);
  const hot = benches.filter(({ heater }) => heater).map(({ id }) => id);
  const tools = Array.from({ length: Math.max(3, Math.round(count / 14)) }, (_, t) => ({
    ...{ id: `T${t}`, label: `T${t}`, bench: `B${t % benchCount}`, isPress: t % 5 === 4 },
    set: { ...NOTHING, die: 'a', nest: '1' },
    proof: null,
    minutes: {
      frame: t % 5 === 4 ? 15 : 0.5,
      die: t % 5 === 4 ? 14 : 6,
      nest: 0,
      selector: 1,
      positioner: 2,
      grip: 1,
      reel: 5,
    },
  }));
  const jobs: PlanJob[] = [];
  const lists: PlanWork['lists'][number][] = [];
  let total = 0;
  while (jobs.length < count) {
    const list = `loom ${lists.length}`;
    const plain = (id: string, run: number, after: readonly string[]): PlanJob => ({
      ...{ id, label: id, list, people: [], strip: null, heat: false, setUp: 0, release: null },
      means: [{ tool: null, set: null, benches: all, run }],
      ...{ proof: id, isProved: true, after, from: 0, fixed: null },
    });
    const cut = plain(`${list} cut`, minutes(6), []);
    const own: PlanJob[] = [cut];
    const pairs = 2 + below(4);
    for (let p = 0; p < pairs; p++) {
      const ends = [0, 1].map((end): PlanJob => {
        const tool = tools[below(tools.length)] as (typeof tools)[number];
        const heat = hot.length > 0 && next() < 0.15;
        const set = {
          ...NOTHING,
          die: 'abc'[below(3)] as string,
          nest: `${1 + below(2)}`,
          reel: tool.isPress ? `r${below(4)}` : null,
        };
        const id = `${list} ${p}${end ? 'B' : 'A'}`;
        return {
          ...{
            id,
            label: id,
            list,
            people: [],
            heat,
            setUp: 7,
            release: next() < 0.6 ? 4 : null,
            from: 0,
            fixed: null,
          },
          means: [
            { tool: tool.id, set, benches: tool.isPress ? [tool.bench] : heat ? hot : all, run: minutes(14) },
          ].map((means) => (heat && tool.isPress ? { ...means, benches: hot } : means)),
          strip: { notch: `${below(5)}`, stop: `${4 + below(5)}` },
          ...{ proof: `${tool.id}${JSON.stringify(set)}`, isProved: next() < 0.5 },
          after: end ? [cut.id, `${list} ${p}A`] : [cut.id],
        };
      });
      own.push(...ends);
    }
    own.push(
      plain(
        `${list} in`,
        minutes(8),
        own.slice(1).map(({ id }) => id),
      ),
    );
    jobs.push(...own);
    lists.push({ id: list, label: list, due: null, weight: 1 + below(3) });
    total += own.reduce((sum, job) => sum + (job.means[0]?.run ?? 0) + 8, 0);
  }
  const crew = Math.max(2, Math.round(benchCount * 1.2));
  const days = Math.ceil(total / (crew * 330)) + 3;
  const person = (id: string, from: number, to: number): PlanPerson => ({
    ...{ id, label: id },
    shifts: Array.from({ length: days }, (_, day) => ({
      from: day * DAY + from,
      to: day * DAY + to,
      breaks: to - from > 300 ? [{ from: day * DAY + from + 200, to: day * DAY + from + 230 }] : [],
    })),
  });
  const people = Array.from({ length: crew }, (_, p) =>
    person(`P${p}`, p % 3 === 1 ? 480 : 360, p % 3 === 2 ? 660 : 870),
  );
  const ids = people.map(({ id }) => id);
  return {
    ...{ benches, people, quality: [person('Q', 390, 900)], endWorth: 0.05 },
    tools: tools.map(({ isPress: _, ...tool }) => tool),
    // As many half days as the work before a list takes, and half as many again.
    lists: lists.map((list, l) => ({
      ...list,
      due: DAY * Math.max(1, Math.ceil((1.5 * days * (l + 1)) / lists.length / 1.5)) + (l % 2 ? 720 : 870),
    })),
    jobs: jobs.map((job) => ({
      ...job,
      people: ids.filter((_, p) => job.means[0]?.tool === null || p % 4 !== 3 || next() < 0.5),
    })),
  };
}
