'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { type Body, bodyId, type LensId, USUAL_MEGAPIXELS } from '@/core/gear';
import {
  behindLenses,
  comparedGear,
  freshId,
  gearOfLines,
  newItem,
  newPlan,
  NO_GEAR,
  readGearLines,
  typedOntoShelf,
} from '@/document';
import { outingFromStarter, STARTERS } from '@/document/starters';
import { useDesk, useDeskNow, useEditDesk } from '@/session';
import { FittingLenses } from '@/parts';
import { Button, Dialog, NumberField, SelectField, TextField, Tick } from '@/ui';
import { useOpening } from './useOpening';
import { counted, NEW_MOUNT, STARTER_TEXTS, dialogText } from '@/text';

const t = dialogText.firstOuting;

const FORMATS = {
  full: ['36 × 24 mm', 36, 24],
  crop15: ['23.5 × 15.6 mm, crop 1.5', 23.5, 15.6],
  crop16: ['22.3 × 14.9 mm, crop 1.6', 22.3, 14.9],
  fourThirds: ['17.3 × 13 mm, crop 2', 17.3, 13],
  oneInch: ['13.2 × 8.8 mm, crop 2.7', 13.2, 8.8],
  medium: ['43.8 × 32.9 mm, crop 0.8', 43.8, 32.9],
} as const;
type FormatKey = keyof typeof FORMATS;

/** From nothing to an answer: one body, the lenses as they are named, and what the outing is like. */
export function FirstOuting({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const { openPlan } = useOpening();
  const deskNow = useDeskNow();
  const edit = useEditDesk();
  const { gear } = useDesk().shelf;
  const router = useRouter();
  const [name, setName] = useState(t.myCamera);
  const [format, setFormat] = useState<FormatKey>('crop15');
  const [megapixels, setMegapixels] = useState<number | null>(USUAL_MEGAPIXELS);
  const [lines, setLines] = useState<readonly string[]>(['', '', '']);
  const [bringsShelf, setBringsShelf] = useState(true);
  const [genre, setGenre] = useState<string>(STARTERS[0]?.key ?? '');
  const body = bodyNamed(name, format, megapixels);
  const [fits, setFits] = useState<Readonly<Record<string, readonly LensId[]>>>({});
  const camera = { ...NO_GEAR, bodies: [body] };
  const written = lines.filter((line) => line.trim() !== '');
  const read = readGearLines(written.join('\n'), camera);
  const typed = { ...camera, ...gearOfLines(behindLenses(read, fits)) };
  const isUnread = (line: string) => read[written.indexOf(line)]?.kind === null;
  const good = typed.lenses.length > 0 && !written.some(isUnread) && name.trim() !== '';
  const start = () => {
    const starter = STARTERS.find((s) => s.key === genre);
    if (!starter || !good) return;
    edit((desk) => ({ ...desk, shelf: typedOntoShelf(typed, desk.shelf) }));
    const { settings, shelf } = deskNow();
    onOpenChange(false);
    const plan = newPlan(
      outingFromStarter(starter, STARTER_TEXTS[starter.key], {
        shelf: NO_GEAR,
        atHand: shelf.gear,
        currency: settings.currency,
      }),
      deskNow(),
      false,
    );
    const typedIds = comparedGear(typed, shelf.gear).flatMap((c) => (c.mine ? [c.mine.id] : []));
    const ties = { ...plan.ties, only: typedIds };
    openPlan(bringsShelf ? plan : { ...plan, ties }, t.hereIsYourOutingEvery);
    router.push('/lineup');
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={t.startFromNothing}
      description={t.oneCameraAFewLenses}
    >
      <div className="space-y-3">
        <Button
          look="strong"
          onClick={() => {
            onOpenChange(false);
            router.push('/log');
          }}
        >
          {t.orFromPhotographs}
        </Button>
        <div className="grid grid-cols-[1fr_1fr_7rem] gap-3 max-sm:grid-cols-1">
          <TextField label={t.yourCamera} value={name} onChange={setName} />
          <SelectField
            label={t.itsSensor}
            value={format}
            options={Object.entries(FORMATS).map(([key, [text]]) => [key as FormatKey, text])}
            onChange={setFormat}
          />
          <NumberField
            label={t.megapixels}
            hint={t.usualMegapixels}
            value={megapixels}
            placeholder={t.unknownMegapixels}
            onChange={setMegapixels}
          />
        </div>
        <fieldset className="space-y-2">
          <legend className="text-[12px] text-soft">{t.yourLensesAsTheyAre}</legend>
          {lines.map((line, i) => (
            <TextField
              key={i}
              label={t.lens(i + 1)}
              value={line}
              error={isUnread(line) ? t.giveARangeAndAn : undefined}
              onChange={(next) => setLines(lines.map((l, k) => (k === i ? next : l)))}
            />
          ))}
          <Button onClick={() => setLines([...lines, ''])}>{t.oneMoreLens}</Button>
        </fieldset>
        {typed.converters.map((converter) => (
          <FittingLenses
            key={converter.id}
            converter={converter}
            lenses={typed.lenses}
            onChange={(lensIds) => setFits({ ...fits, [converter.id]: lensIds })}
          />
        ))}
        <SelectField
          label={t.whatYouAreGoingTo}
          value={genre}
          options={STARTERS.map((s) => [s.key, STARTER_TEXTS[s.key].name])}
          onChange={setGenre}
        />
        {gear.lenses.length + gear.bodies.length > 0 && (
          <Tick
            label={t.whatIsOnYourShelf(
              counted(gear.lenses.length, 'lens'),
              counted(gear.bodies.length, 'camera'),
            )}
            on={bringsShelf}
            onChange={setBringsShelf}
          />
        )}
        <p className="text-right">
          <Button look="strong" disabled={!good} onClick={start}>
            {t.showMeWhichLensesTo}
          </Button>
        </p>
      </div>
    </Dialog>
  );
}

function bodyNamed(name: string, format: FormatKey, megapixels: number | null): Body {
  const [, widthMm, heightMm] = FORMATS[format];
  const isKnown = megapixels !== null && megapixels >= 1 && megapixels <= 1000;
  const pixelsWide = isKnown
    ? Math.round(Math.sqrt((megapixels * 1e6 * widthMm) / heightMm))
    : null;
  // The other side follows from the shape of the sensor.
  const pixels = { pixelsWide, pixelsHigh: null };
  const fresh = newItem('bodies', NO_GEAR, { name: t.myCamera, mount: NEW_MOUNT });
  return {
    ...fresh,
    id: bodyId.parse(freshId(name, new Set())),
    name: name.trim() || t.myCamera,
    sensor: { widthMm, heightMm, ...pixels },
  };
}
