import { everyOrder, statesOf, type Costs, type Kind } from './everyOrder';
import { lineBound } from './lineBound';

/** Numbers one bench may take while every order is gone through. */
const MOST_STATES = 1_000_000;

/** What a bench is needed for: settings of its own tools with what is stripped for them, and what is stripped there besides. */
export interface BenchNeeds {
  readonly kinds: readonly Kind[];
  readonly strips: readonly number[];
}

/**
 * Least minutes of change at a bench, whatever else is done there: leaving a setting out never makes a line longer, because a way
 * between two by a third is never shorter.
 */
export class BenchBound {
  private readonly known = new Map<string, number>();
  /** Numbers gone through so far. */
  states = 0;

  constructor(
    private readonly costs: Costs,
    private readonly rounds: number,
  ) {}

  /** Of the tools of a bench and its stripper together. */
  bench(bench: number, { kinds, strips }: BenchNeeds): number {
    const own = [...new Map(kinds.map((kind) => [`${kind.tool} ${kind.set} ${kind.strip}`, kind])).values()].sort(
      (a, b) => a.tool - b.tool || a.set - b.set || a.strip - b.strip,
    );
    // What is stripped for one of its tools needs no line of its own.
    const free = [...new Set(strips)]
      .filter((strip) => own.every((kind) => kind.strip !== strip))
      .sort((a, b) => a - b);
    const key = `${bench}: ${own.map(({ tool, set, strip }) => `${tool} ${set} ${strip}`).join()} ${free.join()}`;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const least = this.reckon(bench, own, free);
    this.known.set(key, least);
    return least;
  }

  private reckon(bench: number, own: readonly Kind[], free: readonly number[]): number {
    const { costs } = this;
    const byTool = new Map<number, Kind[]>();
    for (const kind of own) byTool.set(kind.tool, [...(byTool.get(kind.tool) ?? []), kind]);
    // Without a strip it is not of the line of both.
    const lines = [...byTool.values()]
      .map((line) => line.filter(({ strip }) => strip >= 0))
      .filter((line) => line.length);
    const sets = (without: number) =>
      [...byTool].reduce(
        (sum, [tool, line]) => sum + (tool === without ? 0 : this.tool(tool, new Set(line.map(({ set }) => set)))),
        0,
      );
    const strips = [...new Set([...own.flatMap(({ strip }) => (strip < 0 ? [] : [strip])), ...free])];
    let least =
      sets(-1) +
      lineBound(
        strips.length,
        (v) => costs.firstStrip(bench, strips[v] as number),
        (u, v) => costs.nextStrip(bench, strips[u] as number, strips[v] as number),
        this.rounds,
      );
    const isWhole = lines.reduce((sum, line) => sum + line.length, 0) === own.length;
    const together = this.together(bench, lines, free);
    if (together !== null && isWhole) return Math.max(least, together);
    // One tool with the stripper, the others by themselves.
    for (const line of lines) {
      const others = [
        ...free,
        ...lines.flatMap((other) => (other === line ? [] : other.map(({ strip }) => strip))),
      ].filter((strip) => line.every((kind) => kind.strip !== strip));
      for (const some of [[...new Set(others)], []]) {
        const one = this.together(bench, [line], some);
        if (one === null) continue;
        least = Math.max(least, one + sets((line[0] as Kind).tool));
        break;
      }
    }
    return least;
  }

  private together(bench: number, lines: readonly (readonly Kind[])[], free: readonly number[]): number | null {
    const states = statesOf(lines, free);
    if (!lines.length || states > MOST_STATES) return null;
    this.states += states;
    return everyOrder(bench, lines, free, this.costs);
  }

  /** Of a tool by itself, wherever it is. */
  tool(tool: number, sets: ReadonlySet<number>): number {
    const all = [...sets].sort((a, b) => a - b);
    const key = `tool ${tool}: ${all.join()}`;
    let least = this.known.get(key);
    if (least === undefined) {
      least = lineBound(
        all.length,
        (v) => this.costs.firstSet(tool, all[v] as number),
        (u, v) => this.costs.change(tool, all[u] as number, all[v] as number),
        this.rounds,
      );
      this.known.set(key, least);
    }
    return least;
  }
}
