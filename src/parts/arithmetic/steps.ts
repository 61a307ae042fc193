import type { Step } from '@/text';

/** The steps behind a figure, at once or when what makes them is loaded. */
export type Steps = readonly Step[] | Promise<readonly Step[]>;
