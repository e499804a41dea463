/// <reference lib="webworker" />
import { familyName, findTerminations, openToolBook, takesLabel, type Found, type ToolBook } from '@tug-mark/core';
import type { FinderAnswer, FinderLine, FinderRequest, FinderShop } from './finder.messages';

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

addEventListener('message', ({ data }: MessageEvent<FinderRequest>) => {
  if (data.kind === 'shop') {
    shop = data.shop;
    book = openToolBook(shop.tools, shop, shop.now, shop);
    return;
  }
  if (!shop || !book) return;
  const start = performance.now();
  const { makes, near, looked } = findTerminations(data.query, shop.terminals, book, shop.practice);
  const answer: FinderAnswer = {
    number: data.number,
    makes: makes.map(toLine),
    near: near.map(toLine),
    looked,
    took: performance.now() - start,
  };
  postMessage(answer);
});
