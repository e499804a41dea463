import type { Practice } from '../practice';
import { strandDamage, strandDamageSaid } from '../prepare';
import type { Wire } from '../wire';
import type { Remedy } from './Gate';
import { strayStrand } from './strayStrand';

/** What is looked at on a stripped end before it meets a terminal. */
export type EndPointCode = 'cut' | 'strands-counted' | 'slug' | 'lay' | 'insulation-edge';

/** One point of a stripped end: what a good one shows, and the ways it can be wrong. */
export interface EndPoint {
  readonly code: EndPointCode;
  readonly title: string;
  /** What a good end shows, with the numbers of this wire. */
  readonly accept: string;
  readonly faults: readonly EndFault[];
}

export interface EndFault {
  readonly code: EndFaultCode;
  readonly title: string;
  /** What mends it: a cut of the conductor's tip, the lay restored by hand, or the end made again. */
  readonly remedy: Remedy;
}

export const END_FAULTS = [
  'slanted',
  'flared',
  'edge-ragged',
  'edge-torn',
  'strand-nicked',
  'strand-cut',
  'strand-in-slug',
  'splayed',
  'stray',
  'crossed',
  'birdcaged',
] as const;
/** A way a stripped end can be wrong. */
export type EndFaultCode = (typeof END_FAULTS)[number];

const fault = (code: EndFaultCode, title: string, remedy: Remedy = 'cut-off'): EndFault => ({ code, title, remedy });

/**
 * The points a stripped end is looked at by before the crimp, in the order the eye goes from its tip to the insulation. A nicked or
 * cut strand is a fault where the house rules allow fewer than were found.
 */
export function endPoints({ conductor }: Pick<Wire, 'conductor'>, practice: Practice): EndPoint[] {
  const isStranded = conductor.strands > 1;
  const allowed = strandDamageSaid(strandDamage(conductor.strands, practice));
  const points: EndPoint[] = [
    {
      code: 'cut',
      title: 'Cut',
      accept: 'Square, by cutters that do not flare the strands.',
      faults: [
        fault('slanted', 'Cut at a slant', 'trim'),
        ...(isStranded ? [fault('flared', 'Strands flared by the cutters', 'trim')] : []),
      ],
    },
    {
      code: 'strands-counted',
      title: isStranded ? 'Strands' : 'Conductor',
      accept: isStranded
        ? `All ${conductor.strands}, bent aside a little and counted: none nicked, cut or missing.${allowed ? ` The house rules still accept ${allowed}.` : ''}`
        : 'Bright all round, no nick where the knife ran.',
      faults: [
        fault('strand-nicked', isStranded ? 'Strands nicked' : 'Conductor nicked'),
        ...(isStranded ? [fault('strand-cut', 'Strands cut or missing')] : []),
      ],
    },
    {
      code: 'slug',
      title: 'Slug',
      accept: 'Empty: a strand left in it is a strand lost.',
      faults: isStranded ? [fault('strand-in-slug', 'Strands left in the slug')] : [],
    },
    {
      code: 'lay',
      title: 'Lay',
      accept:
        practice.lay === 'factory-lay'
          ? 'As it left the factory, untouched by fingers: not splayed, crossed or birdcaged.'
          : 'Gathered by a slight twist along the lay: not splayed, crossed or birdcaged.',
      faults: [
        fault('splayed', 'Splayed', 'mend'),
        fault('stray', 'A strand stands out', strayStrand({ conductor }, practice).remedy),
        fault('crossed', 'Strands crossed', 'mend'),
        fault('birdcaged', 'Birdcaged'),
      ],
    },
    {
      code: 'insulation-edge',
      title: 'Insulation edge',
      accept: 'Straight all round, not torn, not pulled long; no mark of the jaws behind it.',
      faults: [fault('edge-ragged', 'Ragged'), fault('edge-torn', 'Torn or split')],
    },
  ];
  return isStranded ? points : points.filter(({ code }) => code !== 'lay');
}
