/** Where the columns and rows of a drawing are, in its own units (about pixels). */
export const layout = { TOP: 16, BOTTOM: 230, MID: 130, DIVIDER: 124, LOAD: 304 } as const;
