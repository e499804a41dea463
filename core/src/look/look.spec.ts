import { bites, orientation } from '../crimp';
import { stripWindow } from '../prepare';
import { bareRing, insulatedRing, openContact, practice, stripper, tool, windowSplice, wire075 } from '../testing/shop';
import type { Terminal } from '../terminal';
import type { NestProfile } from '../tool';
import { criteria, judgeLook, type Finding } from './index';

function pointsOf(terminal: Terminal, profile: NestProfile) {
  const nest = tool.dies[0]?.nests[0];
  const lies = orientation(terminal, profile, practice);
  if (!nest || !lies) throw new Error('no nest');
  return criteria({
    terminal,
    wire: wire075,
    practice,
    strip: stripWindow(terminal, wire075, practice, stripper),
    nest,
    orientation: lies,
    bites: bites(terminal, nest, practice),
  });
}

describe('The points to look at', () => {
  it('follow the family: what each has and what it has not', () => {
    const codes = (terminal: Terminal, profile: NestProfile) => pointsOf(terminal, profile).map((c) => c.code);
    expect(codes(bareRing, 'indent-and-cradle')).toEqual([
      'tongue',
      'brush',
      'bite',
      'seam',
      'mark',
      'barrel',
      'strands',
      'gap',
    ]);
    expect(codes(insulatedRing, 'symmetric-oval')).toContain('insulation-grip');
    expect(codes(openContact, 'rolled')).toEqual(jasmine.arrayContaining(['gap', 'insulation-grip', 'seam']));
    const splice = codes(windowSplice, 'window-indent');
    expect(splice).toEqual(jasmine.arrayContaining(['window', 'seal']));
    expect(splice).not.toContain('brush');
  });

  // brush: one envelope 1.13 up to the stud's room 4; gap: none to one envelope
  it('carry the numbers of this set-up', () => {
    const points = new Map(pointsOf(bareRing, 'indent-and-cradle').map((c) => [c.code, c.accept]));
    expect(points.get('brush')).toContain('1.1 to 4.0 mm');
    expect(points.get('gap')).toContain('0.0 to 1.1 mm');
    expect(points.get('bite')).toContain('3.0 mm');
    expect(points.get('strands')).toContain('All 24 strands');
    expect(points.get('mark')).toContain('one dot');
  });

  it('let nobody rework an upside-down seam', () => {
    expect(pointsOf(bareRing, 'indent-and-cradle').find((c) => c.code === 'seam')?.findings).toEqual([
      'accept',
      'reject',
    ]);
  });
});

describe('The verdict of looking', () => {
  const points = pointsOf(bareRing, 'indent-and-cradle');
  const all = (finding: (piece: number, code: string) => Finding | null) =>
    [1, 2].flatMap((piece) =>
      points.flatMap(({ code }) => {
        const given = finding(piece, code);
        return given ? [{ piece, criterion: code, finding: given }] : [];
      }),
    );

  it('passes when every point of every piece is accepted', () => {
    expect(
      judgeLook(
        points,
        all(() => 'accept'),
        2,
      ).state,
    ).toBe('pass');
  });

  it('fails on one reject and names piece and point', () => {
    const verdict = judgeLook(
      points,
      all((p, c) => (p === 2 && c === 'seam' ? 'reject' : 'accept')),
      2,
    );
    expect(verdict.state).toBe('fail');
    expect(verdict.pieces).toEqual(['accepted', 'rejected']);
    expect(verdict.reasons[0]?.text).toBe('Piece 2 is rejected: way round.');
  });

  it('never takes a point for good that nobody looked at', () => {
    const verdict = judgeLook(
      points,
      all((p, c) => (p === 2 && c === 'gap' ? null : 'accept')),
      2,
    );
    expect(verdict.state).toBe('missing');
    expect(verdict.reasons[0]?.numbers['open']).toBe(1);
  });

  it('accepts no piece while there is nothing to look at yet', () => {
    const verdict = judgeLook([], [], 2);
    expect(verdict.state).toBe('missing');
    expect(verdict.pieces).toEqual(['open', 'open']);
  });

  it('holds while a piece is to be reworked', () => {
    expect(
      judgeLook(
        points,
        all((p, c) => (p === 1 && c === 'gap' ? 'rework' : 'accept')),
        2,
      ).state,
    ).toBe('hold');
  });
});
