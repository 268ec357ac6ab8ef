import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';

interface OutlineProps {
  index: number;
  /** What the rig takes in of the picture that it is laid on, across and upright. */
  across: number;
  up: number;
}

/** What one rig takes in, laid in the middle of a wider picture from the same spot. */
export function Outline({ index, across, up }: OutlineProps) {
  const colour = useRigColour(index);
  return (
    <svg
      style={{
        position: 'absolute',
        left: `${50 - 50 * across}%`,
        top: `${50 - 50 * up}%`,
        width: `${100 * across}%`,
        height: `${100 * up}%`,
        overflow: 'visible',
      }}
      aria-hidden
    >
      <rect width="100%" height="100%" fill="none" stroke="#fff" strokeWidth="4" />
      <rect width="100%" height="100%" fill="none" stroke={colour} strokeWidth="2.5" strokeDasharray={rigDash(index)} />
      <text x={6 + 16 * index} y="18" fontSize="15" fontWeight="700" fill="#fff" stroke="#000" strokeWidth="3" paintOrder="stroke">
        {rigLetter(index)}
      </text>
    </svg>
  );
}
