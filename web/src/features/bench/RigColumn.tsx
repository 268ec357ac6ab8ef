import { Button } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useMemo, useState, type DragEvent } from 'react';
import { isFocused, type FigureId, type Diagnostic, type RigInput, type RigReport, type SceneInput } from '../../core/core';
import { aperture, fixed, inScale, lengthScale, withUnit } from '../../ui/format';
import { Figure } from '../../ui/Figure';
import { Panel } from '../../ui/Panel';
import { rigLetter } from '../../ui/RigMark';
import { idAt } from './benchStore';
import { moveRig } from './rowCommands';
import { ChainInputs } from './ChainInputs';
import { assembled, chainOf } from '../../gear/chains';
import { Frame } from './Frame';
import { openWorking } from './panels/panelStore';
import { RigInputs } from './RigInputs';
import { SensorDrawing } from './SensorDrawing';
import { sceneOf } from '../../core/standing';
import { toKnow, ToKnow } from './ToKnow';
import { dragged, RigHead } from './RigHead';

/** What all chains are drawn in, mm: the farthest back and front of them, and the highest part. */
export interface ChainSpan {
  back: number;
  front: number;
  high: number;
}

export interface SensorSpan {
  referenceWidthMm: number;
  referenceHeightMm: number;
  spanWidthMm: number;
  spanHeightMm: number;
}

interface RigColumnProps {
  index: number;
  rig: RigInput;
  scene: SceneInput;
  report: RigReport;
  focused: RigReport | null;
  reasons: Diagnostic[];
  problems: Diagnostic[];
  isYardstick: boolean;
  /** Whether some rig stands at a distance of its own. */
  spread: boolean;
  /** How many rigs there are; of many, each says less at first. */
  count: number;
  referenceName: string;
  span: SensorSpan;
  chainSpan: ChainSpan;
  /** The highest that a frame may be drawn, px; the same for all rigs. */
  frameHeight: number;
  /** Only its frame and the answer; what is set is set elsewhere. */
  isBare: boolean;
  feet: boolean;
}

const Column = styled(Panel)({ padding: 8, display: 'flex', flexDirection: 'column', gap: 6, minWidth: 0, containerType: 'inline-size' });

const Answer = styled('div')(({ theme }) => ({
  display: 'flex',
  alignItems: 'center',
  gap: 8,
  minHeight: 52,
  '& > div:first-of-type': { flex: 1, minWidth: 0 },
  '& strong': { fontSize: 18, fontWeight: 600, lineHeight: 1.25 },
  '& small': { fontWeight: 400, fontSize: 13, color: theme.vars!.palette.text.secondary },
  // A box of a size of its own, so that another figure lays out this line and not the whole page.
  '& p': { margin: 0, fontSize: 13, lineHeight: '19px', height: 19, contain: 'strict', color: theme.vars!.palette.text.secondary },
  // One height for all rigs, whatever else they have to say: their sensors are drawn in one scale.
  '& .sensor': { position: 'relative', height: 52, width: 104 },
  '@container (max-width: 290px)': {
    flexDirection: 'column',
    alignItems: 'stretch',
    gap: 2,
    '& strong': { fontSize: 16 },
    '& strong small': {
      display: 'inline-block',
      width: 8,
      overflow: 'hidden',
      whiteSpace: 'nowrap',
      verticalAlign: 'bottom',
      color: 'transparent',
    },
    '& > div:first-of-type': { flex: 'none', minHeight: 62 },
    '& p': { height: 38 },
  },
}));

/** One rig: its name, the frame it gives, the answer in a line, and what can be changed. */
export const RigColumn = memo(function RigColumn(props: RigColumnProps) {
  const {
    index,
    rig,
    scene,
    report,
    focused,
    reasons,
    problems,
    isYardstick,
    spread,
    count,
    referenceName,
    span,
    chainSpan,
    frameHeight,
    isBare,
    feet,
  } = props;
  const letter = rigLetter(index);
  const { figures } = report;
  const own = useMemo(() => sceneOf(rig, scene), [rig, scene]);
  const chain = chainOf(rig);
  const parts = assembled(rig, scene);
  const known = useMemo(() => toKnow(reasons, parts), [reasons, parts]);
  const stop = isFocused(report) ? undefined : reasons[0];
  const [all, setAll] = useState(false);
  const brief = count > 2 && !all;
  return (
    <Column
      aria-label={`Rig ${letter}`}
      onDragOver={(event) => event.dataTransfer.types.includes(dragged) && event.preventDefault()}
      onDrop={(event) => drop(event, index)}
    >
      <RigHead
        index={index}
        name={rig.name ?? ''}
        isYardstick={isYardstick}
        isChain={chain !== null}
        hasOwnPlace={rig.subjectDistanceMm != null}
        count={count}
      />
      <Frame index={index} scene={own} rig={rig} report={report} focused={focused} stop={stop} maxHeight={frameHeight} />
      <Answer>
        <div>
          <strong>
            <Pressed
              index={index}
              figure="equivalentFocalLengthMm"
              text={withUnit(fixed(figures.equivalentFocalLengthMm, figures.equivalentFocalLengthMm < 100 ? 1 : 0), 'mm')}
            />
            <small> and blur of </small>
            <Pressed index={index} figure="equivalentFNumber" text={aperture(figures.equivalentFNumber)} />
          </strong>
          <p>
            on {referenceName}
            {parts?.likeFormat && figures.opticsMagnification !== 1 && ` · sees like ${parts.likeFormat}`}
            {isFocused(report) && (
              <>
                {' · takes in '}
                <Pressed index={index} figure="fieldWidthMm" text={field(report, feet)} isPlain />
              </>
            )}
          </p>
        </div>
        <div className="sensor">
          <SensorDrawing
            index={index}
            modeWidthMm={rig.sensorWidthMm}
            modeHeightMm={rig.sensorHeightMm}
            usedWidthMm={figures.usedWidthMm}
            usedHeightMm={figures.usedHeightMm}
            {...span}
          />
        </div>
      </Answer>
      {(!stop || known[0]?.ofParts) && <ToKnow index={index} known={known} />}
      {isBare ? null : chain && parts ? (
        <ChainInputs
          index={index}
          rig={rig}
          chain={chain}
          assembled={parts}
          spanMm={chainSpan}
          problems={problems}
          brief={brief}
          scene={scene}
          spread={spread}
          feet={feet}
        />
      ) : (
        <RigInputs
          index={index}
          rig={rig}
          problems={problems}
          brief={brief}
          sceneMm={spread ? scene.subjectDistanceMm : null}
          feet={feet}
        />
      )}
      {count > 2 && !isBare && <AllSettings index={index} all={all} onAll={setAll} />}
    </Column>
  );
});

function drop(event: DragEvent<HTMLElement>, to: number): void {
  const from = event.dataTransfer.getData(dragged);
  if (from !== '') {
    event.preventDefault();
    if (Number(from) !== to) moveRig(idAt(Number(from)), to);
  }
}

const Press = styled('button')(({ theme }) => ({
  font: 'inherit',
  color: 'inherit',
  padding: 0,
  border: 0,
  background: 'none',
  cursor: 'pointer',
  borderRadius: 3,
  '&:hover': { background: theme.vars!.palette.divider },
}));

interface PressedProps {
  index: number;
  figure: FigureId;
  text: string;
  /** In the face of what it stands among, rather than in that of figures. */
  isPlain?: boolean;
}

/** A figure outside the table; a press opens its working like there. */
const Pressed = memo(function Pressed({ index, figure, text, isPlain = false }: PressedProps) {
  return (
    <Press onClick={() => openWorking(idAt(index), figure)} aria-haspopup="dialog" title="Show the working">
      {isPlain ? text : <Figure text={text} />}
    </Press>
  );
});

/** Opens and shuts what a rig among many does not show at first. */
const AllSettings = memo(function AllSettings({ index, all, onAll }: { index: number; all: boolean; onAll: (all: boolean) => void }) {
  return (
    <Button
      size="small"
      onClick={() => onAll(!all)}
      aria-expanded={all}
      aria-label={`${all ? 'Fewer' : 'All'} settings of rig ${rigLetter(index)}`}
    >
      {all ? 'Fewer settings' : 'All settings'}
    </Button>
  );
});

function field({ figures: { fieldWidthMm, fieldHeightMm } }: RigReport, feet: boolean): string {
  const scale = lengthScale(Math.max(fieldWidthMm, fieldHeightMm), feet);
  return `${fixed(fieldWidthMm / scale.mm, scale.decimals)} × ${inScale(fieldHeightMm, scale)}`;
}
