import { whyUnqualified } from '../../shop';
import type { Family, Terminal } from '../../terminal';
import { today } from '../../time';
import type { Tool } from '../../tool';
import { axisOf, hoursOf, minutesOfShift } from '../hours';
import type { PlanBench, PlanPerson } from '../PlanWork';
import { shiftsOf } from './shifts';
import type { FloorPerson, ShopSource, StandingTool } from './ShopSource';

/** Whether something is shrunk with heat at it. */
export const needsHeat = (terminal: Terminal): boolean => terminal.sealingHeat !== null;

/** The floor as it stands on the days of a plan: who is in, who may, what stands where. */
export class FloorNow {
  readonly people: readonly PlanPerson[];
  readonly quality: readonly PlanPerson[];
  readonly benches: readonly PlanBench[];
  readonly makers: readonly string[];
  private readonly longest: ReadonlyMap<string, number>;
  private readonly able = new Map<Family, readonly string[]>();
  private readonly day: string;

  constructor(private readonly source: ShopSource) {
    const { floor, start, zone, days } = source;
    const shiftsOfPerson = ({ id, name }: FloorPerson): PlanPerson => ({
      ...{ id, label: name },
      shifts: shiftsOf(id, floor, zone, start, days),
    });
    this.day = today({ zone }, start);
    const makers = source.people.filter(({ makes }) => makes);
    this.makers = makers.map(({ id }) => id);
    this.people = makers.map(shiftsOfPerson);
    // Whoever makes pieces is planned there: released is by others, or where there are none by the maker, in the same minutes.
    this.quality = source.people.filter(({ makes, releases }) => releases && !makes).map(shiftsOfPerson);
    this.longest = new Map(this.people.map(({ id, shifts }) => [id, Math.max(0, ...shifts.map(minutesOfShift))]));
    const { notch, stop } = floor.minutes;
    this.benches = floor.benches.map(({ id, label, heater, stripper }): PlanBench => ({
      ...{ id, label, heater },
      stripper: stripper === null ? null : { set: null, minutes: { notch, stop } },
    }));
  }

  /** Who is qualified for a family on the plan's first day. */
  ableFor(family: Family): readonly string[] {
    const known =
      this.able.get(family) ??
      this.source.people.filter((one) => one.makes && !whyUnqualified(one, family, this.day)).map(({ id }) => id);
    this.able.set(family, known);
    return known;
  }

  /** Minutes of the longest shift of some people; 0 where none of them has hours. */
  longestShift(people: readonly string[]): number {
    return Math.max(0, ...people.map((id) => this.longest.get(id) ?? 0));
  }

  /** The bench a tool stands at; null where its place is none, or it is carried about. */
  benchOf(tool: Tool): string | null {
    const place = tool.station?.toLowerCase();
    const bench = this.source.floor.benches.find(({ places }) => places.some((one) => one.toLowerCase() === place));
    return bench?.id ?? null;
  }

  /** How a tool was set last; null where that is not on record. */
  standingOf(tool: Tool): StandingTool | null {
    return this.source.standing.find((one) => one.tool === tool.part) ?? null;
  }

  /** Minute by which quality can have released something that waits for it now; null where nobody of quality has hours. */
  soonestRelease(minutes: number): number | null {
    const axis = axisOf(this.quality);
    const ends = this.quality.flatMap(
      (person) => axis.clock[hoursOf(person, axis).places[minutes - 1] ?? axis.length] ?? [],
    );
    return ends.length ? Math.min(...ends) + 1 : null;
  }

  /** Whether any bench has this stripper: then the work that needs it is done there. */
  hasStripper(stripper: string): boolean {
    return this.source.floor.benches.some((bench) => bench.stripper === stripper);
  }

  /** Benches where something can be made with a tool: hand tools go anywhere, all else stays where it stands. */
  placesFor(tool: Tool, terminal: Terminal, stripper: string | null): string[] {
    const own = this.benchOf(tool);
    const isCarried = own === null || tool.kind === 'plier' || tool.kind === 'full-cycle';
    return this.source.floor.benches
      .filter(({ id }) => isCarried || id === own)
      .filter(({ heater }) => !needsHeat(terminal) || heater !== null)
      .filter((bench) => stripper === null || bench.stripper === stripper)
      .map(({ id }) => id);
  }
}
