import { useTheme } from '@mui/material/styles';
import { rigLetter, useRigColour } from '../../../ui/RigMark';

export const drawingPx = 118;

/** A bound of where the camera may stand, hatched to the side where it may not. */
export function Bound({ at, hatchedTo }: { at: number; hatchedTo: 1 | -1 }) {
  const { drawing } = useTheme().vars!.palette;
  const marks = Array.from({ length: 9 }, (_, i) => `M${at} ${6 + i * 13}l${hatchedTo * 6} 6`).join('');
  return <path d={`M${at} 0V${drawingPx}${marks}`} stroke={drawing.line} strokeWidth="1.5" fill="none" />;
}

/** The letters of the rigs at one place. */
export function Letters({ at, y, rigs }: { at: number; y: number; rigs: number[] }) {
  return (
    <text x={at} y={y} fontSize="12" fontWeight="700" textAnchor="middle">
      {rigs.map((i, n) => (
        <Letter key={i} index={i} dx={n === 0 ? 0 : 4} />
      ))}
    </text>
  );
}

function Letter({ index, dx }: { index: number; dx: number }) {
  return (
    <tspan dx={dx} fill={useRigColour(index)}>
      {rigLetter(index)}
    </tspan>
  );
}
