import { Box, Dialog, InputBase, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useId, useState, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import { hasWords } from '../ui/words';
import { useSettings } from './settings';
import { findAll, type Found } from './finding';

interface FindDialogProps {
  onClose: () => void;
  /** What is done here and now, rather than at another address. */
  commands: { switchLight: () => void; toggleFeet: () => void; showKeys: () => void; takeTour: () => void };
}

/** One search for everything: saved work, rigs, shots, places, gear, and what can be done. */
export function FindDialog({ onClose, commands }: FindDialogProps) {
  const navigate = useNavigate();
  const id = useId();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const words = useDeferredValue(typed.trim());
  const here: Found[] = [
    { group: 'Do', name: 'Daylight, or Set for a dark stage', act: commands.switchLight },
    { group: 'Do', name: 'Metres, or feet and inches', act: commands.toggleFeet },
    { group: 'Do', name: 'How far off figures may be', act: useSettings.getState().toggleMargins },
    { group: 'Do', name: 'Show the keys', act: commands.showKeys },
    { group: 'Do', name: 'Take the tour', act: commands.takeTour },
  ];
  const { data, error, isPlaceholderData } = useQuery({
    queryKey: ['find', words],
    queryFn: ({ signal }) => findAll(words, signal),
    placeholderData: (before) => before,
    retry: false,
  });
  const all = [...(data ?? []), ...here.filter((one) => hasWords(one.name, words))];
  const chosen = Math.min(at, all.length - 1);
  /** Whether the list is of what is typed by now, and not of what was typed before. */
  const isOfTyped = typed.trim() === words && (error !== null || (data !== undefined && !isPlaceholderData));
  const [entered, setEntered] = useState(false);
  const take = (one: Found | undefined) => {
    if (one) {
      onClose();
      if (one.to !== undefined) void navigate(one.to);
      one.act?.();
    }
  };
  useEffect(() => {
    if (entered && isOfTyped) {
      take(all[chosen]);
    }
  });
  const press = (event: KeyboardEvent) => {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const next = (chosen + (event.key === 'ArrowDown' ? 1 : -1) + all.length) % Math.max(1, all.length);
      setAt(next);
      document.getElementById(`${id}-${next}`)?.scrollIntoView({ block: 'nearest' });
    } else if (event.key === 'Enter') {
      event.preventDefault();
      setEntered(true);
    }
  };
  return (
    <Dialog
      open
      onClose={onClose}
      aria-label="Find anything"
      maxWidth="sm"
      fullWidth
      sx={{ '& .MuiDialog-container': { alignItems: 'flex-start' }, '& .MuiDialog-paper': { mt: { xs: 1, sm: 8 } } }}
    >
      <InputBase
        autoFocus
        fullWidth
        value={typed}
        placeholder="A shot, a rig, gear, a place, or what to do"
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
          setEntered(false);
        }}
        onKeyDown={press}
        inputProps={{
          'aria-label': 'Find anything',
          role: 'combobox',
          'aria-expanded': true,
          'aria-controls': `${id}-list`,
          'aria-activedescendant': all.length > 0 ? `${id}-${chosen}` : undefined,
          maxLength: 200,
        }}
        sx={{ px: 2, minHeight: 56, fontSize: 17, borderBottom: 1, borderColor: 'divider' }}
      />
      <Box
        component="ul"
        role="listbox"
        id={`${id}-list`}
        aria-label="Found"
        sx={{ listStyle: 'none', m: 0, p: 0.5, minHeight: 120, overflowY: 'auto' }}
      >
        {error && <Typography sx={{ p: 1.5, fontSize: 14 }}>{error.message}</Typography>}
        {data && all.length === 0 && (
          <Typography sx={{ p: 1.5, fontSize: 14 }}>Nothing has these words. Fewer letters find more.</Typography>
        )}
        {all.map((one, i) => (
          <Box
            component="li"
            role="option"
            key={`${one.group} ${one.to ?? ''} ${one.name}`}
            id={`${id}-${i}`}
            aria-selected={i === chosen}
            onClick={() => take(one)}
            onMouseMove={() => setAt(i)}
            sx={{
              display: 'grid',
              gridTemplateColumns: '92px minmax(0, 1fr)',
              alignItems: 'center',
              columnGap: 1,
              minHeight: 40,
              px: 1,
              py: 0.25,
              borderRadius: 1,
              cursor: 'pointer',
              fontSize: 14,
              '&[aria-selected=true]': { bgcolor: 'background.default', boxShadow: 'inset 3px 0 0 var(--mui-palette-primary-main)' },
              '& small': { fontSize: 12.5, color: 'text.secondary' },
            }}
          >
            <small>{one.group}</small>
            <span style={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
              {one.name} {one.more && <small>· {one.more}</small>}
            </span>
          </Box>
        ))}
      </Box>
    </Dialog>
  );
}
