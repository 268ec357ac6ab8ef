import { Box, Button, ButtonBase } from '@mui/material';
import { memo } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { Panel } from '../../ui/Panel';
import { RigMark, rigLetter } from '../../ui/RigMark';
import { useBench } from './benchStore';
import { heldWords, holdOf, holds, letGo } from './holding';
import { setHold } from './commands';
import { usePanel } from './panels/panelStore';

const toPanel = () => usePanel.getState().open({ kind: 'hold' });

/** While something is held, or has just been brought: what is held, and what each rig had to give for it. */
export const HoldBar = memo(function HoldBar() {
  const hold = useBench(useShallow((s) => holdOf(s.document)));
  const notes = useBench((s) => s.holdNotes);
  const isOn = holds(hold);
  if (!isOn && notes.every((of) => of.length === 0)) {
    return null;
  }
  return (
    <Panel
      aria-label="What is held"
      style={{ padding: '0 8px', display: 'flex', alignItems: 'center', columnGap: 12, height: 44, overflow: 'hidden' }}
    >
      {isOn ? (
        <>
          <Box sx={{ fontSize: 13, whiteSpace: 'nowrap' }}>
            Held: <strong>{heldWords(hold)}</strong>
            {hold.alike && ', all alike'}
          </Box>
          <Button onClick={() => setHold(letGo(hold))} sx={{ whiteSpace: 'nowrap', flexShrink: 0 }}>
            Let go
          </Button>
        </>
      ) : (
        <Box sx={{ fontSize: 13, color: 'text.secondary', whiteSpace: 'nowrap' }}>What gave</Box>
      )}
      {notes.map(
        (of, rig) =>
          of.length > 0 && (
            <ButtonBase
              key={rig}
              onClick={toPanel}
              aria-label={`Rig ${rigLetter(rig)}: ${of.map((n) => n.message).join(' ')}`}
              title={of.map((n) => n.message).join(' ')}
              sx={{
                flex: '1 1 0',
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
              <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
                {of.map((n) => n.message).join(' ')}
              </Box>
            </ButtonBase>
          ),
      )}
    </Panel>
  );
});
