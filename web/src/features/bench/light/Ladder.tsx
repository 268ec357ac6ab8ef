import { Box, Button, FormControlLabel, Switch, Typography } from '@mui/material';
import { styled, useTheme } from '@mui/material/styles';
import { memo, useId, useLayoutEffect, useRef, useState } from 'react';
import { figureFont } from '../../../app/theme';
import type { Diagnostic, RigReport, Setup } from '../../../core/core';
import { aperture, plain, signed, stops as stopsText, withUnit } from '../../../ui/format';
import { Panel } from '../../../ui/Panel';
import { rigDash, rigLetter, useRigColour } from '../../../ui/RigMark';
import { idAt, yardstickOf } from '../benchStore';
import { changeScene, exposeRight, setHold, togglePin } from '../commands';
import { givingOrder, pinnedOf, type ExposureControl, type Hold } from '../holding';
import { openWorking, usePanel } from '../panels/panelStore';
import { heightPx, labelPx, Pin, pinPx, Rung } from './Rung';
import { notesOf, reachOf, startOf, totalsAlong, totalsOf, wayOf, type Movable, type Step, type Way } from './steps';
import { endsOf, type ZoomEnd, type ZoomEnds } from './zoomEnds';

/** Room for the scale at the left and for what is left over at the right, px. */
const leftPx = 30;
const endPx = 92;
/** Below this the ladders stand one below the other, px. */
const leastPx = 190;

interface LadderProps {
  setup: Setup;
  hold: Hold;
  reports: RigReport[];
  reasons: Diagnostic[][];
}

/**
 * What each thing on the way of the light gives or takes, in stops, from the brightness of the scene to the picture: one scale for all
 * rigs. Steps are moved by hand and key; a press opens the working.
 */
export const Ladder = memo(function Ladder({ setup, hold, reports, reasons }: LadderProps) {
  const { scene } = setup;
  const rigs = setup.rigs.slice(0, reports.length);
  const box = useRef<HTMLElement>(null);
  const [widthPx, setWidth] = useState(1000);
  const [held, setHeld] = useState<{ top: number; bottom: number } | null>(null);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.max(200, entry!.contentRect.width)));
    observer.observe(box.current!);
    return () => observer.disconnect();
  }, []);
  const yardstick = yardstickOf(setup);
  const start = startOf(scene, reports[yardstick]!);
  const ways = rigs.map((rig, i) => wayOf(rig, reports[i]!, scene, start?.ev ?? 0));
  // While a hand moves a step the scale stands still.
  const reach = held ?? reachOf(start?.ev ?? 0, ways);
  const across = Math.max(1, Math.min(rigs.length, Math.floor(widthPx / leastPx)));
  return (
    <Panel ref={box} aria-label="Light" sx={{ p: 1, pt: 0.5 }}>
      <Basis start={start} letter={rigLetter(yardstick)} hold={hold} />
      <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))` }}>
        {rigs.map((rig, i) => (
          <RigLadder
            key={rig.id}
            index={i}
            way={ways[i]!}
            start={start?.ev ?? 0}
            level={scene.brightnessEv ?? null}
            pinned={pinnedOf(hold, rig.id!)}
            ends={endsOf(rig, setup, hold, start?.ev ?? 0)}
            variable={
              rig.variableFilterMinStops == null || rig.variableFilterMaxStops == null
                ? null
                : { from: rig.variableFilterMinStops, to: rig.variableFilterMaxStops }
            }
            isChain={rig.chain != null}
            notes={notesOf(rig, reports[i]!, scene, start === null ? null : ways[i]!.end)}
            isToldApart={start !== null}
            reach={reach}
            widthPx={(widthPx - 16) / across}
            needsIso={reports[i]!.figures.sensitivityNeededIso}
            isWrong={(reasons[i] ?? []).some((r) => r.code === 'tooDark' || r.code === 'tooBright')}
            onHold={(on) => setHeld(on ? reach : null)}
          />
        ))}
      </Box>
    </Panel>
  );
});

/** What the ladders begin with, in a line. */
function Basis({ start, letter, hold }: { start: ReturnType<typeof startOf>; letter: string; hold: Hold }) {
  const open = usePanel((s) => s.open);
  return (
    <Typography
      component="div"
      sx={{ fontSize: 13, color: 'text.secondary', display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1.5, minHeight: 24 }}
    >
      <span>In stops, from the scene to the picture; above the line is too much.</span>
      <FormControlLabel
        sx={{ m: 0, minHeight: 40 }}
        control={<Switch size="small" checked={hold.light} onChange={(_, light) => setHold({ ...hold, light })} />}
        label="Keep the light"
        slotProps={{ typography: { sx: { fontSize: 13 } } }}
      />
      <Press onClick={() => open({ kind: 'hold' })} aria-label="In which order settings give way">
        What gives: {givingOrder(hold).join(', ')}
      </Press>
      {start?.isKnown && (
        <Button size="small" onClick={() => exposeRight()}>
          Set all right
        </Button>
      )}
      {!start?.isKnown && (
        <Press onClick={() => open({ kind: 'scene' })}>
          {start
            ? `The brightness of the scene is not known: told against rig ${letter}, as if that were right. Say how bright it is.`
            : `Neither the brightness of the scene nor the sensitivity of rig ${letter} is known. Say how bright it is.`}
        </Press>
      )}
    </Typography>
  );
}

const Press = styled('button')(({ theme }) => ({
  font: 'inherit',
  padding: 0,
  border: 0,
  background: 'none',
  textAlign: 'left',
  cursor: 'pointer',
  color: theme.vars!.palette.primary.main,
}));

interface RigLadderProps {
  index: number;
  way: Way;
  start: number;
  /** Brightness of the scene, EV; null where it is not known. */
  level: number | null;
  /** What stays while others give. */
  pinned: ExposureControl[];
  /** Of a zoom that closes, its light at both ends. */
  ends: ZoomEnds | null;
  /** What a variable filter on it takes, stops. */
  variable: { from: number; to: number } | null;
  isChain: boolean;
  /** What else there is to say of its light. */
  notes: string[];
  /** Whether there is something that the end is told against. */
  isToldApart: boolean;
  reach: { top: number; bottom: number };
  widthPx: number;
  needsIso: number;
  isWrong: boolean;
  onHold: (on: boolean) => void;
}

function RigLadder({
  index,
  way,
  start,
  level,
  pinned,
  ends,
  variable,
  isChain,
  notes,
  isToldApart,
  reach,
  widthPx,
  needsIso,
  isWrong,
  onHold,
}: RigLadderProps) {
  const { drawing, text, primary, warning } = useTheme().vars!.palette;
  const colour = useRigColour(index);
  const hatch = useId();
  const perStop = heightPx / (reach.top - reach.bottom);
  const y = (stops: number) => 10 + (reach.top - stops) * perStop;
  const stepPx = (widthPx - leftPx - endPx) / (way.steps.length + 1);
  const barPx = Math.min(40, stepPx - 6);
  const x = (place: number) => leftPx + place * stepPx + stepPx / 2;
  const letter = rigLetter(index);
  const isNarrow = stepPx < 58;
  const totals = totalsOf(way, start);
  // What is too little to be a step of its own is in the end all the same.
  const last = way.end ?? totals.at(-1)!;
  const scaleEvery = perStop < 9 ? 5 : perStop < 16 ? 2 : 1;
  const marks = Array.from({ length: reach.top - reach.bottom + 1 }, (_, i) => reach.bottom + i).filter((mark) => mark % scaleEvery === 0);
  const brightness: Movable | null =
    level === null
      ? null
      : {
          kind: 'brightness',
          value: level,
          brighter: (value) => value - level,
          grows: true,
          set: (brightnessEv) => changeScene({ brightnessEv }),
        };
  return (
    <Box component="section" aria-label={`Light of rig ${letter}`} sx={{ minWidth: 0 }}>
      <svg width={widthPx} height={heightPx + 20 + labelPx + pinPx} style={{ display: 'block', userSelect: 'none' }} role="group">
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" x2="0" y1="0" y2="6" stroke={text.primary} strokeWidth="1.6" opacity="0.55" />
        </pattern>
        {marks.map((mark) => (
          <g key={mark}>
            <line
              x1={leftPx}
              x2={widthPx - endPx}
              y1={y(mark)}
              y2={y(mark)}
              stroke={drawing.line}
              strokeWidth={mark === 0 ? 0 : 0.5}
              opacity="0.5"
            />
            {mark !== 0 && (
              <text x={leftPx - 5} y={y(mark) + 4} fontSize="11" textAnchor="end" fill={text.secondary} fontFamily={figureFont}>
                {signed(mark, 0)}
              </text>
            )}
          </g>
        ))}
        <text x={4} y={y(0) + 6} fontSize="17" fontWeight="700" fill={colour}>
          {letter}
        </text>
        <line x1={leftPx - 8} x2={widthPx - 6} y1={y(0)} y2={y(0)} stroke={colour} strokeWidth="2.5" strokeDasharray={rigDash(index)} />
        <path
          d={way.steps.map((_, i) => `M${x(i) + barPx / 2} ${y(totals[i]!)}H${x(i + 1) - barPx / 2}`).join('')}
          fill="none"
          stroke={drawing.line}
        />
        <Rung
          at={x(0)}
          barPx={barPx}
          from={y(0)}
          to={y(start)}
          fill={drawing.lamp}
          label={level === null ? 'scene' : `EV ${plain(level, 1)}`}
          isNarrow={isNarrow}
          name={`Brightness of the scene, rig ${letter}`}
          says={level === null ? 'not known' : `EV ${plain(level, 1)}`}
          nowStops={start}
          move={brightness}
          perStop={perStop}
          onHold={onHold}
          onPress={() => usePanel.getState().open({ kind: 'scene' })}
        />
        {way.steps.map((step, i) => (
          <Rung
            key={step.figure}
            at={x(i + 1)}
            barPx={barPx}
            from={y(totals[i]!)}
            to={y(totals[i + 1]!)}
            fill={step.stops < 0 ? `url(#${hatch})` : primary.main}
            label={isNarrow ? step.says.replace('ISO ', '').replace('no filter', '–') : step.says}
            isNarrow={isNarrow}
            isLow={isNarrow && i % 2 === 0}
            name={`${step.name} of rig ${letter}`}
            says={`${step.says}, ${saysOf(step)}`}
            nowStops={step.stops}
            move={step.move}
            perStop={perStop}
            onHold={onHold}
            onPress={() => openWorking(idAt(index), step.figure)}
            onPin={step.control === null ? undefined : () => togglePin(idAt(index), step.control!)}
          />
        ))}
        {way.steps.map(
          (step, i) =>
            step.control !== null && (
              <Pin
                key={step.figure}
                at={x(i + 1)}
                widthPx={stepPx}
                isPinned={pinned.includes(step.control)}
                name={`Pin the ${step.name.toLowerCase()} of rig ${letter}`}
                onPress={() => togglePin(idAt(index), step.control!)}
              />
            ),
        )}
        {[ends?.short, ends?.long].map((zoomEnd, e) => {
          if (!zoomEnd) return null;
          const { focalLengthMm, report } = zoomEnd;
          const marks = totalsAlong(way, report, start);
          const reach = barPx / 2 + 4;
          return (
            <g key={focalLengthMm} stroke={colour}>
              <path d={marks.map((mark, i) => `M${x(i + 1) - reach} ${y(mark)}h${2 * reach}`).join('')} strokeWidth={e === 0 ? 1 : 2.5} />
              <text
                x={x(marks.length) + reach + 3}
                y={y(marks.at(-1)!) + 4}
                fontSize="11"
                stroke="none"
                fill={text.primary}
                fontFamily={figureFont}
              >
                {plain(focalLengthMm, 0)}
              </text>
            </g>
          );
        })}
        {isToldApart && way.end !== null && (
          <rect
            data-end
            x={widthPx - endPx + 4}
            y={Math.min(y(0), y(last))}
            width="12"
            height={Math.max(1, Math.abs(y(0) - y(last)))}
            fill={isWrong ? warning.main : primary.main}
          />
        )}
        {variable && way.end !== null && isToldApart && (
          // Where a variable filter can bring the end: between these two marks.
          <path
            d={`M${widthPx - endPx + 20} ${y(last - variable.from)}h6V${y(Math.max(reach.bottom, last - variable.to))}h-6`}
            fill="none"
            stroke={text.primary}
            strokeWidth="1.5"
          />
        )}
        <text
          x={widthPx - 4}
          y={Math.min(heightPx + 4, Math.max(22, Math.abs(y(last) - y(0)) < 12 ? y(0) - 6 : last > 0 ? y(last) + 4 : y(last) + 2))}
          textAnchor="end"
          fontSize="13.5"
          fontWeight="650"
          fill={isWrong ? warning.main : text.primary}
          fontFamily={figureFont}
        >
          {way.end === null ? (Number.isNaN(needsIso) ? 'ISO?' : `ISO ${plain(needsIso, 0)}`) : isToldApart ? stopsText(way.end) : ''}
        </text>
        <text x={widthPx - 4} y={heightPx + 34} textAnchor="end" fontSize="11.5" fill={isWrong ? warning.main : text.secondary}>
          {way.end === null
            ? 'would be right'
            : !isToldApart
              ? ''
              : !isWrong && Math.abs(way.end) < 0.34
                ? 'right'
                : way.end > 0
                  ? 'too bright'
                  : 'too dark'}
        </text>
      </svg>
      {ends && <Ends ends={ends} isToldApart={isToldApart} />}
      {notes.map((note) => (
        <Typography key={note} sx={{ fontSize: 12.5, pl: `${leftPx}px`, color: 'text.secondary' }}>
          {note}
        </Typography>
      ))}
      <Box sx={{ pl: `${leftPx}px`, display: 'flex', gap: 1 }}>
        {level !== null && !(Math.abs(way.end ?? 1) < 0.005) && (
          <Button size="small" aria-label={`Set rig ${letter} right`} onClick={() => exposeRight(idAt(index))}>
            Set right
          </Button>
        )}
        {isChain && (
          <Button
            size="small"
            aria-label={`Filters for rig ${letter}`}
            onClick={() => usePanel.getState().open({ kind: 'filters', rig: idAt(index) })}
          >
            Filters
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** A zoom that closes, in words: how it is exposed at both ends, and what gives in between. */
function Ends({ ends: { short, long, gives }, isToldApart }: { ends: ZoomEnds; isToldApart: boolean }) {
  const at = ({ focalLengthMm, fNumber, end }: ZoomEnd) =>
    `${withUnit(plain(focalLengthMm, 1), 'mm')} ${aperture(fNumber)}${isToldApart && end !== null ? ` ${stopsText(end)}` : ''}`;
  return (
    <Typography sx={{ fontSize: 12.5, pl: `${leftPx}px`, color: 'text.secondary' }}>
      Zoomed: {at(short)} · {at(long)}. {gives}
    </Typography>
  );
}

const saysOf = ({ stops }: Step) =>
  Math.abs(stops) < 0.005 ? 'neither gives nor takes' : `${stops < 0 ? 'takes' : 'gives'} ${withUnit(plain(Math.abs(stops), 1), 'stops')}`;
