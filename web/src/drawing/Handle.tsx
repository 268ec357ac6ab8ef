import { styled } from '@mui/material/styles';
import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';
import { distance } from '../ui/format';

interface HandleProps {
  label: string;
  valueMm: number;
  feet: boolean;
  /** A hand has hold of it. */
  active: boolean;
  /** True when it moves up and down rather than sideways. */
  upright?: boolean;
  /** Where it can be taken hold of, px. */
  x: number;
  y: number;
  width: number;
  height: number;
  children?: ReactNode;
  onPointerDown: (event: PointerEvent<SVGGElement>) => void;
  onPointerMove: (event: PointerEvent<SVGGElement>) => void;
  onPointerUp: () => void;
  onKeyDown: (event: KeyboardEvent<SVGGElement>) => void;
}

const Slider = styled('g')(({ theme }) => ({
  outline: 'none',
  '& .grip': { fill: 'transparent', stroke: theme.vars!.palette.primary.main, strokeWidth: 2, opacity: 0 },
  '&:hover .grip, &:focus-visible .grip, &.held .grip': { opacity: 1 },
}));

/** Something in a drawing that a hand or a key moves. */
export function Handle({ label, valueMm, feet, active, upright = false, x, y, width, height, children, ...events }: HandleProps) {
  return (
    <Slider
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation={upright ? 'vertical' : 'horizontal'}
      aria-valuemin={0}
      aria-valuenow={Math.round(valueMm)}
      aria-valuetext={distance(valueMm, feet)}
      className={active ? 'held' : ''}
      {...events}
      onPointerCancel={events.onPointerUp}
      style={{ cursor: active ? 'grabbing' : upright ? 'ns-resize' : 'ew-resize' }}
    >
      <rect className="grip" x={x} y={y} width={width} height={height} rx="4" />
      {children}
    </Slider>
  );
}
