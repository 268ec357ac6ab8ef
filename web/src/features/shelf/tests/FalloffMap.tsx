import { Box } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import type { Measured, MeasureRequest } from '../../../core/core';
import { fixed } from '../../../ui/format';

/** Light is light, whatever the theme: it is a picture of what the lens does. */
const lit = '#efece4';
/** Each shade is so many stops darker than the one before. */
const step = 0.5;

/** How the light falls off over the frame: shades of half a stop, their middle at the lens's axis, the image circle drawn to scale. */
export function FalloffMap({
  wall,
  falloff,
  circleMm,
}: {
  wall: NonNullable<MeasureRequest['wall']>;
  falloff: NonNullable<Measured['falloff']>;
  circleMm: number | null;
}) {
  const { text, primary } = useTheme().vars!.palette;
  const { columns, rows, widthMm, heightMm } = wall;
  const [w, h] = [widthMm / columns, heightMm / rows];
  const shade = (stops: number) => Math.min(0.92, Math.round(-stops / step) * 0.115);
  const at = (column: number, row: number) => falloff.map[row * columns + column] ?? 0;
  const corners = [
    [0, 0, 'start', 0.02, 0.06],
    [columns - 1, 0, 'end', 0.98, 0.06],
    [0, rows - 1, 'start', 0.02, 0.98],
    [columns - 1, rows - 1, 'end', 0.98, 0.98],
  ] as const;
  const profile = falloff.profile;
  const [far, deep] = [profile.at(-1)?.x ?? 1, Math.max(1, -Math.min(...profile.map((p) => p.y)))];
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <svg
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        width="100%"
        role="img"
        aria-label="Light over the frame"
        shapeRendering="crispEdges"
        style={{ display: 'block', border: `1px solid ${text.secondary}`, background: lit }}
      >
        {falloff.map.map((stops, i) => (
          <rect key={i} x={(i % columns) * w} y={Math.floor(i / columns) * h} width={w} height={h} fill="#000" fillOpacity={shade(stops)} />
        ))}
        {circleMm !== null && (
          <circle
            cx={widthMm / 2}
            cy={heightMm / 2}
            r={circleMm / 2}
            fill="none"
            stroke="#0b5563"
            strokeWidth={widthMm / 180}
            shapeRendering="auto"
          />
        )}
        {corners.map(([column, row, anchor, x, y]) => (
          <text
            key={`${column} ${row}`}
            x={x * widthMm}
            y={y * heightMm}
            fontSize={widthMm / 26}
            textAnchor={anchor}
            fill="#111"
            stroke={lit}
            strokeWidth={widthMm / 120}
            paintOrder="stroke"
          >
            {`−${fixed(-at(column, row), 1)}`}
          </text>
        ))}
      </svg>
      <svg viewBox="0 0 300 90" width="100%" role="img" aria-label="Stops against the distance from the middle">
        <polyline
          points={profile.map((p) => `${(p.x / far) * 290 + 5},${8 + (-p.y / deep) * 66}`).join(' ')}
          fill="none"
          stroke={primary.main}
          strokeWidth="2"
        />
        <line x1="5" x2="295" y1="8" y2="8" stroke={text.secondary} strokeWidth="0.5" />
        <text x="5" y="88" fontSize="10" fill={text.secondary}>
          middle
        </text>
        <text x="295" y="88" fontSize="10" textAnchor="end" fill={text.secondary}>
          {`${fixed(far, 1)} mm off: −${fixed(deep, 1)} stops`}
        </text>
      </svg>
    </Box>
  );
}
