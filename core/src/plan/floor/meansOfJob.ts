import type { SetUp } from '../../combination';
import { familyName, type Terminal } from '../../terminal';
import type { Tool, ToolCandidate } from '../../tool';
import type { PlanTool, ToolSetting } from '../PlanWork';
import type { ShopFloor } from './ShopFloor';
import type { StandingTool, ToMake } from './ShopSource';

/* With what a combination is made: tools, their settings, the stripper. */

/** Candidates that may be taken once their check is good; with a release those it stands on alone: another would need one of its own. */
export function usableFor({ setUp, released }: ToMake): readonly ToolCandidate[] {
  const usable = setUp.toolChoice.candidates.filter((candidate) => candidate.usable);
  const own = usable.filter(
    ({ tool, die, nest }) => released?.tool === tool.part && released.die === die.id && released.nest === nest.id,
  );
  const kept = own.length ? own : usable;
  // The best nest of each tool: a second one of the same is never better.
  return kept.filter(({ tool }, i) => kept.findIndex((other) => other.tool.part === tool.part) === i);
}

export function whyNoTool({ setUp, terminal }: ToMake): string {
  const [first] = setUp.toolChoice.candidates;
  const why = first?.reasons.find(({ weight }) => weight === 'bad')?.text ?? setUp.toolChoice.reasons[0]?.text;
  return why ?? `no tool of the shop makes ${familyName(terminal.family)}. Add one to the cabinet.`;
}

export const settingOf = (
  { die, nest, setting, positioner, insulationPosition, tool }: ToolCandidate,
  terminal: Terminal,
): ToolSetting => ({
  ...{ die: die.id, nest: nest.id, selector: setting, positioner: positioner?.id ?? null, grip: insulationPosition },
  reel: tool.kind === 'press' ? terminal.part : null,
});

export function stripOf({ preparation }: SetUp): { stripper: string; notch: string; stop: string } | null {
  const { stripper, notch, strip } = preparation ?? {};
  if (!stripper || !notch?.notch || strip?.setPoint === null || strip?.setPoint === undefined) return null;
  return { stripper: stripper.part, notch: notch.notch.label, stop: `${strip.setPoint} mm` };
}

/** A tool as it stands: as it was set last where that is on record, else what the cabinet says of its die and its positioner. */
export function planTool(tool: Tool, bench: string | null, floor: ShopFloor, standing: StandingTool | null): PlanTool {
  const { minutes } = floor;
  const isCarried = tool.kind === 'plier' || tool.kind === 'full-cycle';
  const die = tool.dies.find(({ mounted }) => mounted)?.id ?? null;
  const positioner = tool.positioners.find(({ mounted }) => mounted)?.id ?? null;
  return {
    ...{ id: tool.part, label: tool.part, bench: bench ?? floor.benches[0]?.id ?? '' },
    set: standing?.set ?? { die, nest: null, selector: null, positioner, grip: null, reel: null },
    proof: standing?.isProved ? standing.combination : null,
    minutes: {
      ...{
        die: tool.changeMinutes.die,
        nest: 0,
        selector: tool.changeMinutes.setting,
        positioner: tool.changeMinutes.positioner,
      },
      grip: tool.changeMinutes.setting,
      ...{ reel: minutes.reel, frame: isCarried ? minutes.fetch : minutes.frame },
    },
  };
}
