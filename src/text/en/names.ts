import { type Stack, type Shelf } from '@/core/gear';
import { plainList } from '../lists';

interface NamedThing {
  readonly id: string;
  readonly name: string;
}

/** What holds named things: an outing's file, or a question made from one. */
export interface Nameable {
  readonly shelf: Shelf;
  readonly stretches: readonly NamedThing[];
  readonly frames: readonly NamedThing[];
  readonly outing: { readonly shooters: readonly NamedThing[] };
}

/** Letters of scripts that run from right to left: Hebrew, Arabic and their neighbours. */
const RIGHT_TO_LEFT = /[\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFC]/;

/** A name that cannot turn the sentence around it, marked where it runs the other way. Source: Unicode UAX #9, isolates. */
export function isolated(name: string): string {
  return RIGHT_TO_LEFT.test(name) ? `\u2068${name}\u2069` : name;
}

/** Names of everything in an outing by id; an id without a name stands for itself. */
export function namesOf({ shelf, stretches, frames, outing }: Nameable): (id: string) => string {
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
  const names = new Map<string, string>(named.map((x) => [x.id, isolated(x.name)]));
  return (id) => names.get(id) ?? id;
}

/** The name of a station of the ground. */
export function stationName(
  { ground }: { readonly ground: { readonly stations: readonly NamedThing[] } },
  id: string,
): string {
  const station = ground.stations.find((s) => s.id === id);
  return station ? isolated(station.name) : id;
}

/** A stack in words: the lens, then what stands behind it. */
export function stackName(
  stack: Stack & { readonly builtIn?: boolean },
  name: (id: string) => string,
) {
  const { lensId, converterId, tubeId, adapterId, builtIn } = stack;
  const items = [lensId, converterId, tubeId].flatMap((id) => (id === null ? [] : [name(id)]));
  const adapted = adapterId === null ? '' : ` with the ${name(adapterId)}`;
  return `${items.join(' + ')}${adapted}${builtIn ? ', built-in converter in' : ''}`;
}

/** What stands behind a lens, in words. */
export function behindText(
  { adapterId, converterId, tubeId }: Stack,
  name: (id: string) => string,
): string {
  return plainList(
    [converterId, tubeId, adapterId].flatMap((id) => (id === null ? [] : [`the ${name(id)}`])),
  );
}

/** Names of all gear of a shelf by id. */
export function itemNameOf(shelf: Shelf): (id: string) => string {
  return namesOf({ shelf, stretches: [], frames: [], outing: { shooters: [] } });
}
