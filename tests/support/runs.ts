/**
 * How many random cases a slow oracle is asked: all of them in `npm run faults`, the first third, or so
 * many as are said, in `npm run check`, which is to end in time. They are the same cases each time.
 */
export const runsOf = (all: number, inCheck = Math.ceil(all / 3)): number =>
  process.env.LONG_RUN ? all : inCheck;
