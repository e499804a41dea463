import { NO_DEMAND, type Use } from '../match';
import type { Practice } from '../practice';
import type { Stripper } from '../prepare';
import type { Terminal } from '../terminal';
import type { Tool } from '../tool';
import type { LimitRow, LimitTable } from '../tug';
import type { Wire } from '../wire';

/* Parts for the tests: small, round numbers, so that results can be derived by hand in the test's comment. */

/** 0.75 mm2: 24 x 0.20, metal 24 x pi/4 x 0.04 = 0.75398 mm2, envelope 1.155 x sqrt 24 x 0.2 = 1.13166 mm. */
export const wire075: Wire = {
  part: 'W-075',
  label: '0.75 mm²',
  conductor: {
    size: { scale: 'mm2', value: 0.75 },
    kind: 'stranded',
    material: 'copper',
    strands: 24,
    strandDiameter: 0.2,
    lay: 'bunched',
  },
  insulationDiameter: 2.2,
  insulation: 'PVC',
  temperature: 90,
};

/** Concentric 7 x 0.5: envelope exactly 1.5 mm, so that strip windows come out round. */
export const wireRound: Wire = {
  ...wire075,
  part: 'W-ROUND',
  conductor: {
    ...wire075.conductor,
    size: { scale: 'mm2', value: 1.5 },
    strands: 7,
    strandDiameter: 0.5,
    lay: 'concentric',
  },
  insulationDiameter: 3,
};

export function wireOf(changes: Partial<Wire['conductor']>, rest: Partial<Wire> = {}): Wire {
  return { ...wire075, ...rest, conductor: { ...wire075.conductor, ...changes } };
}

export const bareRing: Terminal = {
  part: 'RB',
  label: 'bare ring',
  maker: 'Larkspur Stampings',
  family: 'bare-terminal',
  shape: 'ring',
  material: 'copper',
  barrel: {
    sheetStrip: null,
    seam: 'butted',
    stripRule: 'barrel',
    length: 6,
    innerDiameter: 1.7,
    outerDiameter: 3.3,
    depth: null,
    inspection: null,
    betweenGrips: null,
    supportLength: 0,
    growth: 0,
  },
  conductorRange: { smallest: { scale: 'mm2', value: 0.5 }, largest: { scale: 'mm2', value: 1 } },
  otherRange: null,
  heaterSetting: null,
  mostWires: 1,
  foldBack: false,
  strandingClasses: [],
  insulationRange: null,
  sealRange: null,
  stud: 'M4',
  studHole: 4.3,
  widest: null,
  sleeve: null,
  stamp: null,
  brushMax: 4,
  trimFlush: false,
  acceptsSolid: false,
  sealed: false,
  temperature: 105,
  current: null,
  voltage: null,
  bites: 1,
  dieIndex: null,
  barrelSize: null,
  crimpHeights: [],
  slideOn: [],
  sheetBites: [],
  dieDimensions: [],
  formingStrokes: false,
  mating: null,
  sheet: { number: 'Sheet RB', revision: 'A', page: '2' },
  sealingHeat: null,
  cavity: null,
};

export const insulatedRing: Terminal = {
  ...bareRing,
  part: 'RT',
  label: 'insulated ring',
  family: 'insulated-terminal',
  barrel: { ...bareRing.barrel, seam: 'hidden', supportLength: 5 },
  insulationRange: { min: 1.7, max: 3 },
  sleeve: 'red',
};

export const openContact: Terminal = {
  ...bareRing,
  part: 'OC',
  label: 'contact',
  family: 'open-barrel-contact',
  material: 'brass',
  barrel: { ...bareRing.barrel, seam: 'open', stripRule: 'window', length: 3, betweenGrips: 2, supportLength: 2.5 },
  insulationRange: { min: 1.8, max: 2.6 },
  stud: '1.5 mm blade',
  studHole: null,
  brushMax: 3,
};

export const windowSplice: Terminal = {
  ...bareRing,
  part: 'WS',
  label: 'window splice',
  family: 'window-splice',
  barrel: { ...bareRing.barrel, seam: 'seamless', stripRule: 'stop', depth: 7, inspection: { min: 5.4, max: 6.8 } },
  stud: null,
  studHole: null,
  brushMax: 0,
  sealed: true,
  slideOn: [{ part: 'SS', label: 'sealing sleeve 3.2/1.0', kind: 'sleeve', length: 30, wayRound: null, clear: false }],
  sealingHeat: { min: 140, max: 220 },
};

export const practice: Practice = {
  part: 'house',
  label: 'house practice',
  customer: null,
  class: null,
  base: null,
  own: [],
  lay: 'factory-lay',
  strandsHurt: 'by-table',
  strayStrand: 'end-again',
  foldedEdge: 'doubled',
  insulatedParts: 'as-listed',
  strainRelief: 'by-part',
  insulatorOrder: 'before-strip',
  slightBow: 'rejected',
  mounting: 'in-one',
  secondStroke: 'never',
  biteSteps: 'in-one',
  loading: 'in-one',
  covering: 'in-one',
  wireSpare: 30,
  freshCut: 1,
  brush: 'conductor-diameter',
  brushFixed: 1.6,
  gap: 'small',
  windowShare: { min: 0.25, max: 0.75 },
  lugBare: 3,
  thinWire: 'right-terminal',
  edgeBand: 0.05,
  twoGrips: 'one-stroke',
  toolPolicy: 'listed-only',
  secondBite: 'same-plane',
  spliceBites: 'one-each-side',
  brazedSeam: 'opposite-the-seam',
  looseInNest: 'stop',
  sealingHeat: 'hot-air',
  adhesive: 'by-place',
  solder: 'forbidden',
  pullEvidence: 'grip-open',
  lookRecord: 'each-point',
  acceptance: 'each-and-group',
  setUpPieces: 5,
  measuredPieces: 0,
  coverage: 0.99,
  confidence: 0.95,
  secondPersonReleases: false,
  setUpReleasedBy: 'anyone',
  tensileCopper: 235,
  tensileHighStrength: 400,
  tensileAluminium: 110,
  strandDamage: [
    { strandsUpTo: 6, nicked: 0, cut: 0 },
    { strandsUpTo: 40, nicked: 3, cut: 0 },
  ],
};

export const stripper: Stripper = {
  part: 'ST',
  label: 'Stripper ST',
  repeatability: 0.2,
  step: 0.5,
  sheet: null,
  insulations: ['PVC'],
  notches: [
    { label: '0.5', for: 'stranded', bore: 1.0 },
    { label: '0.75', for: 'stranded', bore: 1.2 },
    { label: '1.5', for: 'stranded', bore: 1.7 },
    { label: '0.75', for: 'solid', bore: 1.05 },
  ],
};

export const tool: Tool = {
  part: 'HT',
  label: 'Hand tool HT',
  kind: 'full-cycle',
  station: null,
  sheet: { number: 'Card HT', revision: 'C', page: null },
  cycleEnd: null,
  release: null,
  whenStuck: null,
  partStroke: false,
  checkHours: 12,
  checkCycles: null,
  gauge: null,
  calibrationUntil: '2030-12-31',
  cycles: 100,
  cycleLimit: 1000,
  selector: [],
  positioners: [],
  heightStep: null,
  insulationPositions: [],
  changeMinutes: { die: 6, positioner: 2, setting: 1 },
  dies: [
    {
      id: 'A',
      label: 'die A',
      mounted: true,
      nests: [
        {
          id: '1',
          label: '1',
          profile: 'indent-and-cradle',
          area: { min: 0.45, max: 1.1 },
          width: 3,
          mark: 'one dot',
          index: null,
          grips: 'both',
          punch: null,
          presses: [],
          gauge: null,
          terminals: ['RB'],
        },
        {
          id: '2',
          label: '2',
          profile: 'symmetric-oval',
          area: { min: 0.45, max: 1.1 },
          width: 4,
          mark: 'two dots',
          index: null,
          grips: 'both',
          punch: null,
          presses: [],
          gauge: null,
          terminals: ['RT'],
        },
      ],
    },
  ],
};

/** A row of a limit table for so many mm2. */
export const limitRow = (value: number, changes: Partial<LimitRow> = {}): LimitRow => ({
  size: { scale: 'mm2', value },
  families: [],
  material: null,
  force: 85,
  percent: null,
  hold: null,
  ...changes,
});

export const limitTable: LimitTable = {
  document: 'FL-SPEC-07',
  revision: 'C',
  owner: 'Ines',
  class: '2',
  origin: 'controlled',
  status: 'released',
  effectiveFrom: '2026-01-01',
  effectiveUntil: null,
  interpolates: true,
  speed: { min: 25, max: 50 },
  hold: null,
  loadingRate: null,
  pushes: [],
  retention: null,
  rows: [
    { size: { scale: 'mm2', value: 0.5 }, families: [], material: null, force: 50, percent: null, hold: null },
    { size: { scale: 'mm2', value: 2 }, families: [], material: null, force: 200, percent: null, hold: null },
  ],
};

export const NOW = '2026-11-25T12:00:00.000Z';
export const checkAt = (at: string, goPassed = true, noGoStopped = true) => ({
  tool: 'HT',
  die: null,
  nest: null,
  at,
  goPassed,
  noGoStopped,
  by: 'Odile',
  setting: null,
  cycles: null,
});

export const dry: Use = { ...NO_DEMAND, place: 'dry' };
export const wet: Use = { ...NO_DEMAND, place: 'wet' };
