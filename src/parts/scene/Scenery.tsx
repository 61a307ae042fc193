import type { Shot } from '@/core/coverage';
import type { Frame } from '@/core/brief';
import { figureOf } from './figureOf';
import { Behind, Reeds, settingOf } from './Behind';
import { Subject } from './Subject';
import { seedOf, useGround } from './place';
import { moodOf, TONES } from './tones';

/** What is drawn: a frame's subject with what lies before and behind it, in the subject's own units. */
export interface SceneryProps {
  readonly frame: Frame;
  readonly shot: Shot;
  /** How much is shown, in the subject's units; the picture's own sides or more. */
  readonly area: { readonly width: number; readonly height: number };
}

/** Smear of the subject that shows, as a share of the picture's width. */
const LEAST_SMEAR = 0.004;
const SMEAR_COPIES = 6;

/**
 * A frame's scene at true scale: ground, trees and a ridge where a pinhole at eye height sees them, blurred
 * by the computed discs, in tones of the scene's light; the subject smeared by its way while it is exposed.
 */
export function Scenery({ frame, shot, area }: SceneryProps) {
  const mood = moodOf(frame);
  const tones = TONES[mood];
  const figure = figureOf(frame);
  const ground = useGround(frame);
  const setting = settingOf(figure?.kind, mood, shot.distanceM, ground);
  const foot = figure ? figure.height / 2 : 0;
  const { width, height } = area;
  const diagonal = Math.hypot(shot.picture.sides.width, shot.picture.sides.height);
  const disc = (percent: number | null) => ((percent ?? 0) / 100) * diagonal;
  const farDisc = disc(shot.farBlurPercent);
  const parts = {
    tones,
    setting,
    mood,
    foot,
    width,
    height,
    farDisc,
    shot,
    seed: seedOf(frame.name),
  };
  return (
    <>
      <rect x={-width / 2} y={-height / 2} width={width} height={height} fill={tones.sky} />
      <Behind {...parts} isStarry={isStarry(frame)} />
      {figure && (
        <Smeared smear={(shot.exposure?.smear ?? 0) * shot.picture.sides.width} of={shot}>
          <g transform={`translate(0 ${foot})`}>
            <Subject
              figure={figure}
              tones={tones}
              rows={rowsOf(frame)}
              distanceM={shot.distanceM}
              seed={parts.seed}
            />
          </g>
        </Smeared>
      )}
      {setting === 'land' && <Reeds {...parts} disc={disc(shot.nearBlurPercent)} />}
    </>
  );
}

function isStarry({ light: { source, stars } }: Frame): boolean {
  return stars !== null || (source.kind === 'scene' && source.scene === 'starrySky');
}

function rowsOf({ depth }: Frame): number {
  return depth.sharp?.kind === 'rows' ? depth.sharp.depthM : 0;
}

/** The subject once, or drawn out along its way. */
function Smeared({ smear, of, children }: { smear: number; of: Shot; children: React.ReactNode }) {
  if (smear < LEAST_SMEAR * of.picture.sides.width) return <>{children}</>;
  const shown = Math.min(smear, of.picture.sides.width * 0.6);
  return (
    <g data-testid="smear">
      {Array.from({ length: SMEAR_COPIES }, (_, i) => (
        <g
          key={i}
          opacity={i === 0 ? 0.55 : 0.28}
          transform={`translate(${shown * (i / (SMEAR_COPIES - 1) - 0.5)} 0)`}
        >
          {children}
        </g>
      ))}
    </g>
  );
}
