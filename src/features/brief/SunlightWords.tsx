import { ev100OfSource, type Frame } from '@/core/brief';
import { lightText } from '@/text';

/** What a picture's light by sun and moon is; apart, since it takes the tables of the sky. */
export function SunlightWords({ light }: { light: Frame['light'] }) {
  return lightText(light, ev100OfSource(light.source));
}
