import { EYE_M } from './Behind';
import { CROWD_HEAD, Drawn, DRAWINGS, STANDING } from './drawings';
import type { Figure } from './figureOf';
import type { Tones } from './tones';

/** People stand at least this close, as a share of their height. */
const PERSON_ROOM = 0.42;
const MOST_PEOPLE = 16;

interface SubjectProps {
  readonly figure: Figure;
  readonly tones: Tones;
  /** Depth of the rows of a group, m. */
  readonly rows: number;
  readonly distanceM: number | null;
  /** Which person stands for one. */
  readonly seed: number;
}

/** The subject with its foot at 0, at true size. */
export function Subject({ figure, tones, rows, distanceM, seed }: SubjectProps) {
  const { kind, width, height } = figure;
  if (kind === 'people')
    return (
      <>
        {rows > 0 && distanceM !== null && (
          <g
            transform={`translate(0 ${-EYE_M * (1 - distanceM / (distanceM + rows))})`}
            opacity={0.75}
          >
            <People
              width={width * 0.8}
              height={(height * distanceM * 1.02) / (distanceM + rows)}
              tones={tones}
            />
          </g>
        )}
        <People width={width} height={height} tones={tones} />
      </>
    );
  if (kind === 'crowd') return <Crowd width={width} height={height} tones={tones} />;
  if (kind === 'shell') return <Shells width={width} height={height} tones={tones} />;
  const of = kind === 'person' ? STANDING[seed % STANDING.length]! : DRAWINGS[kind];
  return <Drawn of={of} width={width} height={height} tones={tones} />;
}

function People({ width, height, tones }: { width: number; height: number; tones: Tones }) {
  const count = Math.min(MOST_PEOPLE, Math.max(2, Math.floor(width / (height * PERSON_ROOM))));
  const room = width / count;
  return (
    <>
      {Array.from({ length: count }, (_, i) => {
        const tall = height * [1, 0.93, 0.97][i % 3]!;
        return (
          <g key={i} transform={`translate(${-width / 2 + room * (i + 0.5)} 0)`}>
            <Drawn
              of={STANDING[(i * 3 + 2) % STANDING.length]!}
              width={Math.min(room, tall * 0.4)}
              height={tall}
              tones={tones}
              mirrored={i % 4 > 1}
            />
          </g>
        );
      })}
    </>
  );
}

/** Heads over heads, the rows behind paler. */
function Crowd({ width, height, tones }: { width: number; height: number; tones: Tones }) {
  const count = Math.min(MOST_PEOPLE, Math.max(3, Math.round(width / (height * 0.32))));
  const room = width / count;
  return (
    <>
      {[2, 1, 0].map((row) => (
        <g key={row} opacity={1 - 0.28 * row}>
          {Array.from({ length: count }, (_, i) => (
            <g
              key={i}
              transform={`translate(${-width / 2 + room * (i + (row % 2 ? 0.9 : 0.5))} ${-height * 0.16 * row})`}
            >
              <Drawn
                of={CROWD_HEAD}
                width={room * 1.25}
                height={height * [0.8, 0.72, 0.76][i % 3]!}
                tones={tones}
                mirrored={i % 2 === 1}
              />
            </g>
          ))}
        </g>
      ))}
    </>
  );
}

const ROWERS = 8;
/** An eight is about so long, m: a longer row is several. */
const EIGHT_M = 18;
const MOST_EIGHTS = 5;

function Shells({ width, height, tones }: { width: number; height: number; tones: Tones }) {
  const count = Math.min(MOST_EIGHTS, Math.floor(width / EIGHT_M) + 1);
  if (count === 1) return <Shell width={width} height={height} tones={tones} />;
  const [wide, tall] = [(width / count) * 1.15, height / 2];
  return Array.from({ length: count }, (_, i) => (
    <g
      key={i}
      transform={`translate(${(i + 0.5) * (width / count) - width / 2} ${((i % 2) - 0.5) * tall})`}
    >
      <Shell width={wide} height={tall} tones={tones} />
    </g>
  ));
}

/** A racing eight: rowers at the catch, their blades in the water, a cox at the stern. */
function Shell({ width, height, tones }: { width: number; height: number; tones: Tones }) {
  const step = (width * 0.68) / ROWERS;
  const h = height;
  const thick = h * 0.13;
  return (
    <g fill={tones.figure} stroke={tones.figure} strokeLinecap="round" strokeLinejoin="round">
      {Array.from({ length: ROWERS }, (_, i) => {
        const x = -width * 0.36 + step * i;
        return (
          <g key={i}>
            <circle cx={x} cy={-h * 0.86} r={h * 0.12} stroke="none" />
            <path
              d={`M${x - h * 0.04} ${-h * 0.66}L${x - step * 0.16} ${-h * 0.24}h${step * 0.42}`}
              fill="none"
              strokeWidth={thick}
            />
            <path
              d={`M${x} ${-h * 0.6}L${x + step * 0.36} ${-h * 0.46}L${x + step * 0.1} ${h * 0.06}`}
              fill="none"
              strokeWidth={thick * 0.36}
            />
            <path d={`M${x + step * 0.04} ${h * 0.02}h${step * 0.16}`} strokeWidth={thick * 0.7} />
          </g>
        );
      })}
      <circle cx={width * 0.38} cy={-h * 0.6} r={h * 0.12} stroke="none" />
      <path d={`M${width * 0.38} ${-h * 0.44}v${h * 0.24}`} strokeWidth={thick} />
      <path
        d={`M${-width / 2} ${-h * 0.2}C${-width * 0.3} ${-h * 0.05} ${width * 0.3} ${-h * 0.05} ${width / 2} ${-h * 0.2}L${width * 0.44} ${-h * 0.3}H${-width * 0.44}Z`}
        stroke="none"
      />
      <path
        d={`M${-width * 0.48} ${h * 0.1}h${width * 0.2}M${-width * 0.1} ${h * 0.14}h${width * 0.26}M${width * 0.3} ${h * 0.1}h${width * 0.16}`}
        stroke={tones.mid}
        strokeWidth={thick * 0.3}
      />
    </g>
  );
}
