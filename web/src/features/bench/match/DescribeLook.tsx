import { Box, Button, InputBase, Typography } from '@mui/material';
import { useId, useState } from 'react';
import { useSettings } from '../../../app/settings';
import { core } from '../../../core/core';
import { useBench } from '../benchStore';
import { describeLook } from './matchCommands';

const example = 'full frame 85 mm ƒ1.4 at 2 m, 4 m behind';

/** A look in words of the trade: it becomes a rig of bare numbers on the Bench, and the yardstick. */
export function DescribeLook() {
  const id = useId();
  const feet = useSettings((s) => s.feet);
  const aspect = useBench((s) => s.document.setup.scene.deliveryAspect ?? NaN);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    const look = core().readLook(text, feet, aspect);
    setProblem(look.problem);
    if (look.problem === null) {
      describeLook(text, look);
      setText('');
    }
  };
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        take();
      }}
      sx={{ flex: '1 1 300px', minWidth: 0, maxWidth: 520 }}
    >
      <Box component="label" htmlFor={id} sx={{ display: 'block', fontSize: 12, lineHeight: '16px', color: 'text.secondary' }}>
        or describe one
      </Box>
      <Box sx={{ display: 'flex', gap: 0.5 }}>
        <InputBase
          id={id}
          value={text}
          placeholder={example}
          error={problem !== null}
          onChange={(event) => {
            setText(event.target.value);
            setProblem(null);
          }}
          inputProps={{
            maxLength: 120,
            autoComplete: 'off',
            'aria-invalid': problem !== null,
            'aria-description':
              'Format, focal length or angle, aperture; distance, what is behind, delivered shape and squeeze where they differ.',
            ...(problem !== null && { 'aria-errormessage': `${id}-problem` }),
          }}
          sx={{
            flex: 1,
            minWidth: 0,
            height: 40,
            px: 0.75,
            fontSize: 14,
            bgcolor: 'background.paper',
            border: 1,
            borderColor: problem === null ? 'divider' : 'error.main',
            borderRadius: 1,
          }}
        />
        <Button type="submit" disabled={text.trim() === ''}>
          Look so
        </Button>
      </Box>
      {problem !== null && (
        <Typography id={`${id}-problem`} role="alert" sx={{ fontSize: 12.5, color: 'error.main', mt: 0.25 }}>
          {problem}
        </Typography>
      )}
    </Box>
  );
}
