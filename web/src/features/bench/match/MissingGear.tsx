import { Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import type { GearItem, LookResponse } from '../../../core/core';
import { newId } from '../../../documents/unique';
import { openShelf } from '../../../gear/fitting';
import { writeGear } from '../../../gear/shelfApi';

/** What would close the gap: a lens or a reducer that no shelf here has. It can be put on the Shelf as something wished for. */
export function MissingGear({ missing }: { missing: LookResponse['missing'] }) {
  const [said, setSaid] = useState('');
  if (missing.length === 0) {
    return null;
  }
  const wish = async (item: GearItem) => {
    const outcome = await writeGear({ ...item, id: newId(), ownership: 'wish' }, null);
    setSaid(
      outcome.kind === 'stored'
        ? `${item.name} is on the Shelf, as something wished for.`
        : outcome.kind === 'fields'
          ? outcome.errors.map((e) => `${e.message} ${e.fix}`).join(' ')
          : outcome.kind === 'conflict'
            ? 'It is there already.'
            : outcome.say,
    );
    void openShelf();
  };
  return (
    <Box component="section" aria-label="What would close the gap" sx={{ borderTop: 1, borderColor: 'divider', pt: 0.75 }}>
      <Typography component="h2" sx={{ fontSize: 12, color: 'text.secondary' }}>
        What would close the gap
      </Typography>
      {missing.map(({ say, item }) => (
        <Box key={say} sx={{ display: 'flex', alignItems: 'start', gap: 1, fontSize: 13.5, py: 0.25 }}>
          <span style={{ flex: 1, minWidth: 0 }}>{say}</span>
          <Button size="small" onClick={() => void wish(item as GearItem)} sx={{ whiteSpace: 'nowrap', py: 0 }}>
            Wish for it
          </Button>
        </Box>
      ))}
      {said !== '' && (
        <Typography role="status" sx={{ fontSize: 13 }}>
          {said}
        </Typography>
      )}
    </Box>
  );
}
