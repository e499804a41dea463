import {
  asDrawn,
  criteria,
  FAULTS,
  isGood,
  judgePiece,
  pointOf,
  spoil,
  type LookContext,
  type LookSheet,
  type Piece,
} from '../look';
import type { LotChange } from '../entry';
import { normalFrom, random } from '../statistics';
import type { FailureMode } from '../tug';
import { breakingLoad } from '../wire';
import type { CourseStep, Findings } from '../diagnosis';

/** A lot made with one thing wrong. */
export interface SimulatedLot {
  readonly cause: string;
  readonly findings: Findings;
  readonly pieces: readonly Piece[];
}

export interface SimulationModel {
  readonly seed: number;
  /** Pieces made with something wrong. */
  readonly pieces: number;
  /** Pieces made and looked at before anything was wrong; 0 where it was wrong from the first piece on. */
  readonly before: number;
  /** Share of faults an inspector misses, and of good points called bad. */
  readonly misses: number;
  readonly alarms: number;
  /** Least force, N. */
  readonly limit: number;
}

/** How one cause spoils a piece; `n` counts the pieces from 0, `odd` is as likely as not but the same for the whole lot, `chance` and `normal` are the lot's own dice. */
type Spoil = (
  piece: Piece,
  context: LookContext,
  dice: { chance: (p: number) => boolean; normal: () => number; n: number; odd: boolean },
) => Piece;

const shorter = (piece: Piece, by: number): Piece => ({
  ...piece,
  brush: piece.brush === null ? null : piece.brush - by,
  windowFill: piece.windowFill === null ? null : Math.max(0, piece.windowFill - by / 2),
});

const fault =
  (code: string): Spoil =>
  (piece, context) => {
    const found = FAULTS.find((f) => f.code === code);
    return found?.applies(context) && pointOf(found.point).applies(context)
      ? spoil(found, piece, context, 'wrong')
      : piece;
  };
const sometimes =
  (p: number, code: string): Spoil =>
  (piece, context, dice) =>
    dice.chance(p) ? fault(code)(piece, context, dice) : piece;
const height =
  (by: (dice: { n: number; normal: () => number }) => number): Spoil =>
  (piece, _, dice) => {
    const change = by(dice);
    return {
      ...piece,
      height: piece.height === null ? null : piece.height * (1 + change),
      compression: piece.compression + 0.9 * change,
      voids: Math.max(0.005, piece.voids + 0.6 * change),
      grip: piece.grip === null ? null : piece.grip * (1 + change),
    };
  };
const all =
  (...list: Spoil[]): Spoil =>
  (piece, context, dice) =>
    list.reduce((p, s) => s(p, context, dice), piece);

/**
 * What each cause does to a piece's metal, wire and terminal. Written from what happens in the die, apart from the chances a
 * diagnosis goes by, so that trying one on the other proves something.
 */
const SPOILS: Readonly<Record<string, Spoil>> = {
  'strip-short': (piece, _, dice) => {
    const by = 1.6 + 0.3 * dice.normal();
    // The bench pushes until the insulation meets the barrel: what is missing is missing at the tip, or half inside.
    const inside = dice.chance(0.5) ? Math.min(by * 0.6, 1.2) : 0;
    return { ...shorter(piece, by - inside), edge: inside > 0 ? -inside : Math.max(0, piece.edge - 0.2) };
  },
  'not-bottomed': (piece, _, dice) => {
    const by = Math.abs(1.8 + 0.8 * dice.normal());
    return { ...shorter(piece, by), edge: piece.edge + by };
  },
  'strip-long': (piece, _, dice) => {
    const by = Math.abs(2.2 + 0.4 * dice.normal());
    const behind = dice.chance(0.5) ? by : by * 0.3;
    return { ...piece, brush: piece.brush === null ? null : piece.brush + by - behind, edge: piece.edge + behind };
  },
  'pushed-too-far': (piece, _, dice) => {
    const by = Math.abs(1.7 + 0.5 * dice.normal());
    return { ...piece, brush: piece.brush === null ? null : piece.brush + by, edge: piece.edge - by };
  },
  'strands-hurt': (piece, { wire }, dice) =>
    dice.chance(0.85)
      ? { ...piece, cut: Math.max(1, Math.round(wire.conductor.strands * (0.12 + 0.06 * dice.normal()))) }
      : piece,
  'strands-outside': (piece, { wire }, dice) =>
    dice.chance(0.6)
      ? { ...piece, stray: Math.max(1, Math.round(wire.conductor.strands * 0.14)), voids: piece.voids + 0.04 }
      : piece,
  'upside-down': all(fault('upside-down'), sometimes(0.4, 'one-sided'), (p) => ({ ...p, voids: p.voids + 0.04 })),
  'loose-seat': (piece, _, dice) => ({
    ...piece,
    biteOff: 1.1 * dice.normal(),
    twist: 6 * dice.normal(),
    bend: 4 * dice.normal(),
    bellmouth: piece.bellmouth === null ? null : Math.max(0, piece.bellmouth * (1 + 0.8 * dice.normal())),
  }),
  'tool-worn': all(
    height(({ n, normal }) => 0.05 + 0.012 * n + 0.01 * normal()),
    sometimes(0.3, 'flash'),
    (piece) => ({ ...piece, width: piece.width === null ? null : piece.width * 1.04 }),
  ),
  'set-high': height(({ normal }) => 0.11 + 0.01 * normal()),
  'set-low': all(
    height(({ normal }) => -0.11 + 0.01 * normal()),
    sometimes(0.25, 'cracked'),
    sometimes(0.35, 'flash'),
  ),
  'wrong-nest': (piece, context, dice) =>
    height(() => (dice.odd ? 0.09 : -0.09) + 0.01 * dice.normal())(
      { ...piece, mark: dice.chance(0.9) ? 'wrong' : 'faint' },
      context,
      dice,
    ),
  'wrong-wire': (piece, _, dice) => ({
    ...piece,
    voids: piece.voids + 0.12 + 0.02 * dice.normal(),
    compression: Math.min(1, piece.compression + 0.08),
    grip: piece.grip === null ? null : piece.grip * 1.22,
  }),
  'hard-terminal': all(
    sometimes(0.7, 'cracked'),
    height(({ normal }) => 0.03 + 0.02 * normal()),
  ),
  'grip-setting': (piece, context, dice) => fault(dice.odd ? 'grip-open' : 'grip-cuts')(piece, context, dice),
  'seal-handling': all(sometimes(0.7, 'seal-forward'), sometimes(0.5, 'seal-torn')),
  heat: (piece, context, dice) => fault(dice.chance(0.5) ? 'sleeve-charred' : 'sleeve-open')(piece, context, dice),
};

/**
 * What was changed when it began: each as often as it is named, 'nothing' where it came by itself. What is set or mounted
 * wrongly begins when it is set or mounted; what wears or is done in haste begins at any piece.
 */
const BEGINS: Readonly<Record<string, readonly (LotChange | 'nothing')[]>> = {
  'strip-short': ['tool', 'person', 'wire-reel', 'nothing'],
  'not-bottomed': ['person', 'nothing'],
  'strip-long': ['tool', 'person', 'wire-reel', 'nothing'],
  'pushed-too-far': ['person', 'nothing'],
  'strands-hurt': ['wire-reel', 'tool', 'nothing'],
  'strands-outside': ['person', 'wire-reel', 'nothing', 'nothing'],
  'upside-down': ['person', 'terminal-reel', 'nothing', 'nothing'],
  'loose-seat': ['tool', 'person', 'nothing'],
  'tool-worn': ['nothing'],
  'set-high': ['setting', 'setting', 'setting', 'person'],
  'set-low': ['setting', 'setting', 'setting', 'person'],
  'wrong-nest': ['die', 'tool', 'setting', 'person'],
  'wrong-wire': ['wire-reel', 'wire-reel', 'wire-reel', 'nothing'],
  'hard-terminal': ['terminal-reel', 'terminal-reel', 'terminal-reel', 'nothing'],
  'grip-setting': ['setting', 'wire-reel'],
  'seal-handling': ['person', 'nothing'],
  heat: ['person', 'tool', 'nothing'],
};

/** Causes a lot can be simulated with. */
export const SIMULATED_CAUSES: readonly string[] = Object.keys(SPOILS);

/**
 * A lot whose cause is known: pieces spoilt by it, looked at by an inspector who misses some things and sees others that are
 * not there, measured where the sheet has numbers, and pulled.
 *
 * Force: the conductor's breaking load, times how well it is held (best near 0.85 compression, falling off on both sides;
 * less with wire missing in the barrel, with voids, with insulation in the bite), times the share of strands that are whole
 * and inside.
 *
 * @returns null where this combination cannot show the cause at all
 */
export function simulateCause(
  cause: string,
  context: LookContext,
  sheet: LookSheet,
  model: SimulationModel,
): SimulatedLot | null {
  const how = SPOILS[cause];
  if (!how) return null;
  const next = random(model.seed);
  const normal = normalFrom(next);
  const chance = (p: number) => next() < p;
  const right = asDrawn(context);
  const list = criteria(context, sheet);
  const breaks = breakingLoad(context.wire.conductor, context.practice);
  const looked: Findings['looked'][number][] = [];
  const numbers: Findings['numbers'][number][] = [];
  const pulls: { piece: number; force: number; mode: FailureMode }[] = [];
  const pieces: Piece[] = [];
  const course: CourseStep[] = [];
  let shows = false;
  for (let n = -model.before; n < model.pieces; n++) {
    const began = BEGINS[cause] ?? [];
    const changed = began[Math.floor(next() * began.length)];
    if (n === 0 && changed && changed !== 'nothing') course.push({ changed });
    const piece = n < 0 ? right : how(right, context, { chance, normal, n, odd: model.seed % 2 === 1 });
    pieces.push(piece);
    const seen = looked.length;
    for (const [code, finding] of judgePiece(context, list, piece)) {
      const point = pointOf(code);
      // Nobody cuts a piece before something is wrong.
      if (point.view === 'section') continue;
      const isBad = !isGood(finding);
      if (isBad) shows = true;
      const said = isBad ? !chance(model.misses) : chance(model.alarms);
      looked.push({
        piece: pieces.length,
        point: code,
        bad: said,
        fault: said && isBad ? faultShown(context, code, piece) : null,
      });
      const criterion = list.find((c) => c.code === code);
      const value = point.number?.of(piece) ?? null;
      if ((code === 'height' || code === 'width') && criterion?.number && value !== null) {
        numbers.push({ point: code, value: value + 0.005 * normal(), range: criterion.number.range });
      }
    }
    const pulled = { piece: pieces.length, ...pull(piece) };
    pulls.push(pulled);
    course.push({ piece: pieces.length, bad: looked.slice(seen).some(({ bad }) => bad) || pulled.force < model.limit });
  }
  const strip = context.strip.window;
  if (strip && chance(0.7)) {
    const set = context.strip.setPoint ?? (strip.min + strip.max) / 2;
    const off = cause === 'strip-short' ? -2 : cause === 'strip-long' ? 2.2 : 0;
    numbers.push({ point: 'strip', value: set + off, range: strip });
  }
  const low = pulls.some((p) => p.force < model.limit);
  if (!shows && !low) return null;
  const toolFailed = chance(0.5) ? cause === 'tool-worn' && chance(0.8) : null;
  return { cause, pieces, findings: { looked, numbers, pulls, limit: model.limit, toolFailed, course } };

  function pull(piece: Piece): { force: number; mode: FailureMode } {
    const held = Math.exp(-(((piece.compression - 0.85) / 0.14) ** 2)) * (piece.compression < 0.85 ? 1 : 0.98);
    const length = context.terminal.barrel.length ?? 5;
    const missing = Math.max(0, -(piece.brush ?? 0), piece.windowFill === null ? 0 : (1 - piece.windowFill) * 2);
    const inside = Math.max(0, 1 - missing / length) * (1 - 0.35 * Math.min(1, Math.max(0, -piece.edge) / 1.5));
    const whole = 1 - (piece.cut + piece.stray) / context.wire.conductor.strands;
    const filled = 1 - 1.6 * Math.max(0, piece.voids - 0.05);
    const force = Math.max(1, breaks * 0.82 * held * inside * filled * whole * (1 + 0.04 * normal()));
    const share = force / breaks;
    const mode: FailureMode =
      share > 0.9
        ? 'broke-in-wire'
        : piece.compression < 0.78
          ? 'broke-at-crimp'
          : piece.cut > 0 && chance(0.6)
            ? chance(0.5)
              ? 'strands-one-by-one'
              : 'broke-at-crimp'
            : 'slid-out';
    return { force, mode };
  }
}

/** The fault that makes a piece look like this at a point: the one whose own change goes the same way. */
function faultShown(context: LookContext, code: string, piece: Piece): string | null {
  const right = asDrawn(context);
  const keys = Object.keys(right) as (keyof Piece)[];
  const changed = (a: Piece) => keys.filter((k) => JSON.stringify(a[k]) !== JSON.stringify(right[k]));
  const own = changed(piece);
  let best: { code: string; score: number } | null = null;
  for (const f of FAULTS) {
    if (f.point !== code || !f.applies(context)) continue;
    const drawn = spoil(f, right, context, 'wrong');
    let score = 0;
    for (const key of changed(drawn)) {
      if (!own.includes(key)) continue;
      const [a, b, c] = [piece[key], drawn[key], right[key]];
      score +=
        typeof a === 'number' && typeof b === 'number' && typeof c === 'number'
          ? Math.sign(a - c) === Math.sign(b - c)
            ? 1
            : 0
          : JSON.stringify(a) === JSON.stringify(b)
            ? 2
            : 0;
    }
    if (score > 0 && (!best || score > best.score)) best = { code: f.code, score };
  }
  return best?.code ?? null;
}
