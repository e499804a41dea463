import { isSameDocument } from '../document';
import type { Revisions, Standing } from '../entry';

const flat = ({ terminal, wire, together, opposite = [], practice }: Revisions) =>
  [terminal, wire, ...together, ...opposite.map((revision) => `other ${revision}`), practice].join('/');

/** Whether two sets of revisions are the same ones. */
export function sameRevisions(a: Revisions, b: Revisions): boolean {
  return flat(a) === flat(b);
}

/** Whether two set-ups stand on the same tool, setting, limits and revisions. */
export function sameStanding(a: Standing, b: Standing): boolean {
  const keys = ['tool', 'die', 'nest', 'setting', 'positioner'] as const;
  return (
    keys.every((key) => a[key] === b[key]) &&
    isSameDocument(a.limit, b.limit) &&
    isSameDocument(a.look, b.look) &&
    sameRevisions(a.revisions, b.revisions)
  );
}
