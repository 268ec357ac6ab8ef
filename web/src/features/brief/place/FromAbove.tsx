import { useTheme } from '@mui/material/styles';
import { Grip } from '../../../drawing/Grip';
import { changePlace } from '../commands';
import { isPeople } from '../../../core/shots';
import { type Shown, subjectMm } from './placeScale';
import { beginStep } from './moving';
import { Svg } from './Svg';

export function FromAbove(shown: Shown) {
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
