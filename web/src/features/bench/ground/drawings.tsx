import { idAt } from '../benchStore';
import { useTheme } from '@mui/material/styles';
import type { PointerEvent } from 'react';
import { flushSync } from 'react-dom';
import { figureFont } from '../../../app/theme';
import { isFocused, type RigReport } from '../../../core/core';
import { distance } from '../../../ui/format';
import { lights } from '../../../ui/lit';
import { rigDash, rigLetter, useRigColour } from '../../../ui/RigMark';
import { openWorking } from '../panels/panelStore';
import { Person } from '../../../drawing/Person';

/** Height of one rig's band under the ruler, px. */
export const bandPx = 15;

/** What lies over the right end of the bands, px. */
const turnPx = 96;

interface StandingProps {
  at: number;
  axis: number;
  top: number;
  /** Height of the figure, px. */
  px: number;
  fromAbove: boolean;
  stroke: string;
  fill: string;
  width: number;
}

/** A person from the side, or head and shoulders from above; the plane of focus goes through the middle. */
export function Standing({ at, axis, top, px, fromAbove, ...line }: StandingProps) {
  if (!fromAbove) {
    return (
      <g transform={`translate(${at} ${top}) scale(${px / 1000})`}>
        <Person {...line} />
      </g>
    );
  }
  const s = px / 1750;
  return (
    <g fill={line.fill} stroke={line.stroke} strokeWidth={line.width}>
      <ellipse cx={at} cy={axis} rx={Math.max(2, 120 * s)} ry={Math.max(4, 235 * s)} />
      <ellipse cx={at} cy={axis} rx={Math.max(1.5, 98 * s)} ry={Math.max(1.5, 78 * s)} />
    </g>
  );
}

interface CameraProps {
  at: [number, number];
  pxPerMm: number;
  /** How far the longest rig reaches in front of its sensor mark; null when it is not known. */
  frontMm: number | null;
  fromAbove: boolean;
  /** Where the ground of the drawing lies, px. */
  groundPx: number;
  ink: string;
  paper: string;
}

/** A body with its lens, never smaller than can be seen; the sensor mark lies at its place, and the front where it truly is, when known. */
export function Camera({ at: [x, y], pxPerMm, frontMm, fromAbove, groundPx, ink, paper }: CameraProps) {
  const s = Math.max(0.11, pxPerMm);
  const line = { fill: paper, stroke: ink, strokeWidth: 1.4 };
  const front = frontMm === null ? 120 * s : Math.max(26 * s, frontMm * pxPerMm);
  return (
    <g>
      <path
        d={
          fromAbove
            ? `M${x - 30 * s} ${y} L${x - 330 * s} ${y - 260 * s} M${x - 30 * s} ${y} L${x - 330 * s} ${y + 260 * s} M${x} ${y} L${x + 370 * s} ${y}`
            : `M${x - 30 * s} ${y + 45 * s} L${x - 180 * s} ${groundPx} M${x - 30 * s} ${y + 45 * s} L${x + 120 * s} ${groundPx}`
        }
        stroke={ink}
        strokeWidth="1.2"
        fill="none"
      />
      <rect x={x - 85 * s} y={y - (fromAbove ? 70 : 50) * s} width={110 * s} height={(fromAbove ? 140 : 100) * s} rx={8 * s} {...line} />
      <rect x={x + 25 * s} y={y - 36 * s} width={front - 25 * s} height={72 * s} {...line} />
      {!fromAbove && <rect x={x - 60 * s} y={y - 72 * s} width={50 * s} height={22 * s} {...line} />}
      <line x1={x} x2={x} y1={y - 50 * s} y2={y + 50 * s} stroke={ink} strokeWidth="1" strokeDasharray="2 2" />
    </g>
  );
}

interface FieldEdgesProps {
  index: number;
  report: RigReport;
  /** Where the lens is, px. */
  lens: [number, number];
  /** The plane of focus and the end of what is seen, px. */
  subjectPx: number;
  endPx: number;
  pxPerMm: number;
  fromAbove: boolean;
  /** Asks for a field of another size at the subject, mm. */
  onSize: (sizeMm: number) => void;
}

/** The two edges of what the rig takes in, from the lens through the plane of focus; a hand that pulls at one zooms. */
export function FieldEdges({ index, report, lens: [x, y], subjectPx, endPx, pxPerMm, fromAbove, onSize }: FieldEdgesProps) {
  const colour = useRigColour(index);
  if (!isFocused(report)) {
    return null;
  }
  const slope = ((fromAbove ? report.figures.fieldWidthMm : report.figures.fieldHeightMm) * pxPerMm) / 2 / (subjectPx - x);
  const pull = (event: PointerEvent<SVGLineElement>) => {
    if (event.currentTarget.hasPointerCapture(event.pointerId)) {
      const box = event.currentTarget.ownerSVGElement!.getBoundingClientRect();
      const ahead = Math.max(8, event.clientX - box.left - x);
      flushSync(() => onSize((2 * Math.abs(event.clientY - box.top - y) * ((subjectPx - x) / ahead)) / pxPerMm));
    }
  };
  const [ahead, aside] = [endPx - x, slope * (endPx - x)];
  // Moved as a whole: the browser has less to lay out, and follows a hand sooner.
  return (
    <g transform={`translate(${x} ${y})`} className={`rig-line rig-line-${index}`} {...lights(index)}>
      <path
        d={`M0 0L${ahead} ${-aside}M0 0L${ahead} ${aside}`}
        stroke={colour}
        strokeWidth="1.5"
        strokeDasharray={rigDash(index)}
        fill="none"
      />
      {[-1, 1].map((sign) => (
        <line
          key={sign}
          x2={ahead}
          y2={sign * aside}
          data-edge={`${rigLetter(index)}${sign}`}
          stroke="transparent"
          strokeWidth="9"
          style={{ cursor: 'ns-resize', touchAction: 'none' }}
          onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
          onPointerMove={pull}
        >
          <title>Pull to zoom rig {rigLetter(index)}</title>
        </line>
      ))}
    </g>
  );
}

interface MicrophoneProps {
  at: number;
  y: number;
  ink: string;
  paper: string;
}

/** A microphone on a boom; never smaller than can be seen. */
export function Microphone({ at, y, ink, paper }: MicrophoneProps) {
  return (
    <g stroke={ink} fill={paper} strokeWidth="1.3">
      <line x1={at - 26} y1={y - 18} x2={at - 3} y2={y - 2} />
      <rect x={at - 3} y={y - 4} width="6" height="14" rx="3" />
    </g>
  );
}

interface SharpZoneProps {
  index: number;
  report: RigReport;
  top: number;
  /** Where a distance from the rig lies, px. */
  x: (mm: number) => number;
  widthPx: number;
  feet: boolean;
}

/** The sharp zone of a rig as a hatched band under the ruler. */
export function SharpZone({ index, report, top, x, widthPx, feet }: SharpZoneProps) {
  const { text, background } = useTheme().vars!.palette;
  const colour = useRigColour(index);
  const { depthOfFieldNearMm: near, depthOfFieldFarMm: far, nearestSubjectDistanceMm: nearest } = report.figures;
  const focus = !Number.isNaN(near);
  const from = focus ? x(near) : 0;
  const to = focus ? Math.min(widthPx + 4, Number.isFinite(far) ? x(far) : widthPx + 4) : 0;
  const length = Math.max(2, to - from);
  const said = focus
    ? `sharp ${distance(near, feet)} – ${Number.isFinite(far) ? distance(far, feet) : '∞'}`
    : isFocused(report)
      ? 'no limits'
      : 'no focus';
  const labelAfter = to + 8 + said.length * 6.4 < widthPx - turnPx;
  return (
    <g className={`rig-line rig-line-${index}`} {...lights(index)}>
      <pattern
        id={`hatch-${index}`}
        width={index % 2 ? 9 : 5}
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform={`rotate(${index % 2 ? -35 : 35})`}
      >
        <line x1="0" x2="0" y1="0" y2="6" stroke={colour} strokeWidth="1.6" strokeDasharray={rigDash(index)} />
      </pattern>
      <text x="8" y={top + 11} fontSize="12" fontWeight="700" fill={colour}>
        {rigLetter(index)}
      </text>
      {nearest > 0 && x(nearest) > 20 && (
        <path d={`M${x(nearest) + 4} ${top + 3}h-4v${bandPx - 6}h4`} stroke={colour} strokeWidth="1.5" fill="none">
          <title>nearest focus {distance(nearest, feet)}</title>
        </path>
      )}
      {focus && (
        <rect x={from} y={top + 2.5} width={length} height={bandPx - 5} fill={`url(#hatch-${index})`} stroke={colour} strokeWidth="1" />
      )}
      <text
        x={labelAfter ? to + 8 : from - 8}
        textAnchor={labelAfter ? 'start' : 'end'}
        y={top + 11}
        fontSize="11.5"
        fill={text.secondary}
        fontFamily={figureFont}
        stroke={background.paper}
        strokeWidth="3"
        paintOrder="stroke"
        onClick={() => openWorking(idAt(index), 'depthOfFieldMm')}
        style={{ cursor: 'pointer' }}
      >
        <title>Show the working</title>
        {said}
      </text>
    </g>
  );
}
