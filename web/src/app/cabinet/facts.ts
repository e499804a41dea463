import {
  familyName,
  metalArea,
  takesLabel,
  sizeLabel,
  type CatalogueKind,
  type CatalogueParts,
  type Connector,
  type SlideOnPart,
  type Stripper,
  type Terminal,
  type Tool,
  type Wire,
} from '@tug-mark/core';

/** Headings of the list of each kind, beside the part itself. */
export const FACT_TITLES: Readonly<Record<CatalogueKind, readonly string[]>> = {
  terminal: ['Family', 'Conductor', 'Insulation', 'Stud or mating'],
  wire: ['Size', 'Metal', 'Insulation', 'Conductor'],
  tool: ['Kind', 'Station', 'Dies and nests', 'Cycles'],
  stripper: ['Repeats within', 'Step', 'Insulations', 'Notches'],
  covering: ['Kind', 'Bore', 'Length', 'Adhesive'],
  connector: ['Maker', 'Cavities', 'Lock', 'Contacts'],
};

/** A part in four short facts, under {@link FACT_TITLES}. */
export function factsOf(kind: CatalogueKind, part: CatalogueParts[CatalogueKind]): string[] {
  switch (kind) {
    case 'terminal': {
      const t = part as Terminal;
      return [
        familyName(t.family),
        takesLabel(t),
        t.insulationRange ? `${t.insulationRange.min}–${t.insulationRange.max} mm` : 'not gripped',
        t.stud ?? 'none',
      ];
    }
    case 'wire': {
      const w = part as Wire;
      return [
        sizeLabel(w.conductor.size),
        `${metalArea(w.conductor).toFixed(3)} mm²`,
        `${w.insulation}, ${w.insulationDiameter} mm`,
        `${w.conductor.kind}, ${w.conductor.material}`,
      ];
    }
    case 'tool': {
      const t = part as Tool;
      return [
        t.kind,
        t.station ?? 'carried about',
        t.dies.map((d) => `${d.label}${d.mounted ? ' (mounted)' : ''}`).join(', '),
        `${t.cycles} of ${t.cycleLimit}`,
      ];
    }
    case 'stripper': {
      const s = part as Stripper;
      return [`± ${s.repeatability} mm`, `${s.step} mm`, s.insulations.join(', '), `${s.notches.length}`];
    }
    case 'covering': {
      const c = part as SlideOnPart;
      return [
        c.kind,
        c.recoveredBore === null ? `${c.suppliedBore} mm` : `${c.suppliedBore} to ${c.recoveredBore} mm`,
        c.length === null ? 'from the reel' : `${c.length} mm`,
        c.adhesive ? 'yes' : 'no',
      ];
    }
    case 'connector': {
      const c = part as Connector;
      const contacts = [...new Set(c.cavities.flatMap(({ terminals }) => terminals))];
      return [c.maker, `${c.cavities.length}`, c.lock ?? 'none', contacts.join(', ') || 'any'];
    }
  }
}
