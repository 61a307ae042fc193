'use client';

import { useMemo } from 'react';
import { type Lens, mountFits } from '@/core/gear';
import {
  couldHaveMade,
  deviceKey,
  type Nameless,
  recognised,
  saidLenses,
  toldApart,
} from '@/core/log';
import { useKnownGear, usePhotographs } from '@/session';
import { Tick } from '@/ui';
import { logText } from '@/text';
import { cameraName } from './names';
import type { LogWork } from './useLogWork';

const t = logText.nameless;

/** Which lenses a camera's photographs were made with that name none: said once, told apart by their figures. */
export function NamelessLenses({ work, of }: { work: LogWork; of: Nameless }) {
  const { log, marks } = usePhotographs(work.keeper);
  const shelf = useKnownGear();
  const could = useMemo(() => {
    const id = recognised(log, shelf, marks).bodyIds[of.camera];
    const body = shelf.bodies.find((b) => b.id === id);
    const fits = (lens: Lens) => !body || mountFits(shelf.mounts, body.mount, lens.mount);
    return couldHaveMade(log, of, shelf.lenses.filter(fits));
  }, [log, of, shelf, marks]);
  const said = useMemo(() => saidLenses(log, of.camera, marks, shelf), [log, of, marks, shelf]);
  const told = useMemo(
    () => toldApart(log, of, said).filter((lens) => lens !== null).length,
    [log, of, said],
  );
  const name = cameraName(log, of.camera);
  const flip = (lens: Lens) => {
    const ids = said.map(({ id }) => id);
    const next = ids.includes(lens.id) ? ids.filter((id) => id !== lens.id) : [...ids, lens.id];
    const key = deviceKey(log.cameras[of.camera]!);
    void work.keeper.mark((m) => ({ ...m, nameless: { ...m.nameless, [key]: next } }));
  };
  return (
    <fieldset className="border-l-2 border-hair pl-3">
      <legend className="font-semibold">{t.madeWith(name)}</legend>
      <p className="max-w-prose text-soft">{t.why(of.photos.length)}</p>
      {could.length === 0 ? (
        <p>{t.noneFits}</p>
      ) : (
        <div className="grid max-h-60 max-w-4xl gap-x-6 overflow-auto sm:grid-cols-2">
          {could.map(({ lens, count }) => (
            <Tick
              key={lens.id}
              label={t.could(lens.name, count)}
              on={said.includes(lens)}
              onChange={() => flip(lens)}
            />
          ))}
        </div>
      )}
      <p role="status">{said.length > 0 && t.told(told, of.photos.length)}</p>
    </fieldset>
  );
}
