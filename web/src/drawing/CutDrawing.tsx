import { useTheme } from '@mui/material/styles';
import type { ShotInput, WantedFrame } from '../core/core';
import { isPeople } from '../core/shots';
import { distance } from '../ui/format';
import { Person } from './Person';

interface CutDrawingProps {
  shot: ShotInput;
  frame: WantedFrame;
  feet: boolean;
  /** px. */
  height?: number;
}

/** The picture as a cut on its subject, in true proportion. */
export function CutDrawing({ shot, frame, feet, height: high = 130 }: CutDrawingProps) {
  const { primary, text, drawing } = useTheme().vars!.palette;
  const { subject } = shot;
  const height = subject.heightMm ?? 1750;
  const base = subject.baseMm ?? 0;
  const people = isPeople(subject);
  const overhead = shot.cameraSupport === 'overhead';
  const count = subject.kind === 'group' ? (subject.count ?? 2) : 1;
  const spacing = subject.spacingMm ?? 650;
  const width = people ? (count - 1) * spacing + 0.32 * height : (subject.widthMm ?? 1000);
  // Somebody who sits is drawn standing, and sinks.
  const sinks = subject.kind === 'seated' ? height - frame.subjectHeightMm : 0;
  const whole = people ? height : frame.subjectHeightMm;
  const low = overhead ? -whole / 2 : base;

  // The drawing holds subject and frame, with a little air.
  const bottom = Math.min(low, frame.bottomMm);
  const top = Math.max(low + whole, frame.bottomMm + frame.heightMm);
  const across = Math.max(width, frame.widthMm);
  const pad = 0.05 * Math.max(across, top - bottom);
  const view = { x: -across / 2 - pad, y: -top - pad, width: across + 2 * pad, height: top - bottom + 2 * pad };
  const unit = Math.max(view.width / 250, view.height / high);

  return (
    <svg
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      role="img"
      aria-label={`The picture takes in ${distance(frame.widthMm, feet)} by ${distance(frame.heightMm, feet)}`}
      style={{ width: '100%', height: high, display: 'block' }}
    >
      {!overhead && bottom <= 0 && <line x1={view.x} x2={view.x + view.width} y1={0} y2={0} stroke={drawing.line} strokeWidth={unit} />}
      {people ? (
        Array.from({ length: Math.min(count, 12) }, (_, i) => (
          <g
            key={i}
            transform={`translate(${(i - (Math.min(count, 12) - 1) / 2) * spacing} ${-base - height + sinks}) scale(${height / 1000})`}
          >
            <Person stroke={text.primary} fill={drawing.floor} width={1.1} />
          </g>
        ))
      ) : (
        <rect x={-width / 2} y={-low - whole} width={width} height={whole} fill={drawing.floor} stroke={text.primary} strokeWidth={unit} />
      )}
      {sinks > 0 && <rect x={-0.3 * height} y={0} width={0.6 * height} height={sinks + pad} fill={drawing.wall} />}
      <rect
        x={-frame.widthMm / 2}
        y={-frame.bottomMm - frame.heightMm}
        width={frame.widthMm}
        height={frame.heightMm}
        fill={primary.main}
        fillOpacity={0.1}
        stroke={primary.main}
        strokeWidth={2 * unit}
      />
    </svg>
  );
}
