'use client';

import { type FrameState, StateMark } from '@/parts';
import { LanesView } from '@/parts/lanes';
import { type From, Photo } from '@/parts/scene';
import { MiniScore } from '@/parts/score';
import { helpText, type HelpTopic } from '@/text';
import { ChartExample } from './ChartExample';
import { WorkedExample } from './WorkedExample';
import {
  CARRY_LIMIT_G,
  DAY,
  DAY_NAMES,
  LENS_NAMES,
  LIMITS,
  PICTURE,
  SCORE,
  SETUP,
} from './examples';

const t = helpText.example;

/** A topic's picture, drawn with the parts that the pages are made of. */
export function Illustration({ topic }: { topic: HelpTopic }) {
  switch (topic) {
    case 'want':
      return <Distances />;
    case 'choice':
      return <WorkedExample />;
    case 'reading':
      return (
        <>
          <ChartExample />
          <div className="max-w-prose space-y-3">
            <Example />
            <Marks />
          </div>
        </>
      );
    case 'day':
      return <LanesView day={DAY} name={(id) => DAY_NAMES[id] ?? id} limit={CARRY_LIMIT_G} />;
    case 'data':
      return <Data />;
  }
}

const FROM: readonly (readonly [From, string])[] = [
  ['near', t.near],
  ['middle', t.middle],
  ['far', t.far],
];

function Distances() {
  if (SETUP === null) return null;
  const setup = SETUP;
  return (
    <figure>
      <div className="grid max-w-prose gap-4 sm:grid-cols-3">
        {FROM.map(([from, name]) => (
          <div key={from}>
            <Photo
              frame={PICTURE}
              setup={setup}
              limits={LIMITS}
              from={from}
              label={`${t.picture}, ${name}`}
              className="w-full"
            />
            <span className="text-[12px] text-soft">{name}</span>
          </div>
        ))}
      </div>
      <figcaption className="text-[13px] text-soft">{t.picture}</figcaption>
    </figure>
  );
}

function Example() {
  return <MiniScore score={SCORE} name={(id) => LENS_NAMES[id] ?? id} label={t.score} />;
}

function Marks() {
  return (
    <ul className="space-y-1">
      {(Object.entries(helpText.marks) as [FrameState, string][]).map(([state, name]) => (
        <li key={state}>
          <StateMark state={state} label="" /> {name}
        </li>
      ))}
    </ul>
  );
}

/** The browser as a box that only files leave. */
function Data() {
  return (
    <svg viewBox="0 0 420 120" role="img" aria-label={t.data} className="w-full max-w-prose">
      <rect
        x={8}
        y={14}
        width={180}
        height={92}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {[34, 58, 82].map((y) => (
        <path key={y} d={`M24 ${y}h148`} stroke="var(--got)" strokeWidth={5} />
      ))}
      <text x={98} y={118} textAnchor="middle" fontSize={11} fill="var(--ink)">
        {t.browser}
      </text>
      <path d="M190 40h70M252 34l10 6-10 6" fill="none" stroke="var(--ink)" strokeWidth={2} />
      <path
        d="M276 20h44l14 14v28h-58zM320 20v14h14"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={2}
      />
      <text x={344} y={46} fontSize={11} fill="var(--ink)">
        {t.files}
      </text>
      <path d="M190 88h52" stroke="var(--ink)" strokeWidth={2} strokeDasharray="3 4" />
      <path d="M248 80l16 16M264 80l-16 16" stroke="var(--wrong)" strokeWidth={2.5} />
      <text x={276} y={92} fontSize={11} fill="var(--ink)">
        {t.nothing}
      </text>
    </svg>
  );
}
