import type { Terminal } from '../terminal';
import type { Tool } from '../tool';

/** Cautions that apply to a set-up, in the order of the work; the last one applies to all. */
export function cautions(terminal: Terminal, tool: Pick<Tool, 'kind'> | null): string[] {
  return [
    'Nothing is crimped on a live circuit. Stray strands are cleared off the bench.',
    ...(tool?.kind === 'press' || tool?.kind === 'hydraulic'
      ? ['Fingers out of the press and its dies; guard closed before the stroke.']
      : []),
    ...(terminal.sealingHeat
      ? [
          'Hot air and hot sleeves burn; no flame or glowing element near fuel, oil, solvent or vapour; let the heater run cold before switching off.',
        ]
      : []),
    'Eye protection at the pull test: wire ends whip.',
    'Battery and mains work, aircraft, medical, life-safety and vehicle-restraint circuits: released specifications, the maker’s instructions, local codes and qualified people decide, not this sheet.',
  ];
}
