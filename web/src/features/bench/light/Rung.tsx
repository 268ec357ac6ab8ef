import { styled, useTheme } from '@mui/material/styles';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { flushSync } from 'react-dom';
import { figureFont } from '../../../app/theme';
import { core } from '../../../core/core';
import { movedTo, type Movable } from './steps';

/** How high the steps are drawn, the labels below them, and the row of pins below those, px. */
export const heightPx = 230;
export const labelPx = 34;
export const pinPx = 30;
/** A hand that moves less than this has pressed, px. */
const pressPx = 3;

const Slider = styled('g')(({ theme }) => ({
  outline: 'none',
  cursor: 'ns-resize',
  // A finger on a step moves it; beside the steps it scrolls the page.
  touchAction: 'none',
  '& .grip': { fill: 'transparent', stroke: theme.vars!.palette.primary.main, strokeWidth: 2, opacity: 0 },
  '&:hover .grip, &:focus-visible .grip, &.held .grip': { opacity: 1 },
  '&.fixed': { cursor: 'pointer', touchAction: 'auto' },
}));

interface RungProps {
  at: number;
  barPx: number;
  from: number;
  to: number;
  fill: string;
  label: string;
  isNarrow: boolean;
  /** The label stands in the second row, where there is no room for all in one. */
  isLow?: boolean;
  name: string;
  says: string;
  nowStops: number;
  move: Movable | null;
  perStop: number;
  onHold: (on: boolean) => void;
  onPress: () => void;
  onPin?: (() => void) | undefined;
}

/** One step: a bar as high as it gives or takes, moved by hand or key, opened by a press or Enter. */
export function Rung({
  at,
  barPx,
  from,
  to,
  fill,
  label,
  isNarrow,
  isLow = false,
  name,
  says,
  nowStops,
  move,
  perStop,
  onHold,
  onPress,
  onPin,
}: RungProps) {
  const { text } = useTheme().vars!.palette;
  const grab = useRef<{ px: number; move: Movable; moved: boolean } | null>(null);
  const [held, setHeld] = useState(false);
  const hold = (on: boolean) => {
    setHeld(on);
    onHold(on);
  };
  const top = Math.min(from, to);
  const high = Math.abs(from - to);
  return (
    <Slider
      role={move ? 'slider' : 'button'}
      tabIndex={0}
      aria-label={name}
      aria-valuetext={move ? says : undefined}
      aria-valuenow={move ? Math.round(10 * nowStops) / 10 : undefined}
      aria-orientation={move ? 'vertical' : undefined}
      aria-description={
        move ? (onPin ? 'Arrow keys move it, P pins it, Enter opens its working' : 'Arrow keys move it, Enter opens where it is set') : says
      }
      className={move ? (held ? 'held' : '') : 'fixed'}
      onPointerDown={(event: PointerEvent<SVGGElement>) => {
        if (move) {
          event.currentTarget.setPointerCapture(event.pointerId);
          grab.current = { px: event.clientY, move, moved: false };
          hold(true);
        }
      }}
      onPointerMove={(event: PointerEvent<SVGGElement>) => {
        const taken = grab.current;
        const by = taken ? taken.px - event.clientY : 0;
        if (taken && (taken.moved || Math.abs(by) >= pressPx)) {
          taken.moved = true;
          const next = movedTo(taken.move, by / perStop, (kind, value, up) => core().step(kind, value, up, false, false));
          // The browser hands on one move a frame, just before it paints: drawing at once makes that very frame.
          flushSync(() => taken.move.set(next));
        }
      }}
      onPointerUp={() => {
        if (!grab.current?.moved) onPress();
        grab.current = null;
        hold(false);
      }}
      onPointerCancel={() => {
        grab.current = null;
        hold(false);
      }}
      onKeyDown={(event: KeyboardEvent<SVGGElement>) => {
        const up = event.key === 'ArrowUp' || event.key === 'ArrowRight';
        if (move && (up || event.key === 'ArrowDown' || event.key === 'ArrowLeft')) {
          event.preventDefault();
          move.set(core().step(move.kind, move.value, up === move.grows, event.shiftKey, false));
        } else if (event.key.toLowerCase() === 'p' && onPin) {
          onPin();
        } else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          onPress();
        }
      }}
    >
      <rect className="grip" x={at - barPx / 2 - 3} y={top - 4} width={barPx + 6} height={Math.max(14, high) + 8} rx="4" />
      <rect x={at - barPx / 2} y={top} width={barPx} height={Math.max(1.5, high)} fill={fill} stroke={text.primary} strokeWidth="1" />
      <rect x={at - barPx / 2 - 3} y={10} width={barPx + 6} height={heightPx + labelPx} fill="transparent" />
      <text
        x={at}
        y={heightPx + 34 + (isLow ? 14 : 0)}
        fontSize={isNarrow ? 11 : 12}
        textAnchor="middle"
        fill={text.primary}
        fontFamily={figureFont}
      >
        {label}
      </text>
    </Slider>
  );
}

/** Holds a setting in its place while others give. */
export function Pin({
  at,
  widthPx,
  isPinned,
  name,
  onPress,
}: {
  at: number;
  widthPx: number;
  isPinned: boolean;
  name: string;
  onPress: () => void;
}) {
  const { text, primary } = useTheme().vars!.palette;
  const top = heightPx + 20 + labelPx;
  return (
    <Slider
      className="fixed"
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-pressed={isPinned}
      onClick={onPress}
      onKeyDown={(event: KeyboardEvent<SVGGElement>) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          onPress();
        }
      }}
    >
      <rect x={at - widthPx / 2} y={top - 6} width={widthPx} height={pinPx + 4} fill="transparent" />
      <rect className="grip" x={at - 13} y={top - 3} width={26} height={pinPx - 4} rx="4" />
      <g
        transform={`translate(${at} ${top + 10})`}
        stroke={isPinned ? primary.main : text.secondary}
        strokeWidth="1.6"
        strokeLinejoin="round"
      >
        <path d="M-4 -9H4L3 -3L6 0V2H-6V0L-3 -3Z" fill={isPinned ? primary.main : 'none'} />
        <path d="M0 2V9" />
      </g>
    </Slider>
  );
}
