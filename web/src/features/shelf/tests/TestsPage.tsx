import { Box, Button, ListItemText, Menu, MenuItem, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { api } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import { core, coreReady, type GearItem, type Procedure } from '../../../core/core';
import { fullName } from '../../../gear/gear';
import { dataOf, patient } from '../../../gear/shelfApi';
import { beginTest, unitTests, type UnitTest } from '../../../gear/unitTests';
import { named, readUnits, useUnits } from '../../../gear/units';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { SaidBar, type Said } from '../../../ui/SaidBar';
import { PageMessage } from '../../../ui/PageMessage';
import { when } from '../../../ui/format';
import { TestView } from './TestView';
import { OneOfThem, UnitsApart } from './UnitsApart';

/** The tests of a thing's physical units: those in the record, and those that are being taken. */
export function TestsPage() {
  const { gear = '' } = useParams();
  const [where, setWhere] = useSearchParams();
  const [said, setSaid] = useState<Said | null>(null);
  const feet = useSettings((s) => s.feet);
  const [ready, setReady] = useState(false);
  useEffect(() => void coreReady.then(() => setReady(true)), []);
  useEffect(() => unitTests.start(), []);
  useEffect(() => void readUnits(), [gear]);
  const { data, error } = useQuery({
    queryKey: ['shelf', 'thing', gear],
    queryFn: ({ signal }) => dataOf(api.GET('/api/shelf/{id}', { params: { path: { id: gear } }, signal }), signal),
    ...patient,
  });
  const models = useQuery({
    queryKey: ['shelf', 'models', gear],
    queryFn: ({ signal }) => dataOf(api.GET('/api/units/{id}/models', { params: { path: { id: gear } }, signal }), signal),
    ...patient,
  });
  const all = unitTests.useRows((s) => s.rows);
  const everyUnit = useUnits((s) => s.units);
  // A unit may have become a model of its own since the test was read; one that was given away is told with its model.
  const modelOf = ({ unitId, gearId }: UnitTest) => everyUnit.find((u) => u.id === unitId)?.gearId ?? gearId;
  const rows = all
    .filter((row) => modelOf(row.value) === gear && !row.isRemoved)
    .sort((a, b) => a.value.updatedAt.localeCompare(b.value.updatedAt));
  const shown = rows.find((row) => row.id === where.get('test')) ?? rows.at(-1);
  const show = (id: string) => setWhere({ test: id }, { replace: true });
  if (!data || !ready) {
    return (
      <PageMessage title={error ? 'This thing cannot be shown now' : 'Opening…'} text={error?.message ?? 'The thing is on its way.'} />
    );
  }
  const item = data.item as GearItem;
  const units = named(everyUnit.filter((unit) => unit.gearId === gear));
  const unit = (units.find(({ unit: { id } }) => id === shown?.value.unitId) ?? units[0])?.unit;
  return (
    <Box component="section" sx={{ p: 1, display: 'grid', gap: 1, alignContent: 'start' }}>
      <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Button component={Link} to="/shelf">
          Shelf
        </Button>
        <Typography variant="h1" sx={{ fontSize: 18, fontWeight: 650 }}>
          Tests of {fullName(item)}
        </Typography>
      </Box>
      <Box role="group" aria-label="Tests" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center' }}>
        {rows.map((row) => (
          <Button
            key={row.id}
            variant={row === shown ? 'outlined' : 'text'}
            aria-pressed={row === shown}
            onClick={() => show(row.id)}
            sx={{
              display: 'grid',
              textAlign: 'left',
              lineHeight: 1.15,
              px: 1,
              py: 0.25,
              minHeight: 44,
              '& small': { fontSize: 11, fontWeight: 400, color: 'text.secondary' },
            }}
          >
            <span>{core().procedures.find((p) => p.kind === row.value.measured.kind)?.name}</span>
            <small>
              {[
                units.length > 1 && units.find(({ unit: { id } }) => id === row.value.unitId)?.name,
                row.value.acceptedAt ? `in the record, ${when(row.value.acceptedAt)}` : `being taken, ${when(row.value.updatedAt)}`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </small>
          </Button>
        ))}
        {units.length > 0 && <NewTest item={item} onNew={(kind) => show(beginTest(kind, unit?.id ?? item.id, item))} />}
        {shown && shown.value.acceptedAt === null && (
          <Button
            onClick={() => {
              const { id, value } = shown;
              unitTests.remove(id);
              setSaid({ text: 'The test is deleted.', undo: () => unitTests.put(id, value) });
            }}
            sx={{ color: 'warning.main' }}
          >
            Delete this test
          </Button>
        )}
      </Box>
      {shown && units.length > 1 && shown.value.acceptedAt === null && (
        <Box sx={{ maxWidth: 280 }}>
          <LabelledSelect
            label="Which of them"
            value={shown.value.unitId}
            onChange={(unitId) => {
              // A test stays one of its unit: for another it begins anew, with what was read.
              const id = beginTest(shown.value.measured.kind, unitId, item);
              unitTests.put(id, { ...shown.value, unitId });
              unitTests.remove(shown.id);
              show(id);
            }}
          >
            {units.map(({ unit: { id }, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </LabelledSelect>
        </Box>
      )}
      {units.length > 1 && <UnitsApart item={item} units={units} tests={rows.map((row) => row.value)} onSaid={setSaid} />}
      <OneOfThem item={item} models={models.data ?? []} onSaid={setSaid} />
      {shown ? (
        <TestView key={shown.id} row={shown} item={item} feet={feet} />
      ) : (
        <PageMessage
          title="Not tested yet"
          text="Papers say what a maker meant. A test of the night before says what this very piece does: its true focal length, its light, its weight."
        >
          {offered(item)
            .slice(0, 2)
            .map((procedure, i) => (
              <Button
                key={procedure.kind}
                variant={i === 0 ? 'contained' : 'outlined'}
                disabled={units.length === 0}
                onClick={() => show(beginTest(procedure.kind, units[0]!.unit.id, item))}
              >
                {procedure.name}
              </Button>
            ))}
        </PageMessage>
      )}
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}

const offered = (item: GearItem): Procedure[] => core().procedures.filter((p) => p.of.includes(item.kind));

function NewTest({ item, onNew }: { item: GearItem; onNew: (kind: Procedure['kind']) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)} sx={{ minHeight: 44 }}>
        New test
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {offered(item).map((procedure) => (
          <MenuItem
            key={procedure.kind}
            sx={{ minHeight: 48 }}
            onClick={() => {
              setAnchor(null);
              onNew(procedure.kind);
            }}
          >
            <ListItemText primary={procedure.name} secondary={procedure.finds} sx={{ whiteSpace: 'normal', maxWidth: 360 }} />
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
