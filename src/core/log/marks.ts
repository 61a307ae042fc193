import * as z from 'zod';
import { frameId } from '@/core/brief';
import { bodyId, lensId } from '@/core/gear';

/** Furthest that a camera's clock is set off: a day and a half, for a wrong date line and a bit. */
export const MOST_CLOCK_S = 129_600;

/** What the person says of photographs beside their own data. */
export const logMarks = z.strictObject({
  /** Seconds to be added to a camera's clock, by the camera. */
  clocks: z.record(z.string(), z.number().min(-MOST_CLOCK_S).max(MOST_CLOCK_S)),
  /** Bodies of the shelf by cameras, and lenses by lenses seen; null for none of those on the shelf. */
  bodies: z.record(z.string(), bodyId.nullable()),
  lenses: z.record(z.string(), lensId.nullable()),
  /** Lenses of the shelf that a camera's photographs were made with whose files name none, by the camera. */
  nameless: z.record(z.string(), z.array(lensId)).default({}),
  /** Pictures that photographs were given to by hand, by photograph; null for none of them. */
  frames: z.record(z.string(), frameId.nullable()),
});
export type LogMarks = z.infer<typeof logMarks>;

export const NO_MARKS: LogMarks = { clocks: {}, bodies: {}, lenses: {}, nameless: {}, frames: {} };

/** What was said at two times; where both say something of one thing, the later counts. */
export const joinedMarks = (before: LogMarks, after: LogMarks): LogMarks =>
  logMarks.parse(
    Object.fromEntries(
      Object.keys(NO_MARKS).map((kind) => {
        const of = kind as keyof LogMarks;
        return [of, { ...before[of], ...after[of] }];
      }),
    ),
  );
