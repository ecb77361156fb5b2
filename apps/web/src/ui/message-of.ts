/** What went wrong, in its own words. */
export const messageOf = (error: unknown): string =>
  error instanceof Error ? error.message : String(error);
