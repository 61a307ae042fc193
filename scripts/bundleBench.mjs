import { bundle } from './bundle.mjs';

/** Bundles the benchmarks of a state as the application is bundled, so that no loader slows what is measured. */
export const bundleBench = (root) => bundle('bench/run.ts', '.bench/run.mjs', root);
