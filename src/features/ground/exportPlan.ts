import type { OutingFile } from '@/document';
import { groundGeoJson } from '@/document/formats';
import { download } from '@/session';
import { groundText } from '@/text';
import { notify, standalonePng, standaloneSvg } from '@/ui';

export function exportSvg({ outing }: OutingFile, svg: SVGSVGElement): void {
  download(`${outing.id}-ground.svg`, standaloneSvg(svg), 'image/svg+xml');
}

export async function exportPng({ outing }: OutingFile, svg: SVGSVGElement): Promise<void> {
  download(`${outing.id}-ground.png`, await standalonePng(svg, '--sheet'), 'image/png');
}

export function exportGeoJson({ outing, ground }: OutingFile): void {
  const written = groundGeoJson(ground);
  if (written === null) notify(groundText.page.needsLocation);
  else download(`${outing.id}-ground.geojson`, written, 'application/geo+json');
}
