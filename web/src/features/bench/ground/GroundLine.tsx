import { idAt } from '../benchStore';
import { styled, useTheme } from '@mui/material/styles';
import { memo, useLayoutEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { useSettings } from '../../../app/settings';
import { figureFont } from '../../../app/theme';
import { core, type EntryKind, type RigReport, type Setup } from '../../../core/core';
import { sceneNumber } from '../../../core/fields';
import { distance } from '../../../ui/format';
import { Panel } from '../../../ui/Panel';
import { rigLetter } from '../../../ui/RigMark';
import { changeScene, moveCamera, moveSubject, standAt } from '../commands';
import { distanceOf } from '../../../core/standing';
import { Handle } from '../../../drawing/Handle';
import { bandPx, Camera, FieldEdges, Microphone, SharpZone, Standing } from './drawings';
import { groundScale, rulerMarks, type GroundScale } from '../../../drawing/groundScale';
import { roundForHand } from '../../../drawing/roundForHand';
import { standsOf, zoomTo } from './stands';
import { drawingPx, Bound, Letters } from './marks';

const rulerPx = 22;

const nearestMm = 10;

interface GroundLineProps {
  setup: Setup;
  reports: RigReport[];
  feet: boolean;
}

/** Something that can be moved along the ground. */
interface Movable {
  key: string;
  label: string;
  /** Its distance as it is told, mm. */
  mm: number;
  at: number;
  half: number;
  /** Told from the subject, back towards the camera; else from the sensor mark, forward. */
  fromSubject: boolean;
  kind: EntryKind;
  set: (mm: number) => void;
  drawing: ReactNode;
}

interface Drag {
  key: string;
  scale: GroundScale;
  subjectPx: number;
  /** Where the hand took hold, from the thing's own place. */
  grabPx: number;
}

/** The scene from the side or from above, in true proportion, with everything that stands in it movable by hand and by key. */
export const GroundLine = memo(function GroundLine({ setup, reports, feet }: GroundLineProps) {
  const { scene } = setup;
  const rigs = setup.rigs.slice(0, reports.length);
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
  const lensMm = sceneNumber(scene, 'lensHeightMm');
  const figureMm = sceneNumber(scene, 'figureHeightMm');
  const { farthestCameraMm: roomMm = null, nearestCameraMm: keepOffMm = null, microphoneMm = null } = scene;
  const stands = standsOf(rigs, reports, scene);
  const farthest = Math.max(...stands.map((stand) => stand.distanceMm));
  // A wall far behind all cameras would make everything else small.
  const shownRoom = roomMm !== null && roomMm <= 2 * farthest ? Math.max(roomMm, farthest) : farthest;
  const fitted = useMemo(
    () =>
      groundScale({
        widthPx,
        heightPx: drawingPx,
        furthestMm: backgroundMm ?? subjectMm + farthest * 0.8,
        backMm: shownRoom - subjectMm,
        tallestMm: figureMm,
        lensHeightMm: fromAbove ? figureMm / 2 : lensMm,
      }),
    [widthPx, backgroundMm, subjectMm, farthest, shownRoom, figureMm, lensMm, fromAbove],
  );

  // While a hand moves something, the scale stands still and what is not moved stays where it is.
  const scale: GroundScale = drag
    ? { ...drag.scale, originPx: drag.key === 'subject' ? drag.scale.originPx : drag.subjectPx - subjectMm * drag.scale.pxPerMm }
    : fitted;
  const { pxPerMm } = scale;
  const x = (mm: number) => scale.originPx + mm * pxPerMm;
  const y = (mm: number) => drawingPx - (mm - scale.bottomMm) * pxPerMm;
  const before = (mm: number) => x(subjectMm - mm);
  /** Where the axis of the lenses lies. */
  const axis = fromAbove ? drawingPx / 2 : y(lensMm);
  const spread = stands.length > 1 || stands[0]!.own;
  const endPx = backgroundMm === null ? widthPx : x(backgroundMm);
  const figure = { axis, top: y(figureMm), px: figureMm * pxPerMm, fromAbove };

  const heightPx = drawingPx + rulerPx + bandPx * reports.length + 2;

  const movables: Movable[] = [];
  if (roomMm !== null) {
    movables.push({
      key: 'room',
      label: 'End of the room behind the camera: distance to the subject',
      mm: roomMm,
      at: before(roomMm),
      half: 9,
      fromSubject: true,
      kind: 'cameraPlace',
      set: (mm) => changeScene({ farthestCameraMm: Math.max(mm, keepOffMm ?? nearestMm) }),
      drawing: <Bound at={before(roomMm)} hatchedTo={-1} />,
    });
  }
  if (keepOffMm !== null) {
    movables.push({
      key: 'keepOff',
      label: 'Nearest that the camera may come: distance to the subject',
      mm: keepOffMm,
      at: before(keepOffMm),
      half: 9,
      fromSubject: true,
      kind: 'cameraPlace',
      set: (mm) => changeScene({ nearestCameraMm: Math.max(nearestMm, Math.min(mm, roomMm ?? mm)) }),
      drawing: <Bound at={before(keepOffMm)} hatchedTo={1} />,
    });
  }
  if (backgroundMm !== null) {
    movables.push({
      key: 'background',
      label: 'What is behind: distance from the sensor mark',
      mm: backgroundMm,
      at: x(backgroundMm),
      half: 14,
      fromSubject: false,
      kind: 'backgroundDistance',
      set: (mm) => changeScene({ backgroundDistanceMm: Math.max(mm, subjectMm) }),
      drawing: <Standing at={x(backgroundMm)} {...figure} stroke={text.secondary} fill={drawing.wall} width={1} />,
    });
  }
  movables.push({
    key: 'subject',
    label: 'Subject: distance from the sensor mark',
    mm: subjectMm,
    at: x(subjectMm),
    half: 20,
    fromSubject: false,
    kind: 'subjectDistance',
    set: (mm) => moveSubject(Math.max(nearestMm, backgroundMm === null ? mm : Math.min(mm, backgroundMm))),
    drawing: <Standing at={x(subjectMm)} {...figure} stroke={text.primary} fill={paper.paper} width={1.2} />,
  });
  if (microphoneMm !== null) {
    movables.push({
      key: 'microphone',
      label: 'Microphone: distance to the subject',
      mm: microphoneMm,
      at: before(microphoneMm),
      half: 8,
      fromSubject: true,
      kind: 'cameraPlace',
      set: (mm) => changeScene({ microphoneMm: Math.max(nearestMm, mm) }),
      drawing: (
        <Microphone at={before(microphoneMm)} y={fromAbove ? axis : Math.max(20, y(figureMm) + 4)} ink={text.primary} paper={paper.paper} />
      ),
    });
  }
  for (const stand of stands) {
    const letters = stand.rigs.map(rigLetter).join(' ');
    const set = stand.own
      ? (mm: number) => standAt(idAt(stand.rigs[0]!), Math.max(nearestMm, mm))
      : (mm: number) => moveCamera(Math.max(nearestMm, mm));
    movables.push({
      key: `camera${stand.own ? stand.rigs[0] : ''}`,
      label: `${stand.own ? `Camera of rig ${letters}` : 'Camera'}: distance to the subject`,
      mm: stand.distanceMm,
      at: before(stand.distanceMm),
      half: spread ? 14 : 22,
      fromSubject: true,
      kind: 'subjectDistance',
      set,
      drawing: (
        <>
          <Camera
            at={[before(stand.distanceMm), axis]}
            pxPerMm={pxPerMm}
            frontMm={stand.frontMm}
            fromAbove={fromAbove}
            groundPx={drawingPx}
            ink={text.primary}
            paper={paper.paper}
          />
          {spread && <Letters at={before(stand.distanceMm)} y={axis + 20 + 50 * Math.max(0.11, pxPerMm)} rigs={stand.rigs} />}
        </>
      ),
    });
  }

  const valueAt = (thing: Movable, px: number, origin: number, subjectPx: number, perMm: number) =>
    roundForHand((thing.fromSubject ? subjectPx - px : px - origin) / perMm, perMm);
  const events = (thing: Movable) => ({
    onPointerDown(event: PointerEvent<SVGGElement>) {
      event.currentTarget.setPointerCapture(event.pointerId);
      setDrag({ key: thing.key, scale: fitted, subjectPx: fitted.originPx + subjectMm * fitted.pxPerMm, grabPx: event.clientX - thing.at });
    },
    onPointerMove(event: PointerEvent<SVGGElement>) {
      if (drag?.key === thing.key) {
        const mm = valueAt(thing, event.clientX - drag.grabPx, drag.scale.originPx, drag.subjectPx, drag.scale.pxPerMm);
        // The browser hands on one move a frame, just before it paints: drawing at once makes that very frame.
        flushSync(() => thing.set(mm));
      }
    },
    onPointerUp: () => setDrag(null),
    onKeyDown(event: KeyboardEvent<SVGGElement>) {
      const right = event.key === 'ArrowRight' || event.key === 'ArrowUp';
      if (right || event.key === 'ArrowLeft' || event.key === 'ArrowDown') {
        event.preventDefault();
        // What is told from the subject comes nearer to it when it goes to the right.
        thing.set(core().step(thing.kind, thing.mm, thing.fromSubject ? !right : right, event.shiftKey, feet));
      }
    },
  });

  const marks = rulerMarks(pxPerMm, spread ? x(subjectMm) : x(0), spread ? 24 : x(0) - 1, widthPx - turnPx, feet);
  return (
    <Panel
      aria-label="Ground line"
      ref={box}
      style={{ overflow: 'hidden', position: 'relative', boxSizing: 'content-box', height: heightPx, contain: 'strict' }}
    >
      <svg width="100%" height={heightPx} style={{ display: 'block', touchAction: 'pan-y', userSelect: 'none' }}>
        <clipPath id="ground-clip">
          <rect width={widthPx} height={drawingPx} />
        </clipPath>
        <g clipPath="url(#ground-clip)">
          {backgroundMm !== null && (
            <>
              <rect x={endPx} y="0" width={Math.max(0, widthPx - endPx)} height={drawingPx} fill={drawing.wall} />
              <line x1={endPx} x2={endPx} y1="0" y2={drawingPx} stroke={drawing.line} strokeWidth="2" />
            </>
          )}
          {roomMm !== null && <rect x="0" y="0" width={Math.max(0, before(roomMm))} height={drawingPx} fill={drawing.wall} />}
          {reports.map((report, i) => (
            <FieldEdges
              key={i}
              index={i}
              report={report}
              lens={[before(distanceOf(rigs[i]!, scene)), axis]}
              subjectPx={x(subjectMm)}
              endPx={endPx}
              pxPerMm={pxPerMm}
              fromAbove={fromAbove}
              onSize={(sizeMm) => zoomTo(i, setup, sizeMm, fromAbove)}
            />
          ))}
          {!fromAbove && scale.bottomMm === 0 && (
            <line x1="0" x2={widthPx} y1={drawingPx - 1} y2={drawingPx - 1} stroke={drawing.line} strokeWidth="2" />
          )}
        </g>
        {!fromAbove && scale.bottomMm > 0 && (
          <text x="8" y={drawingPx - 6} fontSize="11" fill={text.secondary}>
            from {distance(scale.bottomMm, feet)} above the ground
          </text>
        )}

        <g transform={`translate(0 ${drawingPx})`}>
          <rect width={widthPx} height={rulerPx} fill={paper.default} />
          <path d={marks.map((mark) => `M${mark.px} 0v6`).join('')} stroke={drawing.line} />
          {marks.map((mark) => (
            <g key={mark.mm} transform={`translate(${mark.px} 17)`}>
              <text fontSize="11.5" textAnchor="middle" fill={text.secondary} fontFamily={figureFont}>
                {mark.text}
              </text>
            </g>
          ))}
        </g>
        {reports.map((report, i) => {
          const from = subjectMm - distanceOf(rigs[i]!, scene);
          return (
            <SharpZone
              key={i}
              index={i}
              report={report}
              top={drawingPx + rulerPx + i * bandPx}
              x={(mm) => x(from + mm)}
              widthPx={widthPx}
              feet={feet}
            />
          );
        })}
        {movables.map((thing) => (
          <Handle
            key={thing.key}
            label={thing.label}
            valueMm={thing.mm}
            feet={feet}
            active={drag?.key === thing.key}
            x={thing.at - thing.half}
            y={1.5}
            width={2 * thing.half}
            height={drawingPx - 3}
            {...events(thing)}
          >
            <g clipPath="url(#ground-clip)">{thing.drawing}</g>
          </Handle>
        ))}
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

/** Room at the end of the ruler for what turns the drawing. */
const turnPx = 100;

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
