import { documentName } from '../document';
import { DISPOSITION_WORDS } from '../entry';
import type { Correction } from '../journal';
import { pullLimit, type SetUp, type SetUpContext } from '../combination';
import { changeName, planRisk, type LotVerdict } from '../lot';
import { capital } from '../text';
import { showMoment, type Language } from '../time';
import { showNumber } from '../units';
import { MARGIN, PAPER_SIZES, PageWriter, type Letterhead, type Page, type Paper } from './PageWriter';
import { papersOf } from './papersOf';
import { line, rect, text } from './shapes';

/** What a lot's certificate says. */
export interface CertificateInput {
  readonly shop: Letterhead;
  readonly about: { readonly list: string; readonly terminal: string; readonly wire: string };
  readonly context: Pick<SetUpContext, 'terminal' | 'wire' | 'practice'>;
  readonly setUp: SetUp;
  readonly lot: LotVerdict;
  /** Who released the set-up, and who put checks of the lot on record. */
  readonly releasedBy: string;
  readonly people: readonly string[];
  /** Entries of the lot that were corrected. */
  readonly corrections: readonly Correction[];
  /** The shop's newest seal, so that nothing sealed before can be taken out unseen; null before the first. */
  readonly seal: { readonly number: number; readonly hash: string } | null;
  /** Entries of the whole journal, and the hash of the last one. */
  readonly chain: { readonly entries: number; readonly hash: string };
  readonly printedAt: string;
  /** The shop's time zone: its clocks are what everybody went by. */
  readonly zone: string;
  readonly language?: Language;
}

/**
 * The certificate of a finished lot: what was made, by what set-up, how it was checked and with what result, what became
 * of the rest, and the hash its journal ended with.
 */
export function drawCertificate(input: CertificateInput, paper: Paper): Page[] {
  const [width, height] = PAPER_SIZES[paper];
  const writer = new PageWriter(width, height);
  const { shop, about, context, setUp, lot } = input;
  const day = (at: string) => showMoment(at, input.zone, input.language);
  const { head, counts } = lot;
  writer.logo(shop, 0);
  writer.put(text(MARGIN, writer.y + 6, `Lot ${head.name}`, { size: 7.5, bold: true }));
  writer.y += 11;
  writer.paragraph(
    `${about.terminal} ${context.terminal.label} on ${about.wire} ${context.wire.label}. ${about.list}. Made by ${shop.name}${shop.isDemo ? ', a made-up demo shop' : ''}.`,
    3.4,
  );
  writer.y += 3;
  const ink = lot.verdict === 'accepted' ? 'pass' : 'hold';
  writer.put(rect(MARGIN, writer.y, 1.8, 8, { fill: ink }));
  writer.put(text(MARGIN + 5, writer.y + 5.4, lot.headline, { size: 4.4, bold: true }));
  writer.y += 12;

  section(writer, 'Pieces', [
    [
      'Made',
      `${head.made} of ${head.pieces}, ${day(head.openedAt)} to ${head.finishedAt ? day(head.finishedAt) : 'now'}`,
    ],
    ['Pulled and spent', String(counts.spent)],
    ['Scrapped', String(counts.scrapped)],
    ['Delivered', String(counts.left)],
  ]);
  const { stands } = head;
  const found = setUp.lots.get(head.lot) ?? [];
  const limits = [...new Set(found.map(({ reason }) => reason.text))];
  const [pull] = setUp.pulls;
  const least = (pull && pullLimit(pull, found))?.limit?.force;
  section(writer, 'What it stands on', [
    ['Person', `${input.people.join(', ')}; set-up released by ${input.releasedBy}`],
    ['Wire', `${about.wire}, revision ${stands.revisions.wire}`],
    ['Terminal', `${about.terminal}, revision ${stands.revisions.terminal}`],
    [
      'Tool',
      `${stands.tool}, die ${stands.die}, nest ${stands.nest}${stands.setting ? `, setting ${stands.setting}` : ''}${stands.positioner ? `, ${stands.positioner}` : ''}`,
    ],
    ...head.tools
      .slice(1)
      .map(({ after, stands: later }): [string, string] => [
        'Then',
        `from piece ${after + 1} on ${later.tool}, die ${later.die}, nest ${later.nest}`,
      ]),
    ['Documents', papersOf(setUp)],
    ['Limits', limits.join(' ')],
    [
      'Looked at by',
      stands.look ? documentName(stands.look) : 'the points that come with Tug Mark; no sheet of the shop',
    ],
    ['House rules', `${context.practice.label}, revision ${stands.revisions.practice}`],
  ]);
  const { plan } = head;
  section(writer, 'Check plan', [
    [
      'Checked',
      `first and last piece${plan.everyPieces === null ? '' : `, every ${plan.everyPieces} pieces`}${plan.everyHours === null ? '' : `, every ${plan.everyHours} h`}${plan.afterChange.length ? ', and after a change' : ''}`,
    ],
    ['What it can tell', planRisk(head.pieces, counts.spent, 0.02, 0.1).text],
    ...head.steps
      .filter((s) => s.what === 'change')
      .map((s): [string, string] => [
        `At piece ${s.made}`,
        `${changeName(s.change ?? '')}${s.to ? ` to ${s.to}` : ''}, ${day(s.at)}`,
      ]),
  ]);

  title(writer, 'Checks');
  const columns = [0, 18, 42, 62, 92] as const;
  const row = (cells: readonly string[], bold = false) => {
    writer.need(5);
    cells.forEach((cell, i) => {
      writer.put(text(MARGIN + (columns[i] ?? 0), writer.y + 3, cell, { size: 2.9, face: 'figures', bold }));
    });
    writer.y += 4.4;
  };
  row(['piece', 'look', 'force N', 'tug', 'by'], true);
  const corrected = new Set(input.corrections.map((c) => c.piece));
  for (const check of lot.checks) {
    row([
      corrected.has(check.piece) ? `${check.piece} *` : String(check.piece),
      check.look,
      check.force === null ? '' : showNumber(check.force, 2, least),
      check.tug,
      `${check.by}, ${day(check.at)}`,
    ]);
  }
  if (input.corrections.length) {
    writer.y += 2;
    section(
      writer,
      'Corrected (*)',
      input.corrections.map((c): [string, string] => [
        c.piece === null ? day(c.at) : `Piece ${c.piece}`,
        `${c.is}. It was: ${c.was}. Corrected by ${c.by}, ${day(c.at)}: ${c.why}`,
      ]),
    );
  }
  writer.y += 2;
  for (const { text: said } of lot.group.reasons) writer.paragraph(said, 3);
  writer.y += 2;
  if (lot.disposed.length) {
    section(
      writer,
      'Decided about pieces no check had cleared',
      lot.disposed.map((d): [string, string] => [
        `${d.from} to ${d.to}`,
        `${capital(DISPOSITION_WORDS[d.what].done)}, by ${d.by}, ${day(d.at)}: ${d.note}`,
      ]),
    );
  }
  section(writer, 'Record', [
    ['Journal', `${input.chain.entries} entries, each sealed with the one before it`],
    ['Last hash', input.chain.hash],
    ...(input.seal ? [[`Seal ${input.seal.number}`, input.seal.hash] as const] : []),
  ]);
  writer.paragraph(
    'Look and tug are separate evidence. Where battery or mains work, aircraft, medical, life-safety or vehicle-restraint circuits are concerned, released specifications, the terminal maker’s instructions, local codes and qualified people decide.',
    2.8,
    { ink: 'soft' },
  );
  writer.foot(`${shop.name}${shop.isDemo ? ' (demo shop, all data made up)' : ''}. Lot ${head.name}.`, input.printedAt);
  return writer.pages;
}

function title(writer: PageWriter, words: string): void {
  writer.need(14);
  writer.put(line(MARGIN, writer.y, MARGIN + writer.inner, writer.y, 'line', 0.2));
  writer.put(text(MARGIN, writer.y + 5, words, { size: 3.8, bold: true, ink: 'petrol' }));
  writer.y += 7.5;
}

function section(writer: PageWriter, words: string, rows: readonly (readonly [string, string])[]): void {
  title(writer, words);
  for (const [name, value] of rows) writer.labelled(name, value);
  writer.y += 2;
}
