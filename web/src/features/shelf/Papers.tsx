import { Box, InputBase, Typography } from '@mui/material';
import { useId, useRef, useState } from 'react';
import { core, type GearItem } from '../../core/core';
import { text } from '../../gear/gear';
import { useMakers } from '../../gear/shelfApi';
import { counted } from '../../ui/format';

const examples: Record<string, string> = {
  body: 'Corrie Shearwater, full frame, 660 g\nUHD 24/25/50 fps\nUHD 1.21x 100 fps',
  fixedLensCamera: 'Corrie Shearwater P, 1 inch, 8.8–25.7 mm f/1.8–2.8, 300 g\nUHD 25/50 fps',
  lens: 'Corrie 24–70 f/2.8 Zoom, 82 mm, 0.38 m, 695 g',
};

/** The kinds of which papers are read. */
export const hasPapers = (kind: string): boolean => kind in examples;

interface PapersProps {
  item: GearItem;
  mounts: string[];
  onChange: (item: GearItem) => void;
}

/** A thing's papers, pasted or typed: what they say goes into the fields below, where it is looked through and mended. */
export function Papers({ item, mounts, onChange }: PapersProps) {
  const id = useId();
  const makers = useMakers();
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState<{ count: number; left: string[]; notes: string[] } | null>(null);
  const before = useRef<Record<string, unknown>>({});
  const read = (typedNow: string) => {
    setTyped(typedNow);
    const { known, left, notes } = core().readPapers(item.kind, typedNow, makers, mounts);
    const next: GearItem = { ...item };
    for (const [key, value] of Object.entries(before.current)) {
      if (JSON.stringify(next[key]) === JSON.stringify(value)) {
        next[key] = undefined;
      }
    }
    for (const [key, value] of Object.entries(known)) {
      // What was typed into a field of its own holds.
      if (next[key] === undefined || next[key] === '') {
        next[key] = value;
      }
    }
    before.current = known;
    setSaid(typedNow.trim() === '' ? null : { count: Object.keys(known).length, left, notes });
    onChange({ ...next, name: text(next, 'name') });
  };
  return (
    <Box
      component="section"
      aria-label="Its papers"
      sx={{ gridColumn: '1 / -1', '& label': { fontSize: 12, lineHeight: '16px', color: 'text.secondary' } }}
    >
      <label htmlFor={id}>Its papers, pasted or typed{item.kind !== 'lens' && '; a line for each mode'}</label>
      <InputBase
        id={id}
        fullWidth
        multiline
        minRows={item.kind === 'lens' ? 2 : 3}
        maxRows={8}
        value={typed}
        placeholder={examples[item.kind]}
        onChange={(event) => read(event.target.value)}
        inputProps={{ maxLength: 4000, spellCheck: false }}
        sx={{
          px: 0.75,
          fontSize: 14,
          bgcolor: 'background.default',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          '&.Mui-focused': { borderColor: 'primary.main' },
        }}
      />
      {said && (
        <Typography component="div" role="status" sx={{ fontSize: 12.5, color: 'text.secondary', mt: 0.25, overflowWrap: 'anywhere' }}>
          {said.count === 0 ? 'Nothing of it was understood.' : `${counted(said.count, 'thing')} read; look them through below.`}
          {said.left.length > 0 && <Box sx={{ color: 'text.primary' }}>Not understood: {said.left.join(' · ')}</Box>}
          {said.notes.map((note) => (
            <Box key={note} sx={{ color: 'text.primary' }}>
              {note}
            </Box>
          ))}
        </Typography>
      )}
    </Box>
  );
}
