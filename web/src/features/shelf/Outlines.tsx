import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import type { GearItem } from '../../core/core';
import { list, modesOf, number, text } from '../../gear/gear';

const usualLength = 70;
const usualDiameter = 68;
const mountHeight = 58;

/** Size of a lens from the side, mm; what is not known is drawn as usual, in dashes. */
export function lensSize(item: GearItem) {
  const length = number(item, 'lengthMm');
  const diameter = number(item, 'diameterMm');
  return { length: length ?? usualLength, diameter: diameter ?? usualDiameter, known: length !== undefined && diameter !== undefined };
}

/** A lens from the side, its mount on the left; coordinates are millimetres, (x, y) the middle of its mount. */
export function LensShape({ item, x, y }: { item: GearItem; x: number; y: number }) {
  const { drawing, text: ink } = useTheme().vars!.palette;
  const { length, diameter, known } = lensSize(item);
  const back = Math.min(mountHeight, diameter * 0.94);
  const thread = Math.min(diameter, (number(item, 'filterThreadMm') ?? diameter * 0.86) + 3);
  const collar = Math.min(10, length * 0.18);
  const front = Math.min(14, length * 0.16);
  const line = {
    vectorEffect: 'non-scaling-stroke',
    stroke: ink.primary,
    strokeWidth: 1.2,
    strokeDasharray: known ? undefined : '3 2',
  } as const;
  const bulge = item.frontBulges === true;
  return (
    <g>
      <rect x={x} y={y - back / 2} width={collar} height={back} fill={drawing.line} {...line} />
      <rect
        x={x + collar}
        y={y - diameter / 2}
        width={Math.max(1, length - collar - front)}
        height={diameter}
        fill={drawing.floor}
        {...line}
      />
      <rect x={x + length - front} y={y - thread / 2} width={front} height={thread} fill={drawing.wall} {...line} />
      {bulge && (
        <path
          d={`M${x + length} ${y - thread * 0.44}q${thread * 0.34} ${thread * 0.44} 0 ${thread * 0.88}`}
          fill={drawing.wall}
          {...line}
        />
      )}
    </g>
  );
}

/** A lens on its own, small, in the scale that all rows share. */
const rowHeightMm = 140;
const rowWidthMm = 290;
export const RowOutline = memo(function RowOutline({ item }: { item: GearItem }) {
  const { drawing, text: ink } = useTheme().vars!.palette;
  const box = { width: 84, height: 40, style: { display: 'block' }, 'aria-hidden': true } as const;
  if (item.kind === 'lens') {
    return (
      <svg {...box} viewBox={`0 0 ${rowWidthMm} ${rowHeightMm}`}>
        <LensShape item={item} x={4} y={rowHeightMm / 2} />
      </svg>
    );
  }
  const modes = modesOf(item);
  const [w, h] = [number(item, 'sensorWidthMm') ?? modes[0]?.areaWidthMm, number(item, 'sensorHeightMm') ?? modes[0]?.areaHeightMm];
  if (w !== undefined && h !== undefined) {
    return (
      <svg {...box} viewBox="-44 -21 88 42">
        {[...modes]
          .sort((a, b) => b.areaWidthMm - a.areaWidthMm)
          .map((mode) => (
            <rect
              key={mode.name}
              x={-mode.areaWidthMm / 2}
              y={-mode.areaHeightMm / 2}
              width={mode.areaWidthMm}
              height={mode.areaHeightMm}
              fill={drawing.floor}
              fillOpacity={0.55}
              stroke={drawing.line}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        <rect
          x={-w / 2}
          y={-h / 2}
          width={w}
          height={h}
          fill="none"
          stroke={ink.primary}
          strokeWidth={1.2}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
    );
  }
  return <span style={{ display: 'block', width: 84, height: 40 }} />;
});

const circleOf = (item: GearItem, formats: Format[]): number | undefined => {
  const format = formats.find((f) => text(item, 'madeFor') !== '' && f.name.toLowerCase().startsWith(text(item, 'madeFor').toLowerCase()));
  return number(item, 'imageCircleMm') ?? (format && Math.hypot(format.widthMm, format.heightMm));
};

interface Format {
  name: string;
  widthMm: number;
  heightMm: number;
}

interface CirclesProps {
  lenses: GearItem[];
  /** The areas that must be covered, the one that counts first. */
  areas: Format[];
  formats: Format[];
}

/** Image circles over the areas of a sensor, in one scale. */
export function Circles({ lenses, areas, formats }: CirclesProps) {
  const { drawing, text: ink, warning } = useTheme().vars!.palette;
  const circles = lenses.map((item) => circleOf(item, formats)).filter((c) => c !== undefined);
  const wide = Math.max(...areas.map((a) => a.widthMm), ...circles) * 1.06;
  const high = Math.max(...areas.map((a) => a.heightMm), ...circles) * 1.06;
  const first = areas[0];
  return (
    <svg
      viewBox={`${-wide / 2} ${-high / 2} ${wide} ${high}`}
      role="img"
      aria-label={`Image circles over ${areas.map((a) => a.name).join(', ')}, to scale`}
      style={{ display: 'block', width: '100%', height: 168 }}
    >
      {areas.map((area, i) => (
        <rect
          key={area.name}
          x={-area.widthMm / 2}
          y={-area.heightMm / 2}
          width={area.widthMm}
          height={area.heightMm}
          fill={i === 0 ? drawing.floor : 'none'}
          stroke={i === 0 ? ink.primary : drawing.line}
          strokeWidth={i === 0 ? 1.6 : 1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {circles.map((circle, i) => {
        const short = first !== undefined && circle < Math.hypot(first.widthMm, first.heightMm);
        return (
          <circle
            key={i}
            r={circle / 2}
            fill="none"
            stroke={short ? warning.main : ink.secondary}
            strokeWidth={1.4}
            strokeDasharray={short ? '2 3' : i % 2 === 0 ? undefined : '8 3'}
            vectorEffect="non-scaling-stroke"
          />
        );
      })}
    </svg>
  );
}

/** Lenses from the side, standing on one line in one scale, with a ruler. */
export function LensesInScale({ lenses }: { lenses: GearItem[] }) {
  const { drawing, text: ink } = useTheme().vars!.palette;
  const gap = 22;
  const sizes = lenses.map(lensSize);
  const wide = sizes.reduce((sum, s) => sum + s.length + gap, gap);
  const high = Math.max(60, ...sizes.map((s) => s.diameter)) + 34;
  const starts = sizes.map((_, i) => sizes.slice(0, i).reduce((sum, s) => sum + s.length + gap, gap));
  return (
    <svg
      viewBox={`0 0 ${wide} ${high}`}
      role="img"
      aria-label={`${lenses.map((l) => l.name).join(', ')} from the side, to scale`}
      style={{ display: 'block', width: '100%', maxHeight: 172, height: '100%' }}
    >
      {lenses.map((item, i) => (
        <LensShape key={item.id} item={item} x={starts[i]!} y={(high - 30) / 2} />
      ))}
      <line
        x1={gap}
        x2={gap + 100}
        y1={high - 14}
        y2={high - 14}
        stroke={drawing.line}
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
      {[0, 50, 100].map((at) => (
        <line key={at} x1={gap + at} x2={gap + at} y1={high - 18} y2={high - 10} stroke={drawing.line} vectorEffect="non-scaling-stroke" />
      ))}
      <text x={gap + 106} y={high - 9} fontSize={13} fill={ink.secondary}>
        100 mm
      </text>
    </svg>
  );
}

/** The areas of a camera: the chosen mode first, then the whole sensor. */
export function areasOf(camera: GearItem | undefined, mode: string, formats: Format[]): Format[] {
  const modes = camera ? list<{ name: string; areaWidthMm: number; areaHeightMm: number }>(camera, 'modes') : [];
  const chosen = modes.find((m) => m.name === mode) ?? modes[0];
  if (!chosen) {
    return formats.filter((f) => ['Full frame', 'APS-C, 23.5 wide', 'Four Thirds type'].includes(f.name));
  }
  const [w, h] = [number(camera!, 'sensorWidthMm'), number(camera!, 'sensorHeightMm')];
  const areas = [{ name: chosen.name, widthMm: chosen.areaWidthMm, heightMm: chosen.areaHeightMm }];
  return w !== undefined && h !== undefined ? [...areas, { name: 'whole sensor', widthMm: w, heightMm: h }] : areas;
}
