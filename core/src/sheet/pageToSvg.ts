import type { Page } from './PageWriter';
import type { Ink, Shape } from './shapes';

/** Colours on paper. */
export const PAPER_INKS: Readonly<Record<Ink, string>> = {
  ink: '#16242a',
  soft: '#4c5a5f',
  line: '#7d878a',
  paper: '#ffffff',
  white: '#ffffff',
  tin: '#b9bebf',
  'tin-edge': '#6b7475',
  copper: '#b5622b',
  'copper-light': '#e2a36f',
  insulation: '#7c8f92',
  'insulation-light': '#93a4a6',
  steel: '#3d5359',
  petrol: '#0d4f59',
  accent: '#e2a36f',
  pass: '#246b41',
  fail: '#b0342a',
  hold: '#8a5d03',
};

const escape = (text: string) =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

function write(shape: Shape): string {
  if (shape.kind === 'path') {
    const { d, fill, stroke, width, dashed } = shape;
    return `<path d="${d}" fill="${fill ? PAPER_INKS[fill] : 'none'}"${
      stroke ? ` stroke="${PAPER_INKS[stroke]}" stroke-width="${width}"${dashed ? ' stroke-dasharray="5 3"' : ''}` : ''
    }/>`;
  }
  if (shape.kind === 'image') {
    const { x, y, width, height, png, alt } = shape;
    return `<image x="${x}" y="${y}" width="${width}" height="${height}" href="data:image/png;base64,${png}" role="img" aria-label="${escape(alt)}"/>`;
  }
  const family =
    shape.face === 'figures'
      ? "'Saira Semi Condensed'"
      : "'Atkinson Hyperlegible Next', 'Atkinson Hyperlegible Next Variable'";
  return `<text x="${shape.x}" y="${shape.y}" font-family="${family}, sans-serif" font-size="${shape.size}" font-weight="${
    shape.bold ? 600 : 400
  }" text-anchor="${shape.anchor}" fill="${PAPER_INKS[shape.ink]}">${escape(shape.text)}</text>`;
}

/** A page as an SVG document in true size. */
export function pageToSvg(page: Page): string {
  return pagesToSvg([page]);
}

/**
 * Pages as one SVG document in true size, one below the other.
 * @param style CSS that goes with it, such as the fonts it is written in
 */
export function pagesToSvg(pages: readonly Page[], style = ''): string {
  const width = Math.max(0, ...pages.map((page) => page.width));
  const height = pages.reduce((sum, page) => sum + page.height, 0);
  let top = 0;
  const drawn = pages.map((page) => {
    const inside = `<rect width="${page.width}" height="${page.height}" fill="#ffffff"/>\n${bodyOf(page)}`;
    const placed = top === 0 ? inside : `<g transform="translate(0 ${top})">\n${inside}\n</g>`;
    top += page.height;
    return placed;
  });
  const fonts = style ? `<style>${style}</style>\n` : '';
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">\n${fonts}${drawn.join('\n')}\n</svg>\n`;
}

function bodyOf({ items }: Page): string {
  return items
    .map(({ x, y, scale, shapes }) => {
      const inside = shapes.map(write).join('');
      return x === 0 && y === 0 && scale === 1
        ? inside
        : `<g transform="translate(${x} ${y}) scale(${scale})">${inside}</g>`;
    })
    .join('\n');
}
