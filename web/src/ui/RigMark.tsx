import { useTheme } from '@mui/material/styles';
import { memo } from 'react';

/** Rigs are told apart by a letter and a line pattern first, by a hue second. */
export const rigLetter = (index: number): string => 'ABCDEFGHIJKL'[index] ?? '?';

const patterns = ['', '9 4', '2 3', '9 3 2 3', '14 3', '5 2', '2 6', '9 3 2 3 2 3', '12 2', '4 4', '3 2 9 2', '1 2'];

export const rigDash = (index: number): string | undefined => patterns[index] || undefined;

export function useRigColour(index: number): string {
  const { rigs } = useTheme().vars!.palette.drawing;
  return rigs[index % rigs.length]!;
}

/** The letter of a rig over its line. */
export const RigMark = memo(function RigMark({ index, size = 26 }: { index: number; size?: number }) {
  const colour = useRigColour(index);
  return (
    <svg width={size} height={size} viewBox="0 0 26 26" role="img" aria-label={`Rig ${rigLetter(index)}`}>
      <text x="13" y="17" textAnchor="middle" fontSize="18" fontWeight="700" fill={colour}>
        {rigLetter(index)}
      </text>
      <line x1="2" x2="24" y1="23" y2="23" stroke={colour} strokeWidth="2.4" strokeDasharray={rigDash(index)} />
    </svg>
  );
});
