/** One thing that can be behind bad pieces. */
export interface Cause {
  readonly code: string;
  readonly title: string;
  /** What to change once it is sure. */
  readonly change: string;
  /** Stage of the job it lies in. */
  readonly stage: 'match' | 'prepare' | 'tool' | 'crimp';
  /** How often each piece of evidence shows when this is the cause, 0 to 1; what is not named shows by chance alone. */
  readonly shows: Readonly<Record<string, number>>;
}

/** How often evidence shows that a cause has nothing to do with. */
export const BY_CHANCE = 0.03;

/**
 * Causes with how often each sign goes with them: the trade's rules of thumb as numbers (low force, slid out and no brush:
 * stripped short or not pushed home; broke at the crimp and low: over-crimped or strands hurt; way round: upside down). A
 * shop's own confirmed cases move them (see {@link diagnose}). What hands do shows on some pieces and begins with a person;
 * what is set or mounted shows on all from that on; a reel brings its own from its first piece on; wear begins with nothing.
 */
export const CAUSES: readonly Cause[] = [
  {
    code: 'strip-short',
    title: 'Stripped too short',
    change: 'Set the stripper to the set point and measure three wires.',
    stage: 'prepare',
    shows: {
      'strip-too-short': 0.9,
      'brush-short': 0.75,
      'window-empty': 0.6,
      'insulation-inside': 0.55,
      'force-low': 0.6,
      'slid-out': 0.7,
      ...{ 'on-some': 0.25, 'since-wire': 0.15, 'since-tool': 0.4, 'since-person': 0.25 },
    },
  },
  {
    code: 'not-bottomed',
    title: 'Wire not pushed home',
    change: 'Keep a light pressure on the wire until the die closes; show the step again.',
    stage: 'crimp',
    shows: {
      'brush-short': 0.75,
      'window-empty': 0.75,
      'gap-long': 0.75,
      'force-low': 0.55,
      'slid-out': 0.7,
      'force-scattered': 0.45,
      ...{ 'on-some': 0.7, 'since-person': 0.45 },
    },
  },
  {
    code: 'strip-long',
    title: 'Stripped too long',
    change: 'Set the stripper to the set point and measure three wires.',
    stage: 'prepare',
    shows: {
      'strip-too-long': 0.9,
      'brush-long': 0.75,
      'gap-long': 0.6,
      ...{ 'on-some': 0.25, 'since-wire': 0.15, 'since-tool': 0.4, 'since-person': 0.25 },
    },
  },
  {
    code: 'pushed-too-far',
    title: 'Wire pushed too far',
    change: 'Use the stop or the positioner; the insulation edge ends before the barrel.',
    stage: 'crimp',
    shows: {
      'insulation-inside': 0.85,
      'brush-long': 0.7,
      'force-low': 0.35,
      'slid-out': 0.5,
      'force-scattered': 0.4,
      ...{ 'on-some': 0.65, 'since-person': 0.45 },
    },
  },
  {
    code: 'strands-hurt',
    title: 'Strands hurt in stripping',
    change: 'Take the notch for stranded wire, look at the slug, have the knives changed.',
    stage: 'prepare',
    shows: {
      'cut-strands': 0.9,
      'force-low': 0.5,
      'broke-at-crimp': 0.55,
      'strand-by-strand': 0.5,
      'force-scattered': 0.3,
      ...{ 'on-some': 0.5, 'since-wire': 0.25, 'since-tool': 0.2, 'since-person': 0.15 },
    },
  },
  {
    code: 'strands-outside',
    title: 'Strands left beside the barrel',
    change: 'Restore the lay before the wire goes in; look all round before the die closes.',
    stage: 'crimp',
    shows: {
      'stray-strands': 0.95,
      'force-low': 0.4,
      'slid-out': 0.45,
      'force-scattered': 0.4,
      'voids-many': 0.3,
      ...{ 'on-some': 0.8, 'since-wire': 0.1, 'since-person': 0.35 },
    },
  },
  {
    code: 'upside-down',
    title: 'Laid in the wrong way round',
    change: 'Show the way round at the nest; look at it end on before the bite.',
    stage: 'crimp',
    shows: {
      'upside-down': 0.95,
      'one-sided': 0.5,
      cracked: 0.2,
      'voids-many': 0.4,
      'force-low': 0.15,
      ...{ 'on-some': 0.45, 'since-terminals': 0.1, 'since-tool': 0.1, 'since-person': 0.45 },
    },
  },
  {
    code: 'loose-seat',
    title: 'Terminal not seated or not held',
    change: 'Seat it against the positioner, hold it with a part stroke; check the positioner.',
    stage: 'crimp',
    shows: {
      'bite-towards-wire': 0.5,
      'bite-towards-tongue': 0.45,
      twisted: 0.5,
      'tongue-bent': 0.4,
      'bellmouth-none': 0.3,
      'bellmouth-large': 0.35,
      'one-sided': 0.3,
      'seal-forward': 0.1,
      ...{ 'on-some': 0.65, 'since-terminals': 0.1, 'since-tool': 0.3, 'since-person': 0.3 },
    },
  },
  {
    code: 'tool-worn',
    title: 'Tool worn or not closing',
    change: 'Quarantine the tool, have it adjusted and checked; contain what it made.',
    stage: 'tool',
    shows: {
      'tool-failed': 0.75,
      'height-over': 0.75,
      'force-falling': 0.65,
      'force-low': 0.6,
      'slid-out': 0.7,
      'voids-many': 0.6,
      flash: 0.35,
      'width-over': 0.3,
      'wrong-mark': 0.12,
      ...{ 'on-some': 0.35 },
    },
  },
  {
    code: 'set-high',
    title: 'Setting too high',
    change: 'Turn the height down by the steps shown and measure again.',
    stage: 'tool',
    shows: {
      'height-over': 0.95,
      'force-low': 0.6,
      'slid-out': 0.75,
      'voids-many': 0.65,
      'grip-open': 0.35,
      ...{ 'on-some': 0.1, 'since-tool': 0.75, 'since-person': 0.1 },
    },
  },
  {
    code: 'set-low',
    title: 'Setting too low',
    change: 'Turn the height up by the steps shown and measure again.',
    stage: 'tool',
    shows: {
      'height-under': 0.95,
      'broke-at-crimp': 0.7,
      'force-low': 0.45,
      cracked: 0.35,
      flash: 0.45,
      'pressed-much': 0.75,
      'grip-cuts': 0.35,
      'strand-by-strand': 0.2,
      ...{ 'on-some': 0.15, 'since-tool': 0.75, 'since-person': 0.1 },
    },
  },
  {
    code: 'wrong-nest',
    title: 'Another nest or die',
    change: 'Read the mark on a piece and on the die; mount what the set-up names.',
    stage: 'tool',
    shows: {
      'wrong-mark': 0.92,
      'height-over': 0.4,
      'height-under': 0.4,
      flash: 0.3,
      'force-low': 0.45,
      'slid-out': 0.45,
      ...{ 'broke-at-crimp': 0.3, 'voids-many': 0.3, 'pressed-much': 0.3, cracked: 0.15 },
      'width-over': 0.3,
      ...{ 'on-some': 0.05, 'since-tool': 0.8, 'since-person': 0.15 },
    },
  },
  {
    code: 'wrong-wire',
    title: 'Wire too thin for the barrel',
    change: 'Compare the reel’s label with the wire list; read its size.',
    stage: 'match',
    shows: {
      'force-low': 0.85,
      'slid-out': 0.75,
      'voids-many': 0.7,
      'grip-open': 0.65,
      'pressed-much': 0.05,
      ...{ 'on-some': 0.1, 'since-wire': 0.75, 'since-terminals': 0.05, 'since-person': 0.05 },
    },
  },
  {
    code: 'hard-terminal',
    title: 'Brittle or hard terminals',
    change: 'Set the reel aside, try pieces of another one, tell the maker.',
    stage: 'match',
    shows: {
      cracked: 0.95,
      'one-sided': 0.1,
      'height-over': 0.4,
      'force-low': 0.2,
      ...{ 'on-some': 0.5, 'since-terminals': 0.75 },
    },
  },
  {
    code: 'grip-setting',
    title: 'Insulation grip set wrongly',
    change: 'Set the grip for this insulation diameter and try the turn test.',
    stage: 'tool',
    shows: {
      'grip-open': 0.55,
      'grip-cuts': 0.6,
      ...{ 'on-some': 0.2, 'since-wire': 0.3, 'since-tool': 0.4, 'since-person': 0.05 },
    },
  },
  {
    code: 'seal-handling',
    title: 'Seal threaded or placed wrongly',
    change: 'Slide the seal on with its ribs towards the wire; use the seal tube.',
    stage: 'prepare',
    shows: {
      'seal-forward': 0.7,
      'seal-torn': 0.6,
      'cover-short': 0.15,
      ...{ 'on-some': 0.6, 'since-wire': 0.05, 'since-terminals': 0.05, 'since-person': 0.4 },
    },
  },
  {
    code: 'heat',
    title: 'Sleeve heated wrongly',
    change: 'Heat from the middle outwards, moving, within the sleeve’s range, until adhesive shows at both ends.',
    stage: 'crimp',
    shows: {
      ...{ 'sleeve-charred': 0.55, 'sleeve-open': 0.55, 'sleeve-off-centre': 0.35 },
      ...{ 'sleeve-split': 0.3, 'sleeve-bubbles': 0.45, 'insulation-melted': 0.4 },
      ...{ 'on-some': 0.5, 'since-wire': 0.05, 'since-terminals': 0.05, 'since-tool': 0.1, 'since-person': 0.4 },
    },
  },
];
