import { Button, Menu, MenuItem, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { WorkSummary } from '../../../api/client';
import { comparison } from '../../../documents/kinds';
import { useBench } from '../benchStore';
import { layLook } from './matchCommands';

/** Looks that are saved: each comparison keeps that of its yardstick. One is laid on this Bench with all that counts of it. */
export function SavedLooks() {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [said, setSaid] = useState('');
  const id = useBench((s) => s.id);
  const { data } = useQuery({
    queryKey: ['works', 'looks'],
    enabled: at !== null,
    queryFn: async () => {
      const all = await comparison.works.list(false, 0);
      if ('kind' in all) {
        throw new Error(all.say);
      }
      return all;
    },
  });
  const take = async (work: WorkSummary) => {
    setAt(null);
    const read = await comparison.works.read(work.id);
    if (read === null || 'kind' in read) {
      setSaid(read?.say ?? '');
      return;
    }
    layLook(read.document, work.name);
    setSaid('');
  };
  const others = (data ?? []).filter((work) => work.id !== id);
  return (
    <>
      <Button onClick={(event) => setAt(event.currentTarget)} aria-haspopup="menu">
        Use a saved look
      </Button>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        {others.map((work) => (
          <MenuItem key={work.id} onClick={() => void take(work)}>
            {work.name}
          </MenuItem>
        ))}
        {data && others.length === 0 && <MenuItem disabled>No other comparison is saved</MenuItem>}
      </Menu>
      {said !== '' && (
        <Typography role="alert" sx={{ fontSize: 13, color: 'warning.main' }}>
          {said}
        </Typography>
      )}
    </>
  );
}
