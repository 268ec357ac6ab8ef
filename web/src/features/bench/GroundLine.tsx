import { styled, useTheme } from '@mui/material/styles';
import {
  memo,
  useCallback,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { flushSync } from 'react-dom';
import { useSettings } from '../../app/settings';
import { figureFont } from '../../app/theme';
import { core, isFocused, type RigReport, type SceneInput } from '../../core/core';
import { distance } from '../../ui/format';
import { lights } from '../../ui/lit';
import { Panel } from '../../ui/Panel';
import { rigDash, rigLetter, useRigColour } from '../../ui/RigMark';
import { changeScene } from './benchStore';
import { groundScale, rulerMarks, type GroundScale } from './groundScale';
import { openWorking } from './panels/panelStore';
import { Person } from './Person';

const drawingPx = 118;
const rulerPx = 22;
const bandPx = 15;

type Movable = 'camera' | 'subject' | 'background';

interface GroundLineProps {
  scene: SceneInput;
  reports: RigReport[];
  feet: boolean;
}

/** The scene from the side or from above, in true proportion, with everything that stands in it movable by hand and by key. */
export const GroundLine = memo(function GroundLine({ scene, reports, feet }: GroundLineProps) {
  const { drawing, text, background: paper, primary } = useTheme().vars!.palette;
  const box = useRef<HTMLElement>(null);
  const [widthPx, setWidth] = useState(1000);
  const [drag, setDrag] = useState<Drag | null>(null);
  const fromAbove = useSettings((s) => s.fromAbove);
  const turnGround = useSettings((s) => s.turnGround);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.max(200, entry!.contentRect.width)));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);

  const subjectMm = scene.subjectDistanceMm;
  const backgroundMm = scene.backgroundDistanceMm ?? null;
  const lensMm = scene.lensHeightMm ?? 1600;
  const figureMm = scene.figureHeightMm ?? 1750;
  const fitted = useMemo(
    () =>
      groundScale({
        widthPx,
        heightPx: drawingPx,
        furthestMm: backgroundMm ?? subjectMm * 1.8,
        tallestMm: figureMm,
        lensHeightMm: fromAbove ? figureMm / 2 : lensMm,
      }),
    [widthPx, backgroundMm, subjectMm, figureMm, lensMm, fromAbove],
  );

  // While a hand moves something, the scale stands still and what is not moved stays where it is.
  const scale: GroundScale = drag
    ? { ...drag.scale, originPx: drag.cameraMoves ? drag.subjectPx - subjectMm * drag.scale.pxPerMm : drag.scale.originPx }
    : fitted;
  const x = (mm: number) => scale.originPx + mm * scale.pxPerMm;
  const y = (mm: number) => drawingPx - (mm - scale.bottomMm) * scale.pxPerMm;
  /** Where the axis of the lenses lies. */
  const axis = fromAbove ? drawingPx / 2 : y(lensMm);
  const front = frontOf(reports, subjectMm);
  const heightPx = drawingPx + rulerPx + bandPx * reports.length + 2;

  const start = useCallback(
    (handle: Movable, event: PointerEvent<SVGGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      const subjectPx = fitted.originPx + subjectMm * fitted.pxPerMm;
      const from = { camera: fitted.originPx, subject: subjectPx, background: fitted.originPx + (backgroundMm ?? 0) * fitted.pxPerMm }[
        handle
      ];
      setDrag({ handle, scale: fitted, subjectPx, cameraMoves: handle === 'camera', grabPx: event.clientX - from });
    },
    [fitted, subjectMm, backgroundMm],
  );
  const move = (event: PointerEvent<SVGGElement>) => {
    if (drag) {
      const px = event.clientX - drag.grabPx;
      const mm = drag.cameraMoves ? (drag.subjectPx - px) / drag.scale.pxPerMm : (px - drag.scale.originPx) / drag.scale.pxPerMm;
      // The browser hands on one move a frame, just before it paints: drawing at once makes that very frame.
      flushSync(() => moveTo(drag.handle, scene, roundForHand(mm, drag.scale.pxPerMm)));
    }
  };
  const stop = () => setDrag(null);
  const press = (handle: Movable, event: KeyboardEvent<SVGGElement>) => {
    const right = event.key === 'ArrowRight' || event.key === 'ArrowUp';
    if (!right && event.key !== 'ArrowLeft' && event.key !== 'ArrowDown') {
      return;
    }
    event.preventDefault();
    if (handle === 'background') {
      if (backgroundMm !== null) {
        moveTo(handle, scene, core().step('backgroundDistance', backgroundMm, right, event.shiftKey, feet));
      }
    } else {
      // The camera to the right is the camera nearer to the subject.
      moveTo(handle, scene, core().step('subjectDistance', subjectMm, handle === 'camera' ? !right : right, event.shiftKey, feet));
    }
  };
  const handleProps = (handle: Movable, label: string, mm: number) => ({
    label,
    valueMm: mm,
    feet,
    active: drag?.handle === handle,
    onPointerDown: (event: PointerEvent<SVGGElement>) => start(handle, event),
    onPointerMove: move,
    onPointerUp: stop,
    onKeyDown: (event: KeyboardEvent<SVGGElement>) => press(handle, event),
  });

  return (
    <Panel aria-label="Ground line" ref={box} style={{ overflow: 'hidden', position: 'relative' }}>
      <svg width="100%" height={heightPx} style={{ display: 'block', touchAction: 'pan-y', userSelect: 'none' }}>
        <clipPath id="ground-clip">
          <rect width={widthPx} height={drawingPx} />
        </clipPath>
        <g clipPath="url(#ground-clip)">
          {backgroundMm !== null && (
            <>
              <rect x={x(backgroundMm)} y="0" width={Math.max(0, widthPx - x(backgroundMm))} height={drawingPx} fill={drawing.wall} />
              <line x1={x(backgroundMm)} x2={x(backgroundMm)} y1="0" y2={drawingPx} stroke={drawing.line} strokeWidth="2" />
            </>
          )}
          {reports.map((report, i) => (
            <FieldEdges
              key={i}
              index={i}
              report={report}
              lens={[x(0), axis]}
              fromAbove={fromAbove}
              subjectMm={subjectMm}
              endPx={backgroundMm === null ? widthPx : x(backgroundMm)}
              scale={scale}
            />
          ))}
          {!fromAbove && scale.bottomMm === 0 && <line x1="0" x2={widthPx} y1={drawingPx - 1} y2={drawingPx - 1} stroke={drawing.line} strokeWidth="2" />}
        </g>
        {!fromAbove && scale.bottomMm > 0 && (
          <text x="8" y={drawingPx - 6} fontSize="11" fill={text.secondary}>
            from {distance(scale.bottomMm, feet)} above the ground
          </text>
        )}

        <g transform={`translate(0 ${drawingPx})`}>
          <rect width={widthPx} height={rulerPx} fill={paper.default} />
          {rulerMarks(scale, widthPx, feet).map((mark) => (
            <g key={mark.mm}>
              <line x1={mark.px} x2={mark.px} y1="0" y2="6" stroke={drawing.line} />
              <text x={mark.px} y="17" fontSize="11.5" textAnchor="middle" fill={text.secondary} fontFamily={figureFont}>
                {mark.text}
              </text>
            </g>
          ))}
        </g>
        {reports.map((report, i) => (
          <SharpZone key={i} index={i} report={report} top={drawingPx + rulerPx + i * bandPx} x={x} widthPx={widthPx} feet={feet} />
        ))}

        {backgroundMm !== null && (
          <DragHandle {...handleProps('background', 'What is behind', backgroundMm)} at={x(backgroundMm)} half={14}>
            <g clipPath="url(#ground-clip)">
              <Standing at={x(backgroundMm)} axis={axis} top={y(figureMm)} px={figureMm * scale.pxPerMm} fromAbove={fromAbove} stroke={text.secondary} fill={drawing.wall} width={1} />
            </g>
          </DragHandle>
        )}
        <DragHandle {...handleProps('subject', 'Subject', subjectMm)} at={x(subjectMm)} half={20}>
          <g clipPath="url(#ground-clip)">
            <Standing at={x(subjectMm)} axis={axis} top={y(figureMm)} px={figureMm * scale.pxPerMm} fromAbove={fromAbove} stroke={text.primary} fill={paper.paper} width={1.2} />
          </g>
        </DragHandle>
        <DragHandle {...handleProps('camera', 'Camera', subjectMm)} at={x(0)} half={22}>
          <Camera at={[x(0), axis]} pxPerMm={scale.pxPerMm} frontMm={front} fromAbove={fromAbove} ink={text.primary} paper={paper.paper} />
        </DragHandle>
        {backgroundMm === null && (
          <text x={widthPx - 8} y="16" fontSize="12" textAnchor="end" fill={primary.main}>
            what is behind: ∞
          </text>
        )}
      </svg>
      <Turn onClick={turnGround} aria-pressed={fromAbove}>
        {fromAbove ? 'from above' : 'from the side'}
      </Turn>
    </Panel>
  );
});

const Turn = styled('button')(({ theme }) => ({
  position: 'absolute',
  right: 0,
  // Over the end of the ruler: nothing is moved by hand there.
  top: drawingPx + 1,
  minHeight: 40,
  padding: '0 8px',
  font: 'inherit',
  fontSize: 12.5,
  border: 0,
  borderRadius: 4,
  background: theme.vars!.palette.background.paper,
  color: theme.vars!.palette.primary.main,
  cursor: 'pointer',
  '&:hover': { background: theme.vars!.palette.background.default },
}));

/** The longest rig from its sensor mark to its front, as far as the core knows it; null when it knows none. */
function frontOf(reports: RigReport[], subjectMm: number): number | null {
  const fronts = reports.map((r) => subjectMm - r.figures.workingDistanceMm).filter((mm) => mm > 0);
  return fronts.length === 0 ? null : Math.max(...fronts);
}

interface StandingProps {
  at: number;
  axis: number;
  top: number;
  /** Height of the figure, px. */
  px: number;
  fromAbove: boolean;
  stroke: string;
  fill: string;
  width: number;
}

/** A person from the side, or head and shoulders from above; the plane of focus goes through the middle. */
function Standing({ at, axis, top, px, fromAbove, ...line }: StandingProps) {
  if (!fromAbove) {
    return (
      <g transform={`translate(${at} ${top}) scale(${px / 1000})`}>
        <Person {...line} />
      </g>
    );
  }
  const s = px / 1750;
  return (
    <g fill={line.fill} stroke={line.stroke} strokeWidth={line.width}>
      <ellipse cx={at} cy={axis} rx={Math.max(2, 120 * s)} ry={Math.max(4, 235 * s)} />
      <ellipse cx={at} cy={axis} rx={Math.max(1.5, 98 * s)} ry={Math.max(1.5, 78 * s)} />
    </g>
  );
}

interface Drag {
  handle: Movable;
  scale: GroundScale;
  subjectPx: number;
  cameraMoves: boolean;
  /** Where the hand took hold, from the thing's own place. */
  grabPx: number;
}

/** Moves one thing; nothing passes through another. */
function moveTo(handle: Movable, scene: SceneInput, mm: number): void {
  const nearest = 10;
  const background = scene.backgroundDistanceMm ?? null;
  if (handle === 'background') {
    changeScene({ backgroundDistanceMm: Math.max(mm, scene.subjectDistanceMm) });
  } else if (handle === 'subject') {
    changeScene({ subjectDistanceMm: Math.max(nearest, background === null ? mm : Math.min(mm, background)) });
  } else {
    const moved = Math.max(nearest, mm);
    const behind = background === null ? null : background - scene.subjectDistanceMm + moved;
    changeScene({ subjectDistanceMm: moved, backgroundDistanceMm: behind === null ? null : Math.round(behind * 1e6) / 1e6 });
  }
}

/** A hand does not aim at fractions of what a pixel shows: rounds to 1, 2 or 5 of a decade below it. */
function roundForHand(mm: number, pxPerMm: number): number {
  const step = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((s) => s * pxPerMm >= 0.9) ?? 1000;
  return Math.round(mm / step) * step;
}

interface DragHandleProps {
  label: string;
  valueMm: number;
  feet: boolean;
  active: boolean;
  at: number;
  half: number;
  children: ReactNode;
  onPointerDown: (event: PointerEvent<SVGGElement>) => void;
  onPointerMove: (event: PointerEvent<SVGGElement>) => void;
  onPointerUp: () => void;
  onKeyDown: (event: KeyboardEvent<SVGGElement>) => void;
}

const Handle = styled('g')({ outline: 'none', '&:focus-visible .grip, &:hover .grip': { opacity: 1 } });

function DragHandle({ label, valueMm, feet, active, at, half, children, ...events }: DragHandleProps) {
  const { primary } = useTheme().vars!.palette;
  return (
    <Handle
      role="slider"
      tabIndex={0}
      aria-label={`${label}: ${label === 'Camera' ? 'distance to the subject' : 'distance from the sensor mark'}`}
      aria-valuemin={0}
      aria-valuenow={Math.round(valueMm)}
      aria-valuetext={distance(valueMm, feet)}
      {...events}
      onPointerCancel={events.onPointerUp}
      style={{ cursor: active ? 'grabbing' : 'ew-resize' }}
    >
      <rect
        className="grip"
        x={at - half}
        y="1.5"
        width={2 * half}
        height={drawingPx - 3}
        rx="4"
        fill="transparent"
        stroke={primary.main}
        strokeWidth="2"
        opacity={active ? 1 : 0}
      />
      {children}
    </Handle>
  );
}

interface CameraProps {
  at: [number, number];
  pxPerMm: number;
  /** How far the longest rig reaches in front of its sensor mark; null when it is not known. */
  frontMm: number | null;
  fromAbove: boolean;
  ink: string;
  paper: string;
}

/** A body with its lens, never smaller than can be seen; the sensor mark lies at its place, and the front where it truly is, when known. */
function Camera({ at: [x, y], pxPerMm, frontMm, fromAbove, ink, paper }: CameraProps) {
  const s = Math.max(0.11, pxPerMm);
  const line = { fill: paper, stroke: ink, strokeWidth: 1.4 };
  const front = frontMm === null ? 120 * s : Math.max(26 * s, frontMm * pxPerMm);
  return (
    <g>
      <path
        d={
          fromAbove
            ? `M${x - 30 * s} ${y} L${x - 330 * s} ${y - 260 * s} M${x - 30 * s} ${y} L${x - 330 * s} ${y + 260 * s} M${x} ${y} L${x + 370 * s} ${y}`
            : `M${x - 30 * s} ${y + 45 * s} L${x - 180 * s} ${drawingPx} M${x - 30 * s} ${y + 45 * s} L${x + 120 * s} ${drawingPx}`
        }
        stroke={ink}
        strokeWidth="1.2"
        fill="none"
      />
      <rect x={x - 85 * s} y={y - (fromAbove ? 70 : 50) * s} width={110 * s} height={(fromAbove ? 140 : 100) * s} rx={8 * s} {...line} />
      <rect x={x + 25 * s} y={y - 36 * s} width={front - 25 * s} height={72 * s} {...line} />
      {!fromAbove && <rect x={x - 60 * s} y={y - 72 * s} width={50 * s} height={22 * s} {...line} />}
      <line x1={x} x2={x} y1={y - 50 * s} y2={y + 50 * s} stroke={ink} strokeWidth="1" strokeDasharray="2 2" />
    </g>
  );
}

/** The two edges of what the rig takes in, from the lens through the plane of focus. */
function FieldEdges(props: {
  index: number;
  report: RigReport;
  lens: [number, number];
  fromAbove: boolean;
  subjectMm: number;
  endPx: number;
  scale: GroundScale;
}) {
  const { index, report, lens, fromAbove, subjectMm, endPx, scale } = props;
  const colour = useRigColour(index);
  if (!isFocused(report)) {
    return null;
  }
  const slope = ((fromAbove ? report.figures.fieldWidthMm : report.figures.fieldHeightMm) * scale.pxPerMm) / 2 / (subjectMm * scale.pxPerMm);
  const reach = endPx - lens[0];
  return (
    <>
      {[-1, 1].map((sign) => (
        <line
          key={sign}
          className={`rig-line rig-line-${index}`}
          {...lights(index)}
          x1={lens[0]}
          y1={lens[1]}
          x2={endPx}
          y2={lens[1] + sign * slope * reach}
          stroke={colour}
          strokeWidth="1.5"
          strokeDasharray={rigDash(index)}
        />
      ))}
    </>
  );
}

interface SharpZoneProps {
  index: number;
  report: RigReport;
  top: number;
  x: (mm: number) => number;
  widthPx: number;
  feet: boolean;
}

/** The sharp zone of a rig as a hatched band under the ruler. */
function SharpZone({ index, report, top, x, widthPx, feet }: SharpZoneProps) {
  const { text } = useTheme().vars!.palette;
  const colour = useRigColour(index);
  const { depthOfFieldNearMm: near, depthOfFieldFarMm: far, nearestSubjectDistanceMm: nearest } = report.figures;
  const focus = !Number.isNaN(near);
  const from = focus ? x(near) : 0;
  const to = focus ? Math.min(widthPx + 4, Number.isFinite(far) ? x(far) : widthPx + 4) : 0;
  const length = Math.max(2, to - from);
  const said = focus
    ? `sharp ${distance(near, feet)} – ${Number.isFinite(far) ? distance(far, feet) : '∞'}`
    : isFocused(report)
      ? 'no limits'
      : 'no focus';
  const labelAfter = to + 8 + said.length * 6.4 < widthPx;
  return (
    <g className={`rig-line rig-line-${index}`} {...lights(index)}>
      <pattern
        id={`hatch-${index}`}
        width={index % 2 ? 9 : 5}
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform={`rotate(${index % 2 ? -35 : 35})`}
      >
        <line x1="0" x2="0" y1="0" y2="6" stroke={colour} strokeWidth="1.6" strokeDasharray={rigDash(index)} />
      </pattern>
      <text x="8" y={top + 11} fontSize="12" fontWeight="700" fill={colour}>
        {rigLetter(index)}
      </text>
      {nearest > 0 && x(nearest) > 20 && (
        <path d={`M${x(nearest) + 4} ${top + 3}h-4v${bandPx - 6}h4`} stroke={colour} strokeWidth="1.5" fill="none">
          <title>nearest focus {distance(nearest, feet)}</title>
        </path>
      )}
      {focus && (
        <rect x={from} y={top + 2.5} width={length} height={bandPx - 5} fill={`url(#hatch-${index})`} stroke={colour} strokeWidth="1" />
      )}
      <text
        x={labelAfter ? to + 8 : from - 8}
        textAnchor={labelAfter ? 'start' : 'end'}
        y={top + 11}
        fontSize="11.5"
        fill={text.secondary}
        fontFamily={figureFont}
        onClick={() => openWorking(index, 'depthOfFieldMm')}
        style={{ cursor: 'pointer' }}
      >
        <title>Show the working</title>
        {said}
      </text>
    </g>
  );
}
