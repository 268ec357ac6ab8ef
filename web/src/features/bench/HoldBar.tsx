import { Box, Button, ButtonBase } from '@mui/material';
import { memo } from 'react';
import { holdNothing, useSettings } from '../../app/settings';
import { Panel } from '../../ui/Panel';
import { RigMark, rigLetter } from '../../ui/RigMark';
import { useBench } from './benchStore';
import { heldWords, holds } from './holding';
import { usePanel } from './panels/panelStore';

const toPanel = () => usePanel.getState().open({ kind: 'hold' });

/** While something is held, or has just been brought: what is held, and what each rig had to give for it. */
export const HoldBar = memo(function HoldBar() {
  const hold = useSettings((s) => s.hold);
  const setHold = useSettings((s) => s.setHold);
  const notes = useBench((s) => s.holdNotes);
  const isOn = holds(hold);
  if (!isOn && notes.every((of) => of.length === 0)) {
    return null;
  }
  return (
    <Panel
      aria-label="What is held"
      style={{ padding: '4px 8px', display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 12, minHeight: 48 }}
    >
      {isOn ? (
        <>
          <Box sx={{ fontSize: 13 }}>
            Held: <strong>{heldWords(hold)}</strong>
            {hold.alike && ', all alike'}
          </Box>
          <Button onClick={() => setHold(holdNothing)}>Let go</Button>
        </>
      ) : (
        <Box sx={{ fontSize: 13, color: 'text.secondary' }}>What gave</Box>
      )}
      {notes.map(
        (of, rig) =>
          of.length > 0 && (
            <ButtonBase
              key={rig}
              onClick={toPanel}
              aria-label={`Rig ${rigLetter(rig)}: ${of.map((n) => n.message).join(' ')}`}
              sx={{
                flex: '1 1 150px',
                minWidth: 0,
                minHeight: 40,
                gap: 0.5,
                justifyContent: 'flex-start',
                textAlign: 'left',
                fontFamily: 'inherit',
                fontSize: 12.5,
                lineHeight: 1.25,
                '& svg': { flexShrink: 0 },
                color: of.some((n) => n.outcome === 'stopped') ? 'warning.main' : 'text.secondary',
              }}
            >
              <RigMark index={rig} size={20} />
              <Box component="span" sx={{ display: '-webkit-box', overflow: 'hidden', WebkitBoxOrient: 'vertical', WebkitLineClamp: 2 }}>
                {of.map((n) => n.message).join(' ')}
              </Box>
            </ButtonBase>
          ),
      )}
    </Panel>
  );
});
