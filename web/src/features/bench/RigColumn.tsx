import { chooseForShot, useCanBeChosen } from './ShotLink';
import { Box, Button, ButtonBase, IconButton, InputBase, Menu, MenuItem, Tooltip } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useMemo, useState, type DragEvent } from 'react';
import { isFocused, type Assembled, type FigureId, type Diagnostic, type RigInput, type RigReport, type SceneInput } from '../../core/core';
import { aperture, fixed, inScale, lengthScale, oneLine, withUnit } from '../../ui/format';
import { Figure } from '../../ui/Figure';
import { LensIcon, MoreIcon, RulerIcon } from '../../ui/icons';
import { Panel } from '../../ui/Panel';
import { RigMark, rigLetter } from '../../ui/RigMark';
import { idAt, useBench } from './benchStore';
import { bringToYardstick, changeRig, setYardstick, standAt } from './commands';
import { duplicateRig, mostRigs, moveRig, removeRig } from './rowCommands';
import { ChainInputs } from './ChainInputs';
import { assembled, chainOf } from '../../gear/chains';
import { Frame } from './Frame';
import { openWorking, usePanel } from './panels/panelStore';
import { RigInputs } from './RigInputs';
import { SensorDrawing } from './SensorDrawing';
import { sceneOf } from '../../core/standing';

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
  feet: boolean;
}

const Column = styled(Panel)({ padding: 8, display: 'flex', flexDirection: 'column', gap: 6, minWidth: 0, containerType: 'inline-size' });

const Answer = styled('div')(({ theme }) => ({
  flex: 1,
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
    '& strong small': { display: 'inline-block', width: 8, overflow: 'hidden', color: 'transparent' },
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
            {isFocused(report) && (
              <>
                {' · sees '}
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
      {chain && parts ? (
        <ChainInputs
          index={index}
          rig={rig}
          chain={chain}
          assembled={parts}
          spanMm={chainSpan}
          problems={problems}
          brief={brief}
          sceneMm={spread ? scene.subjectDistanceMm : null}
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
      {count > 2 && <AllSettings index={index} all={all} onAll={setAll} />}
    </Column>
  );
});

/** What a rig is called while it is dragged to another place. */
const dragged = 'application/x-rig';

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

interface Known {
  message: string;
  weight: number;
  /** Told by the parts, not by the evaluation. */
  ofParts: boolean;
}

const weights = { stops: 0, spoils: 1, costs: 2, note: 3 };
/** What the parts tell better, since they know which of them is at fault and what would cure it. */
const toldByParts: readonly string[] = ['openingTooSmall'];

/** What is to be known of a rig, the weightiest first: of the evaluation, and of its parts where it has some. */
function toKnow(reasons: Diagnostic[], parts: Assembled | null): Known[] {
  const ofRig = reasons
    .filter((r) => !parts || !(toldByParts.includes(r.code) || parts.findings.some((f) => f.code === r.code)))
    .map((r) => ({ message: r.message, weight: weights[r.severity], ofParts: false }));
  const ofParts = parts?.findings.map((f) => ({ message: f.message, weight: weights[f.severity], ofParts: true })) ?? [];
  return [...ofRig, ...ofParts].sort((a, b) => a.weight - b.weight);
}

/** The weightiest thing to know of a rig in one line; a press opens all of them. */
const ToKnow = memo(function ToKnow({ index, known }: { index: number; known: Known[] }) {
  const open = usePanel((s) => s.open);
  const [first, ...others] = known;
  if (!first) {
    return null;
  }
  const quiet = first.weight >= weights.costs;
  return (
    <ButtonBase
      onClick={() => open({ kind: first.ofParts ? 'chain' : 'reasons', rig: idAt(index) })}
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
});

interface RigMenuProps {
  index: number;
  isYardstick: boolean;
  isChain: boolean;
  /** Whether it stands at a distance of its own. */
  hasOwnPlace: boolean;
  count: number;
}

/** What can be done with a whole rig. */
function RigMenu({ index, isYardstick, isChain, hasOwnPlace, count }: RigMenuProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const letter = rigLetter(index);
  const open = usePanel((s) => s.open);
  const canBeChosen = useCanBeChosen(useBench((s) => s.document.setup.rigs[index]?.id ?? ''));
  const item = (label: string, act: () => void, disabled = false) => (
    <MenuItem
      key={label}
      disabled={disabled}
      onClick={() => {
        setAnchor(null);
        act();
      }}
    >
      {label}
    </MenuItem>
  );
  return (
    <>
      <IconButton
        aria-label={`Do with rig ${letter}`}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ color: 'text.secondary', minWidth: 32 }}
      >
        <MoreIcon />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {item(isChain ? 'Parts, and what they make' : 'More of this rig', () =>
          open({ kind: isChain ? 'chain' : 'rig', rig: idAt(index) }),
        )}
        {!isChain && item('Build it from the shelf', () => open({ kind: 'parts', rig: idAt(index), place: 0, isNew: true }))}
        {item('Put one like it beside it', () => duplicateRig(idAt(index)), count >= mostRigs)}
        {item('Make a row of focal lengths', () => open({ kind: 'row', rig: idAt(index) }))}
        {hasOwnPlace
          ? item('Stand where the scene says', () => standAt(idAt(index), null))
          : item('Stand at its own distance', () => standAt(idAt(index), useBench.getState().document.setup.scene.subjectDistanceMm))}
        {item('Give it the yardstick’s framing, by moving', () => bringToYardstick({ framing: true }, idAt(index)), isYardstick)}
        {item(
          'Give it the yardstick’s framing, by zooming',
          () => bringToYardstick({ place: true, framing: true }, idAt(index)),
          isYardstick,
        )}
        {item('Give it the yardstick’s blur', () => bringToYardstick({ blur: true }, idAt(index)), isYardstick)}
        {item('Give it the yardstick’s light', () => bringToYardstick({ light: true }, idAt(index)), isYardstick)}
        {item('Measure the others against it', () => setYardstick(idAt(index)), isYardstick)}
        {canBeChosen && item('Choose it for the shot', () => void chooseForShot(idAt(index)))}
        {item('Move left', () => moveRig(idAt(index), index - 1), index === 0)}
        {item('Move right', () => moveRig(idAt(index), index + 1), index === count - 1)}
        {item('Remove', () => removeRig(idAt(index)), count === 1)}
      </Menu>
    </>
  );
}

interface RigHeadProps extends RigMenuProps {
  name: string;
}

const RigHead = memo(function RigHead({ index, name, isYardstick, isChain, hasOwnPlace, count }: RigHeadProps) {
  const letter = rigLetter(index);
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minHeight: 40 }}>
      <span
        draggable={count > 1}
        onDragStart={(event) => event.dataTransfer.setData(dragged, String(index))}
        title={count > 1 ? 'Drag it to another place in the row' : undefined}
        style={{ lineHeight: 0, cursor: count > 1 ? 'grab' : undefined }}
      >
        <RigMark index={index} />
      </span>
      <InputBase
        value={name}
        placeholder="Name this rig"
        onChange={(event) => changeRig(idAt(index), { name: oneLine(event.target.value) })}
        inputProps={{ 'aria-label': `Name of rig ${letter}`, maxLength: 60 }}
        sx={{ flex: 1, minWidth: 0, height: 40, fontWeight: 650, '&.Mui-focused': { outline: 2, outlineColor: 'primary.main' } }}
      />
      {count <= 2 && (
        <Tooltip title={isChain ? 'Parts, and what they make' : 'More of this rig: lens, filters, steadiness'}>
          <IconButton
            aria-label={isChain ? `Parts of rig ${letter}, and what they make` : `More of rig ${letter}`}
            onClick={() => usePanel.getState().open({ kind: isChain ? 'chain' : 'rig', rig: idAt(index) })}
            sx={{ color: 'text.secondary' }}
          >
            <LensIcon />
          </IconButton>
        </Tooltip>
      )}
      {(count <= 4 || isYardstick) && (
        <Tooltip title={isYardstick ? 'The other rigs are measured against this one' : 'Measure the others against this rig'}>
          <IconButton
            aria-label={isYardstick ? `Rig ${letter} is the yardstick` : `Make rig ${letter} the yardstick`}
            aria-pressed={isYardstick}
            onClick={() => setYardstick(idAt(index))}
            sx={{ color: isYardstick ? 'primary.main' : 'text.secondary', fontSize: 13, gap: 0.5 }}
          >
            <RulerIcon />
            {isYardstick && (
              <Box component="span" sx={{ display: 'none', '@container (min-width: 430px)': { display: 'inline' } }}>
                yardstick
              </Box>
            )}
          </IconButton>
        </Tooltip>
      )}
      <RigMenu index={index} isChain={isChain} isYardstick={isYardstick} hasOwnPlace={hasOwnPlace} count={count} />
    </Box>
  );
});

function field({ figures: { fieldWidthMm, fieldHeightMm } }: RigReport, feet: boolean): string {
  const scale = lengthScale(Math.max(fieldWidthMm, fieldHeightMm), feet);
  return `${fixed(fieldWidthMm / scale.mm, scale.decimals)} × ${inScale(fieldHeightMm, scale)}`;
}
