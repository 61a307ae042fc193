'use client';

import { useFilePart } from '@/session';
import { StateMark } from '@/parts';
import { briefText, dayText, plainList, timesText } from '@/text';
import { byStretch } from './byStretch';
import { useTaken } from './useTaken';

const t = briefText.day;

/** The outing at a glance, while no picture is chosen: each stretch with its pictures and how they stand. */
export function Day({ onSelect }: { readonly onSelect: (frameId: string) => void }) {
  const frames = useFilePart((file) => file.frames);
  const stretches = useFilePart((file) => file.stretches);
  const taken = useTaken();
  return (
    <section aria-labelledby="day" className="border-t border-ink pt-2">
      <h2 id="day" className="text-lg">
        {t.theDay}
      </h2>
      <p className="text-[13px] text-soft">{t.selectOne}</p>
      <ol>
        {byStretch(frames, stretches).map(({ key, title, frames: of }) => {
          const stretch = stretches.find((s) => s.id === key);
          return (
            <li key={key} className="border-b border-hair py-2">
              <b className="block">{title}</b>
              {stretch && (
                <span className="block text-[13px] text-soft">
                  {plainList(
                    [
                      stretch.day === null ? '' : dayText(stretch.day),
                      timesText(stretch),
                      stretch.place,
                    ].filter((text) => text !== ''),
                  )}
                </span>
              )}
              <span className="mt-1 flex flex-wrap gap-1">
                {of.map((frame) => {
                  const state = taken.get(frame.id)?.result.state;
                  return (
                    <button
                      key={frame.id}
                      type="button"
                      title={frame.name}
                      aria-label={t.picture(1 + frames.indexOf(frame), frame.name)}
                      className="flex min-h-7 min-w-9 items-center justify-center gap-1 border border-hair px-1 text-[12px] hover:bg-chosen pointer-coarse:min-h-[44px] pointer-coarse:min-w-[44px]"
                      onClick={() => onSelect(frame.id)}
                    >
                      {1 + frames.indexOf(frame)}
                      {state && <StateMark state={state} />}
                    </button>
                  );
                })}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
