import { styled, useTheme } from '@mui/material/styles';
import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';
import { distance } from '../../../ui/format';

interface DragHandleProps {
  label: string;
  valueMm: number;
  feet: boolean;
  active: boolean;
  at: number;
  /** Half of its width, px. */
  half: number;
  heightPx: number;
  children: ReactNode;
  onPointerDown: (event: PointerEvent<SVGGElement>) => void;
  onPointerMove: (event: PointerEvent<SVGGElement>) => void;
  onPointerUp: () => void;
  onKeyDown: (event: KeyboardEvent<SVGGElement>) => void;
}

const Handle = styled('g')({ outline: 'none', '&:focus-visible .grip, &:hover .grip': { opacity: 1 } });

/** Something that a hand or a key moves along the ground. */
export function DragHandle({ label, valueMm, feet, active, at, half, heightPx, children, ...events }: DragHandleProps) {
  const { primary } = useTheme().vars!.palette;
  return (
    <Handle
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuenow={Math.round(valueMm)}
      aria-valuetext={distance(valueMm, feet)}
      {...events}
      onPointerCancel={events.onPointerUp}
      style={{ cursor: active ? 'grabbing' : 'ew-resize' }}
    >
      <rect
        className="grip"
        x={at - half}
        y="1.5"
        width={2 * half}
        height={heightPx}
        rx="4"
        fill="transparent"
        stroke={primary.main}
        strokeWidth="2"
        opacity={active ? 1 : 0}
      />
      {children}
    </Handle>
  );
}
