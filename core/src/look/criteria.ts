import type { Bite, Orientation } from '../crimp';
import type { Practice } from '../practice';
import { strandDamage, type StripWindow } from '../prepare';
import { isSplice, type Terminal } from '../terminal';
import type { Nest } from '../tool';
import type { Wire } from '../wire';

export const FINDINGS = ['accept', 'rework', 'reject'] as const;
export type Finding = (typeof FINDINGS)[number];

export interface Criterion {
  readonly code: string;
  readonly title: string;
  readonly view: 'from above' | 'from the side' | 'end on' | 'all round';
  /** What a good piece shows, with the numbers of this set-up. */
  readonly accept: string;
  /** Findings a person may give: some faults cannot be reworked, some are never worth a reject. */
  readonly findings: readonly Finding[];
}

/** What has been settled for the combination, as far as the eye needs it. */
export interface LookContext {
  readonly terminal: Terminal;
  readonly wire: Wire;
  readonly practice: Practice;
  readonly strip: StripWindow;
  readonly nest: Nest;
  readonly orientation: Orientation;
  readonly bites: readonly Bite[];
}

const ALL: readonly Finding[] = ['accept', 'rework', 'reject'];
const NO_REWORK: readonly Finding[] = ['accept', 'reject'];

/** What to look at on each sample piece of this family, in the order the eye goes along the piece from the tongue to the wire. */
export function criteria(context: LookContext): Criterion[] {
  const { terminal, wire, practice, strip, nest, bites } = context;
  const { barrel, family } = terminal;
  const mm = (value: number) => value.toFixed(1);
  const damage = strandDamage(wire.conductor.strands, practice);
  const list: Criterion[] = [];

  if (terminal.stud !== null) {
    list.push({
      code: 'tongue',
      title: 'Tongue',
      view: 'from the side',
      accept: `Flat, in line with the barrel, not bent or twisted; ${terminal.studHole === null ? 'mating end' : `${terminal.stud} hole`} untouched.`,
      findings: NO_REWORK,
    });
  }
  if (strip.brush) {
    list.push({
      code: 'brush',
      title: 'Wire past the barrel',
      view: 'from above',
      accept: `The wire stands ${mm(strip.brush.min)} to ${mm(strip.brush.max)} mm past the barrel, ${
        family === 'ferrule'
          ? terminal.trimFlush
            ? 'cut flush afterwards'
            : 'all strands through'
          : `clear of the ${terminal.studHole === null ? 'mating' : 'stud'} area`
      }.`,
      findings: NO_REWORK,
    });
  }
  if (barrel.inspection) {
    list.push({
      code: 'window',
      title: 'Window',
      view: 'from above',
      accept: `Conductor fills the ${family === 'machined-contact' || family === 'lug' ? 'inspection hole' : 'window'} from ${mm(barrel.inspection.min)} to ${mm(barrel.inspection.max)} mm; no insulation in it.`,
      findings: NO_REWORK,
    });
  }
  list.push({
    code: 'bite',
    title: 'Bite',
    view: 'from the side',
    accept:
      nest.profile === 'four-indent'
        ? 'Four indents of one depth, evenly around, inside the barrel.'
        : bites.length === 1
          ? `One bite, centred ${mm(bites[0]?.centre ?? 0)} mm from the barrel’s wire end, on the barrel and not on ${terminal.sleeve ? 'the sleeve’s end' : family === 'ferrule' ? 'the collar' : isSplice(terminal) ? 'the centre stop' : 'the tongue'}.`
          : `${bites.length} bites at ${bites.map((b) => mm(b.centre)).join(' and ')} mm from the barrel’s wire end.`,
    findings: NO_REWORK,
  });
  list.push(seam(context));
  list.push({
    code: 'mark',
    title: 'Die mark',
    view: 'all round',
    accept: `The piece carries ${nest.mark}.`,
    findings: NO_REWORK,
  });
  list.push({
    code: 'barrel',
    title: 'Barrel',
    view: 'all round',
    accept: terminal.sleeve
      ? 'No crack in barrel or sleeve; sleeve seated, not cut through.'
      : 'No crack, no flash thicker than a strand, plating not peeled.',
    findings: NO_REWORK,
  });
  list.push({
    code: 'strands',
    title: 'Strands',
    view: 'all round',
    accept: `All ${wire.conductor.strands} strands inside; at most ${damage.nicked} nicked and ${damage.cut} cut; none stray, crossed or birdcaged; ${
      practice.solder === 'forbidden' ? 'no solder' : 'a trace of solder at the tip at most'
    }.`,
    findings: NO_REWORK,
  });
  list.push({
    code: 'gap',
    title: barrel.stripRule === 'window' ? 'Insulation edge' : 'Gap',
    view: 'from the side',
    accept:
      barrel.stripRule === 'window'
        ? `Insulation edge ${mm(strip.position.min)} to ${mm(strip.position.max)} mm behind the conductor grip, both seen between the grips.`
        : `${mm(strip.position.min)} to ${mm(strip.position.max)} mm from barrel to insulation; no insulation inside the barrel.`,
    findings: ALL,
  });
  if (terminal.insulationRange) {
    list.push({
      code: 'insulation-grip',
      title: 'Insulation grip',
      view: 'end on',
      accept: `Snug on ${wire.insulationDiameter} mm insulation: does not turn, does not cut in.`,
      findings: ALL,
    });
  }
  const seals = terminal.slideOn.filter((item) => item.kind === 'seal');
  if (seals.length) {
    list.push({
      code: 'wire-seal',
      title: 'Wire seal',
      view: 'from the side',
      accept: `${seals.map((item) => item.label).join(', ')}: neck in the insulation wings, ribs towards the wire, not cut or torn.`,
      findings: NO_REWORK,
    });
  }
  const covers = terminal.slideOn.filter((item) => item.kind !== 'seal' && item.kind !== 'sleeve');
  if (covers.length) {
    list.push({
      code: 'cover',
      title: 'Cover',
      view: 'all round',
      accept: `${covers.map((item) => item.label).join(', ')} home, holds by itself, covers all metal.`,
      findings: ALL,
    });
  }
  if (terminal.sealingHeat) {
    const sleeve = terminal.slideOn.find((item) => item.kind === 'sleeve')?.label ?? 'Sleeve';
    list.push({
      code: 'seal',
      title: terminal.sealed ? 'Sealing sleeve' : 'Shrunk sleeve',
      view: 'all round',
      accept: `${sleeve} centred; ${terminal.sealed ? 'adhesive at both ends' : 'close at both ends'}; discoloured at most, not charred.`,
      findings: ALL,
    });
  }
  return list;
}

function seam({ terminal, orientation, nest }: LookContext): Criterion {
  const base = { code: 'seam', title: 'Way round', view: 'end on', findings: NO_REWORK } as const;
  if (terminal.family === 'window-splice') {
    return { ...base, accept: 'Window up; bite in the window’s plane, both sides alike; splice straight.' };
  }
  if (terminal.barrel.seam === 'open') {
    return {
      ...base,
      accept: 'Both wings rolled alike into the strands, tips touching or short of the floor, floor flat.',
    };
  }
  if (nest.profile === 'four-indent') {
    return { ...base, accept: 'Contact straight, not turned between the indents.' };
  }
  if (nest.profile === 'trapezoid' || nest.profile === 'square') {
    return { ...base, accept: 'Ferrule square and full, no fin, collar whole.' };
  }
  if (terminal.family === 'lug') {
    return { ...base, accept: 'Barrel straight, pad square to the bites, no fin wider than the die’s own.' };
  }
  if (orientation.angle === null) {
    return {
      ...base,
      accept: `Pressed alike on both sides by the ${nest.profile === 'symmetric-oval' ? 'oval' : 'die'}; terminal not rolled in the nest.`,
    };
  }
  if (terminal.barrel.seam === 'hidden') {
    return { ...base, accept: 'Wide bite on the insulation, narrow bite on the conductor; sleeve not turned.' };
  }
  return { ...base, accept: 'Indent opposite the seam; seam closed, both its edges level.' };
}
