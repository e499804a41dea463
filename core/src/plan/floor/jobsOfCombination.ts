import { plannedPulls } from '../../lot';
import { uncapital } from '../../text';
import type { Tool } from '../../tool';
import type { PlanJob, PlanMeans } from '../PlanWork';
import { needsHeat, type FloorNow } from './FloorNow';
import { settingOf, stripOf, usableFor, whyNoTool } from './meansOfJob';
import { minuteOf } from './shifts';
import { meansOf } from './ShopFloor';
import type { CannotCode, JobAbout, ShopPlan, ShopSource, ToMake } from './ShopSource';
import type { Supply } from './Supply';

/** Minutes of a shift that are left for changes when a job is cut to fit into it. */
const SPARE = 30;
/** No job is cut shorter than this, minutes. */
const SHORTEST = 15;

/** A reason goes on after a colon; a part's number stays as it is written. */
const withinSentence = (text: string) => (/^[A-Z][a-z ]/.test(text) ? uncapital(text) : text);

export interface JobsMade {
  readonly jobs: readonly PlanJob[];
  readonly about: readonly JobAbout[];
  readonly cannot: ShopPlan['cannot'];
  readonly notes: readonly string[];
}

/** The jobs of one combination: what is still to be made of it, in parts that fit into a shift, as far as there is stock for them. */
export function jobsOfCombination(source: ShopSource, now: FloorNow, supply: Supply, each: ToMake): JobsMade {
  const { floor, start, zone } = source;
  const { combination, terminal, setUp } = each;
  const name = `${terminal.label} on ${each.wires[0]?.label ?? ''}`;
  const refused = (code: CannotCode, text: string) => ({ combination, code, text: `${name}: ${withinSentence(text)}` });
  const none = (code: CannotCode, text: string): JobsMade => ({
    ...{ jobs: [], about: [], notes: [] },
    cannot: [refused(code, text)],
  });

  if (each.held !== null) return none('held', each.held);
  if (setUp.fit.verdict === 'no') {
    const why = setUp.fit.reasons.find(({ weight }) => weight === 'bad')?.text;
    return none('no-fit', why ?? 'the terminal does not fit the wire.');
  }
  const candidates = usableFor(each);
  const [first] = candidates;
  if (!first) return none('no-tool', whyNoTool(each));
  const strip = stripOf(setUp);
  const stripper = strip !== null && now.hasStripper(strip.stripper) ? strip.stripper : null;
  const places = new Map(candidates.map(({ tool }) => [tool.part, now.placesFor(tool, terminal, stripper)]));
  if ([...places.values()].every(({ length }) => !length)) {
    const what = [...(needsHeat(terminal) ? ['a heater'] : []), ...(stripper === null ? [] : [stripper])];
    return none(
      'no-bench',
      `no bench has ${what.join(' and ') || 'room for it'} where its tool can stand. Say so in the floor of the shop, or move one.`,
    );
  }

  const pulls = (pieces: number) => plannedPulls(pieces, each);
  const supplied = supply.take(terminal.part, each.pieces, each.samples, floor.rework, pulls);
  const people = now.ableFor(terminal.family);
  const alone = now.quality.length === 0;
  const { sample, release } = floor.minutes;
  const stepTime = (step: 'set-up' | 'check', tool: Tool) => source.stepTime(step, terminal.family, meansOf(tool.kind));
  const setUpMinutes = Math.ceil((stepTime('set-up', first.tool) ?? each.samples * sample) + (alone ? release : 0));
  const timeOf = (tool: Tool) => source.timeOf(terminal.family, meansOf(tool.kind));
  const checkOf = (tool: Tool) => stepTime('check', tool) ?? floor.minutes.check;
  const run = (tool: Tool, count: number) =>
    Math.max(1, Math.ceil((count * (1 + floor.rework) * timeOf(tool).seconds) / 60 + pulls(count) * checkOf(tool)));
  const shift = now.longestShift(people);
  const room = Math.max(SHORTEST, Math.min(floor.lotMinutes, shift > 0 ? shift - setUpMinutes - SPARE : Infinity));
  const parts = supplied.portions.flatMap(({ pieces, arrives }) => {
    const from = arrives === null ? 0 : minuteOf(arrives, zone, start);
    const count = Math.min(pieces, Math.max(1, Math.ceil(run(first.tool, pieces) / room)));
    const upTo = (part: number) => Math.floor((pieces * part) / count);
    return Array.from({ length: count }, (_, part) => ({ from, pieces: upTo(part + 1) - upTo(part) }));
  });
  const isProved = each.released !== null;
  const standing = source.standing.find((one) => one.combination === combination);
  // With the tool as it stands nothing has to be proved once more: what lacks alone is the release.
  const isReady = standing?.isProved ?? false;
  const released = isReady && !isProved && !alone ? now.soonestRelease(Math.ceil(release)) : null;
  const time = timeOf(first.tool);
  // Counted down: what is still to come keeps its name when the first of them is made.
  const idOf = (part: number) => `${combination}/${parts.length - 1 - part}`;
  return {
    notes: [
      ...supplied.notes,
      ...(released === null ? [] : [`its set-up with ${standing?.tool ?? ''} is proved, and waits for its release.`]),
    ].map((text) => `${name}: ${text}`),
    cannot: supplied.short === null ? [] : [refused('no-stock', supplied.short)],
    jobs: parts.map(({ from, pieces }, part): PlanJob => ({
      ...{ id: idOf(part), label: `${terminal.label} · ${pieces}`, list: each.list, people, heat: needsHeat(terminal) },
      means: candidates.map((candidate): PlanMeans => ({
        tool: candidate.tool.part,
        set: settingOf(candidate, terminal),
        benches: places.get(candidate.tool.part) ?? [],
        run: run(candidate.tool, pieces),
      })),
      strip: strip && stripper !== null ? { notch: strip.notch, stop: strip.stop } : null,
      ...{ setUp: setUpMinutes, release: alone ? null : Math.ceil(release), proof: combination, isProved },
      ...{ after: [], from: Math.max(from, released ?? 0), fixed: null },
    })),
    about: parts.map(({ pieces }, part): JobAbout => ({
      ...{ job: idOf(part), does: 'crimp', combination, list: each.list, label: terminal.label },
      ...{ terminal: terminal.part, family: terminal.family, strokes: Math.max(1, setUp.bites.length) },
      slidOn: terminal.slideOn.map((item) => item.part),
      wire: each.wires.map((wire) => wire.part).join(' + '),
      wireLabel: each.wires.map((wire) => wire.label).join(' + '),
      ...{ pieces, part: part + 1, parts: parts.length },
      samples: isReady || part > 0 ? 0 : each.samples,
      checks: pulls(pieces),
      rework: Math.ceil(pieces * floor.rework),
      ...{ seconds: time.seconds, learnedFrom: time.pieces },
    })),
  };
}
