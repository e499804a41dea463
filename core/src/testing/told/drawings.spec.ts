import { computeSetUp, judgeCombination } from '../../combination';
import { END_FAULTS } from '../../crimp';
import { examples } from '../../look';
import {
  drawCertificate,
  drawEnd,
  drawNest,
  drawPieceEnd,
  drawPieceSide,
  drawSheet,
  drawSide,
  drawStrippedEnd,
  drawTerminal,
  pagesToSvg,
  qrPath,
  sideView,
  type Drawing,
} from '../../sheet';
import { FAMILIES, NEST_PROFILES, type Family } from '../../terminal';
import { families, familyContext, wireRound } from '../families';
import { running } from '../lotBench';
import { NOW, wire075, wireOf } from '../shop';
import { holdTold, type Told } from './hold';
import approved from './drawings.json';

/* Drawings cannot be read in words: of each how many shapes it has, what stands in it, and a digest of where all of it lies.
   Who changes one looks at it (npm run screenshots, or a browser) before the new digest is committed. */

/** FNV-1a over the text, with numbers as far as a printer draws them. */
function digest(text: string): string {
  const plain = text.replace(/-?\d+\.\d+(e-?\d+)?/g, (number) => Number(number).toFixed(2));
  let hash = 0x811c9dc5;
  for (let i = 0; i < plain.length; i++) hash = Math.imul(hash ^ plain.charCodeAt(i), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}

function tellDrawing(name: string, drawing: Drawing | null): string {
  if (!drawing) return `${name} | not drawn`;
  const words = drawing.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
  return `${name} | ${drawing.shapes.length} shapes${words.length ? ` | ${words.join(', ')}` : ''} | ${digest(JSON.stringify(drawing))}`;
}

function tellFamily(family: Family): string[] {
  const context = familyContext(family, family === 'butt-splice' ? { opposite: [wireRound] } : {});
  const setUp = computeSetUp(context, [], NOW);
  const { look, tool, orientation, preparation, bites, criteria } = setUp;
  const { terminal, wire } = context;
  const view = preparation && sideView(terminal, wire, preparation.strip, bites, tool?.nest ?? null);
  return [
    ...(tool && orientation
      ? (['before', 'after', 'wrong'] as const).map((state) =>
          tellDrawing(`end ${state}`, drawEnd(terminal, wire, tool.nest.profile, orientation, state)),
        )
      : []),
    ...(view && preparation
      ? [tellDrawing('side', drawSide(terminal, view, preparation.strip, orientation?.angle ?? null))]
      : []),
    ...(look
      ? criteria.flatMap((criterion) =>
          examples(look, criterion).flatMap(({ kind, title, piece, finding }) => [
            `${criterion.key} | ${title}: ${kind}, ${finding}`,
            tellDrawing(`${criterion.key} ${kind} from the side`, drawPieceSide(look, piece, criterion.code)),
            tellDrawing(`${criterion.key} ${kind} end on`, drawPieceEnd(look, piece, criterion.code)),
          ]),
        )
      : []),
    outline(family, {}),
    outline(family, { 'barrel.length': 6, 'barrel.outerDiameter': 3.4, 'barrel.innerDiameter': 1.8, studHole: 4.3 }),
  ];
}

function outline(family: Family, lengths: Parameters<typeof drawTerminal>[0]['lengths']): string {
  const { shape, barrel } = families[family];
  const { dimensions, ...drawing } = drawTerminal({ family, shape, seam: barrel.seam, lengths }, () => true);
  return `outline | ${drawing.shapes.length} shapes, ${dimensions.length} dimensions | ${digest(JSON.stringify([drawing, dimensions]))}`;
}

const shop = { name: 'Fernhill Looms', isDemo: true };

function tellSheet(family: Family): string[] {
  const context = familyContext(family);
  const setUp = computeSetUp(context, [], NOW);
  const input = {
    ...{ shop, context, setUp, judgement: judgeCombination(setUp, [], context, NOW) },
    about: { list: 'L-1', terminal: context.terminal.part, wire: context.wire.part, pieces: 12 },
    ...{ link: 'http://127.0.0.1/bench/1', printedAt: '25 November 2026' },
  };
  return (['A4', 'letter'] as const).flatMap((paper) =>
    tellPages(`${family}, ${paper}`, pagesToSvg(drawSheet(input, paper))),
  );
}

function tellCertificate(): string[] {
  const bench = running();
  const lot = bench.lot(1);
  if (!lot) throw new Error('no lot');
  const { context, setUp } = bench;
  const pages = drawCertificate(
    {
      ...{ shop, context, setUp, lot },
      about: { list: 'L-1', terminal: context.terminal.part, wire: context.wire.part },
      ...{ releasedBy: 'Ines', people: ['Odile'], corrections: [] },
      seal: { number: 3, hash: 'ab'.repeat(32) },
      chain: { entries: 40, hash: 'cd'.repeat(32) },
      ...{ printedAt: '25 November 2026', zone: 'UTC' },
    },
    'A4',
  );
  return tellPages('certificate', pagesToSvg(pages));
}

/** Words of a page by themselves, and all of it as a digest. */
function tellPages(name: string, svg: string): string[] {
  const words = [...svg.matchAll(/<text[^>]*>([^<]*)<\/text>/g)].map(([, text = '']) => text);
  return [...words.map((text) => `${name} | ${text}`), `${name} | ${svg.split('\n').length} lines | ${digest(svg)}`];
}

const STRIPPED = [wireRound, wire075, wireOf({ kind: 'solid', strands: 1, strandDiameter: 1 })];

const told: Told = new Map<string, () => string[]>([
  ...FAMILIES.map((family) => [family, () => tellFamily(family)] as const),
  ['nests', () => NEST_PROFILES.map((profile) => tellDrawing(profile, drawNest(profile)))],
  [
    'stripped ends',
    () =>
      STRIPPED.flatMap((wire) =>
        [null, ...END_FAULTS].map((fault) =>
          tellDrawing(`${wire.conductor.strands} strands, ${fault ?? 'good'}`, drawStrippedEnd(wire, fault)),
        ),
      ),
  ],
  ...(['lug', 'sealed-contact', 'window-splice'] as const).map(
    (family) => [`sheet of a ${family}`, () => tellSheet(family)] as const,
  ),
  ['certificate', tellCertificate],
  ['a code to scan', () => [digest(qrPath('http://127.0.0.1/bench/1', 0, 0, 30))]],
]);

holdTold({ in: 'drawings', of: 'a drawing' }, told, approved);
