/** Whether this is the bundled program in server/dist, and not its sources. */
const IS_BUNDLED = import.meta.url.endsWith('.js');

const place = (fromSources: string, fromBundle: string) =>
  new URL(IS_BUNDLED ? fromBundle : fromSources, import.meta.url);

/** Folder of the demo shop's files. */
export const DEMO = place('../../../demo/', '../../demo/');
/** The program of the thread that reads sections. */
export const SECTION_WORKER = place('../journal/sectionWorker.ts', './sectionWorker.js');
