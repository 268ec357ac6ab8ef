import { newId } from '../../documents/unique';
import { Autocomplete, Box, Button, createFilterOptions, InputBase, Menu, MenuItem, TextField, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useId, useMemo, useRef, useState, type RefObject } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSearchParams } from 'react-router';
import { useSettings } from '../../app/settings';
import { core, coreReady } from '../../core/core';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { PageMessage } from '../../ui/PageMessage';
import { SaidBar, type Said } from '../../ui/SaidBar';
import { BringIn } from './BringIn';
import { DeletedGear } from './DeletedGear';
import { Facets, Understood } from './Facets';
import { fullName, modesOf } from '../../gear/gear';
import { GearPanel, type Opened } from './GearPanel';
import { areasOf, Circles, LensesInScale } from './Outlines';
import { Rows } from './Rows';
import { SetAside } from './SetAside';
import { addDemo, askAgain, useKind, useKinds, useShelf, type ShelfAsk, type ShelfEntry } from '../../gear/shelfApi';

const asked = (params: URLSearchParams): ShelfAsk => ({
  q: params.get('q') ?? '',
  kind: params.get('kind') ?? '',
  ownership: params.get('ownership') ?? '',
  mount: params.get('mount') ?? '',
  retired: params.get('retired') === 'yes',
  body: params.get('camera') ?? '',
  mode: params.get('mode') ?? '',
  order: params.get('order') ?? '',
});
const names: Record<keyof ShelfAsk, string> = {
  q: 'q',
  kind: 'kind',
  ownership: 'ownership',
  mount: 'mount',
  retired: 'retired',
  body: 'camera',
  mode: 'mode',
  order: 'order',
};

/** The crew's gear: found by typing, told apart by drawings to scale, changed in place. The address holds what is asked for. */
export function ShelfPage() {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    document.title = 'Shelf · Juxtopsis';
    void coreReady.then(() => setReady(true));
  }, []);
  const [params, setParams] = useSearchParams();
  const ask = useMemo(() => asked(params), [params]);
  const feet = useSettings((s) => s.feet);
  const queries = useQueryClient();
  const shelf = useShelf(ask);
  const kinds = useKinds();
  const cameras = useKind('body').data;
  const [opened, setOpened] = useState<Opened | null>(null);
  const [chosen, setChosen] = useState<ShelfEntry[]>([]);
  const [bringing, setBringing] = useState(false);
  const [said, setSaid] = useState<Said | null>(null);
  const search = useRef<HTMLInputElement>(null);
  useHotkeys('slash', () => search.current?.focus(), { preventDefault: true });

  const change = (part: Partial<ShelfAsk>) => {
    // Upon the address as it is now: what was changed a moment ago may not have been drawn yet.
    const next = new URLSearchParams(window.location.search);
    for (const [key, value] of Object.entries(part)) {
      const name = names[key as keyof ShelfAsk];
      const text = value === true ? 'yes' : value === false ? '' : value;
      if (text === '') next.delete(name);
      else next.set(name, text);
    }
    setParams(next, { replace: true });
  };

  const pages = shelf.data?.pages;
  const first = pages?.[0];
  const items = useMemo(() => pages?.flatMap((page) => page.items) ?? [], [pages]);
  const camera = cameras?.find((c) => c.item.id === ask.body);
  const open = (entry: ShelfEntry) => setOpened({ item: entry.item, revision: entry.revision, retiredAt: entry.retiredAt ?? null });
  const say = (text: string, undo?: () => void) => setSaid({ text, undo });
  const demo = async () => {
    const outcome = await addDemo();
    await askAgain(queries);
    say('kind' in outcome ? outcome.say : `${outcome.added} things of the demo are on the shelf.`);
  };
  const lenses = chosen.filter((c) => c.item.kind === 'lens').map((c) => c.item);

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1, p: 1, minHeight: '100%', maxWidth: 1720, mx: 'auto' }}>
      <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
        <Typography variant="h1" sx={{ pr: 1 }}>
          Shelf
        </Typography>
        <SearchField inputRef={search} text={ask.q} onText={(q) => change({ q })} />
        <AddButton
          kind={ask.kind}
          onAdd={(kind) => setOpened({ item: { kind, id: newId(), name: '' }, revision: null, retiredAt: null })}
        />
        <Button onClick={() => setBringing(true)}>Bring in</Button>
        <TakeOut />
        <DeletedGear count={first?.deleted ?? 0} onSaid={say} />
      </Box>
      <SetAside things={first?.setAside ?? []} />
      <Understood understood={first?.understood ?? []} text={ask.q} onText={(q) => change({ q })} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'end', position: 'relative' }}>
        <Facets ask={ask} page={first} onChange={change} />
        <Box sx={{ display: 'flex', gap: 1, ml: 'auto', position: { md: 'absolute' }, right: 0, bottom: 0, '& > *': { width: 190 } }}>
          <CameraChoice cameras={cameras ?? noCameras} camera={camera} onChange={(body) => change({ body, mode: '' })} />
          {camera && (
            <LabelledSelect
              label="in its mode"
              value={ask.mode || (modesOf(camera.item)[0]?.name ?? '')}
              onChange={(mode) => change({ mode })}
            >
              {modesOf(camera.item).map((mode) => (
                <MenuItem key={mode.name} value={mode.name}>
                  {mode.name}
                </MenuItem>
              ))}
            </LabelledSelect>
          )}
        </Box>
      </Box>
      {shelf.error && !pages ? (
        <PageMessage title="The shelf cannot be shown now" text={`${shelf.error.message} Rigs on the Bench keep their parts all the same.`}>
          <Button variant="contained" onClick={() => void shelf.refetch()}>
            Try again
          </Button>
        </PageMessage>
      ) : !first ? null : first.onShelf === 0 ? (
        <PageMessage title="The shelf is empty" text="Add what you own or can get, bring in a file of it, or start with the demo’s gear.">
          <Button variant="contained" onClick={() => void demo()}>
            Put the demo gear on it
          </Button>
          <Button onClick={() => setBringing(true)}>Bring in a file</Button>
        </PageMessage>
      ) : (
        <Rows
          items={items}
          total={first.total}
          forCamera={camera !== undefined}
          chosen={chosen}
          isStale={shelf.isPlaceholderData}
          hasMore={shelf.hasNextPage}
          onMore={() => void shelf.fetchNextPage()}
          onOpen={open}
          onChoose={(entry, on) => setChosen((now) => (on ? [...now, entry] : now.filter((c) => c.item.id !== entry.item.id)))}
          onClear={() => change({ q: '', kind: '', ownership: '', mount: '', retired: false })}
        />
      )}
      {ready && lenses.length > 0 && <SideBySide lenses={lenses} camera={camera} mode={ask.mode} onClear={() => setChosen([])} />}
      {ready && kinds.length > 0 && opened && (
        <GearPanel
          key={opened.item.id + String(opened.revision)}
          opened={opened}
          camera={camera}
          mode={ask.mode}
          feet={feet}
          onSaid={say}
          onOpen={setOpened}
        />
      )}
      {bringing && <BringIn onClose={() => setBringing(false)} onSaid={say} />}
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}

interface SearchFieldProps {
  inputRef: RefObject<HTMLInputElement | null>;
  text: string;
  onText: (text: string) => void;
}

/** While one types, what stands in the field is what was typed; the address follows a moment later, and counts again after that. */
function SearchField({ inputRef, text, onText }: SearchFieldProps) {
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
function AddButton({ kind, onAdd }: { kind: string; onAdd: (kind: string) => void }) {
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
}

const noCameras: ShelfEntry[] = [];
const some = createFilterOptions<ShelfEntry>({ limit: 100 });

/** The camera for which equivalents are told; of many, the first hundred that meet what is typed. */
function CameraChoice({
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
}

function TakeOut() {
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
}

/** Chosen lenses in one scale, and their circles over the sensor. */
function SideBySide({
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
          circles over {areas[0]?.name.toLowerCase()}; another scale
        </Typography>
      </Box>
      <Button onClick={onClear}>Clear</Button>
    </Box>
  );
}
