import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import type { Assembled, Chain } from '../../core/core';
import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';

interface ChainDrawingProps {
  index: number;
  chain: Chain;
  assembled: Assembled;
  /** What all rigs are drawn in: the longest and the highest of them, mm. */
  spanMm: { back: number; front: number; high: number };
  /** Height of a sensor's area, drawn where it lies. */
  sensorHeightMm: number;
  onPart: (part: number) => void;
}

const reach = 6;

/** The parts of a rig from the sensor to the front, from the side, all rigs in one scale. A press on a part offers what fits there. */
export const ChainDrawing = memo(function ChainDrawing({ index, chain, assembled, spanMm, sensorHeightMm, onPart }: ChainDrawingProps) {
  const { drawing, text, warning } = useTheme().vars!.palette;
  const colour = useRigColour(index);
  const { back, front, high } = spanMm;
  const faulty = new Set(assembled.findings.filter((f) => f.severity === 'stops' || f.severity === 'spoils').map((f) => f.part));
  const fills: Record<string, string> = { body: drawing.wall, fixedLensCamera: drawing.wall, lens: drawing.floor, adapter: drawing.line };
  return (
    <svg
      viewBox={`${back - reach} ${-high / 2 - 3} ${front - back + 2 * reach} ${high + 6}`}
      preserveAspectRatio="xMinYMid meet"
      role="img"
      aria-label={`Parts of rig ${rigLetter(index)} from the side, to scale: ${chain.parts.map((p) => p.item.name).join(', ')}`}
      style={{ display: 'block', width: '100%', height: '100%' }}
    >
      <line
        x1={back}
        x2={front}
        y1={0}
        y2={0}
        stroke={drawing.line}
        strokeWidth={0.7}
        strokeDasharray="5 3"
        vectorEffect="non-scaling-stroke"
      />
      {assembled.spans.map((span) => {
        const item = chain.parts[span.part]!.item;
        return (
          <rect
            key={span.part}
            x={span.fromMm}
            y={-span.diameterMm / 2}
            width={Math.max(0.6, span.toMm - span.fromMm)}
            height={span.diameterMm}
            fill={fills[item.kind] ?? drawing.wall}
            stroke={faulty.has(span.part) ? warning.main : text.primary}
            strokeWidth={faulty.has(span.part) ? 2 : 1.2}
            strokeDasharray={span.assumed ? '3 2' : undefined}
            vectorEffect="non-scaling-stroke"
            style={{ cursor: 'pointer' }}
            onClick={() => onPart(span.part)}
          >
            <title>{`${item.name}${span.assumed ? ' (size not known, drawn as usual)' : ''}`}</title>
          </rect>
        );
      })}
      <line
        x1={0}
        x2={0}
        y1={-sensorHeightMm / 2}
        y2={sensorHeightMm / 2}
        stroke={colour}
        strokeWidth={3}
        strokeDasharray={rigDash(index)}
        vectorEffect="non-scaling-stroke"
        pointerEvents="none"
      />
    </svg>
  );
});
