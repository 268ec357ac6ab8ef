import { Box, Button, Typography } from '@mui/material';
import { Link } from 'react-router';
import type { GearItem } from '../../../core/core';

/** What tests found of a thing, each with where it comes from; and the way to the next test. */
export function TestedOf({ item }: { item: GearItem }) {
  const lines = typeof item['testedBy'] === 'string' ? item['testedBy'].split('\n') : [];
  return (
    <Box component="section" aria-label="Tests" sx={{ borderTop: 1, borderColor: 'divider', pt: 1, display: 'grid', gap: 0.5 }}>
      <Typography sx={{ fontSize: 13, fontWeight: 650 }}>Tested</Typography>
      {lines.length === 0 ? (
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>Nothing yet: all rests on what its papers say.</Typography>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2, fontSize: 13 }}>
          {lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </Box>
      )}
      <Button component={Link} to={`/shelf/${item.id}/tests`} sx={{ justifySelf: 'start' }}>
        {lines.length === 0 ? 'Test it' : 'Tests'}
      </Button>
    </Box>
  );
}
