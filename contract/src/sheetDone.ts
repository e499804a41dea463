/** Type of the object that follows each sheet in a PDF of many: it is no page and nothing refers to it. */
export const SHEET_DONE = 'SetUpSheet';
