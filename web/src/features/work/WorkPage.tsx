import { preferredTolerances } from '../../gear/tolerances';
import { Box, Button, Tab, Tabs, TextField, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Failure, WorkSummary, Write } from '../../api/client';
import { BringInFile } from '../../documents/BringInFile';
import { CrewFile } from '../../documents/CrewFile';
import { DemoPress } from '../../documents/DemoPress';
import { production, productionVersion } from '../../documents/kinds';
import { startWork, useOutbox } from '../../documents/outbox';
import { newId } from '../../documents/unique';
import { UnsavedWork } from '../../documents/UnsavedWork';
import { type Does, Row } from '../../documents/WorkRow';
import { oneLine } from '../../ui/format';
import { PageMessage } from '../../ui/PageMessage';
import { SaidBar, type Said } from '../../ui/SaidBar';
import { places, useWorks, workKey, type Place } from './works';
import { WorkLines } from './WorkLines';
import { WorkPicture } from './WorkPicture';

const copyName = (name: string) => oneLine(`${name.slice(0, 113)} (copy)`);

/** Everything that the crew has saved, of every kind: found by typing, opened, renamed, copied, deleted with undo, restored. */
export function WorkPage() {
  const [where, setWhere] = useSearchParams();
  const deleted = where.get('deleted') === 'true';
  const only = where.get('kind') ?? '';
  const shown = places.filter(({ kind }) => only === '' || kind.kind === only);
  const set = (name: string, value: string) => {
    const next = new URLSearchParams(where);
    if (value === '') next.delete(name);
    else next.set(name, value);
    setWhere(next, { replace: true });
  };
  const [typed, setTyped] = useState('');
  const search = useDeferredValue(typed.trim());
  const [said, setSaid] = useState<Said | null>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const again = () => queries.invalidateQueries({ queryKey: [workKey] });
  const waiting = useOutbox((s) => s.waiting.length);
  // What has been stored from this browser meanwhile is in the list too.
  useEffect(() => void queries.invalidateQueries({ queryKey: [workKey] }), [queries, waiting]);
  useEffect(() => {
    document.title = 'Work · Juxtopsis';
  }, []);
  const { items, error, isPending, hasMore, more, refetch } = useWorks(deleted, search, only);

  const tell = (outcome: Write<unknown> | Failure | null, done: Said | null) => {
    if (outcome === null || outcome.kind === 'stored') {
      setSaid(done);
    } else if (outcome.kind === 'conflict') {
      setSaid({ text: 'Someone else changed it in this very moment. Try once more.' });
    } else {
      setSaid({ text: `${outcome.say} Nothing was changed.` });
    }
  };
  const setDeleted = async (place: Place, item: WorkSummary, to: boolean) => {
    const outcome = await place.kind.works.setDeleted(item.id, to);
    await again();
    tell(
      outcome,
      to ? { text: `“${item.name}” is deleted.`, undo: () => void setDeleted(place, item, false) } : { text: `“${item.name}” is back.` },
    );
  };
  /** Reads the whole of it and writes it under a name: over itself, or as a new one. */
  const writeAs = async ({ kind }: Place, item: WorkSummary, name: string, id: string, done: Said | null) => {
    const current = await kind.works.read(item.id);
    if (current === null || 'kind' in current) {
      tell(current, null);
      return;
    }
    const outcome = await kind.works.write(id, id === item.id ? current.revision : null, name, current.document);
    await again();
    tell(outcome, done);
  };
  // One for as long as the list stands, so that a row is drawn anew only when it is another.
  const act = useRef<(place: Place) => Does>(null!);
  useEffect(() => {
    act.current = (place) => ({
      rename: (item, name) => void writeAs(place, item, name, item.id, null),
      duplicate: (item) => void writeAs(place, item, copyName(item.name), newId(), { text: `“${copyName(item.name)}” is made.` }),
      setDeleted: (item, to) => void setDeleted(place, item, to),
    });
  });
  const does = useMemo(
    () =>
      new Map<Place, Does>(
        places.map((place) => [
          place,
          {
            rename: (item, name) => act.current(place).rename(item, name),
            duplicate: (item) => act.current(place).duplicate(item),
            setDeleted: (item, to) => act.current(place).setDeleted(item, to),
          },
        ]),
      ),
    [],
  );
  const makeProduction = async () => {
    const id = await startWork(production, {
      name: 'New production',
      document: { schemaVersion: productionVersion, delivery: { aspect: 16 / 9, widthPx: 3840, ...preferredTolerances() } },
    });
    void navigate(`/brief/${id}`);
  };

  return (
    <Box sx={{ maxWidth: 1080, mx: 'auto', p: { xs: 1, md: 2 } }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1, mb: 1 }}>
        <Typography variant="h1" sx={{ flex: 1, minWidth: 80 }}>
          Work
        </Typography>
        <DemoPress onSaid={(text, undo) => setSaid({ text, undo })} />
        <BringInFile places={places} tell={(text) => setSaid({ text })} />
        <Button variant="outlined" onClick={() => void makeProduction()}>
          New production
        </Button>
        <Button variant="contained" component={Link} to="/new">
          New comparison
        </Button>
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 2, rowGap: 1, mb: 1 }}>
        <Tabs value={deleted ? 'deleted' : 'current'} onChange={(_, value) => set('deleted', value === 'deleted' ? 'true' : '')}>
          <Tab value="current" label="Current" />
          <Tab value="deleted" label="Deleted" />
        </Tabs>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={only}
          onChange={(_, value: string | null) => set('kind', value ?? '')}
          aria-label="Which kind"
          sx={{ '& .MuiToggleButton-root': { textTransform: 'none', minHeight: 40, px: 1.25 } }}
        >
          <ToggleButton value="">All</ToggleButton>
          {places.map(({ kind, plural }) => (
            <ToggleButton key={kind.kind} value={kind.kind}>
              {plural}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <TextField
          size="small"
          type="search"
          placeholder="Find by name or note"
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          slotProps={{ htmlInput: { 'aria-label': 'Find by name or note', maxLength: 200 } }}
          sx={{ flex: '1 1 220px' }}
        />
      </Box>
      {shown.map(({ kind, address }) => (
        <UnsavedWork key={kind.kind} kind={kind.kind} address={address} />
      ))}
      {error ? (
        <PageMessage title="The list cannot be shown now" text={`${error.message} It is tried again by itself; what is open goes on.`}>
          <Button variant="contained" onClick={refetch}>
            Try again
          </Button>
        </PageMessage>
      ) : isPending ? null : items.length === 0 ? (
        <PageMessage
          title={search !== '' ? 'Nothing has these words' : deleted ? 'Nothing is deleted' : 'There is nothing yet'}
          text={
            search !== ''
              ? `No name and no note holds “${search}”. Fewer letters find more.`
              : deleted
                ? 'What you delete waits here and can be brought back.'
                : 'A comparison puts rigs side by side; a production holds the shots that are wanted and the places where they are filmed. Begin with either.'
          }
        />
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
          {items.map(({ place, item }) => (
            <Row
              key={item.id}
              item={item}
              word={place.kind.kind}
              address={`${place.address}/${item.id}`}
              storedAt={place.kind.works.storedAt(item.id)}
              picture={<WorkPicture place={place} item={item} />}
              lines={<WorkLines kind={place.kind.kind} lines={item.lines} />}
              does={does.get(place)!}
            />
          ))}
        </Box>
      )}
      {hasMore && (
        <Button sx={{ mt: 2 }} onClick={more}>
          Show more
        </Button>
      )}
      <CrewFile />
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}
