import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { Measured, TestChart } from '../../../core/core';
import { valueText } from '../../../gear/testWords';
import { distance } from '../../../ui/format';
import { useWidth } from '../../../ui/useWidth';

const height = 230;
const pad = { left: 58, right: 14, top: 14, bottom: 30 };

interface FitChartProps {
  chart: TestChart;
  quantity: Measured['results'][number]['quantity'];
  marked: number | null;
  readings: Measured['readings'];
  feet: boolean;
  /** True where the readings lie at distances; else they lie one after the other. */
  byDistance: boolean;
  title: string;
}

/** Readings, each with what it could be off by, against what was fitted to them: the band holds the truth 95 times in 100. */
export function FitChart({ chart, quantity, marked, readings, feet, byDistance, title }: FitChartProps) {
  const [ref, width] = useWidth();
  const { text, primary, warning, divider } = useTheme().vars!.palette;
  const { points, line } = chart;
  const all = [...points, ...line];
  const xs = all.map((p) => p.x);
  const [least, most] = [Math.min(...xs), Math.max(...xs)];
  const spread = most > least ? most - least : Math.max(1, least * 0.2);
  const [from, to] = [least - spread * 0.06, most + spread * 0.06];
  const kept = points.filter((p) => !readings[p.reading]?.isOutlier);
  const of = (p: { y: number; plusMinus: number }) => [p.y - p.plusMinus, p.y + p.plusMinus];
  const ys = [...(kept.length > 0 ? kept : points).flatMap(of), ...line.flatMap(of), ...(marked === null ? [] : [marked])];
  const range = Math.max(...ys) - Math.min(...ys) || Math.abs(ys[0] ?? 1) * 0.02 || 1;
  const [low, high] = [Math.min(...ys) - range * 0.08, Math.max(...ys) + range * 0.08];
  const x = (value: number) => pad.left + ((value - from) / (to - from)) * (width - pad.left - pad.right);
  const y = (value: number) => pad.top + ((high - Math.min(high, Math.max(low, value))) / (high - low)) * (height - pad.top - pad.bottom);
  const wide =
    line.length === 1
      ? [
          { ...line[0]!, x: from },
          { ...line[0]!, x: to },
        ]
      : line;
  const band = [
    ...wide.map((p) => `${x(p.x)},${y(p.y + p.plusMinus)}`),
    ...[...wide].reverse().map((p) => `${x(p.x)},${y(p.y - p.plusMinus)}`),
  ].join(' ');
  const ticks = [low + range * 0.1, (low + high) / 2, high - range * 0.1];
  const digits = range / 4;
  return (
    <Box ref={ref} component="figure" sx={{ m: 0 }}>
      <figcaption style={{ fontSize: 12.5 }}>{title}</figcaption>
      {width > 0 && (
        <svg width="100%" height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={title} style={{ display: 'block' }}>
          {ticks.map((tick) => (
            <g key={tick}>
              <line x1={pad.left} x2={width - pad.right} y1={y(tick)} y2={y(tick)} stroke={divider} />
              <text x={pad.left - 6} y={y(tick) + 4} textAnchor="end" fontSize="11" fill={text.secondary}>
                {valueText(quantity, tick, digits)}
              </text>
            </g>
          ))}
          <polygon points={band} fill={primary.main} fillOpacity="0.16" />
          <polyline points={wide.map((p) => `${x(p.x)},${y(p.y)}`).join(' ')} fill="none" stroke={primary.main} strokeWidth="2" />
          {marked !== null && (
            <>
              <line x1={pad.left} x2={width - pad.right} y1={y(marked)} y2={y(marked)} stroke={text.primary} strokeDasharray="2 5" />
              <text x={width - pad.right} y={y(marked) - 4} textAnchor="end" fontSize="11" fill={text.secondary}>
                as marked
              </text>
            </>
          )}
          {points.map((p) => {
            const isOut = readings[p.reading]?.isOutlier ?? false;
            const colour = isOut ? warning.main : text.primary;
            return (
              <g key={p.reading} stroke={colour} strokeWidth="1.5">
                <line x1={x(p.x)} x2={x(p.x)} y1={y(p.y - p.plusMinus)} y2={y(p.y + p.plusMinus)} />
                {isOut ? (
                  <path d={`M${x(p.x) - 5} ${y(p.y) - 5}l10 10m0 -10l-10 10`} strokeWidth="2.5" />
                ) : (
                  <circle cx={x(p.x)} cy={y(p.y)} r="4.5" fill={colour} stroke="none" />
                )}
                <text x={x(p.x) + 8} y={y(p.y) - 6} fontSize="11" fill={text.secondary} stroke="none">
                  {p.reading + 1}
                </text>
              </g>
            );
          })}
          <text x={pad.left} y={height - 8} fontSize="11" fill={text.secondary}>
            {byDistance ? distance(least, feet) : 'first reading'}
          </text>
          {most > least && (
            <text x={width - pad.right} y={height - 8} fontSize="11" textAnchor="end" fill={text.secondary}>
              {byDistance ? distance(most, feet) : 'last'}
            </text>
          )}
        </svg>
      )}
    </Box>
  );
}
