import { ev100FromLux } from '@/core/optics';
import type { LightSource } from './light';
import { SCENES } from './scenes';

/** A light source whose strength stands in it: nothing of the sky is asked. */
export type GivenLight = Exclude<LightSource, { kind: 'sun' }>;

/** EV at ISO 100 of light that is given; null where light sets no demand. */
export function ev100AsGiven(source: GivenLight): number | null {
  switch (source.kind) {
    case 'none':
      return null;
    case 'ev':
      return source.ev100;
    case 'scene':
      return SCENES.find((s) => s.key === source.scene)?.ev100 ?? null;
    case 'lux':
      return ev100FromLux(source.lux);
  }
}
