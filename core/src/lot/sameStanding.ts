import type { Revisions, Standing } from './Entry';

const flat = ({ terminal, wire, together, practice }: Revisions) => [terminal, wire, ...together, practice].join('/');

/** Whether two sets of revisions are the same ones. */
export function sameRevisions(a: Revisions, b: Revisions): boolean {
  return flat(a) === flat(b);
}

/** Whether two set-ups stand on the same tool, setting, limits and revisions. */
export function sameStanding(a: Standing, b: Standing): boolean {
  const keys = ['tool', 'die', 'nest', 'setting', 'positioner'] as const;
  const limits = ['document', 'revision', 'class'] as const;
  return (
    keys.every((key) => a[key] === b[key]) &&
    limits.every((key) => a.limit[key] === b.limit[key] && a.look?.[key] === b.look?.[key]) &&
    sameRevisions(a.revisions, b.revisions)
  );
}
