import { reason, type Reason } from '../verdict';
import { envelopeDiameter, type Wire } from '../wire';
import type { Stripper } from './Stripper';

export interface NotchChoice {
  readonly notch: Stripper['notches'][number] | null;
  readonly reason: Reason;
}

/**
 * The smallest notch whose bore clears the conductor's envelope and stays under the insulation diameter, from the
 * column that matches the conductor (solid or stranded).
 * @returns the notch, or null with the reason (insulation not listed, or no bore between the two diameters)
 */
export function chooseNotch(stripper: Stripper, wire: Wire): NotchChoice {
  const column = wire.conductor.kind === 'stranded' ? 'stranded' : 'solid';
  const envelope = envelopeDiameter(wire.conductor);
  if (!stripper.insulations.includes(wire.insulation)) {
    return {
      notch: null,
      reason: reason(
        'stripper-insulation',
        'bad',
        `${stripper.label} is not listed for ${wire.insulation} insulation; it takes ${stripper.insulations.join(', ')}.`,
      ),
    };
  }
  const notch = stripper.notches
    .filter((n) => n.for === column && n.bore >= envelope && n.bore < wire.insulationDiameter)
    .reduce<Stripper['notches'][number] | null>((best, n) => (!best || n.bore < best.bore ? n : best), null);
  if (!notch) {
    return {
      notch,
      reason: reason(
        'no-notch',
        'bad',
        `No ${column} notch of ${stripper.label} clears ${envelope.toFixed(2)} mm of conductor and stays under ${wire.insulationDiameter} mm of insulation.`,
        { envelope, insulation: wire.insulationDiameter },
      ),
    };
  }
  return {
    notch,
    reason: reason(
      'notch',
      'good',
      `Notch ${notch.label}, ${column} column: bore ${notch.bore} mm clears ${envelope.toFixed(2)} mm of conductor.`,
      { bore: notch.bore, envelope },
    ),
  };
}
