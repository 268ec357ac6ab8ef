import { Autocomplete, Box, Button, createFilterOptions, InputBase, Menu, MenuItem, TextField } from '@mui/material';
import { memo, useId, useState, type RefObject } from 'react';
import { fullName } from '../../gear/gear';
import { useKinds, type ShelfEntry } from '../../gear/shelfApi';

interface SearchFieldProps {
  inputRef: RefObject<HTMLInputElement | null>;
  text: string;
  onText: (text: string) => void;
}

/** While one types, what stands in the field is what was typed; the address follows a moment later, and counts again after that. */
export function SearchField({ inputRef, text, onText }: SearchFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <InputBase
      inputRef={inputRef}
      type="search"
      value={typed ?? text}
      onFocus={() => setTyped(text)}
      onBlur={() => setTyped(null)}
      onChange={(event) => {
        setTyped(event.target.value);
        onText(event.target.value);
      }}
      placeholder="fast wide under 400 g that covers full frame on K-bay"
      inputProps={{ 'aria-label': 'Find gear', maxLength: 200, enterKeyHint: 'search' }}
      sx={{
        flex: '1 1 320px',
        minHeight: 44,
        px: 1.25,
        fontSize: 16,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        '&.Mui-focused': { borderColor: 'primary.main', boxShadow: '0 0 0 1px var(--mui-palette-primary-main)' },
      }}
    />
  );
}

/** Adds a thing: of the kind that is shown, or of one that is chosen. */
export const AddButton = memo(function AddButton({ kind, onAdd }: { kind: string; onAdd: (kind: string) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const kinds = useKinds().filter((k) => k.key !== 'mode');
  const shown = kinds.find((k) => k.key === kind);
  return (
    <>
      <Button
        variant="contained"
        aria-haspopup={shown ? undefined : 'menu'}
        onClick={(event) => (shown ? onAdd(shown.key) : setAnchor(event.currentTarget))}
      >
        Add {shown ? `a ${shown.name.toLowerCase()}` : '…'}
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {kinds.map((k) => (
          <MenuItem
            key={k.key}
            onClick={() => {
              setAnchor(null);
              onAdd(k.key);
            }}
          >
            {k.name}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
});

export const noCameras: ShelfEntry[] = [];

const some = createFilterOptions<ShelfEntry>({ limit: 100 });

/** The camera for which equivalents are told; of many, the first hundred that meet what is typed. */
export const CameraChoice = memo(function CameraChoice({
  cameras,
  camera,
  onChange,
}: {
  cameras: ShelfEntry[];
  camera: ShelfEntry | undefined;
  onChange: (id: string) => void;
}) {
  const id = useId();
  return (
    <Box sx={{ '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: 'text.secondary' } }}>
      <label htmlFor={id}>Equivalents for</label>
      <Autocomplete
        id={id}
        options={cameras}
        value={camera ?? null}
        filterOptions={some}
        autoHighlight
        getOptionLabel={(c) => fullName(c.item)}
        getOptionKey={(c) => c.item.id}
        isOptionEqualToValue={(a, b) => a.item.id === b.item.id}
        onChange={(_, next) => onChange(next?.item.id ?? '')}
        renderInput={(params) => <TextField {...params} size="small" placeholder="each lens’s own format" />}
        sx={{
          '& .MuiInputBase-root': {
            height: 40,
            py: 0,
            fontSize: 14,
            bgcolor: 'background.default',
            '& fieldset': { borderColor: 'divider' },
          },
        }}
      />
    </Box>
  );
});

export const TakeOut = memo(function TakeOut() {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const kinds = useKinds();
  const link = (to: string, label: string) => (
    <MenuItem key={to} component="a" href={to} download onClick={() => setAnchor(null)}>
      {label}
    </MenuItem>
  );
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Take out
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {link('/api/shelf/export.json', 'Everything, as JSON')}
        {link('/api/shelf/export.zip', 'Everything, as tables (ZIP of CSV)')}
        {kinds.map((k) => link(`/api/shelf/export/${k.table}.csv`, `${k.plural}, as CSV`))}
      </Menu>
    </>
  );
});
