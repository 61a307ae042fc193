import type { Frame } from '@/core/brief';
import { lightText } from '@/text';

/** What a picture's light is, after what has to fit in it. */
export function LightWords({ light }: { light: Frame['light'] }) {
  return <>; {lightText(light)}</>;
}
