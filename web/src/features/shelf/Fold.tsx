import { Box } from '@mui/material';
import { useState, type ReactNode } from 'react';
import { formGrid } from './formGrid';

/** Fields of one subject, folded until they are wanted. Whatever is at fault in them stands open. */
export function Fold({ title, known, hasProblem, children }: { title: string; known: number; hasProblem: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="details"
      open={open || hasProblem}
      onToggle={(event) => setOpen(event.currentTarget.open)}
      sx={{
        gridColumn: '1 / -1',
        borderTop: 1,
        borderColor: 'divider',
        '& > summary': { minHeight: 40, display: 'flex', alignItems: 'center', gap: 1, cursor: 'pointer', fontSize: 13.5, fontWeight: 650 },
        '& > summary::before': { content: '"+"', width: 12, fontFamily: 'monospace', color: 'text.secondary' },
        '&[open] > summary::before': { content: '"–"' },
        '& > summary small': { fontSize: 12.5, fontWeight: 400, color: 'text.secondary' },
      }}
    >
      <summary>
        {title} {known > 0 && <small>{known} known</small>}
      </summary>
      <Box sx={formGrid}>{children}</Box>
    </Box>
  );
}
