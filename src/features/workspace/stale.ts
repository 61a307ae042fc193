/** Whether something failed because the server has a newer application than this page. */
export function isStale(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  return error.name === 'ChunkLoadError' || /(?:load|loading) (?:css )?chunk/i.test(error.message);
}
