import type { z } from 'zod';
import { insideOf } from './insideOf';

type Complete = (value: unknown) => unknown;

/**
 * How a part that was kept before some of its fields existed is read now: with their defaults, and otherwise as it was. What a
 * shop kept is not judged again, so that a part from before a rule can still be opened.
 *
 * @returns gives the part itself where nothing is missing, and never changes it
 */
export function completer<S extends z.ZodType>(schema: S): (part: z.infer<S>) => z.infer<S> {
  const complete = fill(schema);
  return (part) => (complete ? complete(part) : part) as z.infer<S>;
}

/** Null where nothing inside has a default. */
function fill(schema: z.ZodType): Complete | null {
  const def = insideOf(schema);
  if (def.type === 'default') {
    const inner = def.innerType && fill(def.innerType);
    return (value) => (value === undefined ? def.defaultValue : inner ? inner(value) : value);
  }
  if (def.innerType) {
    const inner = fill(def.innerType);
    return inner && ((value) => (value === null || value === undefined ? value : inner(value)));
  }
  if (def.element) {
    const inner = fill(def.element);
    return inner && ((value) => sameOr(value as readonly unknown[], (value as readonly unknown[]).map(inner)));
  }
  if (!def.shape) return null;
  const fields = Object.entries(def.shape).flatMap(([key, field]) => {
    const inner = fill(field);
    return inner ? [[key, inner] as const] : [];
  });
  if (!fields.length) return null;
  return (value) => {
    const before = value as Readonly<Record<string, unknown>>;
    let after: Record<string, unknown> | null = null;
    for (const [key, inner] of fields) {
      const now = inner(before[key]);
      if (now !== before[key]) (after ??= { ...before })[key] = now;
    }
    return after ?? before;
  };
}

const sameOr = (before: readonly unknown[], after: readonly unknown[]) =>
  after.every((value, i) => value === before[i]) ? before : after;
