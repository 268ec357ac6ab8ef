import { idAt } from './benchStore';
import { styled, useColorScheme, useTheme } from '@mui/material/styles';
import { memo, useCallback, useId, useState } from 'react';
import { isFocused, type Numbers, type Diagnostic, type RigInput, type RigReport, type SceneInput } from '../../core/core';
import { sceneNumber } from '../../core/fields';
import { tryPicturesAgain, usePictures } from '../../picture/pictures';
import { lights } from '../../ui/lit';
import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';
import { useCloser } from './closerStore';
import { FramePicture } from '../../picture/FramePicture';
import { Person } from '../../drawing/Person';

/** Where the figure behind and the lamps stand, as slopes from the axis: the same place for every rig. */
const figureBehindSlope = 0.13;
const lamps = [
  { slope: -0.19, heightMm: 2050, farSlope: 0.05 },
  { slope: -0.085, heightMm: 2250, farSlope: 0.06 },
  { slope: 0.06, heightMm: 2150, farSlope: 0.045 },
  { slope: 0.21, heightMm: 1950, farSlope: 0.04 },
];

const Holder = styled('div')({ position: 'relative', display: 'grid', placeItems: 'center', minHeight: 120 });

const Picture = styled('div')({
  position: 'relative',
  overflow: 'hidden',
  '& > [role=img]': { position: 'absolute', inset: 0, contain: 'strict' },
  '& svg': { position: 'absolute', inset: 0, width: '100%', height: '100%', display: 'block' },
});

const Look = styled('button')({
  position: 'absolute',
  inset: 0,
  border: 0,
  padding: 0,
  background: 'none',
  cursor: 'zoom-in',
  '&:focus-visible': { outlineOffset: -5 },
});

const Dimmed = styled('div')({ position: 'absolute', inset: 0 });

const Drawn = styled('button')(({ theme }) => ({
  position: 'absolute',
  zIndex: 1,
  right: 6,
  bottom: 6,
  font: 'inherit',
  fontSize: 12,
  padding: '2px 6px',
  border: 0,
  borderRadius: 3,
  color: theme.vars!.palette.text.secondary,
  background: theme.vars!.palette.background.paper,
}));

/** Height of the wall behind, mm. */
const wallMm = 2600;

const Refusal = styled('div')(({ theme }) => ({
  position: 'absolute',
  inset: 0,
  pointerEvents: 'none',
  display: 'grid',
  placeContent: 'center',
  padding: 16,
  textAlign: 'center',
  fontSize: 14,
  '& div': { background: theme.vars!.palette.background.paper, padding: '6px 10px', borderRadius: 4, maxWidth: 300 },
  '& strong': { display: 'block', color: theme.vars!.palette.error.main },
}));

const refusals: Record<string, string> = {
  tooClose: 'Too close to focus',
  tooFar: 'Too far to focus',
  insideLens: 'Inside the lens',
  fasterThanPossible: 'No such aperture',
};

interface FrameProps {
  index: number;
  scene: SceneInput;
  rig: RigInput;
  report: RigReport;
  /** The last report with a plane of focus: this one, or one before that is shown dimmed. */
  focused: RigReport | null;
  /** What stops the picture; undefined when nothing does. */
  stop: Diagnostic | undefined;
  maxHeight: number;
}

/**
 * The picture that a rig gives, in the delivered shape: rendered through its pupil, and until that is there, or where it cannot be,
 * drawn in lines to scale. All sizes are the core's. One unit of the drawing is a hundredth of the picture's height.
 */
export const Frame = memo(function Frame({ index, scene, rig, report, focused, stop, maxHeight }: FrameProps) {
  const { drawing, text, background } = useTheme().vars!.palette;
  const { colorScheme } = useColorScheme();
  const colour = useRigColour(index);
  const clip = useId();
  const [rendered, setRendered] = useState(false);
  const failed = usePictures((s) => s.failed);
  const onShown = useCallback(() => setRendered(true), []);
  const aspect = report.figures.deliveredAspect;
  const focus = focused?.figures ?? null;
  const width = 100 * aspect;
  const stale = !isFocused(report);
  const isDrawn = !rendered || failed !== null;

  return (
    <Holder>
      <Picture
        className={`rig-frame-${index}`}
        {...lights(index)}
        style={{ aspectRatio: aspect, width: `min(100%, ${maxHeight * aspect}px)` }}
      >
        <div role="img" aria-label={describe(index, scene, focus, stale)}>
          <svg viewBox={`0 0 ${width} 100`} style={{ opacity: stale ? 0.35 : 1, visibility: isDrawn ? undefined : 'hidden' }} aria-hidden>
            <clipPath id={clip}>
              <rect width={width} height="100" />
            </clipPath>
            <g clipPath={`url(#${clip})`}>
              <rect width={width} height="100" fill={drawing.wall} />
              {isDrawn && focus && <Place focus={focus} scene={scene} width={width} />}
              {isDrawn && focus && (
                <Standing head={focus.subjectHeadFromTop} feet={focus.subjectFeetFromTop} x={width / 2}>
                  <Person stroke={text.primary} fill={background.paper} />
                </Standing>
              )}
            </g>
          </svg>
          {focus && (
            <Dimmed style={{ opacity: stale ? 0.35 : 1 }}>
              <FramePicture index={index} rig={rig} figures={focus} scene={scene} dark={colorScheme === 'dark'} onShown={onShown} />
            </Dimmed>
          )}
          <svg viewBox={`0 0 ${width} 100`} aria-hidden>
            <rect
              width={width}
              height="100"
              fill="none"
              stroke={colour}
              strokeWidth="4"
              strokeDasharray={rigDash(index)}
              vectorEffect="non-scaling-stroke"
            />
          </svg>
        </div>
        <Look
          aria-label={`Look closer at rig ${rigLetter(index)}`}
          title="Look closer"
          onClick={() => useCloser.getState().look(idAt(index))}
        />
      </Picture>
      {failed !== null && (
        <Drawn onClick={tryPicturesAgain} title={`${failed} Press to try again.`}>
          drawn, not rendered
        </Drawn>
      )}
      {stop && (
        <Refusal>
          <div>
            <strong>{refusals[stop.code] ?? stop.about}</strong>
            {stop.message} {stop.fix}
          </div>
        </Refusal>
      )}
    </Holder>
  );
});

/** Wall, floor, the figure behind and the lamps; a flat horizon where the background is infinitely far. */
function Place({ focus, scene, width }: { focus: Numbers; scene: SceneInput; width: number }) {
  const { drawing, text } = useTheme().vars!.palette;
  const floor = 100 * focus.backgroundFeetFromTop;
  const centre = width / 2;
  const lens = sceneNumber(scene, 'lensHeightMm');
  const fieldMm = Number.isFinite(focus.backgroundFieldHeightMm) ? focus.backgroundFieldHeightMm : null;
  const perMm = fieldMm === null ? 0 : 100 / fieldMm;
  const perSlope = (100 * scene.subjectDistanceMm) / focus.fieldHeightMm;
  const behindMm = scene.backgroundDistanceMm ?? 0;
  const thin = { stroke: drawing.line, strokeWidth: 1, vectorEffect: 'non-scaling-stroke' } as const;
  const wall = fieldMm === null ? '' : `${boardsAcross(width / perMm, perMm, centre, floor)}M0 ${floor - wallMm * perMm}H${width}`;
  const rx = Math.max(0.5, (width * focus.backgroundDiscFractionOfWidth) / 2);
  const ry = Math.max(0.5, 50 * focus.backgroundDiscFractionOfHeight);
  const discs = lamps.map(({ slope, heightMm, farSlope }) => {
    const x = centre + slope * (fieldMm === null ? perSlope : behindMm * perMm);
    const y = 50 - (fieldMm === null ? farSlope * perSlope : (heightMm - lens) * perMm);
    return `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0`;
  });

  return (
    <>
      <rect y={floor} width={width} height={Math.max(0, 100 - floor)} fill={drawing.floor} />
      <path d={wall} fill="none" {...thin} opacity="0.55" />
      <line x1={0} x2={width} y1={floor} y2={floor} {...thin} />
      {fieldMm !== null && (
        <Standing head={focus.backgroundHeadFromTop} feet={focus.backgroundFeetFromTop} x={centre + figureBehindSlope * behindMm * perMm}>
          <Person stroke={text.secondary} fill={drawing.wall} width={1} />
        </Standing>
      )}
      {discs.map((disc, i) => (
        <path key={i} d={disc} fill={drawing.lamp} fillOpacity="0.32" {...thin} stroke={drawing.lamp} />
      ))}
    </>
  );
}

/** Posts of the wall and seams of the floor, a metre apart, or more where that would be too dense to read. */
function boardsAcross(fieldMm: number, perMm: number, centre: number, floor: number): string {
  const apart = [1000, 2000, 5000, 10_000, 50_000, 250_000].find((mm) => fieldMm / mm < 24);
  if (!apart) {
    return '';
  }
  const count = Math.ceil(fieldMm / apart / 2);
  const seams = floor < 100 && floor > 50.01;
  let path = '';
  for (let i = -count; i < count; i++) {
    const x = (i + 0.5) * apart * perMm;
    path += `M${centre + x} ${floor - wallMm * perMm}V${floor}${seams ? `L${centre + (x * 50) / (floor - 50)} 100` : ''}`;
  }
  return path;
}

function Standing({ head, feet, x, children }: { head: number; feet: number; x: number; children: React.ReactNode }) {
  return <g transform={`translate(${x} ${100 * head}) scale(${(feet - head) / 10})`}>{children}</g>;
}

function describe(index: number, scene: SceneInput, focus: Numbers | null, stale: boolean): string {
  const rig = `Frame of rig ${rigLetter(index)}`;
  if (!focus) {
    return `${rig}: no focus at this distance.`;
  }
  const share = Math.round(100 * (focus.subjectFeetFromTop - focus.subjectHeadFromTop));
  const away = `${scene.subjectDistanceMm / 1000} m`;
  const shown = ['standing', 'two'].includes(scene.subject ?? 'standing')
    ? `a standing figure at ${away} is ${share} per cent of the picture's height`
    : `at ${away} it takes in ${(focus.fieldWidthMm / 1000).toPrecision(3)} by ${(focus.fieldHeightMm / 1000).toPrecision(3)} m`;
  return stale ? `${rig}: no focus at this distance; the last good picture stays.` : `${rig}: ${shown}.`;
}
