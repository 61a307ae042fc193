'use client';

import { Scale as ScaleIcon } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { type ScaleReading, simulatedScale } from '@/devices/kitchenScale';
import { Button, Dialog, formatWeight, IconButton, useFormSet } from '@/ui';

/** What the stand-in weighs where nothing is known yet, g. */
const SOMETHING_G = 512;

/** Takes the weight over from a kitchen scale; the one that ships with the application is simulated. */
export function Weigh() {
  const set = useFormSet();
  const known = useWatch({ name: 'weightG' }) as number | null;
  const [open, setOpen] = useState(false);
  const [reading, setReading] = useState<ScaleReading | null>(null);
  const [load] = useState(known ?? SOMETHING_G);
  useEffect(() => {
    if (!open) return;
    // Caps and a hood stay off the figure that makers give, so what is weighed is a little more.
    return simulatedScale(Math.round(load * 1.03)).listen(setReading);
  }, [open, load]);
  return (
    <>
      <IconButton label="Weigh it" onClick={() => setOpen(true)}>
        <ScaleIcon size={15} aria-hidden />
      </IconButton>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="Kitchen scale"
        description="A simulated scale: it shows how a weighing is taken over, and weighs nothing real."
      >
        <p
          className="border border-edge bg-paper py-6 text-center font-(family-name:--font-title) text-4xl"
          role="status"
          aria-live="polite"
        >
          {reading ? formatWeight(reading.weightG) : '– – –'}
        </p>
        <p className="mt-2 text-soft">
          {reading?.settled ? 'At rest.' : 'Put it on the scale, caps and hood on as it is packed…'}
        </p>
        <p className="mt-3 text-right">
          <Button
            look="strong"
            disabled={!reading?.settled}
            onClick={() => {
              if (reading) set('weightG', reading.weightG);
              setOpen(false);
            }}
          >
            Take this weight
          </Button>
        </p>
      </Dialog>
    </>
  );
}
