import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';

interface SensorDrawingProps {
  index: number;
  modeWidthMm: number;
  modeHeightMm: number;
  usedWidthMm: number;
  usedHeightMm: number;
  referenceWidthMm: number;
  referenceHeightMm: number;
  /** The widest and tallest area of all rigs, so that all drawings share one scale. */
  spanWidthMm: number;
  spanHeightMm: number;
}

/** The mode's area and the part of it that is used, before the outline of the reference format, all in one scale. */
export const SensorDrawing = memo(function SensorDrawing(props: SensorDrawingProps) {
  const { drawing, divider, background } = useTheme().vars!.palette;
  const colour = useRigColour(props.index);
  const margin = props.spanWidthMm * 0.03;
  const width = props.spanWidthMm + 2 * margin;
  const height = props.spanHeightMm + 2 * margin;
  const rect = (w: number, h: number) => ({ x: (width - w) / 2, y: (height - h) / 2, width: w, height: h });
  const line = { vectorEffect: 'non-scaling-stroke', fill: 'none' } as const;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
      role="img"
      aria-label={`Sensor of rig ${rigLetter(props.index)} to scale, before the outline of the reference format`}
    >
      <rect {...rect(props.modeWidthMm, props.modeHeightMm)} {...line} fill={background.default} stroke={divider} />
      <rect
        {...rect(props.usedWidthMm, props.usedHeightMm)}
        {...line}
        fill={drawing.floor}
        stroke={colour}
        strokeWidth="2"
        strokeDasharray={rigDash(props.index)}
      />
      <rect {...rect(props.referenceWidthMm, props.referenceHeightMm)} {...line} stroke={drawing.line} strokeWidth="1" />
    </svg>
  );
});
