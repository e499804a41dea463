import { today, type ShopTime } from '../time';
import { reason, type Reason } from '../verdict';
import type { Tool, ToolCheck } from './Tool';

export interface ToolState {
  /** 'ready' may crimp; 'check-due' needs a go/no-go check first; 'refused' may not be used at all. */
  readonly state: 'ready' | 'check-due' | 'refused';
  readonly lastCheck: ToolCheck | null;
  readonly reasons: readonly Reason[];
}

/** Share of the cycle limit from which a tool is called near its limit. */
const NEAR_LIMIT = 0.95;
const HOUR = 3_600_000;

/** Whether both gauges said what they should. */
export function checkPassed({ goPassed, noGoStopped }: Pick<ToolCheck, 'goPassed' | 'noGoStopped'>): boolean {
  return goPassed && noGoStopped;
}

/** The latest check of one tool, or null. */
function latestCheck(tool: Tool, checks: readonly ToolCheck[]): ToolCheck | null {
  return checks
    .filter((check) => check.tool === tool.part)
    .reduce<ToolCheck | null>((last, check) => (!last || check.at > last.at ? check : last), null);
}

/**
 * Whether a tool is fit for use at `now`: its last check passed and is still good, calibration in date, cycles under
 * the limit. A failed check or a spent calibration refuses; a check that has run out only asks for a new one.
 *
 * @param now ISO instant
 * @param checks checks of any tools, any order
 * @param shop calibrations end with its day
 */
export function judgeTool(tool: Tool, checks: readonly ToolCheck[], now: string, shop: ShopTime): ToolState {
  const reasons: Reason[] = [];
  const lastCheck = latestCheck(tool, checks);
  const good = lastCheck !== null && checkPassed(lastCheck);
  const ageHours = lastCheck ? (Date.parse(now) - Date.parse(lastCheck.at)) / HOUR : Infinity;

  if (lastCheck && !good) {
    reasons.push(
      reason(
        'check-failed',
        'bad',
        `${tool.label} failed its last check: ${lastCheck.goPassed ? 'the no-go gauge passed through' : 'the go gauge did not pass'}. It stays out of use until a check passes; what it made since its last good check is suspect.`,
      ),
    );
  }
  if (tool.calibrationUntil < today(shop, now)) {
    reasons.push(
      reason(
        'calibration-overdue',
        'bad',
        `Calibration of ${tool.label} ran out on ${tool.calibrationUntil}. Send it in, take another.`,
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
  const madeSince = lastCheck?.cycles == null ? null : tool.cycles - lastCheck.cycles;
  if (lastCheck && tool.checkCycles !== null && madeSince !== null && madeSince >= tool.checkCycles) {
    reasons.push(
      reason(
        'check-due-cycles',
        'hold',
        `${tool.label} has made ${madeSince} cycles since its last check; one is due every ${tool.checkCycles}. Check it now.`,
        { madeSince, every: tool.checkCycles },
      ),
    );
    return { state: 'check-due', lastCheck, reasons };
  }
  if (!lastCheck || ageHours > tool.checkHours) {
    reasons.push(
      reason(
        'check-due',
        'hold',
        lastCheck
          ? `The go/no-go check of ${tool.label} is good for ${tool.checkHours} h and ran out. Check it now.`
          : `${tool.label} has no go/no-go check on record. Check it now.`,
        { hours: tool.checkHours },
      ),
    );
    return { state: 'check-due', lastCheck, reasons };
  }
  reasons.push(
    reason('check-good', 'good', `Go passed and no-go stopped; good for ${tool.checkHours} h.`, { ageHours }),
  );
  return { state: 'ready', lastCheck, reasons };
}
