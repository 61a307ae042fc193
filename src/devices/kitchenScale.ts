/** A scale that tells what lies on it, reading by reading. */
export interface Scale {
  /** Calls back with each reading until stopped; returns the way to stop. */
  listen(reading: (reading: ScaleReading) => void): () => void;
}

export interface ScaleReading {
  readonly weightG: number;
  /** Whether the last readings agree, so that the weight can be taken over. */
  readonly settled: boolean;
}

/** Readings come this often, ms. */
const EVERY_MS = 120;
/** Readings until it has come to rest. */
const UNTIL_SETTLED = 12;
/** Kitchen scales show whole grams. */
const STEP_G = 1;

/**
 * A stand-in for a kitchen scale: it swings around the load and comes to rest, as a real one does.
 *
 * @param loadG what is put on it, g
 */
export function simulatedScale(loadG: number): Scale {
  return {
    listen(reading) {
      let n = 0;
      const timer = setInterval(() => {
        n += 1;
        const swing = 0.25 * loadG * Math.exp(-n / 2.5) * Math.cos(n * 1.7);
        const settled = n >= UNTIL_SETTLED;
        const weightG = Math.max(0, Math.round((loadG + (settled ? 0 : swing)) / STEP_G) * STEP_G);
        reading({ weightG, settled });
        if (settled) clearInterval(timer);
      }, EVERY_MS);
      return () => clearInterval(timer);
    },
  };
}
