import { type Kit, kitPieces } from '@/core/gear';
import type { OutingFile } from './outingFile';

/** Names of everything in an outing by id; an id without a name stands for itself. */
export function namesOf({
  shelf,
  stretches,
  frames,
  outing,
}: Pick<OutingFile, 'shelf' | 'stretches' | 'frames'> & {
  outing: Pick<OutingFile['outing'], 'shooters'>;
}): (id: string) => string {
  const named = [
    ...shelf.lenses,
    ...shelf.converters,
    ...shelf.tubes,
    ...shelf.adapters,
    ...shelf.bodies,
    ...stretches,
    ...outing.shooters,
    ...frames,
  ];
  const names = new Map<string, string>(named.map((x) => [x.id, x.name]));
  return (id) => names.get(id) ?? id;
}

/** A kit in words: the lens, then what stands behind it. */
export function kitName(kit: Kit & { readonly builtIn?: boolean }, name: (id: string) => string) {
  const parts = kitPieces(kit).map(name).join(' + ');
  return kit.builtIn ? `${parts}, built-in converter in` : parts;
}
