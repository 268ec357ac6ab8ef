import { Box, Button, Typography } from '@mui/material';
import { core } from '../../core/core';
import { areasOf, Circles, LensesInScale } from './Outlines';
import { type ShelfEntry } from '../../gear/shelfApi';

/** Chosen lenses in one scale, and their circles over the sensor. */
export function SideBySide({
  lenses,
  camera,
  mode,
  onClear,
}: {
  lenses: ShelfEntry['item'][];
  camera: ShelfEntry | undefined;
  mode: string;
  onClear: () => void;
}) {
  const { formats } = core();
  const areas = areasOf(camera?.item, mode, formats);
  return (
    <Box
      component="section"
      aria-label="Side by side"
      sx={{
        position: 'sticky',
        bottom: 0,
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr 240px auto' },
        gap: 2,
        alignItems: 'center',
        p: 1,
        height: { sm: 216 },
        bgcolor: 'background.paper',
        borderTop: 2,
        borderColor: 'primary.main',
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <LensesInScale lenses={lenses} />
        <Typography noWrap sx={{ fontSize: 12, color: 'text.secondary' }}>
          {lenses.map((l) => l.name).join(' · ')}
        </Typography>
      </Box>
      <Box>
        <Circles lenses={lenses} areas={areas} formats={formats} />
        <Typography sx={{ fontSize: 12, color: 'text.secondary', textAlign: 'center' }}>
          circles over {areas[0]?.name === 'Full frame' ? 'full frame' : areas[0]?.name}; another scale
        </Typography>
      </Box>
      <Button onClick={onClear}>Clear</Button>
    </Box>
  );
}
