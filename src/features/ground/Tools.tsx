'use client';

import { useRef } from 'react';
import type { Ground } from '@/core/ground';
import {
  freshId,
  GROUND_TEMPLATES,
  groundOfPlaces,
  type GroundTemplate,
  newClosed,
  newObstacle,
  newStation,
  newSubject,
  putOnGround,
  setGround,
} from '@/document';
import { readFile } from '@/parts';
import { useEdit, useFile, useHistory } from '@/session';
import { groundText, notReadText } from '@/text';
import { Button, FileInput, Menu, notify } from '@/ui';
import { exportGeoJson, exportPng, exportSvg } from './exportPlan';
import { keyOf, type Thing } from './things';

const t = groundText.page;

/** Adding, starting from a template, and the ways out. */
export function Tools({
  ground,
  onAdded,
  onStart,
  svg,
}: {
  readonly ground: Ground;
  readonly onAdded: (key: string) => void;
  readonly onStart: (template: GroundTemplate) => void;
  readonly svg: () => SVGSVGElement | null;
}) {
  const file = useFile();
  const edit = useEdit();
  const { kinds } = groundText;
  const places = useRef<HTMLInputElement>(null);
  const { undo } = useHistory();
  const importPlaces = async (chosen: File) => {
    const read = await readFile('places', chosen.name, [await chosen.text()]);
    if (!read.ok) return notify(notReadText(read.error));
    if (!read.value.ok) return notify(t.noPlaces[read.value.error.code]);
    edit(setGround(groundOfPlaces(read.value.value, t.placeNames)));
    notify(t.replaced(chosen.name), { action: { label: t.undo, onClick: undo } });
  };
  const middle = { xM: round(ground.widthM / 2), yM: round(ground.heightM / 2) };
  const reachM = round(Math.min(ground.widthM, ground.heightM) / 6);
  const beside = (x: number, y = 0) => ({ xM: middle.xM + x * reachM, yM: middle.yM + y * reachM });
  const line = [beside(-1), beside(1)];
  const add = (thing: { kind: Thing['kind']; of: object }, name: string) => () => {
    const taken = new Set<string>(
      [ground.stations, ground.subjects, ground.obstacles, ground.closed].flatMap((list) =>
        list.map(({ id }) => id as string),
      ),
    );
    const id = freshId(name, taken);
    const isNamed = [...taken].filter((other) => other.startsWith(id.replace(/-\d+$/, ''))).length;
    const named = { ...thing.of, id, name: isNamed === 0 ? name : `${name} ${isNamed + 1}` };
    const added = { kind: thing.kind, of: named } as Thing;
    if (edit(putOnGround(added.kind, added.of))) onAdded(keyOf(added));
  };
  const item = (label: string, kind: Thing['kind'], of: object) => ({
    label,
    onSelect: add({ kind, of }, label),
  });
  return (
    <span className="flex gap-2 print:hidden">
      <FileInput
        ref={places}
        label={t.placesFile}
        accept=".geojson,.json,.gpx,application/geo+json,application/gpx+xml"
        onFile={(chosen) => void importPlaces(chosen)}
      />
      <Menu
        trigger={<Button look="strong">{t.add}</Button>}
        groups={[
          [item(kinds.stations, 'stations', newStation(beside(0, -1)))],
          [
            item(kinds.point, 'subjects', newSubject('point', [beside(0, 1)])),
            item(kinds.line, 'subjects', newSubject('line', line)),
            item(kinds.path, 'subjects', newSubject('path', line)),
          ],
          [
            item(kinds.wall, 'obstacles', newObstacle('wall', line)),
            item(kinds.people, 'obstacles', newObstacle('people', line)),
            item(kinds.pillar, 'obstacles', newObstacle('pillar', [middle])),
            item(kinds.tree, 'obstacles', newObstacle('tree', [middle])),
          ],
          [
            item(
              kinds.closed,
              'closed',
              newClosed([beside(-1, -1), beside(1, -1), beside(1, 1), beside(-1, 1)]),
            ),
          ],
        ]}
      />
      <Menu
        trigger={<Button>{t.startFrom}</Button>}
        groups={[
          GROUND_TEMPLATES.map((template) => ({
            label: groundText.templates[template],
            onSelect: () => onStart(template),
          })),
          [
            {
              label: t.fromPlaces,
              hint: '.geojson, .gpx',
              onSelect: () => places.current?.click(),
            },
          ],
        ]}
      />
      <Menu
        trigger={<Button>{t.exportIt}</Button>}
        groups={[
          [
            {
              label: t.asSvg,
              hint: '.svg',
              onSelect: () => void withSvg(svg, (s) => exportSvg(file, s)),
            },
            {
              label: t.asPng,
              hint: '.png',
              onSelect: () => void withSvg(svg, (s) => void exportPng(file, s)),
            },
            { label: t.asGeoJson, hint: '.geojson', onSelect: () => exportGeoJson(file) },
          ],
          [{ label: t.print, onSelect: () => window.print() }],
        ]}
      />
    </span>
  );
}

function withSvg(svg: () => SVGSVGElement | null, write: (svg: SVGSVGElement) => void): void {
  const drawn = svg();
  if (drawn) write(drawn);
}

const round = (m: number) => Number(m.toFixed(2));
