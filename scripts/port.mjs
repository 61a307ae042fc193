/**
 * A port from an option or the environment; what is empty counts as not given.
 *
 * @returns the port, or what to say of a text that is none
 */
export function portOf(text, otherwise) {
  const asked = (text ?? '').trim();
  if (asked === '') return { port: otherwise };
  const port = Number(asked);
  if (/^\d+$/.test(asked) && port >= 1 && port <= 65_535) return { port };
  return {
    problem: `PORT must be a whole number from 1 to 65535, such as PORT=3000; it is "${asked}".`,
  };
}

/** The same, or the end of the process with what is wrong. */
export function portOrExit(text, otherwise) {
  const { port, problem } = portOf(text, otherwise);
  if (problem === undefined) return port;
  console.error(problem);
  process.exit(1);
}
