import { chooseForShot, useCanBeChosen } from './ShotLink';
import { Box, IconButton, InputBase, Menu, MenuItem, Tooltip } from '@mui/material';
import { memo, useState } from 'react';
import { oneLine } from '../../ui/format';
import { LensIcon, MoreIcon, RulerIcon } from '../../ui/icons';
import { RigMark, rigLetter } from '../../ui/RigMark';
import { idAt, useBench } from './benchStore';
import { bringToYardstick, changeRig, setYardstick, standAt } from './commands';
import { duplicateRig, mostRigs, moveRig, removeRig } from './rowCommands';
import { usePanel } from './panels/panelStore';

/** What a rig is called while it is dragged to another place. */
export const dragged = 'application/x-rig';

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

export const RigHead = memo(function RigHead({ index, name, isYardstick, isChain, hasOwnPlace, count }: RigHeadProps) {
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
