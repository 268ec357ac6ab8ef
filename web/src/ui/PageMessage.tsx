import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';

/** A page that has nothing to show yet: says why, and what to do. */
export function PageMessage({ title, text, children }: { title: string; text: string; children?: ReactNode }) {
  return (
    <Box sx={{ display: 'grid', placeContent: 'center', justifyItems: 'center', gap: 1.5, minHeight: '60vh', p: 3, textAlign: 'center' }}>
      <Typography variant="h1">{title}</Typography>
      <Typography sx={{ maxWidth: 460, color: 'text.secondary' }}>{text}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, justifyContent: 'center' }}>{children}</Box>
    </Box>
  );
}
