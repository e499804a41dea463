import type { ShopFile } from '@tug-mark/contract';
import {
  breakingLoad,
  CAUSES,
  computeSetUp,
  FAMILIES,
  NO_DEMAND,
  criteria,
  diagnose,
  evidenceFrom,
  PLAIN_SHEET,
  simulateCause,
  startingRows,
  type LookContext,
  type Practice,
} from '@tug-mark/core';

export interface DiagnosisTrial {
  readonly lots: number;
  readonly first: number;
  readonly amongThree: number;
}

/** One combination of each family of the demo shop, with a crimp height and width to measure. */
export function demoLooks(shop: ShopFile, practice: Practice): LookContext[] {
  const one = { terminal: 1, wire: 1, together: [], practice: 1 };
  return FAMILIES.flatMap((family) => {
    for (const terminal of shop.terminals.filter((t) => t.family === family)) {
      for (const wire of shop.wires) {
        const context = {
          terminal,
          wire,
          together: [],
          opposite: [],
          use: { ...NO_DEMAND, place: 'dry' as const },
          class: 'standard',
          practice,
          strippers: shop.strippers,
          tools: shop.tools,
          checks: [],
          returns: [],
          limits: shop.limits,
          looks: [],
          cabinet: [],
          zone: 'UTC',
          revisions: one,
          newest: one,
        };
        const { look, fit } = computeSetUp(context, [], new Date().toISOString());
        const size = terminal.barrel.outerDiameter ?? 3;
        if (look && fit.verdict === 'fits') {
          const height = look.height ?? { min: 0.66 * size, max: 0.7 * size };
          return [{ ...look, height, width: look.width ?? { min: 0.95 * size, max: size } }];
        }
      }
    }
    return [];
  });
}

/** How often the true cause of a simulated lot is named first, and among the first three. */
export function diagnosisTrial(contexts: readonly LookContext[]): DiagnosisTrial {
  const sheet = { ...PLAIN_SHEET, rows: startingRows() };
  const counts = { lots: 0, first: 0, amongThree: 0 };
  for (const [i, context] of contexts.entries()) {
    // What a table of the demo asks, as a share of what the wire bears.
    const limit = 0.6 * breakingLoad(context.wire.conductor, context.practice);
    if (!criteria(context, sheet).length) continue;
    for (const { code } of CAUSES) {
      for (let seed = 1; seed <= 10; seed++) {
        const model = { seed: seed * 977 + 31 * code.length + i, pieces: 8, misses: 0.1, alarms: 0.01, limit };
        const lot = simulateCause(code, context, sheet, model);
        if (!lot) continue;
        const place = diagnose(evidenceFrom(lot.findings))?.ranked.findIndex((r) => r.cause.code === code) ?? 99;
        counts.lots++;
        if (place === 0) counts.first++;
        if (place < 3) counts.amongThree++;
      }
    }
  }
  return counts;
}
