import { Box, ButtonBase, IconButton, InputBase, Tooltip } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useMemo, type ReactNode } from 'react';
import { isFocused, type Assembled, type FieldError, type FigureId, type Reason, type RigInput, type RigReport, type SceneInput } from '../../core/core';
import { aperture, fixed, inScale, lengthScale, oneLine, withUnit } from '../../ui/format';
import { Figure } from '../../ui/Figure';
import { LensIcon, RulerIcon, ShelfIcon } from '../../ui/icons';
import { Panel } from '../../ui/Panel';
import { RigMark, rigLetter } from '../../ui/RigMark';
import { changeRig, setYardstick } from './benchStore';
import { ChainInputs } from './ChainInputs';
import { assembled, chainOf } from './chains';
import { Frame } from './Frame';
import { openWorking, usePanel } from './panels/panelStore';
import { RigInputs } from './RigInputs';
import { SensorDrawing } from './SensorDrawing';

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
  reasons: Reason[];
  problems: FieldError[];
  isYardstick: boolean;
  referenceName: string;
  span: SensorSpan;
  chainSpan: ChainSpan;
  /** The highest that a frame may be drawn, px; the same for all rigs. */
  frameHeight: number;
  feet: boolean;
}

const Column = styled(Panel)({ padding: 8, display: 'flex', flexDirection: 'column', gap: 6 });

const Answer = styled('div')(({ theme }) => ({
  flex: 1,
  display: 'flex',
  alignItems: 'center',
  gap: 8,
  minHeight: 52,
  '& > div:first-of-type': { flex: 1, minWidth: 0 },
  '& strong': { fontSize: 18, fontWeight: 600, lineHeight: 1.25 },
  '& small': { fontWeight: 400, fontSize: 13, color: theme.vars!.palette.text.secondary },
  '& p': { margin: 0, fontSize: 13, color: theme.vars!.palette.text.secondary },
  // One height for all rigs, whatever else they have to say: their sensors are drawn in one scale.
  '& .sensor': { position: 'relative', height: 52, width: 104 },
}));

/** One rig: its name, the frame it gives, the answer in a line, and what can be changed. */
export const RigColumn = memo(function RigColumn(props: RigColumnProps) {
  const { index, rig, scene, report, focused, reasons, problems, isYardstick, referenceName, span, chainSpan, frameHeight, feet } = props;
  const letter = rigLetter(index);
  const { figures } = report;
  const chain = chainOf(rig);
  const parts = assembled(rig, scene);
  const known = useMemo(() => toKnow(reasons, parts), [reasons, parts]);
  const stop = isFocused(report) ? undefined : reasons[0];
  return (
    <Column aria-label={`Rig ${letter}`}>
      <RigHead index={index} name={rig.name ?? ''} isYardstick={isYardstick} isChain={chain !== null} />
      <Frame index={index} scene={scene} rig={rig} report={report} focused={focused} stop={stop} maxHeight={frameHeight} />
      <Answer>
        <div>
          <strong>
            <Pressed index={index} figure="equivalentFocalLengthMm">
              <Figure text={withUnit(fixed(figures.equivalentFocalLengthMm, figures.equivalentFocalLengthMm < 100 ? 1 : 0), 'mm')} />
            </Pressed>
            <small> and blur of </small>
            <Pressed index={index} figure="equivalentFNumber">
              <Figure text={aperture(figures.equivalentFNumber)} />
            </Pressed>
          </strong>
          <p>
            on {referenceName}
            {isFocused(report) && (
              <>
                {' · sees '}
                <Pressed index={index} figure="fieldWidthMm">
                  {field(report, feet)}
                </Pressed>
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
      {chain && parts ? (
        <ChainInputs index={index} rig={rig} chain={chain} assembled={parts} spanMm={chainSpan} problems={problems} />
      ) : (
        <RigInputs index={index} rig={rig} problems={problems} />
      )}
    </Column>
  );
});

/** A figure outside the table; a press opens its working like there. */
function Pressed({ index, figure, children }: { index: number; figure: FigureId; children: ReactNode }) {
  return (
    <ButtonBase
      component="span"
      onClick={() => openWorking(index, figure)}
      aria-haspopup="dialog"
      title="Show the working"
      sx={{ font: 'inherit', verticalAlign: 'baseline', borderRadius: '3px', '&:hover': { bgcolor: 'divider' } }}
    >
      {children}
    </ButtonBase>
  );
}

interface Known {
  message: string;
  weight: number;
  /** Told by the parts, not by the evaluation. */
  ofParts: boolean;
}

const weights = { stops: 0, spoils: 1, costs: 2, note: 3 };
/** What the parts tell better, since they know which of them is at fault and what would cure it. */
const toldByParts: readonly string[] = ['circleDoesNotCover', 'openingTooSmall', 'takingLensTooShort'];

/** What is to be known of a rig, the weightiest first: of the evaluation, and of its parts where it has some. */
function toKnow(reasons: Reason[], parts: Assembled | null): Known[] {
  const ofRig = reasons.filter((r) => !parts || !toldByParts.includes(r.kind)).map((r) => ({ message: r.message, weight: weights[r.severity], ofParts: false }));
  const ofParts = parts?.findings.map((f) => ({ message: f.reason, weight: weights[f.severity], ofParts: true })) ?? [];
  return [...ofRig, ...ofParts].sort((a, b) => a.weight - b.weight);
}

/** The weightiest thing to know of a rig in one line; a press opens all of them. */
function ToKnow({ index, known }: { index: number; known: Known[] }) {
  const open = usePanel((s) => s.open);
  const [first, ...others] = known;
  if (!first) {
    return null;
  }
  const quiet = first.weight >= weights.costs;
  return (
    <ButtonBase
      onClick={() => open({ kind: first.ofParts ? 'chain' : 'reasons', rig: index })}
      aria-label={`Rig ${rigLetter(index)}, what to know: ${first.message}`}
      sx={{
        minHeight: 40,
        gap: 0.75,
        px: 0.75,
        justifyContent: 'flex-start',
        textAlign: 'left',
        fontFamily: 'inherit',
        fontSize: 12.5,
        lineHeight: 1.25,
        border: 1,
        borderRadius: 1,
        borderColor: quiet ? 'divider' : 'warning.main',
        color: quiet ? 'text.secondary' : 'warning.main',
      }}
    >
      <Box component="span" sx={{ flex: 1, display: '-webkit-box', overflow: 'hidden', WebkitBoxOrient: 'vertical', WebkitLineClamp: 2 }}>
        {first.message}
      </Box>
      {others.length > 0 && <span>+{others.length}</span>}
    </ButtonBase>
  );
}

interface RigHeadProps {
  index: number;
  name: string;
  isYardstick: boolean;
  isChain: boolean;
}

const RigHead = memo(function RigHead({ index, name, isYardstick, isChain }: RigHeadProps) {
  const letter = rigLetter(index);
  return (
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minHeight: 40 }}>
        <RigMark index={index} />
        <InputBase
          value={name}
          placeholder="Name this rig"
          onChange={(event) => changeRig(index, { name: oneLine(event.target.value) })}
          inputProps={{ 'aria-label': `Name of rig ${letter}`, maxLength: 60 }}
          sx={{ flex: 1, minWidth: 0, height: 40, fontWeight: 650, '&.Mui-focused': { outline: 2, outlineColor: 'primary.main' } }}
        />
        {!isChain && (
          <Tooltip title="Build it from the shelf">
            <IconButton
              aria-label={`Build rig ${letter} from the shelf`}
              onClick={() => usePanel.getState().open({ kind: 'parts', rig: index, place: 0, isNew: true })}
              sx={{ color: 'text.secondary' }}
            >
              <ShelfIcon />
            </IconButton>
          </Tooltip>
        )}
        <Tooltip title={isChain ? 'Parts, and what they make' : 'More of this rig: lens, filters, steadiness'}>
          <IconButton
            aria-label={isChain ? `Parts of rig ${letter}, and what they make` : `More of rig ${letter}`}
            onClick={() => usePanel.getState().open({ kind: isChain ? 'chain' : 'rig', rig: index })}
            sx={{ color: 'text.secondary' }}
          >
            <LensIcon />
          </IconButton>
        </Tooltip>
        <Tooltip title={isYardstick ? 'The other rigs are measured against this one' : 'Measure the others against this rig'}>
          <IconButton
            aria-label={isYardstick ? `Rig ${letter} is the yardstick` : `Make rig ${letter} the yardstick`}
            aria-pressed={isYardstick}
            onClick={() => setYardstick(index)}
            sx={{ color: isYardstick ? 'primary.main' : 'text.secondary', fontSize: 13, gap: 0.5 }}
          >
            <RulerIcon />
            {isYardstick && 'yardstick'}
          </IconButton>
        </Tooltip>
      </Box>
  );
});

function field({ figures: { fieldWidthMm, fieldHeightMm } }: RigReport, feet: boolean): string {
  const scale = lengthScale(Math.max(fieldWidthMm, fieldHeightMm), feet);
  return `${fixed(fieldWidthMm / scale.mm, scale.decimals)} × ${inScale(fieldHeightMm, scale)}`;
}
