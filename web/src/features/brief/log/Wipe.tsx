import { Box, Slider } from '@mui/material';
import { useState } from 'react';
import { ShotFrame } from '../ShotFrame';
import type { Pictured } from '../rigs';

/** The frame as it was planned over the still as it was taken, wiped. */
export function Wipe({ picture, address }: { picture: Pictured; address: string }) {
  const [share, setShare] = useState(50);
  const aspect = picture.scene.deliveryAspect ?? 16 / 9;
  const cover = { position: 'absolute', inset: 0, width: '100%', height: '100%' } as const;
  return (
    <Box>
      <Box sx={{ position: 'relative', aspectRatio: String(aspect), overflow: 'hidden', borderRadius: 1 }}>
        <Box component="img" src={address} alt="The still as it was taken" sx={{ ...cover, objectFit: 'cover' }} />
        <Box sx={{ ...cover, clipPath: `inset(0 ${100 - share}% 0 0)` }}>
          <ShotFrame picture={picture} word="" aspect={aspect} />
        </Box>
        <Box sx={{ position: 'absolute', top: 0, bottom: 0, left: `${share}%`, width: '2px', bgcolor: 'primary.main' }} />
      </Box>
      <Slider aria-label="As planned, against as taken" value={share} onChange={(_, value) => setShare(value)} sx={{ py: 2 }} />
    </Box>
  );
}
