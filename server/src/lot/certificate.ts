import { setUpContext, type Certificate, type CombinationView } from '@tug-mark/contract';
import {
  showMoment,
  computeSetUp,
  correctionsOf,
  entriesOf,
  judgeLot,
  ofLot,
  type CertificateInput,
  type Correction,
  type LotVerdict,
  type SetUp,
} from '@tug-mark/core';
import type { Knex } from 'knex';
import { Refusal } from '../http/problems';
import { readLetterhead } from '../shop/store';
import { readView } from '../combination/store';
import { newestSeal } from '../chain/seal';
import { verifyJournal } from '../verify/verifyJournal';

export interface CertificateSource {
  readonly view: CombinationView;
  readonly setUp: SetUp;
  readonly lot: LotVerdict;
  readonly shop: Awaited<ReturnType<typeof readLetterhead>>;
  readonly zone: string;
  readonly releasedBy: string;
  readonly people: readonly string[];
  readonly chain: { readonly entries: number; readonly hash: string };
  readonly corrections: readonly Correction[];
  readonly seal: Awaited<ReturnType<typeof newestSeal>>;
}

/**
 * Everything a certificate is made from.
 * @throws Refusal while the lot is not finished, is held back, or its journal does not hold
 */
export async function readCertificate(db: Knex, id: string, number: number, now: string): Promise<CertificateSource> {
  const [view, shop, chain, seal] = await Promise.all([
    readView(db, id, number),
    readLetterhead(db),
    verifyJournal(db, id),
    newestSeal(db),
  ]);
  if (view.combination.readIn) {
    throw new Refusal(
      409,
      'not-own',
      'This lot was not made here.',
      'It came with a record file: only the shop that made it can certify it.',
    );
  }
  const setUp = computeSetUp(setUpContext(view), view.entries, now);
  const lot = judgeLot(setUp, view.entries, view, number, now);
  if (!lot)
    throw new Refusal(404, 'lot-unknown', `There is no lot ${number} here.`, 'Go back to the bench and pick it again.');
  if (lot.head.state !== 'finished') {
    throw new Refusal(
      409,
      'lot-not-finished',
      `Lot ${lot.head.name} is not finished.`,
      lot.unfinished[0] ?? 'Finish it first.',
    );
  }
  if (lot.verdict !== 'accepted' && lot.verdict !== 'meets-made-up-limits') {
    throw new Refusal(409, 'lot-held', `Lot ${lot.head.name} is held back.`, lot.headline);
  }
  const [fault] = chain.faults;
  if (fault !== undefined) {
    throw new Refusal(
      409,
      'chain-broken',
      'The journal of this combination was changed behind the application.',
      fault,
    );
  }
  const own = ofLot(view.entries, number);
  return {
    view,
    setUp,
    lot,
    shop,
    zone: shop.zone,
    releasedBy: entriesOf(view.entries, 'release').findLast((e) => e.at <= lot.head.openedAt)?.by ?? '',
    people: [...new Set(own.map((e) => e.by))],
    chain: { entries: chain.entries, hash: chain.hash },
    corrections: correctionsOf(own),
    seal,
  };
}

/** The certificate as data. */
export function toCertificate(source: CertificateSource, madeAt: string): Certificate {
  const { view, lot, setUp } = source;
  const { head, counts, verdict } = lot;
  if (verdict !== 'accepted' && verdict !== 'meets-made-up-limits') throw new Error('a held lot has no certificate');
  const { id, list, terminal, wire } = view.combination;
  return {
    format: 'tug-mark/certificate',
    version: 2,
    madeAt,
    shop: { name: source.shop.name, isDemo: source.shop.isDemo },
    combination: { id, list, terminal, wire },
    lot: {
      name: head.name,
      pieces: head.pieces,
      openedAt: head.openedAt,
      finishedAt: head.finishedAt,
      verdict,
      headline: lot.headline,
      made: head.made,
      spent: counts.spent,
      scrapped: counts.scrapped,
      delivered: counts.left,
    },
    stands: head.stands,
    ...(head.tools.length > 1 && {
      tools: head.tools.slice(1).map(({ after, stands }) => ({
        ...{ after, tool: stands.tool, die: stands.die, nest: stands.nest },
      })),
    }),
    papers: setUp.sheets,
    releasedBy: source.releasedBy,
    limits: [view.wire, ...view.together, ...view.opposite].map((each, i) => ({
      wire: each.part,
      force: setUp.lots.get(head.lot)?.[i]?.limit?.force ?? null,
      table: head.stands.limit,
    })),
    checks: lot.checks.map(({ piece, at, by, look, tug, force, outcome }) => ({
      piece,
      at,
      by,
      look,
      tug,
      force,
      outcome,
    })),
    changes: head.steps
      .filter((s) => s.what === 'change')
      .map((s) => ({ piece: s.made, at: s.at, change: s.change ?? '', to: s.to })),
    decided: lot.disposed.map((d) => ({ ...d })),
    group: lot.group.reasons.map((r) => r.text),
    corrections: [...source.corrections],
    chain: source.chain,
    seal: source.seal,
  };
}

/** The certificate as it is drawn. */
export function toDrawing(source: CertificateSource, now: string): CertificateInput {
  const { zone, view, setUp, lot, shop, releasedBy, people, chain, corrections, seal } = source;
  const { list, terminal, wire } = view.combination;
  return {
    shop,
    about: { list, terminal, wire },
    context: view,
    setUp,
    lot,
    releasedBy,
    people,
    chain,
    corrections,
    seal,
    printedAt: showMoment(now, zone, shop.settings.language),
    language: shop.settings.language,
    zone,
  };
}
