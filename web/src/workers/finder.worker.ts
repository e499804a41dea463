/// <reference lib="webworker" />
import {
  familyName,
  findTerminations,
  openToolBook,
  takesLabel,
  type FinderQuery,
  type Found,
  type ToolBook,
} from '@tug-mark/core';
import { expose } from 'comlink';
import type { FinderAnswer, FinderLine, FinderShop } from './finder.messages';

/* Searches the whole cabinet away from the page, so that no key press ever waits for it. */

let shop: FinderShop | null = null;
let book: ToolBook | null = null;

function toLine({ terminal, fit, tool, stops }: Found): FinderLine {
  return {
    part: terminal.part,
    label: terminal.label,
    family: familyName(terminal.family),
    range: takesLabel(terminal),
    stud: terminal.stud,
    verdict: fit.verdict,
    folded: fit.folded,
    tool: tool && `${tool.tool.label}, ${tool.die.label}, nest ${tool.nest.label}`,
    toolState: tool && tool.state.state,
    change: tool ? tool.changes.map((c) => c.what).join(', ') : '',
    stops,
    reasons: [...fit.reasons, ...(tool?.reasons ?? [])],
  };
}

const work = {
  /** Takes up the cabinet that is searched. */
  open(told: FinderShop): void {
    shop = told;
    book = openToolBook(shop.tools, shop, shop.now, shop);
  },
  /** @returns null before a cabinet is taken up */
  find(query: FinderQuery): FinderAnswer | null {
    if (!shop || !book) return null;
    const start = performance.now();
    const { makes, near, looked } = findTerminations(query, shop.terminals, book, shop.practice);
    return { makes: makes.map(toLine), near: near.map(toLine), looked, took: performance.now() - start };
  },
};
export type FinderWork = typeof work;
expose(work);
