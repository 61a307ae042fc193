import { addMinutes } from 'date-fns';
import { type LightSource, sunPosition } from '@/core/brief';
import { briefFormText, dayAndMonth } from '@/text';

const t = briefFormText.sunCourse;

const WIDTH = 280;
const HEIGHT = 110;
const STEP_MIN = 15;
const DAY_MIN = 24 * 60;
/** Altitudes drawn, degrees. */
const [LOW, HIGH] = [-24, 90];

/** The sun's altitude through that day at that place, with the moment chosen. */
export function SunCourse({ source }: { source: Extract<LightSource, { kind: 'sun' }> }) {
  const { at, latitudeDeg, longitudeDeg } = source;
  const moment = new Date(at);
  if (Number.isNaN(moment.getTime())) return null;
  // The day as written in the moment's own offset, whatever the reader's clock says.
  const midnight = new Date(
    `${at.slice(0, 10)}T00:00:00${/(Z|[+-]\d\d:\d\d)$/.exec(at)?.[0] ?? 'Z'}`,
  );
  const altitudeAt = (minutes: number) =>
    sunPosition(addMinutes(midnight, minutes).toISOString(), latitudeDeg, longitudeDeg).altitudeDeg;
  const x = (minutes: number) => (WIDTH * minutes) / DAY_MIN;
  const y = (deg: number) => (HEIGHT * (HIGH - Math.max(LOW, deg))) / (HIGH - LOW);
  const course = Array.from({ length: DAY_MIN / STEP_MIN + 1 }, (_, i) => i * STEP_MIN);
  const chosen = (moment.getTime() - midnight.getTime()) / 60_000;
  const path = course.map((m) => `${x(m).toFixed(1)} ${y(altitudeAt(m)).toFixed(1)}`).join('L');
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 14}`}
      role="img"
      aria-label={t.theSunsCourseOnAt(
        dayAndMonth(at.slice(0, 10)),
        Math.round(altitudeAt(chosen)),
        Math.round(Math.max(...course.map(altitudeAt))),
      )}
      className="w-full border border-hair bg-sheet"
    >
      {[-18, -12, -6, 0, 6].map((deg) => (
        <path
          key={deg}
          d={`M0 ${y(deg)}H${WIDTH}`}
          stroke={deg === 0 ? 'var(--edge)' : 'var(--hair)'}
          strokeWidth={deg === 0 ? 1 : 0.6}
          strokeDasharray={deg === 0 ? undefined : '2 3'}
        />
      ))}
      <path d={`M${path}`} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
      <circle cx={x(chosen)} cy={y(altitudeAt(chosen))} r={4} fill="var(--got)" />
      {[6, 12, 18].map((hour) => (
        <text
          key={hour}
          x={x(60 * hour)}
          y={HEIGHT + 11}
          textAnchor="middle"
          fontSize={10}
          fill="var(--ink-soft)"
        >
          {String(hour).padStart(2, '0')}:00
        </text>
      ))}
      <text x={3} y={y(0) - 3} fontSize={10} fill="var(--ink-soft)">
        {t.horizon}
      </text>
    </svg>
  );
}
