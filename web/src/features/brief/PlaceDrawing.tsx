import { useProduction } from './productionStore';
import { styled, useTheme } from '@mui/material/styles';
import { useEffect, useId, useRef, useState } from 'react';
import type { Fit, FitResponse, LocationInput, ShotInput } from '../../core/core';
import { Person } from '../../drawing/Person';
import { rulerMarks } from '../../drawing/groundScale';
import { Grip } from '../../drawing/Grip';
import { changePlace, changeShot } from './commands';
import { isPeople } from './words';

const Svg = styled('svg')({ display: 'block', width: '100%', flexShrink: 1, minWidth: 0, touchAction: 'none', userSelect: 'none' });

interface PlaceDrawingProps {
  shot: ShotInput;
  place: LocationInput;
  frame: FitResponse['frame'];
  /** The proposal that is drawn; null when nothing fits. */
  fit: Fit | null;
  feet: boolean;
}

/** How far the drawing reaches where the place has no end, over the farthest thing in it. */
const beyond = 1.08;
const rulerPx = 20;

const beginStep = () => useProduction.getState().beginStep();

/**
 * The place to scale: from the side and from above, one scale for both. The wall behind the subject is on the left, the camera on
 * the right. Subject, walls and the distance to keep are moved here by hand or key. Overhead, the camera looks down.
 */
export function PlaceDrawing({ shot, place, frame, fit, feet }: PlaceDrawingProps) {
  const holder = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    const sizes = new ResizeObserver(([entry]) => setSize({ width: entry!.contentRect.width, height: entry!.contentRect.height }));
    sizes.observe(holder.current!);
    return () => sizes.disconnect();
  }, []);

  const measured = measure(shot, place, frame, fit, size);
  const shown = { shot, place, frame, fit, feet, ...measured };
  return (
    <div ref={holder} style={{ minHeight: 300, height: '100%', overflow: 'hidden' }}>
      {size.width > 0 && (
        <div style={{ display: 'flex', flexDirection: measured.isBeside ? 'row' : 'column' }}>
          <FromTheSide {...shown} />
          <FromAbove {...shown} />
        </div>
      )}
    </div>
  );
}

interface Measured {
  /** The two views stand beside each other, since so they are larger. */
  isBeside: boolean;
  /** Room for each of them, px. */
  widthPx: number;
  /** px for each mm. */
  scale: number;
  /** Where what is behind the subject lies, px. */
  wallPx: number;
  behindMm: number | null;
  axisMm: number | null;
  acrossMm: number | null;
  heightMm: number | null;
  drawnAcrossMm: number;
  drawnHeightMm: number;
  overhead: boolean;
}

type Shown = Omit<PlaceDrawingProps, 'feet'> & Measured & { feet: boolean };

function measure(
  shot: ShotInput,
  place: LocationInput,
  frame: FitResponse['frame'],
  fit: Fit | null,
  size: { width: number; height: number },
): Measured {
  const overhead = shot.cameraSupport === 'overhead';
  const along = shot.along ?? place.along ?? 'length';
  const axisMm = (along === 'length' ? place.lengthMm : place.widthMm) ?? null;
  const acrossMm = (along === 'length' ? place.widthMm : place.lengthMm) ?? null;
  const behindMm = shot.behindMm ?? place.behindMm ?? null;
  const camera = fit && !overhead ? fit.distanceMm + fit.rearMm : 0;
  const toSubject = behindMm ?? Math.max(2000, 0.35 * camera);
  const lengthMm = axisMm ?? Math.max(toSubject + Math.max(camera, 2500, (place.keepOffMm ?? 0) * 1.1) * beyond, 4000);
  const tall = Math.max(place.heightMm ?? 0, frame.bottomMm + frame.heightMm, 2000);
  const drawnHeightMm = place.heightMm ?? Math.min(tall * 1.05, Math.max(2600, lengthMm * 0.5));
  const drawnAcrossMm = acrossMm ?? Math.min(Math.max(frame.widthMm * 1.2, 2600), Math.max(2600, lengthMm * 0.6));
  const pad = 20;
  const room = Math.max(80, size.height - rulerPx - 30);
  const stacked = Math.min((size.width - 2 * pad) / lengthMm, (room - rulerPx) / (drawnHeightMm + drawnAcrossMm));
  const beside = Math.min((size.width - 4 * pad) / 2 / lengthMm, room / Math.max(drawnHeightMm, drawnAcrossMm));
  const isBeside = beside > stacked;
  const scale = Math.max(stacked, beside);
  const widthPx = isBeside ? size.width / 2 : size.width;
  // Where the place is open, what room is left shows more of it.
  const freeMm = isBeside ? 0 : Math.max(0, (room - rulerPx) / scale - drawnHeightMm - drawnAcrossMm);
  const skyMm = place.heightMm == null ? freeMm * (acrossMm === null ? 0.35 : 1) : 0;
  const fieldMm = acrossMm === null ? freeMm - skyMm : 0;
  const wallPx = (widthPx - lengthMm * scale) / 2;
  return {
    isBeside,
    widthPx,
    scale,
    wallPx,
    behindMm,
    axisMm,
    acrossMm,
    heightMm: place.heightMm ?? null,
    drawnAcrossMm: drawnAcrossMm + fieldMm,
    drawnHeightMm: drawnHeightMm + skyMm,
    overhead,
  };
}

const subjectMm = ({ behindMm, fit, place }: Shown): number =>
  behindMm ?? Math.max(2000, 0.35 * ((fit ? fit.distanceMm + fit.rearMm : 0) || (place.keepOffMm ?? 0)));

/** Moves the subject: in this shot, or at the place when the shot does not say otherwise. */
const moveSubject = ({ shot, place }: Shown, behindMm: number): void =>
  shot.behindMm == null ? changePlace(place.id, { behindMm }) : changeShot(shot.id, { behindMm });

function FromTheSide(shown: Shown) {
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

function FromAbove(shown: Shown) {
  const { place, shot, frame, fit, feet, scale, wallPx, axisMm, acrossMm, drawnAcrossMm, overhead, widthPx } = shown;
  const { text, drawing, primary, warning } = useTheme().vars!.palette;
  const along = shot.along ?? place.along ?? 'length';
  const behind = subjectMm(shown);
  const end = axisMm ?? (widthPx - wallPx * 2) / scale;
  const at = (mm: number) => wallPx + mm * scale;
  const top = 6;
  const side = Math.min(place.sideMm ?? drawnAcrossMm / 2, drawnAcrossMm);
  const y = top + side * scale;
  const x = at(behind);
  const half = frame.widthMm / 2;
  const camera = fit ? at(behind + fit.distanceMm) : 0;
  const people = isPeople(shot.subject);
  const wide = people
    ? (shot.subject.kind === 'group' ? ((shot.subject.count ?? 2) - 1) * (shot.subject.spacingMm ?? 650) : 0) + 450
    : (shot.subject.widthMm ?? 1000);
  const spread = fit ? half * (1 + behind / fit.distanceMm) : half;
  const bottom = top + drawnAcrossMm * scale;
  const clamp = (value: number) => Math.max(top, Math.min(bottom, value));
  return (
    <Svg height={bottom + 8} aria-label="The place from above" role="group">
      <rect x={at(0)} y={top} width={end * scale} height={drawnAcrossMm * scale} fill={drawing.wall} />
      {fit && !overhead && (
        <>
          <polygon
            points={`${camera},${y} ${at(0)},${clamp(y - spread * scale)} ${at(0)},${clamp(y + spread * scale)}`}
            fill={primary.main}
            opacity="0.1"
          />
          <line
            x1={at(behind + fit.fromMm)}
            x2={at(behind + fit.toMm)}
            y1={y}
            y2={y}
            stroke={primary.main}
            strokeWidth="5"
            opacity="0.45"
            strokeLinecap="round"
          >
            <title>From here it frames so</title>
          </line>
          <line x1={x} x2={x} y1={clamp(y - half * scale)} y2={clamp(y + half * scale)} stroke={primary.main} strokeWidth="2.5" />
          <rect x={camera - fit.frontMm * scale} y={y - 4} width={Math.max(3, fit.frontMm * scale)} height="8" fill={text.primary} />
          <rect x={camera - 1} y={y - 7} width="9" height="14" rx="2" fill={text.primary} />
          <rect
            x={camera}
            y={y - Math.min(22, 350 * scale)}
            width={fit.rearMm * scale}
            height={2 * Math.min(22, 350 * scale)}
            fill="none"
            stroke={drawing.line}
            strokeDasharray="3 3"
          />
        </>
      )}
      {fit && overhead && (
        <rect
          x={at(behind - frame.widthMm / 2)}
          y={y - (frame.heightMm / 2) * scale}
          width={frame.widthMm * scale}
          height={frame.heightMm * scale}
          fill={primary.main}
          fillOpacity="0.1"
          stroke={primary.main}
          strokeWidth="2"
        />
      )}
      {(place.keepOffMm ?? 0) > 0 && !overhead && (
        <Grip
          onHold={beginStep}
          label="Distance to keep from the subject"
          valueMm={place.keepOffMm!}
          feet={feet}
          x={at(behind + place.keepOffMm!) - 7}
          y={clamp(y - 24)}
          width={14}
          height={Math.min(48, bottom - clamp(y - 24))}
          mmPerPx={1 / scale}
          onMove={(keepOffMm) => changePlace(place.id, { keepOffMm })}
        >
          <path
            d={`M${at(behind + place.keepOffMm! * 0.94)} ${clamp(y - place.keepOffMm! * 0.34 * scale)} Q${at(behind + place.keepOffMm! * 1.06)} ${y} ${at(behind + place.keepOffMm! * 0.94)} ${clamp(y + place.keepOffMm! * 0.34 * scale)}`}
            fill="none"
            stroke={warning.main}
            strokeWidth="1.5"
            strokeDasharray="4 3"
          />
        </Grip>
      )}
      <Grip
        onHold={beginStep}
        label="Subject, from the side"
        valueMm={side}
        feet={feet}
        x={x - 13}
        y={clamp(y - Math.max(12, (wide / 2) * scale))}
        width={26}
        height={Math.max(24, wide * scale)}
        upright
        mmPerPx={1 / scale}
        onMove={(sideMm) => changePlace(place.id, { sideMm: Math.min(sideMm, drawnAcrossMm) })}
      >
        {overhead ? (
          <rect
            x={x - (wide / 2) * scale}
            y={y - ((shot.subject.heightMm ?? 600) / 2) * scale}
            width={wide * scale}
            height={(shot.subject.heightMm ?? 600) * scale}
            fill={drawing.floor}
            stroke={text.primary}
          />
        ) : people ? (
          Array.from(
            { length: shot.subject.kind === 'group' ? Math.min(12, shot.subject.count ?? 2) : 1 },
            (_, i, all = shot.subject.kind === 'group' ? Math.min(12, shot.subject.count ?? 2) : 1) => (
              <ellipse
                key={i}
                cx={x}
                cy={y + (i - (all - 1) / 2) * (shot.subject.spacingMm ?? 650) * scale}
                rx={Math.max(3, 120 * scale)}
                ry={Math.max(5, 225 * scale)}
                fill={drawing.floor}
                stroke={text.primary}
              />
            ),
          )
        ) : (
          <rect
            x={x - 4}
            y={clamp(y - (wide / 2) * scale)}
            width="8"
            height={Math.max(4, clamp(y + (wide / 2) * scale) - clamp(y - (wide / 2) * scale))}
            fill={drawing.floor}
            stroke={text.primary}
          />
        )}
      </Grip>
      {shown.behindMm !== null && <line x1={at(0)} x2={at(0)} y1={top} y2={bottom} stroke={text.primary} strokeWidth="2" />}
      {axisMm !== null && <line x1={at(axisMm)} x2={at(axisMm)} y1={top} y2={bottom} stroke={text.primary} strokeWidth="2" />}
      {acrossMm !== null && (
        <>
          <line x1={at(0)} x2={at(end)} y1={top} y2={top} stroke={text.primary} strokeWidth="2" />
          <Grip
            onHold={beginStep}
            label={`${along === 'length' ? 'Width' : 'Length'} of the place`}
            valueMm={acrossMm}
            feet={feet}
            x={at(end / 2) - 40}
            y={bottom - 20}
            width={80}
            height={26}
            upright
            mmPerPx={1 / scale}
            onMove={(mm) => changePlace(place.id, { [along === 'length' ? 'widthMm' : 'lengthMm']: Math.max(100, mm) })}
          >
            <line x1={at(0)} x2={at(end)} y1={bottom} y2={bottom} stroke={text.primary} strokeWidth="2" />
          </Grip>
        </>
      )}
    </Svg>
  );
}
