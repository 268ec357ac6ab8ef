import { Box, Button, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { bringCrewIn, crewFileAddress } from '../api/client';
import { counted } from '../ui/format';

/** All that the crew has as one file: taken out, and brought in. */
export function CrewFile() {
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState('');
  const queries = useQueryClient();
  const bring = async (file: File) => {
    setSaid('Bringing it in…');
    const outcome = await bringCrewIn(file);
    if ('kind' in outcome) {
      setSaid(`${outcome.say} Nothing was changed.`);
      return;
    }
    const { added, same, copies, unreadable, photos, gear, problems } = outcome;
    setSaid(
      [
        `${added} added, ${same} the same as here, ${copies} beside what is here; ${counted(photos, 'photograph')}; ${counted(gear, 'thing')} of the shelf.`,
        unreadable > 0 ? `${unreadable} cannot be read by this version and are kept as they are.` : '',
        ...problems.slice(0, 3),
      ].join(' '),
    );
    await queries.invalidateQueries();
  };
  return (
    <Box component="section" aria-label="Everything" sx={{ mt: 3, pt: 1.5, borderTop: 1, borderColor: 'divider' }}>
      <Typography variant="body2" sx={{ color: 'text.secondary', maxWidth: 640 }}>
        Everything that the crew has (comparisons, productions, the shelf, photographs) as one file: to keep, or to bring in on another
        server. What is there already stays; what differs comes to stand beside it.
      </Typography>
      <Button component="a" href={crewFileAddress} download="juxtopsis.zip">
        Take everything out
      </Button>
      <input
        ref={input}
        type="file"
        accept=".zip,application/zip"
        hidden
        aria-label="A file of everything"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void bring(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring such a file in</Button>
      <Typography variant="body2" role="status">
        {said}
      </Typography>
    </Box>
  );
}
