/** The address of lenses side by side. */
export const besideHref = (lensIds: readonly string[]): string =>
  `/beside?lenses=${[...new Set(lensIds)].join(',')}`;
