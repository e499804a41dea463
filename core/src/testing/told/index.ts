import { toldCauses } from './causes';
import { toldCavities } from './cavities';
import { toldCurves } from './curves';
import { toldDrawings } from './drawings';
import { toldEntries } from './entries';
import { toldGauges } from './gauges';
import { toldJournals } from './journals';
import { toldLooks } from './looks';
import { toldLookups } from './lookups';
import { toldLots } from './lots';
import { toldPlans } from './plans';
import { toldReadings } from './readings';
import { toldSections } from './sections';
import { toldSetUps } from './setUps';

/** What is told of one thing, line by line; worked out when it is asked for. */
export type Told = ReadonlyMap<string, () => string[]>;

/** What is told, by the name of the file it is held in, of each thing by its name. */
export const TOLD = {
  setUps: toldSetUps,
  lots: toldLots,
  causes: toldCauses,
  curves: toldCurves,
  plans: toldPlans,
  readings: toldReadings,
  drawings: toldDrawings,
  sections: toldSections,
  journals: toldJournals,
  entries: toldEntries,
  cavities: toldCavities,
  gauges: toldGauges,
  looks: toldLooks,
  lookups: toldLookups,
} as const satisfies Record<string, Told>;
