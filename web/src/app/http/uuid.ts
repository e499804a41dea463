import { v7 } from 'uuid';

/**
 * A time-ordered UUID (version 7, RFC 9562). Made here so that sending an entry twice keeps it once; by the package, and not
 * by the browser, whose own is missing where the page comes over plain http from another machine.
 * @param now milliseconds since 1970
 */
export function timeOrderedId(now = Date.now()): string {
  return v7({ msecs: now });
}
