import { useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { core } from '../core/core';
import { Handle } from './Handle';
import { roundForHand } from './roundForHand';

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
  /** A hand takes hold of it: what follows is one step of undo. */
  onHold: () => void;
  onMove: (mm: number) => void;
  children?: ReactNode;
}

/** Something in the drawing that a hand or a key moves. */
export function Grip({ label, valueMm, feet, x, y, width, height, upright = false, mmPerPx, onHold, onMove, children }: GripProps) {
  const from = useRef<{ px: number; mm: number } | null>(null);
  const [held, setHeld] = useState(false);
  const at = (event: PointerEvent) => (upright ? event.clientY : event.clientX);
  const down = (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    onHold();
    from.current = { px: at(event), mm: valueMm };
    setHeld(true);
  };
  const move = (event: PointerEvent<SVGGElement>) => {
    if (from.current) {
      onMove(Math.max(0, roundForHand(from.current.mm + (at(event) - from.current.px) * mmPerPx, 1 / Math.abs(mmPerPx))));
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
      {...{ label, valueMm, feet, upright, x, y, width, height }}
      active={held}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onKeyDown={press}
    >
      {children}
    </Handle>
  );
}
