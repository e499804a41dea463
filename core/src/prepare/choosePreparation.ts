import type { Practice } from '../practice';
import type { Terminal } from '../terminal';
import type { Wire } from '../wire';
import { chooseNotch, type NotchChoice } from './chooseNotch';
import { stripWindow, type StripWindow } from './stripWindow';
import type { Stripper } from './Stripper';

export interface Preparation {
  readonly stripper: Stripper;
  readonly strip: StripWindow;
  readonly notch: NotchChoice;
}

/**
 * The stripper that does it, with its strip window and notch: the first that has both a set point and a notch, finest
 * repeatability first; if none has, the one that comes closest, so that its reasons can be read.
 * @returns null only when the shop has no stripper at all
 */
export function choosePreparation(
  terminal: Terminal,
  wire: Wire,
  practice: Practice,
  strippers: readonly Stripper[],
  folded = false,
): Preparation | null {
  const tried = [...strippers]
    .sort((a, b) => a.repeatability - b.repeatability || (a.part < b.part ? -1 : 1))
    .map((stripper) => ({
      stripper,
      strip: stripWindow(terminal, wire, practice, stripper, folded),
      notch: chooseNotch(stripper, wire),
    }));
  const marks = (p: Preparation) => (p.notch.notch ? 2 : 0) + (p.strip.setPoint !== null ? 1 : 0);
  return tried.reduce<Preparation | null>((best, next) => (!best || marks(next) > marks(best) ? next : best), null);
}
