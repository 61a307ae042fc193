import type { OutingFile } from '@/document';

/** Names of everything in an outing by id; an id without a name stands for itself. */
export function namesOf(file: OutingFile): (id: string) => string {
  const { lenses, converters, bodies } = file.shelf;
  const names = new Map<string, string>(
    [...lenses, ...converters, ...bodies, ...file.frames].map((x) => [x.id, x.name]),
  );
  return (id) => names.get(id) ?? id;
}
