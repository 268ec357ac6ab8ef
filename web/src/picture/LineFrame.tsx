import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import type { Numbers, SceneInput } from '../core/core';
import { sceneNumber } from '../core/fields';
import { Person } from '../drawing/Person';
import { rigDash, useRigColour } from '../ui/RigMark';

/** Where the figure behind and the lamps stand, as slopes from the axis: the same place for every rig. */
const figureBehindSlope = 0.13;
const lamps = [
  { slope: -0.19, heightMm: 2050, farSlope: 0.05 },
  { slope: -0.085, heightMm: 2250, farSlope: 0.06 },
  { slope: 0.06, heightMm: 2150, farSlope: 0.045 },
  { slope: 0.21, heightMm: 1950, farSlope: 0.04 },
];

/** Height of the wall behind, mm. */
const wallMm = 2600;

interface FrameLinesProps {
  scene: SceneInput;
  /** The figures to draw; null for an empty frame. */
  focus: Numbers | null;
  aspect: number;
}

/** What a rig frames, in lines to scale. One unit of the drawing is a hundredth of the picture's height. */
export function FrameLines({ scene, focus, aspect }: FrameLinesProps) {
  const { drawing, text, background } = useTheme().vars!.palette;
  const clip = useId();
  const width = 100 * aspect;
  return (
    <svg viewBox={`0 0 ${width} 100`} aria-hidden>
      <clipPath id={clip}>
        <rect width={width} height="100" />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect width={width} height="100" fill={drawing.wall} />
        {focus && <Place focus={focus} scene={scene} width={width} />}
        {focus && (
          <Standing head={focus.subjectHeadFromTop} feet={focus.subjectFeetFromTop} x={width / 2}>
            <Person stroke={text.primary} fill={background.paper} />
          </Standing>
        )}
      </g>
    </svg>
  );
}

/** The same in small, within the line of its rig. */
export function LineFrame({ index, width, ...lines }: FrameLinesProps & { index: number; width: number }) {
  const colour = useRigColour(index);
  const height = width / lines.aspect;
  return (
    <div style={{ position: 'relative', width, height }}>
      <FrameLines {...lines} />
      <svg width={width} height={height} style={{ position: 'absolute', inset: 0 }} aria-hidden>
        <rect width={width} height={height} fill="none" stroke={colour} strokeWidth="3" strokeDasharray={rigDash(index)} />
      </svg>
    </div>
  );
}

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
