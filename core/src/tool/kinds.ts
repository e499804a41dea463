export const TOOL_KINDS = ['plier', 'full-cycle', 'press', 'hydraulic'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

export const GRIPS = ['conductor', 'both'] as const;

/** The half of a nest that presses the indent: the one that moves, the one that stands, or both alike. */
export const PUNCHES = ['moving', 'fixed', 'both'] as const;

/** What a nest presses on: bare metal, a plain sleeve, or a sleeve with adhesive inside. */
export const COVERS = ['bare', 'sleeved', 'adhesive'] as const;

export const DONE_TO_TOOLS = ['adjusted', 'repaired', 'part-replaced', 'gauge-at-fault'] as const;
