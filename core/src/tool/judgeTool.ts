import { showDay, today, type ShopTime } from '../time';
import { reason, type Reason } from '../verdict';
import type { Die, Nest, Tool, ToolCheck, ToolReturn } from './Tool';

export interface ToolState {
  /** 'ready' may crimp; 'check-due' needs a go/no-go check first; 'refused' may not be used at all. */
  readonly state: 'ready' | 'check-due' | 'refused';
  /** The latest check that speaks for it. */
  readonly lastCheck: ToolCheck | null;
  readonly reasons: readonly Reason[];
}

/** What is on record of the shop's tools, in any order. */
export interface ToolRecords {
  readonly checks: readonly ToolCheck[];
  readonly returns: readonly ToolReturn[];
}

/** A nest in its die. */
export interface NestOfDie {
  readonly die: Pick<Die, 'id' | 'label' | 'mounted'>;
  readonly nest: Pick<Nest, 'id' | 'label' | 'gauge'>;
}

/** Share of the cycle limit from which a tool is called near its limit. */
const NEAR_LIMIT = 0.95;
const HOUR = 3_600_000;

/** Whether both gauges said what they should. */
export function checkPassed({ goPassed, noGoStopped }: Pick<ToolCheck, 'goPassed' | 'noGoStopped'>): boolean {
  return goPassed && noGoStopped;
}

/** The pins a nest is checked with: its own, else the tool's; null where a sample is used. */
export function gaugeOf(tool: Tool, nest: Pick<Nest, 'gauge'> | null | undefined): Tool['gauge'] {
  return nest?.gauge ?? tool.gauge;
}

const latest = <T extends { readonly at: string }>(of: readonly T[]): T | null =>
  of.reduce<T | null>((last, one) => (!last || one.at > last.at ? one : last), null);

/**
 * The failed check a tool is out of use for; null when none stands. It stands until quality has put the tool back after it.
 * Of a check that names no die, from before checks did, a later one of its kind that passed still answers.
 *
 * @param own what is on record of this tool
 */
export function standingFailure({ checks, returns }: ToolRecords): ToolCheck | null {
  const failed = latest(checks.filter((check) => !checkPassed(check)));
  if (!failed || returns.some(({ at }) => at > failed.at)) return null;
  const isAnswered =
    failed.die === null && checks.some((check) => check.die === null && check.at > failed.at && checkPassed(check));
  return isAnswered ? null : failed;
}

/** What is on record of one tool. */
export function recordsOf(tool: Pick<Tool, 'part'>, { checks, returns }: ToolRecords): ToolRecords {
  return {
    checks: checks.filter((check) => check.tool === tool.part),
    returns: returns.filter((one) => one.tool === tool.part),
  };
}

/** What was on record at an instant. */
export function asOf({ checks, returns }: ToolRecords, at: string): ToolRecords {
  return { checks: checks.filter((check) => check.at <= at), returns: returns.filter((one) => one.at <= at) };
}

/**
 * Dies that are mounted now: the one the latest check was made with, since it has to be mounted for that; the register's where
 * no check names one.
 * @param own what is on record of this tool
 */
function mountedDies(tool: Tool, own: ToolRecords): readonly Die[] {
  if (tool.dies.length === 1) return tool.dies;
  const last = latest(own.checks.filter((check) => check.die !== null));
  return tool.dies.filter((die) => (last ? die.id === last.die : die.mounted));
}

/** The one die that is mounted; null where the register calls several mounted, or none. */
export function mountedDie(tool: Tool, own: ToolRecords): Die | null {
  const [die, second] = mountedDies(tool, own);
  return second ? null : (die ?? null);
}

/** Whether a die can be taken as it is. */
export function isMounted(tool: Tool, die: Pick<Die, 'id'>, own: ToolRecords): boolean {
  return mountedDies(tool, own).some(({ id }) => id === die.id);
}

/**
 * Whether a nest of a tool is fit for use at `now`: its last check passed and is still good, calibration in date, cycles under
 * the limit. A failed check refuses the whole tool until quality puts it back, and its nests are then checked again; a spent
 * calibration refuses; a check that has run out, or was made before its die was mounted again, only asks for a new one.
 *
 * @param now ISO instant
 * @param records of any tools, any order
 * @param shop calibrations end with its day
 * @param place the nest; null for the tool as it stands, judged by the die that is mounted
 */
export function judgeTool(
  tool: Tool,
  records: ToolRecords,
  now: string,
  shop: ShopTime,
  place: NestOfDie | null = null,
): ToolState {
  const own = recordsOf(tool, records);
  const failure = standingFailure(own);
  const reasons: Reason[] = [];
  const spoken = checksFor(tool, own, place);
  const lastCheck = failure ?? latest(spoken);
  const ageHours = lastCheck ? (Date.parse(now) - Date.parse(lastCheck.at)) / HOUR : Infinity;

  if (failure) {
    reasons.push(
      reason(
        'check-failed',
        'bad',
        `${tool.label} failed its last check: ${failure.goPassed ? 'the no-go gauge passed through' : 'the go gauge did not pass'}. It is out of use until quality has put on record what was done to it; what it made since its last good check is suspect.`,
      ),
    );
  }
  if (tool.calibrationUntil < today(shop, now)) {
    reasons.push(
      reason(
        'calibration-overdue',
        'bad',
        `Calibration of ${tool.label} ran out on ${showDay(tool.calibrationUntil)}. Send it in, take another.`,
      ),
    );
  }
  if (tool.cycles >= tool.cycleLimit) {
    reasons.push(
      reason(
        'cycle-limit',
        'bad',
        `${tool.label} has made ${tool.cycles} cycles of ${tool.cycleLimit}: it is due for service.`,
        {
          cycles: tool.cycles,
          limit: tool.cycleLimit,
        },
      ),
    );
  } else if (tool.cycles >= NEAR_LIMIT * tool.cycleLimit) {
    reasons.push(
      reason('cycles-near-limit', 'note', `${tool.cycleLimit - tool.cycles} cycles are left before service.`, {
        left: tool.cycleLimit - tool.cycles,
      }),
    );
  }
  if (reasons.some((r) => r.weight === 'bad')) return { state: 'refused', lastCheck, reasons };
  const due = dueReason(tool, own, place, lastCheck, ageHours);
  if (due) return { state: 'check-due', lastCheck, reasons: [...reasons, due] };
  reasons.push(
    reason('check-good', 'good', `Go passed and no-go stopped; good for ${tool.checkHours} h.`, { ageHours }),
  );
  return { state: 'ready', lastCheck, reasons };
}

/** Good checks that speak for a nest as it is now: of it or of its die, since the tool was put back and its die was mounted. */
function checksFor(tool: Tool, { checks, returns }: ToolRecords, place: NestOfDie | null): readonly ToolCheck[] {
  const back = latest(returns)?.at ?? '';
  const since = checks.filter((check) => check.at > back && checkPassed(check));
  if (!place) {
    const mounted = mountedDie(tool, { checks, returns });
    return since.filter((check) => check.die === null || check.die === mounted?.id);
  }
  const { die, nest } = place;
  const otherDie = latest(checks.filter((check) => check.die !== null && check.die !== die.id))?.at ?? '';
  return since.filter(
    (check) =>
      check.at > otherDie &&
      (check.die === null || check.die === die.id) &&
      // Pins of its own say nothing of the nests beside it, nor the tool's of a nest that has its own.
      (check.nest === null ? nest.gauge === null || check.die === null : check.nest === nest.id),
  );
}

/** Why a check is due; null when the last one still holds. */
function dueReason(
  tool: Tool,
  own: ToolRecords,
  place: NestOfDie | null,
  lastCheck: ToolCheck | null,
  ageHours: number,
): Reason | null {
  const returned = latest(own.returns);
  if (returned && !own.checks.some((check) => check.at > returned.at)) {
    return reason(
      'check-due-returned',
      'hold',
      `${tool.label} is back in use: ${RETURN_WORDS[returned.done]} (${returned.note}, ${returned.by}). Check it before the first piece.`,
    );
  }
  if (place && !isMounted(tool, place.die, own)) {
    return reason(
      'check-due-mounting',
      'hold',
      `A check made with another die says nothing of ${place.die.label}: mount it, then check it.`,
    );
  }
  const madeSince = lastCheck?.cycles == null ? null : tool.cycles - lastCheck.cycles;
  if (lastCheck && tool.checkCycles !== null && madeSince !== null && madeSince >= tool.checkCycles) {
    return reason(
      'check-due-cycles',
      'hold',
      `${tool.label} has made ${madeSince} cycles since its last check; one is due every ${tool.checkCycles}. Check it now.`,
      { madeSince, every: tool.checkCycles },
    );
  }
  if (lastCheck && ageHours <= tool.checkHours) return null;
  const what = place && tool.dies.length > 1 ? `${tool.label} with ${place.die.label}` : tool.label;
  const which = place && place.nest.gauge !== null ? `, nest ${place.nest.label}` : '';
  return reason(
    'check-due',
    'hold',
    lastCheck
      ? `The go/no-go check of ${what}${which} is good for ${tool.checkHours} h and ran out. Check it now.`
      : `${what}${which} has no go/no-go check on record. Check it now.`,
    { hours: tool.checkHours },
  );
}

/** What was done to a tool before it came back. */
export const RETURN_WORDS: Readonly<Record<ToolReturn['done'], string>> = {
  adjusted: 'adjusted',
  repaired: 'repaired',
  'part-replaced': 'a worn part replaced',
  'gauge-at-fault': 'the gauge was at fault, not the tool',
};
