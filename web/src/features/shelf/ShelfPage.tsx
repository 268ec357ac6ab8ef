import { newId } from '../../documents/unique';
import { Box, Button, MenuItem, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSearchParams } from 'react-router';
import { useSettings } from '../../app/settings';
import { coreReady } from '../../core/core';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { PageMessage } from '../../ui/PageMessage';
import { SaidBar, type Said } from '../../ui/SaidBar';
import { BringIn } from './BringIn';
import { DeletedGear } from './DeletedGear';
import { changeDemo, DemoPress } from '../../documents/DemoPress';
import { Facets, Understood } from './Facets';
import { modesOf } from '../../gear/gear';
import { GearPanel, type Opened } from './GearPanel';
import { Rows } from './Rows';
import { SetAside } from './SetAside';
import { readGear, useKind, useKinds, useShelf, type ShelfAsk, type ShelfEntry } from '../../gear/shelfApi';
import { SearchField, AddButton, TakeOut, CameraChoice, noCameras } from './ShelfTools';
import { SideBySide } from './SideBySide';

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

  const latest = useRef(setParams);
  useEffect(() => {
    latest.current = setParams;
  });
  // These stay the same, so that nothing that stays is drawn anew with every key that is typed.
  const change = useCallback((part: Partial<ShelfAsk>) => {
    // Upon the address as it is now: what was changed a moment ago may not have been drawn yet.
    const next = new URLSearchParams(window.location.search);
    for (const [key, value] of Object.entries(part)) {
      const name = names[key as keyof ShelfAsk];
      const text = value === true ? 'yes' : value === false ? '' : value;
      if (text === '') next.delete(name);
      else next.set(name, text);
    }
    latest.current(next, { replace: true });
  }, []);
  const chooseCamera = useCallback((body: string) => change({ body, mode: '' }), [change]);
  const add = useCallback((kind: string) => setOpened({ item: { kind, id: newId(), name: '' }, revision: null, retiredAt: null }), []);
  useOpenedByAddress(add, setOpened, setBringing);

  const pages = shelf.data?.pages;
  const first = pages?.[0];
  const items = useMemo(() => pages?.flatMap((page) => page.items) ?? [], [pages]);
  const camera = cameras?.find((c) => c.item.id === ask.body);
  const open = useCallback(
    (entry: ShelfEntry) => setOpened({ item: entry.item, revision: entry.revision, retiredAt: entry.retiredAt ?? null }),
    [],
  );
  const choose = useCallback(
    (entry: ShelfEntry, on: boolean) => setChosen((now) => (on ? [...now, entry] : now.filter((c) => c.item.id !== entry.item.id))),
    [],
  );
  const say = useCallback((text: string, undo?: () => void) => setSaid({ text, undo }), []);
  const bringDemo = () => void changeDemo(true, queries, say);
  const isEmpty = first?.onShelf === 0;
  const lenses = chosen.filter((c) => c.item.kind === 'lens').map((c) => c.item);

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1, p: 1, minHeight: '100%', maxWidth: 1720, mx: 'auto' }}>
      <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
        <Typography variant="h1" sx={{ pr: 1 }}>
          Shelf
        </Typography>
        <SearchField inputRef={search} text={ask.q} onText={(q) => change({ q })} />
        <AddButton kind={ask.kind} onAdd={add} />
        <Button onClick={() => setBringing(true)}>Bring in</Button>
        <TakeOut />
        <DeletedGear count={first?.deleted ?? 0} onSaid={say} />
        {!isEmpty && <DemoPress onSaid={say} />}
      </Box>
      <SetAside things={first?.setAside ?? []} />
      <Understood understood={first?.understood ?? []} text={ask.q} onText={(q) => change({ q })} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'end', position: 'relative' }}>
        {!isEmpty && <Facets ask={ask} page={first} onChange={change} />}
        <Box
          sx={{
            display: isEmpty ? 'none' : 'flex',
            gap: 1,
            ml: 'auto',
            position: { md: 'absolute' },
            right: 0,
            bottom: 0,
            '& > *': { width: 190 },
          }}
        >
          <CameraChoice cameras={cameras ?? noCameras} camera={camera} onChange={chooseCamera} />
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
      ) : !first ? null : isEmpty ? (
        <PageMessage
          title="The shelf is empty"
          text="Add what you own or can get, bring in a file of it, or try everything first with the demo’s gear and work."
        >
          <Button variant="contained" onClick={() => add('body')}>
            Add a body
          </Button>
          <Button variant="outlined" onClick={() => add('lens')}>
            Add a lens
          </Button>
          <Button variant="outlined" onClick={() => setBringing(true)}>
            Bring in a file
          </Button>
          <Button onClick={bringDemo}>Bring the demo</Button>
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
          onChoose={choose}
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

/** Opens what the address names: a thing, a form for a new one, or bringing files in. The address forgets it then. */
function useOpenedByAddress(add: (kind: string) => void, open: (opened: Opened) => void, bring: (on: boolean) => void): void {
  const [params, setParams] = useSearchParams();
  const [thing, kind, files] = ['open', 'add', 'bring'].map((name) => params.get(name));
  useEffect(() => {
    if (thing === null && kind === null && files === null) {
      return;
    }
    setParams(
      (now) => {
        const next = new URLSearchParams(now);
        ['open', 'add', 'bring'].forEach((name) => next.delete(name));
        return next;
      },
      { replace: true },
    );
    if (kind) add(kind);
    if (files) bring(true);
    if (thing) {
      void readGear(thing).then((entry) => {
        if (entry && 'item' in entry) open({ item: entry.item, revision: entry.revision, retiredAt: entry.retiredAt ?? null });
      });
    }
  }, [thing, kind, files, add, open, bring, setParams]);
}
