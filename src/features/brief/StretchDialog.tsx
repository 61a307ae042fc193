'use client';

import { Trash2 } from 'lucide-react';
import { useWatch } from 'react-hook-form';
import {
  PERMISSION_KEYS,
  type Presence,
  type Shooter,
  type Stretch,
  stretch as stretchSchema,
  type Weather,
  WEATHERS as WEATHER_KEYS,
} from '@/core/brief';
import { putStretch, removeStretch } from '@/document';
import { useEdit, useFile } from '@/session';
import {
  Button,
  Dialog,
  EntityForm,
  FormNumber,
  FormText,
  FormTextArea,
  Tick,
  useFormSet,
} from '@/ui';
import { briefFormText, PERMISSION_NAMES, WEATHERS } from '@/text';

const t = briefFormText.stretchDialog;

/** Everything about one stretch. */
export function StretchDialog({ stretch, onClose }: { stretch: Stretch; onClose: () => void }) {
  const edit = useEdit();
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={stretch.name}
      description={t.changesCountAtOnceAnd}
    >
      <StretchForm
        key={stretch.id}
        stretch={stretch}
        onRemove={() => {
          onClose();
          edit(removeStretch(stretch.id));
        }}
      />
    </Dialog>
  );
}

function StretchForm({ stretch, onRemove }: { stretch: Stretch; onRemove: () => void }) {
  const edit = useEdit();
  return (
    <EntityForm
      label={t.stretch(stretch.name)}
      schema={stretchSchema}
      value={stretch}
      onValid={(next, field) => edit(putStretch(next), `${stretch.id}.${field}`)}
    >
      <div className="grid grid-cols-3 gap-2">
        <div className="col-span-3">
          <FormText name="name" label={t.name} />
        </div>
        <FormText name="day" label={t.day} type="date" />
        <FormText name="fromTime" label={t.from} type="time" />
        <FormText name="toTime" label={t.to} type="time" />
        <div className="col-span-2">
          <FormText name="place" label={t.location} />
        </div>
        <WeatherFields />
        <div className="col-span-3">
          <Permissions />
        </div>
        <div className="col-span-3">
          <HandsFields />
        </div>
        <div className="col-span-3">
          <FormTextArea name="note" label={t.note} />
        </div>
      </div>
      <p className="mt-3">
        <Button onClick={onRemove}>
          <Trash2 size={14} aria-hidden />
          {t.deleteThisStretch}
        </Button>
      </p>
    </EntityForm>
  );
}

/** What the weather brings; nothing ticked is fair weather. */
function WeatherFields() {
  const set = useFormSet();
  const weather = useWatch({ name: 'weather' }) as readonly Weather[];
  return (
    <fieldset>
      <legend className="text-[12px] text-soft">{t.weather}</legend>
      {WEATHER_KEYS.map((key) => (
        <Tick
          key={key}
          label={WEATHERS[key] ?? key}
          on={weather.includes(key)}
          onChange={(on) =>
            set('weather', on ? [...weather, key] : weather.filter((w) => w !== key))
          }
        />
      ))}
    </fieldset>
  );
}

/** What the place allows. */
function Permissions() {
  const set = useFormSet();
  const [changes, allowed] = useWatch({ name: ['changes', 'allowed'] }) as [
    boolean,
    Stretch['allowed'],
  ];
  return (
    <fieldset className="grid grid-cols-2 gap-x-4">
      <legend className="text-[12px] text-soft">{t.allowedHere}</legend>
      <Tick label={t.changingLenses} on={changes} onChange={(on) => set('changes', on)} />
      {PERMISSION_KEYS.map((key) => (
        <Tick
          key={key}
          label={PERMISSION_NAMES[key]}
          on={allowed[key]}
          onChange={(on) => set(`allowed.${key}`, on)}
        />
      ))}
      {!allowed.bags && <p className="col-span-2 text-[12px] text-soft">{t.withoutABagYouOnly}</p>}
    </fieldset>
  );
}

const everything = (shooter: Shooter): Presence => ({
  shooterId: shooter.id,
  bodyIds: [],
  bodies: null,
  maxWeightG: null,
});

/** Who is there, with which bodies and how much weight. */
function HandsFields() {
  const { outing, shelf } = useFile();
  const set = useFormSet();
  const hands = useWatch({ name: 'hands' }) as Presence[];
  if (outing.shooters.length === 0) {
    return <p className="text-[12px] text-soft">{t.addTheShootersFirstTo}</p>;
  }
  return (
    <fieldset>
      <legend className="text-[12px] text-soft">{t.whoIsThereLeaveEmpty}</legend>
      {outing.shooters.map((shooter) => {
        const at = hands.findIndex((h) => h.shooterId === shooter.id);
        const hand = hands[at];
        return (
          <Tick
            key={shooter.id}
            label={shooter.name}
            on={at >= 0}
            onChange={(on) =>
              set(
                'hands',
                on
                  ? [...hands, everything(shooter)]
                  : hands.filter((h) => h.shooterId !== shooter.id),
              )
            }
          >
            <div className="ml-5 grid grid-cols-2 gap-2">
              {shooter.placed ? (
                <p className="col-span-2 text-[12px] text-soft">{t.aPlacedCameraKeepsOne}</p>
              ) : (
                <>
                  <FormNumber
                    name={`hands.${at}.bodies`}
                    label={t.camerasInHand}
                    placeholder={t.all}
                  />
                  <FormNumber
                    name={`hands.${at}.maxWeightG`}
                    label={t.carriesAtMost}
                    unit="g"
                    placeholder={t.noLimit}
                  />
                </>
              )}
              <span className="col-span-2 flex flex-wrap gap-x-4">
                {shelf.bodies.map((b) => (
                  <Tick
                    key={b.id}
                    label={b.name}
                    on={hand?.bodyIds.includes(b.id) ?? false}
                    onChange={(on) =>
                      set(
                        `hands.${at}.bodyIds`,
                        on
                          ? [...(hand?.bodyIds ?? []), b.id]
                          : hand?.bodyIds.filter((id) => id !== b.id),
                      )
                    }
                  />
                ))}
                <span className="text-[12px] text-soft">{t.noneTickedAnyCamera}</span>
              </span>
            </div>
          </Tick>
        );
      })}
    </fieldset>
  );
}
