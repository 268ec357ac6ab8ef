import { useTheme } from '@mui/material/styles';
import { useId } from 'react';
import { Person } from '../../../drawing/Person';
import { rulerMarks } from '../../../drawing/groundScale';
import { Grip } from '../../../drawing/Grip';
import { changePlace } from '../commands';
import { isPeople } from '../../../core/shots';
import { type Shown, subjectMm, rulerPx } from './placeScale';
import { beginStep, moveSubject } from './moving';
import { Svg } from './Svg';

export function FromTheSide(shown: Shown) {
  const { place, shot, frame, fit, feet, scale, wallPx, axisMm, heightMm, drawnHeightMm, overhead, widthPx } = shown;
  const { text, drawing, primary, warning } = useTheme().vars!.palette;
  const hatch = useId();
  const along = shot.along ?? place.along ?? 'length';
  const floor = 8 + drawnHeightMm * scale;
  const at = (mm: number) => wallPx + mm * scale;
  const up = (mm: number) => floor - mm * scale;
  const behind = subjectMm(shown);
  const end = axisMm ?? (widthPx - wallPx * 2) / scale;
  const x = at(behind);
  const base = shot.subject.baseMm ?? 0;
  const tall = shot.subject.heightMm ?? 1750;
  const people = isPeople(shot.subject);
  // Somebody who sits is drawn standing, and sinks.
  const sinks = shot.subject.kind === 'seated' ? tall - frame.subjectHeightMm : 0;
  return (
    <Svg height={floor + rulerPx + 4} aria-label="The place from the side" role="group">
      <pattern id={hatch} width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" x2="0" y1="0" y2="5" stroke={primary.main} strokeWidth="1.3" opacity="0.6" />
      </pattern>
      <clipPath id={`${hatch}floor`}>
        <rect x="0" y="0" width={widthPx} height={floor} />
      </clipPath>
      <rect x={at(0)} y={up(drawnHeightMm)} width={end * scale} height={drawnHeightMm * scale} fill={drawing.wall} />
      {fit && !overhead && (
        <rect
          x={at(behind - ((fit.farMm ?? Infinity) === Infinity ? behind : Math.min(behind, fit.farMm! - fit.distanceMm)))}
          y={floor - 7}
          width={Math.max(1, (Math.min(behind, (fit.farMm ?? Infinity) - fit.distanceMm) + (fit.distanceMm - fit.nearMm)) * scale)}
          height={7}
          fill={`url(#${hatch})`}
        >
          <title>The sharp zone</title>
        </rect>
      )}
      {fit && !overhead && (
        <>
          <polygon
            points={`${at(behind + fit.distanceMm)},${up(frame.lensHeightMm)} ${x},${up(frame.bottomMm + frame.heightMm)} ${x},${up(Math.max(0, frame.bottomMm))}`}
            fill={primary.main}
            opacity="0.13"
          />
          <line
            x1={x}
            x2={x}
            y1={up(Math.max(0, frame.bottomMm))}
            y2={up(frame.bottomMm + frame.heightMm)}
            stroke={primary.main}
            strokeWidth="2.5"
          />
          <Camera
            x={at(behind + fit.distanceMm)}
            y={up(frame.lensHeightMm)}
            front={fit.frontMm * scale}
            rear={fit.rearMm * scale}
            floor={floor}
            fill={text.primary}
            line={drawing.line}
          />
        </>
      )}
      {fit && overhead && (
        <>
          <polygon
            points={`${x},${up(base + fit.distanceMm)} ${at(behind - frame.widthMm / 2)},${up(base)} ${at(behind + frame.widthMm / 2)},${up(base)}`}
            fill={primary.main}
            opacity="0.13"
          />
          <rect
            x={x - 6}
            y={up(base + fit.distanceMm) - 5}
            width="12"
            height={Math.max(5, fit.frontMm * scale)}
            rx="2"
            fill={text.primary}
          />
          <line
            x1={x}
            x2={x}
            y1={up(base + fit.distanceMm + fit.rearMm)}
            y2={up(base + fit.distanceMm)}
            stroke={text.primary}
            strokeWidth="2"
          />
        </>
      )}
      <line x1={at(0)} x2={at(end)} y1={floor} y2={floor} stroke={text.primary} strokeWidth="2" />
      {shown.behindMm !== null && <line x1={at(0)} x2={at(0)} y1={up(drawnHeightMm)} y2={floor} stroke={text.primary} strokeWidth="2" />}
      <Grip
        onHold={beginStep}
        label="Subject, from what is behind it"
        valueMm={behind}
        feet={feet}
        x={x - 14}
        y={up(base + tall - sinks) - 4}
        width={28}
        height={(tall - sinks) * scale + 8}
        mmPerPx={1 / scale}
        onMove={(mm) => moveSubject(shown, mm)}
      >
        {people ? (
          <g clipPath={`url(#${hatch}floor)`}>
            <g transform={`translate(${x} ${up(base + tall - sinks)}) scale(${(tall * scale) / 1000})`}>
              <Person stroke={text.primary} fill={drawing.floor} width={1} />
            </g>
          </g>
        ) : (
          <>
            {base > 0 && <rect x={x - 3} y={up(base)} width="6" height={base * scale} fill={drawing.line} />}
            <rect
              x={x - 5}
              y={up(base + (shot.subject.kind === 'table' ? 40 : tall))}
              width="10"
              height={Math.max(3, (shot.subject.kind === 'table' ? 40 : tall) * scale)}
              fill={drawing.floor}
              stroke={text.primary}
            />
          </>
        )}
      </Grip>
      {axisMm !== null && (
        <Grip
          onHold={beginStep}
          label={`${along === 'length' ? 'Length' : 'Width'} of the place`}
          valueMm={axisMm}
          feet={feet}
          x={at(axisMm) - 14}
          y={up(drawnHeightMm)}
          width={28}
          height={drawnHeightMm * scale}
          mmPerPx={1 / scale}
          onMove={(mm) => changePlace(place.id, { [along === 'length' ? 'lengthMm' : 'widthMm']: Math.max(100, mm) })}
        >
          <line x1={at(axisMm)} x2={at(axisMm)} y1={up(drawnHeightMm)} y2={floor} stroke={text.primary} strokeWidth="2.5" />
        </Grip>
      )}
      {heightMm !== null && (
        <Grip
          onHold={beginStep}
          label="Height of the place"
          valueMm={heightMm}
          feet={feet}
          x={at(end / 2) - 40}
          y={Math.max(1, up(heightMm) - 14)}
          width={80}
          height={28}
          upright
          mmPerPx={-1 / scale}
          onMove={(mm) => changePlace(place.id, { heightMm: Math.max(100, mm) })}
        >
          <line x1={at(0)} x2={at(end)} y1={up(heightMm)} y2={up(heightMm)} stroke={text.primary} strokeWidth="2" />
        </Grip>
      )}
      {(place.keepOffMm ?? 0) > 0 && !overhead && (
        <line
          x1={at(behind + place.keepOffMm!)}
          x2={at(behind + place.keepOffMm!)}
          y1={up(drawnHeightMm)}
          y2={floor}
          stroke={warning.main}
          strokeDasharray="4 3"
          strokeWidth="1.5"
        />
      )}
      {rulerMarks(scale, x, at(0), at(end), feet).map(({ mm, px, text: mark }) => (
        <g key={mm}>
          <line x1={px} x2={px} y1={floor + 1} y2={floor + 6} stroke={drawing.line} />
          <text x={px} y={floor + 18} textAnchor="middle" fontSize="11" fill={text.secondary}>
            {mark}
          </text>
        </g>
      ))}
    </Svg>
  );
}

function Camera({
  x,
  y,
  front,
  rear,
  floor,
  fill,
  line,
}: {
  x: number;
  y: number;
  front: number;
  rear: number;
  floor: number;
  fill: string;
  line: string;
}) {
  const half = Math.max(3, Math.min(9, front * 0.35));
  return (
    <g>
      <rect x={x} y={floor - 4} width={Math.max(0, rear)} height={4} fill={line} opacity="0.55">
        <title>What must fit behind the sensor mark</title>
      </rect>
      <line x1={x} x2={x} y1={y} y2={floor} stroke={line} strokeWidth="1.5" />
      <rect x={x - Math.max(3, front)} y={y - half * 0.7} width={Math.max(3, front)} height={half * 1.4} fill={fill} />
      <rect x={x - 1} y={y - half} width={half * 1.6} height={half * 2} rx="1.5" fill={fill} />
    </g>
  );
}
