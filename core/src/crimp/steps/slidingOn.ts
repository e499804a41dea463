import type { Practice } from '../../practice';
import type { Terminal } from '../../terminal';
import { capital } from '../../text';
import { named, type MakeStep } from './Step';

/**
 * Whether covers go on once the end is stripped: where the house rules want it so, and no seal is among them, whose place is behind the
 * knife that strips.
 */
export function isAfterStrip({ slideOn: items }: Pick<Terminal, 'slideOn'>, practice: Practice): boolean {
  return practice.insulatorOrder === 'after-strip' && !items.some(({ kind }) => kind === 'seal');
}

export const slideOn: MakeStep = ({ terminal, practice }) => {
  if (!terminal.slideOn.length) return null;
  const items = named(terminal.slideOn);
  const ways = terminal.slideOn
    .filter((item) => item.wayRound !== null)
    .map((item) => `${capital(item.label)}: ${item.wayRound}.`)
    .join(' ');
  return {
    gate: 'slide-on',
    headline: isAfterStrip(terminal, practice) ? `Slide on before the crimp: ${items}.` : `Slide on first: ${items}.`,
    why: `${ways ? `${ways} ` : ''}It cannot be put on after the crimp. ${whereItWaits(terminal)}`,
    confirm: `${capital(items)} is on the wire${ways ? ', right way round' : ''}`,
    caution: null,
  };
};

/** What was slid on before end 1 was made has to be there before end 2 closes it in. */
export const stillOn: MakeStep = ({ terminal }) => {
  const waiting = terminal.slideOn.filter((item) => item.kind !== 'seal');
  if (!waiting.length) return null;
  const items = named(waiting);
  return {
    gate: 'slide-on',
    headline: `Still on the wire: ${items}.`,
    why: 'The last moment it can be put on: once this end is pressed, it is closed in between the two wires.',
    confirm: `${capital(items)} is on the wire`,
    caution: null,
  };
};

/** Where a slid-on part stays until it is needed. No word of heat where nothing is heated. */
function whereItWaits({ slideOn, sealingHeat }: Terminal): string {
  const waits = sealingHeat
    ? 'Push it well back, clear of the hot end.'
    : slideOn.some((item) => item.kind !== 'seal')
      ? 'Push it well back, out of the tool’s way.'
      : '';
  const seal = slideOn.some((item) => item.kind === 'seal')
    ? 'After stripping the seal comes forward until its neck is level with the insulation edge.'
    : '';
  return [waits, seal].filter(Boolean).join(' ');
}
