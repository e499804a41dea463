import type { Drawing } from './drawSide';
import { line, text, type Shape } from './shapes';
import { textWidth, wrapText } from './wrapText';

export const PAPERS = ['A4', 'letter'] as const;
export type Paper = (typeof PAPERS)[number];

/** Width and height, mm. */
export const PAPER_SIZES: Readonly<Record<Paper, readonly [number, number]>> = {
  A4: [210, 297],
  letter: [215.9, 279.4],
};

/** A picture as PNG. */
export interface Logo {
  /** Base 64. */
  readonly data: string;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
}

/** The shop as its paper names it. */
export interface Letterhead {
  readonly name: string;
  readonly isDemo: boolean;
  readonly logo?: Logo | null;
}

/** Most room a logo takes, mm. */
const LOGO = { width: 40, height: 14 } as const;

/** Shapes in mm, moved and scaled. */
export interface Placed {
  readonly x: number;
  readonly y: number;
  readonly scale: number;
  readonly shapes: readonly Shape[];
}

/** One page: everything on it in mm from its left upper corner. */
export interface Page {
  readonly width: number;
  readonly height: number;
  readonly items: readonly Placed[];
}

/** Edge of the paper left white, mm. */
export const MARGIN = 12;

/** Size of the foot's words, mm, and the least room between its two sides. */
const FOOT = 2.6;
const GAP = 6;

/** Writes pages from top to bottom, turning when what comes needs more room than is left. */
export class PageWriter {
  readonly pages: { width: number; height: number; items: Placed[] }[] = [];
  y = MARGIN;
  readonly inner: number;

  constructor(
    private readonly width: number,
    private readonly height: number,
  ) {
    this.inner = width - 2 * MARGIN;
    this.turn();
  }

  /** Lowest y before the footer. */
  get end(): number {
    return this.height - MARGIN - 9;
  }
  turn(): void {
    this.pages.push({ width: this.width, height: this.height, items: [] });
    this.y = MARGIN;
  }
  /** Turns the page when what comes needs more room than is left. */
  need(room: number): void {
    if (this.y + room > this.end) this.turn();
  }
  put(...shapes: Shape[]): void {
    this.pages.at(-1)?.items.push({ x: 0, y: 0, scale: 1, shapes });
  }
  place(drawing: Drawing, x: number, y: number, width: number): number {
    const scale = width / drawing.box.width;
    this.pages
      .at(-1)
      ?.items.push({ x: x - drawing.box.x * scale, y: y - drawing.box.y * scale, scale, shapes: drawing.shapes });
    return drawing.box.height * scale;
  }
  /**
   * A logo at the right of where the page is, as large as its box lets it be.
   * @param right mm from the right margin
   * @returns width it takes, mm; 0 without one
   */
  logo({ logo, name }: Letterhead, right: number): number {
    if (!logo) return 0;
    const scale = Math.min(LOGO.width / logo.width, LOGO.height / logo.height);
    const [width, height] = [logo.width * scale, logo.height * scale];
    const x = this.width - MARGIN - right - width;
    this.put({ kind: 'image', x, y: this.y, width, height, png: logo.data, alt: `Logo of ${name}` });
    return width;
  }
  /** A sentence over as many lines as it needs. */
  paragraph(words: string, size = 3.1, look: Partial<Parameters<typeof text>[3]> = {}): void {
    for (const part of wrapText(words, size, this.inner)) {
      this.need(size + 1);
      this.put(text(MARGIN, this.y + size, part, { size, face: 'text', ...look }));
      this.y += size * 1.3;
    }
  }

  /** A name, and beside it what is said of it. */
  labelled(name: string, value: string, size = 3): void {
    const indent = 34;
    const lines = wrapText(value, size, this.inner - indent);
    this.need(lines.length * size * 1.35);
    this.put(text(MARGIN, this.y + size, name, { size, face: 'text', ink: 'soft' }));
    lines.forEach((part, i) => {
      this.put(text(MARGIN + indent, this.y + size + i * size * 1.35, part, { size, face: 'text' }));
    });
    this.y += Math.max(1, lines.length) * size * 1.35;
  }

  /** The same words at the foot of every page, with its number. */
  foot(left: string, printedAt: string): void {
    this.pages.forEach((page, index) => {
      const y = this.height - MARGIN;
      const printed = `Printed ${printedAt}. Page ${index + 1} of ${this.pages.length}.`;
      // Whatever is too long for the line beside what was printed when goes onto lines above it.
      const lines = wrapText(left, FOOT, this.inner - textWidth(printed, FOOT) - GAP);
      const top = y - (lines.length - 1) * FOOT * 1.35;
      page.items.push({
        x: 0,
        y: 0,
        scale: 1,
        shapes: [
          line(MARGIN, top - 4.5, this.width - MARGIN, top - 4.5, 'line', 0.2),
          ...lines.map((part, i) =>
            text(MARGIN, top + i * FOOT * 1.35, part, { size: FOOT, face: 'text', ink: 'soft' }),
          ),
          text(this.width - MARGIN, y, printed, {
            size: FOOT,
            face: 'text',
            ink: 'soft',
            anchor: 'end',
          }),
        ],
      });
    });
  }
}
