import { useTheme } from '@mui/material/styles';
import type { RigInput, RigReport } from '../../core/core';
import { fixed } from '../../ui/format';
import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';

interface SensorsProps {
  rigs: RigInput[];
  reports: RigReport[];
}

/** The sensors of all rigs in one drawing and one scale, the largest below, with a measure beside them. */
export function Sensors({ rigs, reports }: SensorsProps) {
  const { text } = useTheme().vars!.palette;
  const width = Math.max(...rigs.map((r) => r.sensorWidthMm));
  const height = Math.max(...rigs.map((r) => r.sensorHeightMm));
  const margin = 0.06 * Math.max(width, height);
  const [across, up] = [width + 2 * margin, height + 3 * margin];
  const measure = [50, 20, 10, 5, 2, 1, 0.5].find((mm) => mm <= width / 2) ?? 0.1;
  const order = reports.map((_, i) => i).sort((a, b) => reports[b]!.figures.usedWidthMm - reports[a]!.figures.usedWidthMm);
  return (
    <svg
      viewBox={`0 0 ${across} ${up}`}
      role="img"
      aria-label="Sensors of all rigs, to one scale"
      style={{ width: '100%', height: 'calc(100vh - 250px)' }}
    >
      {order.map((i) => (
        <Sensor
          key={i}
          index={i}
          rig={rigs[i]!}
          report={reports[i]!}
          centre={[across / 2, margin + height / 2]}
          unit={Math.max(across, up) / 100}
        />
      ))}
      <g stroke={text.secondary} fill="none" transform={`translate(${margin} ${up - margin * 0.7})`}>
        <path
          d={`M0 ${-margin * 0.2}v${margin * 0.4}M0 0H${measure}M${measure} ${-margin * 0.2}v${margin * 0.4}`}
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
        <text x={measure + margin * 0.2} y={margin * 0.25} fontSize={Math.max(across, up) / 55} fill={text.secondary} stroke="none">
          {measure} mm
        </text>
      </g>
    </svg>
  );
}

interface SensorProps {
  index: number;
  rig: RigInput;
  report: RigReport;
  centre: [number, number];
  /** A hundredth of the drawing. */
  unit: number;
}

function Sensor({ index, rig, report: { figures }, centre: [x, y], unit }: SensorProps) {
  const colour = useRigColour(index);
  const { usedWidthMm: w, usedHeightMm: h } = figures;
  const line = { fill: 'none', stroke: colour, vectorEffect: 'non-scaling-stroke' } as const;
  return (
    <g>
      <rect
        x={x - rig.sensorWidthMm / 2}
        y={y - rig.sensorHeightMm / 2}
        width={rig.sensorWidthMm}
        height={rig.sensorHeightMm}
        {...line}
        strokeOpacity="0.5"
      />
      <rect
        x={x - w / 2}
        y={y - h / 2}
        width={w}
        height={h}
        {...line}
        fill={colour}
        fillOpacity="0.05"
        strokeWidth="3"
        strokeDasharray={rigDash(index)}
      />
      {/* Each letter a line lower, so that those of like sensors do not lie on each other. */}
      <text x={x - w / 2 + unit * 0.6} y={y - h / 2 + unit * (2.4 + 2.1 * index)} fontSize={unit * 1.8} fill={colour} fontWeight="650">
        {rigLetter(index)} {fixed(w, 1)} × {fixed(h, 1)}
      </text>
    </g>
  );
}
