import { Box, MenuItem, Select } from '@mui/material';
import { styled, useTheme } from '@mui/material/styles';
import { useLayoutEffect, useMemo, useRef, type KeyboardEvent } from 'react';
import { useWidth } from '../ui/useWidth';

const heightPx = 150;
const pad = { left: 8, right: 14, top: 12, bottom: 20 };

const Drawing = styled('svg')(({ theme }) => ({
  display: 'block',
  width: '100%',
  height: heightPx,
  '& text': { fontSize: 11, fill: theme.vars!.palette.text.secondary },
  '& circle': { cursor: 'pointer' },
  '& [role=option]:focus-visible': { outline: 'none', stroke: theme.vars!.palette.primary.main, strokeWidth: 3 },
}));

/** A quantity that a plot may go by; null where it is not known of a thing, or has no end. */
export interface Axis<T> {
  label: string;
  value: (thing: T) => number | null;
  text: (value: number) => string;
  /** Which end of it is wanted; left out where neither is. */
  better?: 'less' | 'more';
}

interface PlotProps<T> {
  things: T[];
  axes: Record<string, Axis<T>>;
  across: string;
  up: string;
  onAxes: (axes: { across?: string; up?: string }) => void;
  keyOf: (thing: T) => string;
  nameOf: (thing: T) => string;
  /** The key of the one that is picked; null for none. */
  picked: string | null;
  onPick: (thing: T) => void;
  isChosen?: (thing: T) => boolean;
  isWarned?: (thing: T) => boolean;
  label: string;
}

interface Point<T> {
  thing: T;
  x: number;
  y: number;
}

/** Those that none betters in both quantities, from left to right; none where it is not said which ends are wanted. */
export function bestFront<T>(points: Point<T>[], across: Axis<T>, up: Axis<T>): Point<T>[] {
  if (!across.better || !up.better) {
    return [];
  }
  const [x, y] = [across.better === 'less' ? 1 : -1, up.better === 'less' ? 1 : -1];
  const front: Point<T>[] = [];
  for (const point of [...points].sort((a, b) => x * (a.x - b.x) || y * (a.y - b.y))) {
    const last = front.at(-1);
    if (!last || y * point.y < y * last.y) {
      front.push(point);
    }
  }
  return front.sort((a, b) => a.x - b.x);
}

/** Things on two axes of one's choice; each is reached by hand and by key. */
export function Plot<T>({
  things,
  axes,
  across: acrossKey,
  up: upKey,
  onAxes,
  keyOf,
  nameOf,
  picked,
  onPick,
  isChosen,
  isWarned,
  label,
}: PlotProps<T>) {
  const { text, primary, warning, divider, background } = useTheme().vars!.palette;
  const [first, second] = Object.keys(axes);
  const across = axes[acrossKey] ?? axes[first!]!;
  const up = axes[upKey] ?? axes[second!]!;
  const [box, width] = useWidth();
  const { points, left, ends, front } = useMemo(() => {
    const known: Point<T>[] = things.flatMap((thing) => {
      const [x, y] = [across.value(thing), up.value(thing)];
      return x === null || y === null ? [] : [{ thing, x, y }];
    });
    const range = (values: number[]): [number, number] => {
      const [low, high] = [Math.min(...values), Math.max(...values)];
      return low === high ? [low - 1, high + 1] : [low, high];
    };
    return {
      points: known.sort((a, b) => a.x - b.x || a.y - b.y),
      left: things.length - known.length,
      ends: known.length === 0 ? null : { x: range(known.map((p) => p.x)), y: range(known.map((p) => p.y)) },
      front: bestFront(known, across, up),
    };
  }, [things, across, up]);
  const place = (point: Point<T>) => ({
    cx: pad.left + ((point.x - ends!.x[0]) / (ends!.x[1] - ends!.x[0])) * (width - pad.left - pad.right),
    cy: heightPx - pad.bottom - ((point.y - ends!.y[0]) / (ends!.y[1] - ends!.y[0])) * (heightPx - pad.top - pad.bottom),
  });
  const at = picked === null ? -1 : points.findIndex(({ thing }) => keyOf(thing) === picked);
  const walk = (event: KeyboardEvent<SVGElement>) => {
    const step =
      event.key === 'ArrowRight' || event.key === 'ArrowUp' ? 1 : event.key === 'ArrowLeft' || event.key === 'ArrowDown' ? -1 : 0;
    const next = points[Math.max(0, Math.min(points.length - 1, at + step))];
    if (step !== 0 && next) {
      event.preventDefault();
      onPick(next.thing);
    }
  };
  // Keys go on from the one that is picked, also where what is drawn has become another meanwhile.
  const drawing = useRef<SVGSVGElement>(null);
  const isWalked = useRef(false);
  useLayoutEffect(() => {
    if (isWalked.current) drawing.current?.querySelector<SVGElement>('[aria-selected=true]')?.focus();
  }, [points, at]);
  const choice = (name: string, value: Axis<T>, onChange: (key: string) => void) => (
    <Select
      variant="standard"
      disableUnderline
      value={Object.keys(axes).find((key) => axes[key] === value)}
      onChange={(event) => onChange(event.target.value)}
      inputProps={{ 'aria-label': name }}
      sx={{ fontSize: 12.5, color: 'text.secondary', minHeight: 32 }}
    >
      {Object.entries(axes).map(([key, axis]) => (
        <MenuItem key={key} value={key}>
          {axis.label}
        </MenuItem>
      ))}
    </Select>
  );
  const said = ({ thing, x, y }: Point<T>) => `${nameOf(thing)}: ${across.label} ${across.text(x)}, ${up.label} ${up.text(y)}`;
  return (
    <Box ref={box} component="section" aria-label="Plot" sx={{ px: 1, pt: 0.5, borderBottom: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', alignItems: 'center', columnGap: 1, fontSize: 12.5, color: 'text.secondary', whiteSpace: 'nowrap' }}>
        <span>↑</span>
        {choice('Upward', up, (key) => onAxes({ up: key }))}
        <span>→</span>
        {choice('Across', across, (key) => onAxes({ across: key }))}
        {left > 0 && <span style={{ marginLeft: 'auto', overflow: 'hidden', textOverflow: 'ellipsis' }}>{left} not known</span>}
      </Box>
      {ends && width > 0 && (
        <Drawing
          ref={drawing}
          role="listbox"
          aria-label={label}
          onKeyDown={walk}
          onFocus={() => (isWalked.current = true)}
          onBlur={() => (isWalked.current = false)}
        >
          <path d={`M${pad.left} ${pad.top}V${heightPx - pad.bottom}H${width - pad.right}`} fill="none" stroke={divider} />
          <text x={pad.left + 12} y={pad.top + 2}>
            {up.text(ends.y[1])}
          </text>
          <text x={pad.left} y={heightPx - 6}>
            {across.text(ends.x[0])}
          </text>
          <text x={width - pad.right} y={heightPx - 6} textAnchor="end">
            {across.text(ends.x[1])}
          </text>
          {front.length > 1 && (
            <path
              data-front={front.length}
              d={`M${front
                .map(place)
                .map((p, i) => (i === 0 ? `${p.cx} ${p.cy}` : `L${p.cx} ${p.cy}`))
                .join('')}`}
              fill="none"
              stroke={text.secondary}
              strokeDasharray="4 3"
            />
          )}
          {points.map((point, i) => {
            const isPicked = i === at;
            const warned = isWarned?.(point.thing) ?? false;
            return (
              <circle
                key={keyOf(point.thing)}
                role="option"
                aria-selected={isPicked}
                aria-label={said(point)}
                tabIndex={isPicked || (at < 0 && i === 0) ? 0 : -1}
                {...place(point)}
                r={isPicked ? 7 : 5}
                fill={isPicked ? primary.main : isChosen?.(point.thing) ? text.primary : background.paper}
                stroke={warned ? warning.main : text.primary}
                strokeDasharray={warned ? '3 2' : undefined}
                strokeWidth={1.5}
                onClick={() => onPick(point.thing)}
              >
                <title>{said(point)}</title>
              </circle>
            );
          })}
        </Drawing>
      )}
    </Box>
  );
}
