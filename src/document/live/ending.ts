/** Something took longer than anyone waits for it. */
export class NoAnswerError extends Error {
  override name = 'NoAnswerError';
}

/**
 * What is waited for, or an end to the waiting.
 *
 * @throws {NoAnswerError} when it takes longer
 */
export function ending<T>(withinMs: number, awaited: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const end = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new NoAnswerError(`${withinMs} ms`)), withinMs);
  });
  return Promise.race([awaited, end]).finally(() => clearTimeout(timer));
}
