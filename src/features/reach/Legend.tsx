import type { ReactNode } from 'react';
import { reachText } from '@/text';

const t = reachText.legend;

/** What the lines of the chart mean; every state has its own pattern. */
export function Legend({ crop }: { crop: number }) {
  return (
    <ul className="mt-1 flex flex-wrap gap-x-5 gap-y-0.5 text-[12px] text-soft">
      <li>{Math.abs(crop - 1) < 0.02 ? t.axes : t.axesOf(crop.toFixed(2))}</li>
      <Key label={t.inTheLineup}>
        <line x1="0" y1="6" x2="26" y2="6" stroke="var(--got)" strokeWidth="6" />
      </Key>
      <Key label={t.withAConverter}>
        <line
          x1="0"
          y1="6"
          x2="26"
          y2="6"
          stroke="var(--got)"
          strokeWidth="3"
          strokeDasharray="9 4"
        />
      </Key>
      <Key label={t.byCrop}>
        <line
          x1="0"
          y1="6"
          x2="26"
          y2="6"
          stroke="var(--got)"
          strokeWidth="3"
          strokeDasharray="2 4"
        />
      </Key>
      <Key label={t.pictureAllOfIt}>
        <path d="M1 6h24M1 2v8M25 2v8" stroke="var(--ink)" strokeWidth="1.5" />
      </Key>
      <Key label={t.anyOfIt}>
        <path d="M3 6h20" stroke="var(--ink)" strokeWidth="1.5" />
        <circle cx="3" cy="6" r="2" fill="var(--sheet)" stroke="var(--ink)" />
        <circle cx="23" cy="6" r="2" fill="var(--sheet)" stroke="var(--ink)" />
      </Key>
      <Key label={t.byCrop}>
        <path d="M1 6h24" stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="5 2" />
      </Key>
      <Key label={t.notCovered}>
        <path d="M1 6h24" stroke="var(--wrong)" strokeWidth="1.5" />
      </Key>
      <Key label={t.twoLensesShare}>
        <path d="M1 5h24M1 7h24" stroke="var(--edge)" />
      </Key>
      <Key label={t.tooSlow}>
        <path d="M1 6h24" stroke="var(--wrong)" strokeWidth="1.5" strokeDasharray="1.5 3" />
      </Key>
    </ul>
  );
}

function Key({ label, children }: { label: string; children: ReactNode }) {
  return (
    <li className="flex items-center gap-1.5">
      <svg width="26" height="12" viewBox="0 0 26 12" aria-hidden>
        {children}
      </svg>
      {label}
    </li>
  );
}
