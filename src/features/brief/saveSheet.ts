import { colourNow } from '@/ui';

/** A sheet as one picture: its drawings in place with their captions, colours as they are on screen. */

const CELL = { width: 240, picture: 160, line: 15, gap: 18 } as const;
const COLUMNS = 4;
const EDGE = 24;
const TITLE = 30;
const FONT = 'sans-serif';
const TEXT_PX = 12;
/** What a letter takes where nothing can be measured, px. */
const WIDE_LETTER_PX = 7;
const PAINTS = ['fill', 'stroke'] as const;
const SVG = 'http://www.w3.org/2000/svg';

/** A drawing with its size, px. */
export interface SavedSheet {
  readonly svg: string;
  readonly size: { readonly width: number; readonly height: number };
}

/** The sheet as one SVG, from what is on the page. */
export function sheetSvg(sheet: HTMLElement, name: string): SavedSheet {
  const root = document.createElementNS(SVG, 'svg');
  const paper = colourNow('--sheet');
  const ink = colourNow('--ink');
  const width = 2 * EDGE + COLUMNS * CELL.width + (COLUMNS - 1) * CELL.gap;
  let y = EDGE;
  y += words(root, name, EDGE, y, 20, ink) + 8;
  for (const section of sheet.querySelectorAll('section')) {
    y += words(root, section.querySelector('[data-title]')?.textContent ?? '', EDGE, y, 14, ink);
    y += 6;
    const cells = [...section.querySelectorAll<HTMLElement>('[data-cell]')];
    for (let first = 0; first < cells.length; first += COLUMNS) {
      const row = cells.slice(first, first + COLUMNS);
      const lines = row.map((cell, i) =>
        place(root, cell, EDGE + i * (CELL.width + CELL.gap), y, ink),
      );
      y += CELL.picture + Math.max(...lines) * CELL.line + CELL.gap;
    }
    y += TITLE / 2;
  }
  root.setAttribute('xmlns', SVG);
  root.setAttribute('viewBox', `0 0 ${width} ${y}`);
  root.setAttribute('width', String(width));
  root.setAttribute('height', String(y));
  const ground = document.createElementNS(SVG, 'rect');
  Object.entries({ width, height: y, fill: paper }).forEach(([k, v]) =>
    ground.setAttribute(k, String(v)),
  );
  root.prepend(ground);
  return { svg: new XMLSerializer().serializeToString(root), size: { width, height: y } };
}

/** Puts a cell in its place. @returns how many lines stand under its picture */
function place(root: SVGElement, cell: HTMLElement, x: number, y: number, ink: string): number {
  const photo = cell.querySelector<SVGElement>('[data-photo]');
  if (photo) {
    const copy = withPaints(photo);
    Object.entries({ x, y, width: CELL.width, height: CELL.picture }).forEach(([k, v]) =>
      copy.setAttribute(k, String(v)),
    );
    root.append(copy);
  } else {
    const open = document.createElementNS(SVG, 'rect');
    const box = { x, y, width: CELL.width, height: CELL.picture, fill: 'none', stroke: ink };
    Object.entries({ ...box, 'stroke-dasharray': '5 4' }).forEach(([k, v]) =>
      open.setAttribute(k, String(v)),
    );
    root.append(open);
  }
  const lines = [...cell.querySelectorAll('[data-line]')].flatMap((line) =>
    wrapped(line.textContent?.trim() ?? ''),
  );
  lines.forEach((line, i) =>
    words(root, line, x, y + CELL.picture + 2 + i * CELL.line, TEXT_PX, ink),
  );
  return lines.length;
}

/** A caption in lines that a cell has room for. */
function wrapped(text: string): string[] {
  const pen = document.createElement('canvas').getContext('2d');
  if (pen) pen.font = `${TEXT_PX}px ${FONT}`;
  const widthOf = (line: string) => pen?.measureText(line).width ?? line.length * WIDE_LETTER_PX;
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const longer = lines.length === 0 ? word : `${lines.at(-1)} ${word}`;
    if (lines.length > 0 && widthOf(longer) <= CELL.width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

/** A drawing with the colours that the theme gives it, since a file knows no theme. */
function withPaints(photo: SVGElement): SVGElement {
  const copy = photo.cloneNode(true) as SVGElement;
  const [from, to] = [photo, copy].map((svg) => [...svg.querySelectorAll('*')]);
  from!.forEach((element, i) => {
    for (const paint of PAINTS) {
      const value = element.getAttribute(paint);
      if (value?.startsWith('var('))
        to![i]!.setAttribute(paint, colourNow(value.slice('var('.length, -1)));
    }
  });
  copy.removeAttribute('class');
  return copy;
}

function words(root: SVGElement, text: string, x: number, y: number, size: number, ink: string) {
  const line = document.createElementNS(SVG, 'text');
  Object.entries({
    x,
    y: y + size,
    'font-size': size,
    fill: ink,
    'font-family': FONT,
  }).forEach(([k, v]) => line.setAttribute(k, String(v)));
  line.textContent = text;
  root.append(line);
  return size * 1.3;
}
