import type { OutingFile } from '@/document';
import { groundGeoJson } from '@/document/formats';
import { download } from '@/session';
import { groundText } from '@/text';
import { colourNow, notify, pngOfSvg } from '@/ui';

const VARIABLE = /var\((--[\w-]+)\)/g;

/** The plan as a drawing that stands by itself: its colours written out. */
function standalone(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('font-family', getComputedStyle(svg).fontFamily);
  for (const handle of copy.querySelectorAll('[role="button"]')) handle.remove();
  return new XMLSerializer()
    .serializeToString(copy)
    .replace(VARIABLE, (_, name: string) => colourNow(name));
}

export function exportSvg({ outing }: OutingFile, svg: SVGSVGElement): void {
  download(`${outing.id}-ground.svg`, standalone(svg), 'image/svg+xml');
}

export async function exportPng({ outing }: OutingFile, svg: SVGSVGElement): Promise<void> {
  const size = { width: svg.clientWidth, height: svg.clientHeight };
  const png = await pngOfSvg(standalone(svg), size, colourNow('--sheet'));
  download(`${outing.id}-ground.png`, png, 'image/png');
}

export function exportGeoJson({ outing, ground }: OutingFile): void {
  const written = groundGeoJson(ground);
  if (written === null) notify(groundText.page.needsLocation);
  else download(`${outing.id}-ground.geojson`, written, 'application/geo+json');
}
