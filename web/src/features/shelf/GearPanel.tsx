import { newId } from '../../documents/unique';
import { Alert, Box, Button, IconButton, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { core, type Diagnostic, type GearField, type GearItem } from '../../core/core';
import { CloseIcon } from '../../ui/icons';
import { IntoBag } from './IntoBag';
import { UnitsOf } from '../../gear/UnitsOf';
import { fullName } from '../../gear/gear';
import { FormTexts, FormTextsContext } from '../../ui/formTexts';
import { dropGearDraft, gearDraftOf, keepGearDraft, type GearDraft } from './gearDrafts';
import { GearForm } from './GearForm';
import { TestedOf } from './tests/TestedOf';
import { newMounts } from './newMounts';
import { areasOf, Circles } from './Outlines';
import {
  addMounts,
  askAgain,
  deleteGear,
  restoreGear,
  retireGear,
  useKind,
  useKinds,
  useWays,
  writeGear,
  type ShelfEntry,
} from '../../gear/shelfApi';

/** What stands open: a thing of the shelf, or a new one. */
export interface Opened {
  item: GearItem;
  /** The revision that it grew from; null for a new thing. */
  revision: number | null;
  retiredAt: string | null;
}

interface GearPanelProps {
  opened: Opened;
  camera: ShelfEntry | undefined;
  mode: string;
  feet: boolean;
  onSaid: (text: string, undo?: () => void) => void;
  onOpen: Dispatch<SetStateAction<Opened | null>>;
}

/** What is known, in an order of its own, for comparing. */
const plainItem = (item: GearItem) =>
  JSON.stringify(
    Object.entries(item)
      .filter(([, value]) => value !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );

/** A thing of the shelf: what is known of it, and what can be done with it. */
export function GearPanel({ opened, camera, mode, feet, onSaid, onOpen }: GearPanelProps) {
  const queries = useQueryClient();
  const [left, setLeft] = useState(() => gearDraftOf(opened));
  const [item, setItem] = useState(left?.item ?? opened.item);
  const [form, setForm] = useState(() => new FormTexts(new Map(Object.entries(left?.texts ?? {}))));
  const base = left ? left.revision : opened.revision;
  const [errors, setErrors] = useState<Diagnostic[]>([]);
  const [theirs, setTheirs] = useState<ShelfEntry | null>(null);
  const [say, setSay] = useState('');
  const [busy, setBusy] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const mounts = useKind('mount').data?.map((m) => m.item.name);
  const changed = opened.revision === null || plainItem(item) !== plainItem(opened.item);
  // What would be kept when the form is left now; null once it is saved or gone.
  const leaving = useRef<(() => GearDraft | null) | null>(null);
  const gone = useRef(false);
  useEffect(() => {
    leaving.current = () =>
      !gone.current && (form.texts.size > 0 || plainItem(item) !== plainItem(opened.item))
        ? { item, revision: base, texts: Object.fromEntries(form.texts) }
        : null;
  });
  const kind = useKinds().find((k) => k.key === item.kind)!;
  const name = item.name.trim() === '' ? `New ${kind.name.toLowerCase()}` : fullName(item);

  useEffect(() => box.current?.querySelector<HTMLElement>('[data-close]')?.focus({ preventScroll: true }), []);
  useEffect(() => {
    const keep = () => {
      const draft = leaving.current?.();
      if (draft) {
        keepGearDraft(draft);
      } else {
        dropGearDraft(opened);
      }
    };
    window.addEventListener('pagehide', keep);
    return () => {
      window.removeEventListener('pagehide', keep);
      keep();
    };
  }, [opened]);
  const startOver = () => {
    dropGearDraft(opened);
    setLeft(undefined);
    setItem(opened.item);
    setForm(new FormTexts(new Map()));
    setErrors([]);
    setSay('');
  };

  // Another thing may have been opened while an answer was on its way: that one stays.
  const close = () => {
    if (leaving.current?.()) {
      // After this key, which would close what is said as well.
      setTimeout(() => onSaid(`What you typed of “${name}” is kept here; open it again to go on.`));
    }
    onOpen((now) => (now === opened ? null : now));
  };
  /** It is saved or gone: nothing of it is kept. */
  const finish = () => {
    gone.current = true;
    dropGearDraft({ item, revision: base });
    onOpen((now) => (now === opened ? null : now));
  };
  const save = async (on = base) => {
    if (form.texts.size > 0) {
      setSay(
        `Nothing was written: ${[...form.texts].map(([field, text]) => `“${text}” in ${field}`).join(', ')} cannot be read. Mend or empty it.`,
      );
      return;
    }
    setBusy(true);
    setSay('');
    const outcome = (await addMounts(newMounts(item, kind.fields, mounts))) ?? (await writeGear(item, on));
    setBusy(false);
    setErrors(outcome.kind === 'fields' ? outcome.errors : []);
    if (outcome.kind === 'stored') {
      finish();
      onSaid(`“${fullName(outcome.entry.item)}” is kept.`);
      await askAgain(queries);
    } else if (outcome.kind === 'conflict') {
      setTheirs(outcome.current);
    } else if (outcome.kind === 'fields') {
      const elsewhere = outcome.errors.filter((e) => !kind.fields.some((f) => e.about === f.key || e.about.startsWith(`${f.key}[`)));
      setSay(elsewhere.length > 0 ? elsewhere.map((e) => e.message).join(' ') : 'Nothing was written: mend the fields that are marked.');
    } else {
      setSay(`${outcome.say} What you typed is still here.`);
    }
  };
  const remove = async () => {
    const outcome = await deleteGear(item.id);
    if (outcome && 'kind' in outcome) {
      setSay(outcome.say);
      return;
    }
    finish();
    if (outcome === null) {
      return;
    }
    const was = outcome.was as ShelfEntry;
    if (outcome.retired) {
      onSaid(
        `“${fullName(was.item)}” is retired rather than deleted: it is used by ${outcome.usedBy.join(', ')}.`,
        () => void again(() => restoreGear(was.item.id)),
      );
    } else {
      onSaid(`“${fullName(was.item)}” is deleted.`, () => void again(() => restoreGear(was.item.id)));
    }
    await askAgain(queries);
  };
  const again = async (undo: () => Promise<unknown>) => {
    await undo();
    await askAgain(queries);
  };
  const retire = async (retired: boolean) => {
    const set = (on: boolean) => (on ? retireGear : restoreGear)(item.id);
    const outcome = await set(retired);
    if (outcome && 'kind' in outcome) {
      setSay(outcome.say);
      return;
    }
    finish();
    onSaid(`“${name}” is ${retired ? 'retired: kept, and offered no more' : 'offered again'}.`, () => void again(() => set(!retired)));
    await askAgain(queries);
  };
  const duplicate = () =>
    onOpen({ item: { ...item, id: newId(), name: `${item.name.slice(0, 290)} (copy)` }, revision: null, retiredAt: null });

  return (
    <Box
      ref={box}
      role="dialog"
      aria-label={name}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented && !(event.target as HTMLElement).closest('[aria-expanded=true]')) {
          close();
        }
      }}
      sx={{
        position: 'fixed',
        zIndex: { xs: 7, md: 5 },
        right: 0,
        left: { xs: 0, sm: 'auto' },
        top: 0,
        bottom: 0,
        width: { xs: 'auto', sm: 440 },
        display: 'flex',
        flexDirection: 'column',
        bgcolor: 'background.paper',
        borderLeft: 1,
        borderColor: 'divider',
        boxShadow: '0 0 24px rgb(0 0 0 / 0.18)',
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', pl: 1.5, pr: 0.5, minHeight: 48, borderBottom: 1, borderColor: 'divider' }}>
        <Typography component="h2" noWrap sx={{ flex: 1, fontSize: 16, fontWeight: 650 }} title={name}>
          {name}
        </Typography>
        <IconButton data-close aria-label="Close" onClick={close}>
          <CloseIcon />
        </IconButton>
      </Box>
      <Box
        tabIndex={0}
        role="region"
        aria-label={`${name}, what is known`}
        sx={{ flex: 1, overflowY: 'auto', p: 1.5, display: 'grid', gap: 1.25, alignContent: 'start' }}
      >
        {left && (
          <Alert
            severity="info"
            variant="outlined"
            action={
              <Button size="small" color="inherit" onClick={startOver}>
                Start over
              </Button>
            }
          >
            Here is what you had typed before.
          </Alert>
        )}
        {theirs && (
          <Alert
            severity="warning"
            variant="outlined"
            action={
              <Box sx={{ display: 'grid' }}>
                <Button
                  size="small"
                  color="inherit"
                  onClick={() => {
                    finish();
                    onOpen({ item: theirs.item, revision: theirs.revision, retiredAt: theirs.retiredAt ?? null });
                  }}
                >
                  Take theirs
                </Button>
                <Button
                  size="small"
                  color="inherit"
                  onClick={() => {
                    setTheirs(null);
                    void save(theirs.revision);
                  }}
                >
                  Keep mine
                </Button>
              </Box>
            }
          >
            Someone else changed this since you opened it: {changesBetween(theirs.item, item, kind.fields)}.
          </Alert>
        )}
        {opened.retiredAt && (
          <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>Retired: kept for what used it, and offered no more.</Typography>
        )}
        {item.kind === 'lens' && <Circles lenses={[item]} areas={areasOf(camera?.item, mode, core().formats)} formats={core().formats} />}
        {(item.kind === 'body' || item.kind === 'fixedLensCamera') && Array.isArray(item.modes) && (
          <Circles
            lenses={[]}
            areas={(item.modes as { name: string; areaWidthMm: number; areaHeightMm: number }[]).map((m) => ({
              name: m.name,
              widthMm: m.areaWidthMm,
              heightMm: m.areaHeightMm,
            }))}
            formats={[]}
          />
        )}
        {item.kind === 'lens' && camera && opened.revision !== null && <Ways camera={camera} lens={item.id} mode={mode} />}
        <FormTextsContext value={form}>
          <GearForm
            key={String(left !== undefined)}
            item={item}
            isNew={opened.revision === null}
            errors={errors}
            feet={feet}
            mounts={(mounts ?? []).filter((m) => item.kind !== 'mount' || m !== opened.item.name)}
            onChange={setItem}
          />
        </FormTextsContext>
        {opened.revision !== null && item.kind !== 'mount' && <TestedOf item={opened.item} />}
        {opened.revision !== null && item.kind !== 'mount' && <UnitsOf gearId={item.id} />}
      </Box>
      {say && (
        // Beside what was pressed: the form may be scrolled to anywhere.
        <Alert severity="error" variant="outlined" sx={{ mx: 1, mb: 1 }}>
          {say}
        </Alert>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, p: 1, borderTop: 1, borderColor: 'divider' }}>
        <Button variant="contained" disabled={!changed || busy} onClick={() => void save()}>
          {opened.revision === null ? 'Add to the shelf' : 'Keep changes'}
        </Button>
        {opened.revision !== null && (
          <>
            {item.kind !== 'mount' && opened.retiredAt === null && <IntoBag thing={item.id} name={name} onSaid={onSaid} />}
            <Button onClick={duplicate}>Duplicate</Button>
            <Button onClick={() => void retire(opened.retiredAt === null)}>{opened.retiredAt === null ? 'Retire' : 'Offer again'}</Button>
            <Button onClick={() => void remove()} sx={{ ml: 'auto', color: 'warning.main' }}>
              Delete
            </Button>
          </>
        )}
      </Box>
    </Box>
  );
}

/** What two versions of a thing differ in, by the labels of its fields. */
function changesBetween(theirs: GearItem, mine: GearItem, fields: GearField[]): string {
  const differing = fields.filter((f) => JSON.stringify(theirs[f.key]) !== JSON.stringify(mine[f.key])).map((f) => f.label.toLowerCase());
  return differing.length === 0 ? 'theirs says the same now' : `theirs differs from yours in ${differing.join(', ')}`;
}

/** How a lens goes on the chosen camera, best first. */
function Ways({ camera, lens, mode }: { camera: ShelfEntry; lens: string; mode: string }) {
  const { data, error } = useWays(camera.item.id, lens, mode);
  return (
    <Box component="section" aria-label={`On ${camera.item.name}`}>
      <Typography component="h3" sx={{ fontSize: 13, fontWeight: 650 }}>
        On {fullName(camera.item)}
      </Typography>
      {error && <Typography sx={{ fontSize: 13 }}>{error.message}</Typography>}
      {data?.length === 0 && <Typography sx={{ fontSize: 13 }}>Nothing on the shelf joins the two.</Typography>}
      <Box
        component="ol"
        sx={{ m: 0, pl: 2.5, fontSize: 13, '& li': { py: 0.25 }, '& small': { color: 'text.secondary', fontSize: 12.5, display: 'block' } }}
      >
        {data?.slice(0, 5).map((way) => (
          <li key={way.links.join()}>
            {way.links.length === 0 ? 'straight on' : way.links.join(' and ')}
            <small>{way.why}</small>
          </li>
        ))}
      </Box>
    </Box>
  );
}
