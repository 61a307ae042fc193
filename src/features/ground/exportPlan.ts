import type { OutingFile } from '@/document';
import { groundGeoJson } from '@/document/formats';
import { download } from '@/session';
import { groundText } from '@/text';
import { colourNow, notify, pngOfSvg, standaloneSvg } from '@/ui';

export function exportSvg({ outing }: OutingFile, svg: SVGSVGElement): void {
  download(`${outing.id}-ground.svg`, standaloneSvg(svg), 'image/svg+xml');
}

export async function exportPng({ outing }: OutingFile, svg: SVGSVGElement): Promise<void> {
  const size = { width: svg.clientWidth, height: svg.clientHeight };
  const png = await pngOfSvg(standaloneSvg(svg), size, colourNow('--sheet'));
  download(`${outing.id}-ground.png`, png, 'image/png');
}

export function exportGeoJson({ outing, ground }: OutingFile): void {
  const written = groundGeoJson(ground);
  if (written === null) notify(groundText.page.needsLocation);
  else download(`${outing.id}-ground.geojson`, written, 'application/geo+json');
}
