import { Box, MenuItem, Select } from '@mui/material';
import { styled, useTheme } from '@mui/material/styles';
import { memo, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useSettings } from '../../app/settings';
import type { Fit, ShotInput } from '../../core/core';
import { pick, useAnswers } from './answers';
import { useGear } from './fitting';
import { axes } from './plotAxes';
import { useProduction } from './productionStore';
import { isChosen, keyOf } from './rigs';

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

interface Point {
  fit: Fit;
  x: number;
  y: number;
}

/** Every rig that gives the shot, on two axes of one's choice; each is reached by hand and by key, and drawn in the place when it is. */
export const Plot = memo(function Plot({ shot }: { shot: ShotInput }) {
  const { text, primary, warning, divider, background } = useTheme().vars!.palette;
  const all = useAnswers((s) => s.all);
  const picked = useAnswers((s) => s.picked);
  const items = useGear((s) => s.items);
  const highestIso = useProduction((s) => s.document.delivery?.highestIso ?? 6400);
  const feet = useSettings((s) => s.feet);
  const { plotAcross, plotUp, choosePlot } = useSettings();
  const [across, up] = [axes[plotAcross] ?? axes.distance!, axes[plotUp] ?? axes.blur!];
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const sizes = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width));
    sizes.observe(box.current!);
    return () => sizes.disconnect();
  }, []);
  const { points, left, ends } = useMemo(() => {
    const known: Point[] = all.flatMap((fit) => {
      const [x, y] = [across.value(fit, highestIso, items), up.value(fit, highestIso, items)];
      return x === null || y === null ? [] : [{ fit, x, y }];
    });
    const range = (values: number[]): [number, number] => {
      const [low, high] = [Math.min(...values), Math.max(...values)];
      return low === high ? [low - 1, high + 1] : [low, high];
    };
    return {
      points: known.sort((a, b) => a.x - b.x || a.y - b.y),
      left: all.length - known.length,
      ends: known.length === 0 ? null : { x: range(known.map((p) => p.x)), y: range(known.map((p) => p.y)) },
    };
  }, [all, across, up, highestIso, items]);
  const place = (point: Point) => ({
    cx: pad.left + ((point.x - ends!.x[0]) / (ends!.x[1] - ends!.x[0])) * (width - pad.left - pad.right),
    cy: heightPx - pad.bottom - ((point.y - ends!.y[0]) / (ends!.y[1] - ends!.y[0])) * (heightPx - pad.top - pad.bottom),
  });
  const at = picked === null ? -1 : points.findIndex(({ fit }) => keyOf(fit) === keyOf(picked));
  const walk = (event: KeyboardEvent<SVGElement>) => {
    const step =
      event.key === 'ArrowRight' || event.key === 'ArrowUp' ? 1 : event.key === 'ArrowLeft' || event.key === 'ArrowDown' ? -1 : 0;
    const next = points[Math.max(0, Math.min(points.length - 1, at + step))];
    if (step !== 0 && next) {
      event.preventDefault();
      pick(next.fit);
      event.currentTarget.querySelectorAll<SVGElement>('[role=option]')[points.indexOf(next)]?.focus();
    }
  };
  const choice = (label: string, value: string, onChange: (key: string) => void) => (
    <Select
      variant="standard"
      disableUnderline
      value={value}
      onChange={(event) => onChange(event.target.value)}
      inputProps={{ 'aria-label': label }}
      sx={{ fontSize: 12.5, color: 'text.secondary', minHeight: 32 }}
    >
      {Object.entries(axes).map(([key, axis]) => (
        <MenuItem key={key} value={key}>
          {axis.label}
        </MenuItem>
      ))}
    </Select>
  );
  const said = ({ fit, x, y }: Point) =>
    `${[fit.rig.bodyName, fit.rig.lensName].filter(Boolean).join(', ')}: ${across.label} ${across.text(x, feet)}, ${up.label} ${up.text(y, feet)}`;
  return (
    <Box ref={box} component="section" aria-label="Plot" sx={{ px: 1, pt: 0.5, borderBottom: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', alignItems: 'center', columnGap: 1, fontSize: 12.5, color: 'text.secondary', whiteSpace: 'nowrap' }}>
        <span>↑</span>
        {choice('Upward', plotUp in axes ? plotUp : 'blur', (key) => choosePlot({ plotUp: key }))}
        <span>→</span>
        {choice('Across', plotAcross in axes ? plotAcross : 'distance', (key) => choosePlot({ plotAcross: key }))}
        {left > 0 && <span style={{ marginLeft: 'auto', overflow: 'hidden', textOverflow: 'ellipsis' }}>{left} not known</span>}
      </Box>
      {ends && width > 0 && (
        <Drawing role="listbox" aria-label="Rigs that give it, from left to right" onKeyDown={walk}>
          <path d={`M${pad.left} ${pad.top}V${heightPx - pad.bottom}H${width - pad.right}`} fill="none" stroke={divider} />
          <text x={pad.left + 4} y={pad.top + 2}>
            {up.text(ends.y[1], feet)}
          </text>
          <text x={pad.left} y={heightPx - 6}>
            {across.text(ends.x[0], feet)}
          </text>
          <text x={width - pad.right} y={heightPx - 6} textAnchor="end">
            {across.text(ends.x[1], feet)}
          </text>
          {points.map((point, i) => {
            const isPicked = i === at;
            const chosen = isChosen(shot, point.fit);
            return (
              <circle
                key={keyOf(point.fit)}
                role="option"
                aria-selected={isPicked}
                aria-label={said(point)}
                tabIndex={isPicked || (at < 0 && i === 0) ? 0 : -1}
                {...place(point)}
                r={isPicked ? 7 : 5}
                fill={isPicked ? primary.main : chosen ? text.primary : background.paper}
                stroke={point.fit.tier > 0 ? warning.main : text.primary}
                strokeDasharray={point.fit.tier > 0 ? '3 2' : undefined}
                strokeWidth={1.5}
                onClick={() => pick(point.fit)}
              >
                <title>{said(point)}</title>
              </circle>
            );
          })}
        </Drawing>
      )}
    </Box>
  );
});
