import fc from 'fast-check';
import { computeSetUp } from '../combination';
import { drawPieceEnd, drawPieceSide, type Drawing } from '../sheet';
import { FAMILIES, type Family, type Terminal } from '../terminal';
import type { NestProfile } from '../terminal';
import { placeBites, orientation } from '../crimp';
import { stripWindow } from '../prepare';
import { showRange } from '../units';
import { familyContext } from '../testing/families';
import { partExtent } from '../testing/measureDrawing';
import {
  bareRing,
  insulatedRing,
  NOW,
  openContact,
  practice,
  stripper,
  tool,
  windowSplice,
  wire075,
  wireRound,
} from '../testing/shop';
import {
  asDrawn,
  checkLookSheet,
  criteria,
  examples,
  faultsOf,
  FAULTS,
  findLookSheet,
  judgeLook,
  judgePiece,
  PLAIN_SHEET,
  pointOf,
  POINTS,
  readPointNumber,
  spoil,
  startingRows,
  type Criterion,
  type Finding,
  type LookContext,
  type LookSheet,
  type Piece,
  type PointCode,
  type PointUnit,
} from './index';

/** A shop's own sheet: every point, with its number. */
const sheet: LookSheet = {
  ...PLAIN_SHEET,
  document: 'LK-1',
  class: '2',
  effectiveFrom: '2026-01-01',
  rows: startingRows(),
};

/** What eye and caliper go by for one family, with a crimp height of 2.00 to 2.20 and a width of 2.6 to 2.9 mm. */
function lookOf(family: Family): LookContext {
  const { look } = computeSetUp(familyContext(family, { opposite: [wireRound] }), [], NOW);
  if (!look) throw new Error(`${family} has no set-up`);
  return { ...look, height: { min: 2, max: 2.2 }, width: { min: 2.6, max: 2.9 } };
}

/** The points of a terminal on 24 x 0.2, where the shop has no sheet of its own. */
function plainOf(terminal: Terminal, profile: NestProfile): Criterion[] {
  const nest = tool.dies[0]?.nests[0];
  const lies = orientation(terminal, { profile, punch: null }, practice);
  if (!nest || !lies) throw new Error('no nest');
  return criteria({
    terminal,
    wire: wire075,
    practice,
    strip: stripWindow(terminal, wire075, practice, stripper),
    nest,
    orientation: lies,
    bites: placeBites(terminal, nest, practice).bites,
    height: null,
    width: null,
    end: 1,
    opposite: null,
  });
}

const codesOf = (list: readonly Criterion[]): string[] => list.map((c) => c.code);

describe('The points to look at', () => {
  // Derived by hand from the wire 7 x 0.5 (envelope 1.5), brush at least 1.5, gap 0 to 1.5, edge at 0.25 to 0.75 of the window.
  const WORKED: Readonly<Record<Family, { codes: readonly PointCode[]; says: readonly [PointCode, string][] }>> = {
    'insulated-terminal': {
      codes: ['tongue', 'brush', 'bite', 'seam', 'insulation-grip', 'gap'],
      says: [
        ['brush', '1.5 to 5.0 mm'],
        ['seam', 'Pressed alike on both sides by the oval'],
      ],
    },
    'sealed-sleeve-terminal': {
      codes: ['tongue', 'brush', 'seal', 'insulation-grip'],
      says: [
        ['seal', 'adhesive at both ends'],
        ['seal', 'not charred'],
      ],
    },
    'bare-terminal': {
      codes: ['tongue', 'brush', 'seam', 'gap'],
      says: [
        ['seam', 'Indent opposite the seam'],
        ['bite', 'centred 3.0 mm'],
      ],
    },
    'open-barrel-contact': {
      codes: ['bellmouth', 'gap', 'insulation-grip', 'cover'],
      says: [
        ['gap', 'Insulation edge 0.5 to 1.5 mm'],
        ['seam', 'Both wings rolled alike'],
      ],
    },
    'sealed-contact': {
      codes: ['wire-seal', 'bellmouth', 'height'],
      says: [
        ['wire-seal', 'ribs towards the wire'],
        ['height', '2.00 to 2.20 mm'],
      ],
    },
    'machined-contact': {
      codes: ['window', 'bite'],
      says: [
        ['window', 'inspection hole'],
        ['bite', 'Four indents of one depth'],
      ],
    },
    'signal-contact': { codes: ['bellmouth', 'gap'], says: [['gap', 'Insulation edge 0.3 to 0.7 mm']] },
    'butt-splice': { codes: ['bite', 'gap'], says: [['bite', 'not on the stop']] },
    'window-splice': {
      codes: ['window', 'seal'],
      says: [
        ['seam', 'Window up'],
        ['window', 'Conductor fills the window'],
      ],
    },
    'open-barrel-splice': { codes: ['bellmouth', 'seal'], says: [['seam', 'Both wings rolled alike']] },
    ferrule: {
      codes: ['brush', 'seam'],
      says: [
        ['seam', 'Ferrule square and full'],
        ['bite', 'not on the collar'],
      ],
    },
    lug: { codes: ['tongue', 'bite', 'seam'], says: [['seam', 'pad square to the bites']] },
  };

  for (const family of FAMILIES) {
    it(`of the trade have their own words and numbers: ${family}`, () => {
      const list = criteria(lookOf(family), sheet);
      for (const code of WORKED[family].codes) expect(codesOf(list)).toContain(code);
      for (const [code, words] of WORKED[family].says) {
        expect(list.find((c) => c.code === code)?.accept).toContain(words);
      }
    });
  }

  it('leave out what the terminal has not', () => {
    expect(codesOf(criteria(lookOf('window-splice'), sheet))).not.toContain('brush');
    expect(codesOf(criteria(lookOf('bare-terminal'), sheet))).not.toContain('insulation-grip');
  });

  it('stay as they were where the shop has no sheet: by eye, and the height where the terminal’s sheet gives one', () => {
    const list = plainOf(bareRing, 'indent-and-cradle');
    expect(codesOf(list)).toEqual(['tongue', 'brush', 'bite', 'seam', 'mark', 'barrel', 'strands', 'gap']);
    expect(list.every((c) => c.number === null)).toBeTrue();
    // brush: one envelope 1.13 up to the stud's room 4; gap: none to one envelope
    const says = new Map(list.map((c) => [c.code as string, c.accept]));
    expect(says.get('brush')).toContain('1.2 to 4.0 mm');
    expect(says.get('gap')).toContain('0.0 to 1.1 mm');
    expect(says.get('strands')).toContain('All 24 strands');
    expect(says.get('mark')).toContain('one dot');
    expect(says.get('tongue')).not.toContain('°');
    expect(
      codesOf([
        ...plainOf(insulatedRing, 'symmetric-oval'),
        ...plainOf(openContact, 'rolled'),
        ...plainOf(windowSplice, 'window-indent'),
      ]),
    ).not.toContain('twist');
    expect(list.find((c) => c.code === 'seam')?.findings).toEqual(['accept', 'reject']);
  });

  it('take range, findings and words from the shop’s sheet, a row for the family before one for all', () => {
    const rows = [
      ...sheet.rows.filter((r) => r.point !== 'tongue'),
      { ...row('tongue'), max: 9 },
      {
        ...row('tongue'),
        families: ['lug' as const],
        max: 2,
        text: 'Pad flat on the granite.',
        measured: 'each' as const,
      },
    ];
    const lug = criteria(lookOf('lug'), { ...sheet, rows }).find((c) => c.code === 'tongue');
    expect(lug?.number?.range).toEqual({ min: 0, max: 2 });
    expect(lug?.number?.measured).toBe('each');
    expect(lug?.accept).toContain('Pad flat on the granite.');
    const ring = criteria(lookOf('bare-terminal'), { ...sheet, rows }).find((c) => c.code === 'tongue');
    expect(ring?.number?.range.max).toBe(9);
  });
});

const row = (point: PointCode) => {
  const found = startingRows().find((r) => r.point === point);
  if (!found) throw new Error(point);
  return found;
};

describe('A sheet of what to look at', () => {
  it('may be released as it is begun', () => {
    expect(checkLookSheet(sheet, '2026-11-25').filter((p) => p.weight === 'bad')).toEqual([]);
  });

  it('may not leave out what no pull shows, say a thing twice, or accept a number outside its range', () => {
    const rows = [
      ...sheet.rows.filter((r) => r.point !== 'seam'),
      row('gap'),
      { ...row('mark'), measured: 'each' as const },
      { ...row('window'), families: ['lug' as const], outside: 'accept' as const, findings: ['accept' as const] },
    ];
    const told = checkLookSheet({ ...sheet, rows, effectiveUntil: '2026-02-01' }, '2026-11-25').map((p) => p.text);
    expect(told).toContain(
      'Nobody would look at ‘Way round’. No pull shows that fault: leave the point in.'.replace(/[‘’]/g, "'"),
    );
    expect(told.join(' ')).toContain("'Gap' stands in row");
    expect(told).toContain("Nothing is measured at 'Die mark'.");
    expect(told).toContain('A number outside its range is never simply accepted.');
    expect(told).toContain('Nothing bad could be said of this point: allow reject or rework.');
    expect(told).toContain('It has run out already.');
  });

  it('applies to its class and days; what pieces were looked at by stays, whatever becomes of it', () => {
    const later: LookSheet = { ...sheet, revision: '2', effectiveFrom: '2026-06-01' };
    const draft: LookSheet = { ...sheet, revision: '3', status: 'draft', effectiveFrom: '2026-07-01' };
    const all = [sheet, later, draft];
    expect(findLookSheet(all, '2', '2026-03-01').revision).toBe('1');
    expect(findLookSheet(all, '2', '2026-11-25').revision).toBe('2');
    expect(findLookSheet(all, '3', '2026-11-25')).toBe(PLAIN_SHEET);
    expect(findLookSheet(all, '2', '2026-11-25', 'plain')).toBe(PLAIN_SHEET);
    expect(findLookSheet([{ ...sheet, status: 'withdrawn' }], '2', '2026-11-25', sheet).document).toBe('LK-1');
  });
});

describe('A piece end on', () => {
  it('lies whole in its picture, however it leans or is twisted, where no number needs room', () => {
    const context = lookOf('open-barrel-contact');
    const right = asDrawn(context);
    for (const twist of [-12, 0, 25]) {
      for (const lean of [0, 0.4, -0.4]) {
        const drawn = drawPieceEnd(context, { ...right, twist, lean, stray: 2 });
        if (!drawn) throw new Error('not drawn');
        const { y, height } = drawn.box;
        for (const part of ['outline', 'tongue-edge', 'stray-strand']) {
          const extent = partExtent(drawn, part);
          expect(extent?.top).withContext(`${part}, twisted ${twist}, leaning ${lean}`).toBeGreaterThanOrEqual(y);
          expect(extent?.bottom)
            .withContext(`${part}, twisted ${twist}`)
            .toBeLessThanOrEqual(y + height);
        }
        const outline = partExtent(drawn, 'outline');
        const empty = height - ((outline?.bottom ?? 0) - (outline?.top ?? 0));
        if (!twist && !lean) expect(empty).withContext('nothing is left over').toBeLessThan(26);
      }
    }
  });
});

describe('A fault', () => {
  const draw = (context: LookContext, piece: Piece, code: PointCode): { side: Drawing; end: Drawing } => {
    const side = drawPieceSide(context, piece, code);
    const end = drawPieceEnd(context, piece, code);
    if (!side || !end) throw new Error('not drawn');
    return { side, end };
  };

  /** What each fault claims, measured in the drawing: lengths in mm from the drawing's own scale. */
  const CLAIMS: Readonly<
    Record<string, (d: { side: Drawing; end: Drawing }, piece: Piece, right: { side: Drawing; end: Drawing }) => void>
  > = {
    'tongue-bent': ({ side }, piece, right) => {
      const of = (d: Drawing) => partExtent(d, 'tongue');
      expect((of(side)?.bottom ?? 0) - (of(side)?.top ?? 0)).toBeGreaterThan(
        (of(right.side)?.bottom ?? 0) - (of(right.side)?.top ?? 0),
      );
      expect(piece.bend).toBeGreaterThan(4);
    },
    twisted: ({ end }, piece) => {
      const edge = partExtent(end, 'tongue-edge');
      const slope = Math.atan2((edge?.bottom ?? 0) - (edge?.top ?? 0), (edge?.right ?? 0) - (edge?.left ?? 0));
      expect((slope * 180) / Math.PI).toBeCloseTo(piece.twist, 1);
    },
    'splice-bent': bendDrawn,
    'brush-short': ({ side }) => {
      expect(partExtent(side, 'wire-end')).toBeNull();
    },
    'brush-long': ({ side }, piece, right) => {
      const longer =
        ((partExtent(right.side, 'wire-end')?.left ?? 0) - (partExtent(side, 'wire-end')?.left ?? 0)) / side.scale;
      expect(longer).toBeGreaterThan(1);
      const wireEnd = partExtent(side, 'wire-end');
      expect(((wireEnd?.right ?? 0) - (wireEnd?.left ?? 0)) / side.scale).toBeCloseTo(piece.brush ?? 0, 2);
    },
    'window-empty': ({ side }, piece) => {
      const width = (part: string) => (partExtent(side, part)?.right ?? 0) - (partExtent(side, part)?.left ?? 0);
      const hole = partExtent(side, 'window');
      const mirrored = partExtent(side, 'other-window-fill');
      const whole = mirrored ? mirrored.right - mirrored.left : (hole?.right ?? 0) - (hole?.left ?? 0);
      expect(width('window-fill') / whole).toBeCloseTo(piece.windowFill ?? 0, 2);
    },
    'bite-towards-wire': biteMoved,
    'bite-towards-tongue': biteMoved,
    'bellmouth-none': ({ side }, piece) => {
      expect(piece.bellmouth).toBe(0);
      expect(side.shapes.some((s) => s.kind === 'text' && s.text === '0.00 mm')).toBeTrue();
    },
    'bellmouth-large': ({ side }, piece) => {
      expect(side.shapes.some((s) => s.kind === 'text' && s.text === `${piece.bellmouth?.toFixed(2)} mm`)).toBeTrue();
    },
    'upside-down': ({ end }, _, right) => {
      const mark = ['seam', 'wing-tips', 'window'].find((part) => partExtent(end, part)) ?? '';
      const [was, is] = [partExtent(right.end, mark), partExtent(end, mark)];
      expect(Math.hypot((was?.left ?? 0) - (is?.left ?? 0), (was?.top ?? 0) - (is?.top ?? 0))).toBeGreaterThan(10);
    },
    'one-sided': ({ end }, _, right) => {
      const tops = (d: Drawing) => partExtent(d, 'outline')?.top ?? 0;
      expect(tops(end)).toBeLessThan(tops(right.end) - 3);
    },
    'height-over': heightDrawn,
    'height-under': heightDrawn,
    'width-over': ({ end }, piece) => {
      const outline = partExtent(end, 'outline');
      expect(((outline?.right ?? 0) - (outline?.left ?? 0)) / end.scale).toBeCloseTo(piece.width ?? 0, 1);
    },
    'wrong-mark': ({ side }) => {
      expect(side.shapes.some((s) => s.kind === 'text' && s.text === 'another mark')).toBeTrue();
    },
    cracked: ({ side }, piece) => {
      const crack = partExtent(side, 'crack');
      expect(((crack?.right ?? 0) - (crack?.left ?? 0)) / side.scale).toBeCloseTo(piece.crack, 1);
    },
    flash: ({ end }, piece) => {
      const [fin, body] = [partExtent(end, 'flash'), partExtent(end, 'outline')];
      expect(((fin?.right ?? 0) - (body?.right ?? 0)) / end.scale).toBeCloseTo(piece.flash, 1);
    },
    'stray-strands': ({ side, end }) => {
      expect(partExtent(side, 'stray-strand')).not.toBeNull();
      expect(partExtent(end, 'stray-strand')).not.toBeNull();
    },
    'cut-strands': ({ side }, piece) => {
      // A strand cut where no wire is seen shows nowhere in the drawing but counts all the same.
      if (piece.brush !== null || piece.edge > 0.2) expect(partExtent(side, 'cut-strand')).not.toBeNull();
      expect(piece.cut).toBeGreaterThan(0);
    },
    'insulation-inside': ({ side }, piece) => {
      const [grip, insulation] = [
        partExtent(side, 'conductor-grip') ?? partExtent(side, 'barrel'),
        partExtent(side, 'insulation'),
      ];
      expect(((insulation?.left ?? 0) - (grip?.right ?? 0)) / side.scale).toBeCloseTo(piece.edge, 1);
      expect(piece.edge).toBeLessThan(0);
    },
    'gap-long': ({ side }, piece) => {
      const [grip, insulation] = [
        partExtent(side, 'conductor-grip') ?? partExtent(side, 'barrel'),
        partExtent(side, 'insulation'),
      ];
      expect(((insulation?.left ?? 0) - (grip?.right ?? 0)) / side.scale).toBeCloseTo(piece.edge, 1);
    },
    'grip-open': gripDrawn,
    'grip-cuts': gripDrawn,
    'seal-forward': ({ side }, piece, right) => {
      const moved = (partExtent(right.side, 'seal')?.left ?? 0) - (partExtent(side, 'seal')?.left ?? 0);
      expect(moved / side.scale).toBeCloseTo(piece.sealShift ?? 0, 1);
    },
    'seal-torn': ({ side }) => {
      expect(partExtent(side, 'tear')).not.toBeNull();
    },
    'cover-short': ({ side }, piece, right) => {
      const moved = (partExtent(side, 'cover')?.left ?? 0) - (partExtent(right.side, 'cover')?.left ?? 0);
      expect(moved / side.scale).toBeCloseTo(piece.uncovered ?? 0, 1);
    },
    'sleeve-off-centre': ({ side }, piece) => {
      const label = `${Math.abs(piece.sleeve?.off ?? 0).toFixed(1)} mm off`;
      expect(side.shapes.some((s) => s.kind === 'text' && s.text === label)).toBeTrue();
    },
    'sleeve-charred': ({ side }) => {
      expect(side.shapes.filter((s) => s.kind === 'path' && s.part === 'scorch').length).toBe(5);
    },
    'sleeve-open': ({ side }, _, right) => {
      const beads = (d: Drawing) => d.shapes.filter((s) => s.kind === 'path' && s.part === 'adhesive').length;
      expect([beads(right.side), beads(side)]).toEqual([4, 2]);
    },
    'sleeve-split': ({ side }, _, right) => {
      expect([partExtent(right.side, 'split'), partExtent(side, 'split') === null]).toEqual([null, false]);
    },
    'sleeve-bubbles': ({ side }, piece) => {
      expect(side.shapes.filter((s) => s.kind === 'path' && s.part === 'bubble').length).toBe(
        piece.sleeve?.bubbles ?? 0,
      );
    },
    'insulation-melted': ({ side }) => {
      // Beside the sleeve, where the eye does not go by itself.
      const [melted, sleeve] = [partExtent(side, 'melted'), partExtent(side, 'sleeve')];
      expect(melted?.left).toBeGreaterThan(sleeve?.right ?? Infinity);
    },
  };

  function biteMoved({ side }: { side: Drawing }, piece: Piece, right: { side: Drawing }): void {
    const moved = (partExtent(side, 'bite')?.left ?? 0) - (partExtent(right.side, 'bite')?.left ?? 0);
    expect(moved / side.scale).toBeCloseTo(piece.biteOff, 1);
  }

  function bendDrawn({ side }: { side: Drawing }, piece: Piece, right: { side: Drawing }): void {
    const size = (drawn: Drawing) => {
      const box = partExtent(drawn, 'insulation');
      return [(box?.right ?? 0) - (box?.left ?? 0), (box?.bottom ?? 0) - (box?.top ?? 0)].map((u) => u / drawn.scale);
    };
    const [long = 0, high = 0] = size(right.side);
    const angle = (piece.bend * Math.PI) / 180;
    expect(size(side)[1]).toBeCloseTo(high * Math.cos(angle) + long * Math.sin(angle), 1);
  }

  function heightDrawn({ side, end }: { side: Drawing; end: Drawing }, piece: Piece): void {
    const line = partExtent(side, 'height');
    expect(((line?.bottom ?? 0) - (line?.top ?? 0)) / side.scale).toBeCloseTo(piece.height ?? 0, 1);
    const outline = partExtent(end, 'outline');
    expect(((outline?.bottom ?? 0) - (outline?.top ?? 0)) / end.scale).toBeCloseTo(piece.height ?? 0, 1);
  }

  function gripDrawn({ end }: { end: Drawing }, piece: Piece): void {
    const ring = partExtent(end, 'insulation-grip');
    expect((ring?.bottom ?? 0) - (ring?.top ?? 0)).toBeCloseTo(68 * (piece.grip ?? 0), 1);
  }

  for (const family of FAMILIES) {
    it(`can be drawn on a ${family} and shows what it claims; looked at, it is found at its own point and nowhere else`, () => {
      const context = lookOf(family);
      const list = criteria(context, sheet);
      const right = asDrawn(context);
      for (const fault of faultsOf(context)) {
        const piece = spoil(fault, right, context, 'wrong');
        CLAIMS[fault.code]?.(draw(context, piece, fault.point), piece, draw(context, right, fault.point));
        const bad = [...judgePiece(context, list, piece)].filter(([, finding]) => finding !== 'accept');
        expect(bad.map(([code]) => code))
          .withContext(`${family}: ${fault.code}`)
          .toEqual([fault.point]);
      }
    });
  }

  it('drawn for somebody to find is not given away in red, nor by a word', () => {
    for (const family of FAMILIES) {
      const context = lookOf(family);
      for (const fault of faultsOf(context)) {
        const piece = spoil(fault, asDrawn(context), context, 'wrong');
        const shapes = [drawPieceSide(context, piece, 'blind'), drawPieceEnd(context, piece, 'blind')].flatMap(
          (drawing) => drawing?.shapes ?? [],
        );
        expect(shapes.length).toBeGreaterThan(0);
        const red = shapes.filter((s) =>
          s.kind === 'path' ? [s.stroke, s.fill].includes('fail') : s.kind === 'text' && s.ink === 'fail',
        );
        expect(red).withContext(`${fault.code} on a ${family}`).toEqual([]);
        const words = shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
        expect(words.filter((w) => w !== '5 mm').length)
          .withContext(words.join())
          .toBeLessThan(2);
      }
    }
  });

  it('of every kind has its claim checked and appears in some family', () => {
    const seen = new Set(FAMILIES.flatMap((family) => faultsOf(lookOf(family)).map((f) => f.code)));
    for (const { code } of FAULTS) {
      expect(CLAIMS[code]).withContext(code).toBeDefined();
      expect(seen.has(code)).withContext(code).toBeTrue();
    }
  });

  it('just good enough is accepted or noted, never rejected; what is wrong never passes', () => {
    for (const family of FAMILIES) {
      const context = lookOf(family);
      for (const criterion of criteria(context, sheet)) {
        for (const { kind, finding, fault } of examples(context, criterion)) {
          const good: readonly Finding[] = ['accept', 'note'];
          expect(good.includes(finding))
            .withContext(`${family} ${criterion.code} ${fault?.code ?? ''} ${kind}`)
            .toBe(kind !== 'wrong');
        }
      }
    }
  });

  it('draws what is just good enough inside the range as it reads, not a tenth beside it', () => {
    for (const family of FAMILIES) {
      const context = lookOf(family);
      for (const criterion of criteria(context, sheet)) {
        const { range } = criterion.number ?? {};
        const of = pointOf(criterion.code).number?.of;
        if (!range || !of) continue;
        const digits = range.max - range.min < 1 ? 2 : 1;
        const [low = NaN, high = NaN] = showRange(range, digits, ' ').split(' ').map(Number);
        for (const { kind, piece, fault } of examples(context, criterion)) {
          const value = of(piece);
          if (kind !== 'borderline' || value === null) continue;
          const shown = Number(value.toFixed(digits));
          expect(shown >= low && shown <= high)
            .withContext(`${family} ${fault?.code}: ${shown} in ${low} to ${high}`)
            .toBeTrue();
        }
      }
    }
  });

  it('follows the range of the shop’s sheet, not only that of the set-up', () => {
    const context = lookOf('bare-terminal');
    const rows = [...sheet.rows.filter((r) => r.point !== 'tongue'), { ...row('tongue'), max: 1 }];
    const strict = criteria(context, { ...sheet, rows }).find((c) => c.code === 'tongue');
    if (!strict) throw new Error('no tongue');
    expect(examples(context, strict).map((e) => [e.kind, e.piece.bend])).toEqual([
      ['right', 0],
      ['borderline', 1],
      ['wrong', 13],
    ]);
  });
});

describe('The verdict of looking', () => {
  const points = plainOf(bareRing, 'indent-and-cradle');
  const evidence = (given: (piece: number, code: string) => Finding | null) => ({
    findings: [1, 2].flatMap((piece) =>
      points.flatMap(({ code }) => {
        const finding = given(piece, code);
        return finding ? [{ piece, criterion: code as string, finding }] : [];
      }),
    ),
    numbers: [],
    count: 2,
    measured: 0,
  });

  it('passes when every point of every piece is accepted', () => {
    expect(
      judgeLook(
        points,
        evidence(() => 'accept'),
      ).state,
    ).toBe('pass');
  });

  it('fails on one reject and names piece and point', () => {
    const verdict = judgeLook(
      points,
      evidence((p, c) => (p === 2 && c === 'seam' ? 'reject' : 'accept')),
    );
    expect(verdict.state).toBe('fail');
    expect(verdict.pieces).toEqual(['accepted', 'rejected']);
    expect(verdict.reasons[0]?.text).toBe('Piece 2 is rejected: way round.');
  });

  it('never takes a point for good that nobody looked at', () => {
    const verdict = judgeLook(
      points,
      evidence((p, c) => (p === 2 && c === 'gap' ? null : 'accept')),
    );
    expect(verdict.state).toBe('missing');
    expect(verdict.reasons[0]?.numbers['open']).toBe(1);
  });

  it('accepts no piece while there is nothing to look at yet', () => {
    const verdict = judgeLook([], { findings: [], numbers: [], count: 2, measured: 0 });
    expect([verdict.state, ...verdict.pieces]).toEqual(['missing', 'open', 'open']);
  });

  it('holds while a piece is to be reworked, and passes with a note that is told', () => {
    const found = (finding: Finding) =>
      judgeLook(
        points,
        evidence((p, c) => (p === 1 && c === 'gap' ? finding : 'accept')),
      );
    expect(found('rework').state).toBe('hold');
    expect(found('note').state).toBe('pass');
    expect(found('note').reasons.map((r) => r.text)).toContain('Noted on piece 1: gap.');
  });

  it('takes one answer for a whole piece for all its points, and a point answered otherwise before that answer', () => {
    const whole = [
      { piece: 1, criterion: 'as-drawn', finding: 'accept' as const },
      { piece: 2, criterion: 'as-drawn', finding: 'accept' as const },
    ];
    const all = { numbers: [], count: 2, measured: 0 };
    expect(judgeLook(points, { ...all, findings: whole }).state).toBe('pass');
    const but = [...whole, { piece: 2, criterion: 'seam', finding: 'reject' as const }];
    expect(judgeLook(points, { ...all, findings: but }).pieces).toEqual(['accepted', 'rejected']);
  });

  describe('with numbers', () => {
    const measured = criteria(lookOf('sealed-contact'), sheet);
    const good = (piece: number) => [{ piece, criterion: 'as-drawn', finding: 'accept' as const }];
    const judge = (numbers: { piece: number; what: string; value: number }[], pieces = 2) =>
      judgeLook(measured, { findings: [...good(1), ...good(2)], numbers, count: pieces, measured: 1 });

    it('waits for those asked of the first pieces, and names them', () => {
      const verdict = judge([]);
      expect(verdict.pieces).toEqual(['open', 'accepted']);
      expect(verdict.reasons.map((r) => r.text)).toContain('Crimp height of 1 of 1 pieces is not measured yet.');
    });

    it('takes the ends of a range for good and rejects what lies beyond, whatever the eye said', () => {
      const at = (height: number) =>
        judge([
          { piece: 1, what: 'height', value: height },
          { piece: 1, what: 'width', value: 2.75 },
        ]);
      expect(at(2.2).state).toBe('pass');
      expect(at(2).state).toBe('pass');
      const verdict = at(2.203);
      expect(verdict.state).toBe('fail');
      // 2.203 is never shown as 2.20, which would be good
      expect(verdict.reasons[0]?.text).toBe('Piece 1 is rejected: crimp height 2.203 mm, 2.00 to 2.20 mm is good.');
    });

    it('judges any number in its range as good and any other as its sheet says', () => {
      fc.assert(
        fc.property(fc.double({ min: 0.1, max: 6, noNaN: true }), (brush) => {
          const range = measured.find((c) => c.code === 'brush')?.number?.range ?? { min: 0, max: 0 };
          const piece = { ...asDrawn(lookOf('sealed-contact')), brush };
          const found = judgePiece(lookOf('sealed-contact'), measured, piece).get('brush');
          expect(found).toBe(brush >= range.min - 1e-9 && brush <= range.max + 1e-9 ? 'accept' : 'reject');
        }),
      );
    });
  });
});

describe('A number typed for a point', () => {
  const read = (text: string, unit: PointUnit) => {
    const found = readPointNumber(text, unit);
    return found.outcome === 'read' ? [Number(found.value.toFixed(4)), found.unit] : found.text;
  };

  it('becomes millimetres from inches, and keeps the unit it was typed in', () => {
    expect(read('1,8', 'mm')).toEqual([1.8, 'mm']);
    expect(read('0.071 in', 'mm')).toEqual([1.8034, 'in']);
    expect(read('1/16', 'mm')).toEqual([1.5875, 'in']);
  });

  it('may carry the unit of its point, and is refused with a sentence otherwise', () => {
    expect(read('12°', '°')).toEqual([12, '°']);
    expect(read('3 strands', 'strands')).toEqual([3, 'strands']);
    expect(read('94 %', '%')).toEqual([94, '%']);
    expect(read('3 mm', '°')).toContain('is not in °');
    expect(read('bent', '°')).toContain('is not a number');
    expect(read('3 kg', 'mm')).toContain('no unit of length');
  });
});

describe('The catalogue of points', () => {
  it('has a drawn piece that is good at every one of them, in every family', () => {
    for (const family of FAMILIES) {
      const context = lookOf(family);
      const found = [...judgePiece(context, criteria(context, sheet), asDrawn(context))];
      expect(found.filter(([, finding]) => finding !== 'accept'))
        .withContext(family)
        .toEqual([]);
    }
  });

  it('names each number in words and its unit', () => {
    for (const { code, number } of POINTS) {
      if (number) expect(number.what.length).withContext(code).toBeGreaterThan(5);
    }
    expect(pointOf('twist').number?.unit).toBe('°');
  });
});
