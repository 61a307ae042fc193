/**
 * How many random cases a slow oracle is asked: all of them in `npm run faults`, the first third in
 * `npm run check`, which is to end in time. They are the same cases each time.
 */
export const runsOf = (all: number): number => (process.env.LONG_RUN ? all : Math.ceil(all / 3));
