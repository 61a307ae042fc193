/** Work that was not finished by its deadline, or that is too large ever to be. */
export class OutOfTime extends Error {
  override readonly name = 'OutOfTime';
}

/**
 * Called within long work, again and again.
 *
 * @throws {OutOfTime} once the time is over
 */
export type Pace = () => void;

/** The pace of work without a deadline. */
export const AT_EASE: Pace = () => undefined;
