/* Apart from the schemas, so that a page which only asks what a role may do does not load them. */

export const ROLES = ['technician', 'quality', 'engineer'] as const;
export type Role = (typeof ROLES)[number];

/** What each role may do. The server refuses what is not here; the screens only leave it out. */
const MAY = {
  record: ['technician', 'quality'],
  rule: ['quality'],
  'release-set-up': ['quality'],
  /** Letting pieces go that no check has cleared. */
  'let-pieces-go': ['quality'],
  'check-tool': ['technician', 'quality', 'engineer'],
  /** Putting a tool that failed its check back into use. */
  'return-tool': ['quality'],
  'import-wire-list': ['technician', 'engineer'],
  'import-shop-file': ['engineer'],
  'edit-cabinet': ['engineer'],
  'edit-practice': ['engineer', 'quality'],
  'draft-limits': ['quality', 'engineer'],
  'import-record': ['quality'],
  'release-limits': ['quality'],
  'draft-look': ['quality', 'engineer'],
  'release-look': ['quality'],
  'set-study': ['quality', 'engineer'],
  'answer-study': ['technician', 'quality', 'engineer'],
  /** Benches, hours, absences, and what things take. */
  'edit-floor': ['engineer'],
  /** Counting, drawing and receiving what stands in drawers and on reels. */
  'keep-stock': ['technician', 'quality', 'engineer'],
  /** Making a plan the one that counts. */
  'give-out-plan': ['engineer'],
  'manage-people': ['engineer'],
  'manage-shop': ['engineer'],
} as const satisfies Record<string, readonly Role[]>;
export type Action = keyof typeof MAY;

/** What only a person whose qualification has not lapsed may do: everything that makes pieces count, or decides how they are made. */
const QUALIFIED: readonly Action[] = [
  'record',
  'rule',
  'release-set-up',
  'let-pieces-go',
  'check-tool',
  'return-tool',
  'import-wire-list',
];

export function needsQualification(action: Action): boolean {
  return QUALIFIED.includes(action);
}

/** Whether somebody of these roles may do something; nobody may without one. */
export function may(roles: readonly Role[] | undefined, action: Action): boolean {
  return roles?.some((role) => (MAY[action] as readonly Role[]).includes(role)) ?? false;
}

/** The role somebody acts in: of theirs, the first of those that may do it. What is put on record names it. */
export function roleFor(roles: readonly Role[], action: Action): Role {
  const [first] = (MAY[action] as readonly Role[]).filter((role) => roles.includes(role));
  const role = first ?? roles[0];
  if (!role) throw new Error('an account has a role');
  return role;
}

/** The roles that may do it, in words: 'quality' or 'technician or engineer'. */
export function whoMay(action: Action): string {
  return MAY[action].join(' or ');
}
