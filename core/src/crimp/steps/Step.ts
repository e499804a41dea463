import type { Practice } from '../../practice';
import type { StripWindow } from '../../prepare';
import type { End, Terminal } from '../../terminal';
import type { ToolCandidate } from '../../tool';
import type { Wire } from '../../wire';
import type { Bite } from '../bites';
import type { Forming } from '../forming';
import type { GateStep } from '../Gate';
import type { LocatorVerdict } from '../locator';
import type { Orientation } from '../orientation';

/** What the steps follow from. */
export interface GateContext {
  readonly terminal: Terminal;
  readonly wire: Wire;
  readonly practice: Practice;
  readonly strip: StripWindow;
  readonly tool: Pick<
    ToolCandidate,
    'tool' | 'die' | 'nest' | 'setting' | 'positioner' | 'insulationPosition' | 'stepDown'
  >;
  readonly lies: Orientation;
  /** Bites on one barrel, in the order of making. */
  readonly bites: readonly Bite[];
  readonly end: End;
  /** Position the insulation grip was left at by the end before; null at the first. */
  readonly setBefore: string | null;
  /** Nests a barrel is formed in, in their order; null where it is pressed once. */
  readonly forming: Forming | null;
  /** What the trial of its locator has come to; null where nothing is set by trial. */
  readonly locator: LocatorVerdict | null;
  /** Fuel, oil or vapour is near. */
  readonly fuelNear: boolean;
}

/** A step as its own rule words it. */
export type Step = Omit<GateStep, 'remedies' | 'end' | 'key' | 'points' | 'finds' | 'bite'> &
  Partial<Pick<GateStep, 'points' | 'finds' | 'remedies' | 'bite'>>;
/** A step, or one for each bite, where this set-up has it, else null. */
export type MakeStep = (context: GateContext) => Step | readonly Step[] | null;
/** Parts by their labels, in a sentence. */
export const named = (items: readonly { readonly label: string }[]) => items.map((item) => item.label).join(' and ');
