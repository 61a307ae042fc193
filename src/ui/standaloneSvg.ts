import { pngOfSvg } from './pngOfSvg';
import { colourNow } from './theme';

const VARIABLE = /var\((--[\w-]+)\)/g;

/** A drawing of the page as one that stands by itself: its colours written out, its handles left out. */
export function standaloneSvg(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('font-family', getComputedStyle(svg).fontFamily);
  for (const handle of copy.querySelectorAll('[role="button"]')) handle.remove();
  return new XMLSerializer()
    .serializeToString(copy)
    .replace(VARIABLE, (_, name: string) => colourNow(name));
}

/** The same as PNG at twice its size, on a colour of the theme. */
export function standalonePng(svg: SVGSVGElement, ground: `--${string}`): Promise<Blob> {
  const size = { width: svg.clientWidth, height: svg.clientHeight };
  return pngOfSvg(standaloneSvg(svg), size, colourNow(ground));
}
