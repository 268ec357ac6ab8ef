import { styled } from '@mui/material/styles';
import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { core } from '../../core/core';
import { distance } from '../../ui/format';
import { useProduction } from './productionStore';

const Handle = styled('g')(({ theme }) => ({
  outline: 'none',
  '& .grip': { fill: 'transparent', stroke: theme.vars!.palette.primary.main, strokeWidth: 2, opacity: 0 },
  '&:hover .grip, &:focus-visible .grip, &.held .grip': { opacity: 1 },
}));

interface GripProps {
  label: string;
  valueMm: number;
  feet: boolean;
  x: number;
  y: number;
  width: number;
  height: number;
  /** True when it moves up and down rather than sideways. */
  upright?: boolean;
  /** mm for each px, with the sign of the direction in which the value grows. */
  mmPerPx: number;
  onMove: (mm: number) => void;
  children?: ReactNode;
}

/** Something in the drawing that a hand or a key moves. */
export function Grip({ label, valueMm, feet, x, y, width, height, upright = false, mmPerPx, onMove, children }: GripProps) {
  const from = useRef<{ px: number; mm: number } | null>(null);
  const [held, setHeld] = useState(false);
  const at = (event: PointerEvent) => (upright ? event.clientY : event.clientX);
  const down = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    useProduction.getState().beginStep();
    from.current = { px: at(event), mm: valueMm };
    setHeld(true);
  };
  const move = (event: PointerEvent<SVGGElement>) => {
    if (from.current) {
      onMove(Math.max(0, Math.round((from.current.mm + (at(event) - from.current.px) * mmPerPx) / 10) * 10));
    }
  };
  const up = () => {
    from.current = null;
    setHeld(false);
  };
  const press = (event: KeyboardEvent<SVGGElement>) => {
    const further = upright ? ['ArrowDown', 'ArrowUp'] : ['ArrowLeft', 'ArrowRight'];
    const index = further.indexOf(event.key);
    if (index >= 0) {
      event.preventDefault();
      onMove(core().step('kept', valueMm, upright ? index === 1 : mmPerPx > 0 === (index === 1), event.shiftKey, feet));
    }
  };
  return (
    <Handle
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation={upright ? 'vertical' : 'horizontal'}
      aria-valuemin={0}
      aria-valuenow={Math.round(valueMm)}
      aria-valuetext={distance(valueMm, feet)}
      className={held ? 'held' : ''}
      style={{ cursor: upright ? 'ns-resize' : 'ew-resize' }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onKeyDown={press}
    >
      {children}
      <rect className="grip" x={x} y={y} width={width} height={height} rx="4" />
    </Handle>
  );
}
