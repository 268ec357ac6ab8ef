import { Alert, Box, Button, MenuItem, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { core, type GearItem, type Measured, type MeasureRequest } from '../../../core/core';
import { testSetupFields, type NumberField } from '../../../core/fields';
import { fullName, modesOf } from '../../../gear/gear';
import { askAgain, useKind } from '../../../gear/shelfApi';
import { testedPlusMinus, valueText } from '../../../gear/testWords';
import { acceptTest, unitTests, type UnitTest } from '../../../gear/unitTests';
import { FileButton } from '../../../ui/FileButton';
import { FieldEntry } from '../../../ui/FieldEntry';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { when } from '../../../ui/format';
import type { Row } from '../../../documents/rows';
import { AcceptButton, Outcome } from './Outcome';
import { bringIn, takeOut } from './readingFiles';
import { Readings } from './Readings';
import { StillReader } from './StillReader';
import { readWall } from './wall';

const nothing: Measured = { results: [], readings: [], findings: [], next: null, charts: [], falloff: null };

/** One test: how it is done, what was read, and what it comes to while one reads. */
export function TestView({ row, item, feet }: { row: Row<UnitTest>; item: GearItem; feet: boolean }) {
  const queries = useQueryClient();
  const test = row.value;
  const { measured } = test;
  const procedure = core().procedures.find((p) => p.kind === measured.kind)!;
  const setup = measured.setup ?? {};
  const readings = useMemo(() => measured.readings ?? [], [measured]);
  const isDone = test.acceptedAt !== null;
  const isZoom = Number(item['focalLongMm'] ?? 0) > Number(item['focalShortMm'] ?? Infinity);
  const [still, setStill] = useState(false);
  const [say, setSay] = useState('');
  const [busy, setBusy] = useState(false);
  const said = useMemo(() => core().measure(measured, feet), [measured, feet]);
  const found = Array.isArray(said) ? nothing : said;
  const problems = Array.isArray(said) ? said : [];
  // A file is read for a while: what is typed meanwhile stays.
  const change = (recipe: (now: MeasureRequest) => MeasureRequest) =>
    unitTests.change(row.id, (now) => ({ ...now, measured: recipe(now.measured) }));
  const put = (part: Partial<MeasureRequest>) => change((now) => ({ ...now, ...part }));
  const [told, setTold] = useState('');
  const out = (kind: 'json' | 'csv') => void takeOut(measured, `${fullName(item)} ${procedure.name}`, kind).then(setTold);
  const bring = async (file: File) => {
    const read = await bringIn(file, measured.kind);
    setTold(read.say);
    if (read.into) change(read.into);
  };
  const isStill = procedure.reading.includes('widthMm') && procedure.reading.includes('distanceMm');
  const accept = async () => {
    setBusy(true);
    const failed = await acceptTest(row.id);
    setBusy(false);
    setSay(failed?.say ?? '');
    if (!failed) await askAgain(queries);
  };
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(300px, 420px)' },
        alignItems: 'start',
      }}
    >
      <Box sx={{ display: 'grid', gap: 1.25 }}>
        <Typography sx={{ fontSize: 14 }}>{procedure.finds}</Typography>
        <Box component="ol" sx={{ m: 0, pl: 2.5, fontSize: 14, display: 'grid', gap: 0.25 }}>
          {procedure.steps.map((step) => (
            <li key={step}>{step}</li>
          ))}
        </Box>
        <Box
          role="group"
          aria-label="Setup"
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'repeat(2, minmax(0, 1fr))', sm: 'repeat(auto-fill, minmax(136px, 1fr))' },
            gap: 1,
            '& .MuiInputBase-root': { minHeight: { xs: 48, md: 40 } },
          }}
        >
          {procedure.setup.includes('usedWidthMm') && (
            <OnWhat item={item} onWidth={(usedWidthMm) => put({ setup: { ...setup, usedWidthMm } })} />
          )}
          {procedure.setup.map((key) => (
            <FieldEntry
              key={key}
              field={testSetupFields[key as keyof typeof testSetupFields] as NumberField}
              value={setup[key as 'squeeze']}
              feet={feet}
              problem={problems.find((p) => p.about === `setup.${key}`)?.message}
              onValue={(value) => put({ setup: { ...setup, [key]: value ?? null } })}
            />
          ))}
        </Box>
        {measured.kind === 'falloff' ? (
          <WallStill usedWidthMm={setup.usedWidthMm ?? null} isDone={isDone} onWall={(wall) => put({ wall })} />
        ) : (
          <Readings
            procedure={procedure}
            readings={readings}
            fits={found.readings}
            isZoom={isZoom}
            feet={feet}
            isDone={isDone}
            soFar={found.results
              .filter((r) => r.quantity === found.results[0]!.quantity)
              .map(
                (r) => `${valueText(r.quantity, r.value, r.plusMinus)} ${r.plusMinus > 0 ? testedPlusMinus(r.quantity, r.plusMinus) : ''}`,
              )
              .join(', ')}
            onChange={(next) => put({ readings: next })}
          />
        )}
        {isStill && !isDone && (
          <Button variant="text" sx={{ justifySelf: 'start', minHeight: { xs: 48, md: 40 } }} onClick={() => setStill(true)}>
            Reading from a still
          </Button>
        )}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', '& .MuiButton-root': { minHeight: { xs: 48, md: 40 } } }}>
          {measured.kind !== 'falloff' && readings.length > 0 && <Button onClick={() => out('csv')}>Readings as CSV</Button>}
          {(readings.length > 0 || measured.wall) && <Button onClick={() => out('json')}>As JSON</Button>}
          {!isDone && (
            <FileButton accept=".json,.csv" testId="readings" onFile={(file) => void bring(file)}>
              Bring readings in
            </FileButton>
          )}
        </Box>
        {told && (
          <Typography role="status" sx={{ fontSize: 13.5 }}>
            {told}
          </Typography>
        )}
        {problems
          .filter((p) => !p.about.startsWith('setup.'))
          .map((p) => (
            <Alert key={p.about} severity="error" variant="outlined">
              {p.message} {p.fix}
            </Alert>
          ))}
      </Box>
      <Outcome
        measured={found}
        request={measured}
        feet={feet}
        action={
          <>
            {isDone ? (
              <Typography sx={{ fontSize: 13.5 }}>
                In the record since {when(test.acceptedAt!)}
                {test.by ? `, by ${test.by}` : ''}. It stays as it is; a later test takes its place.
              </Typography>
            ) : (
              <AcceptButton isReady={found.results.length > 0 && !busy && row.refused === ''} onAccept={() => void accept()} />
            )}
            {(say || row.refused) && (
              <Alert severity="error" variant="outlined">
                {say || row.refused}
              </Alert>
            )}
            {row.isUnsaved && row.refused === '' && (
              <Typography role="status" sx={{ fontSize: 12.5, color: 'text.secondary' }}>
                Kept in this browser; it is sent as soon as the server answers.
              </Typography>
            )}
          </>
        }
      />
      {still && (
        <StillReader
          squeeze={setup.squeeze ?? 1}
          markPlusMinusPx={setup.markPlusMinusPx ?? 2}
          feet={feet}
          onClose={() => setStill(false)}
          onRead={(reading) => {
            const blank = readings.findIndex((r) => r.widthMm == null && r.distanceMm == null);
            put({ readings: blank < 0 ? [...readings, reading] : readings.map((r, i) => (i === blank ? { ...r, ...reading } : r)) });
            setStill(false);
          }}
        />
      )}
    </Box>
  );
}

/** The body and mode that the lens is read on: gives the width that the picture shows. */
function OnWhat({ item, onWidth }: { item: GearItem; onWidth: (mm: number) => void }) {
  const bodies = useKind('body').data;
  const [chosen, setChosen] = useState('');
  const cameras = item.kind === 'fixedLensCamera' || item.kind === 'body' ? [item] : (bodies ?? []).map((b) => b.item);
  const modes = cameras.flatMap((camera) =>
    modesOf(camera)
      .filter((mode) => mode.areaWidthMm)
      .map((mode) => ({
        key: `${camera.id} ${mode.name}`,
        label: `${cameras.length > 1 ? `${fullName(camera)}, ` : ''}${mode.name}`,
        mm: mode.areaWidthMm,
      })),
  );
  return modes.length === 0 ? null : (
    <LabelledSelect
      label="On"
      help="The body and its mode give the width that the picture shows."
      value={chosen}
      onChange={(key) => {
        setChosen(key);
        const mode = modes.find((m) => m.key === key);
        if (mode) onWidth(mode.mm);
      }}
    >
      <MenuItem value="">another</MenuItem>
      {modes.map(({ key, label }) => (
        <MenuItem key={key} value={key}>
          {label}
        </MenuItem>
      ))}
    </LabelledSelect>
  );
}

function WallStill({
  usedWidthMm,
  isDone,
  onWall,
}: {
  usedWidthMm: number | null;
  isDone: boolean;
  onWall: (wall: NonNullable<MeasureRequest['wall']>) => void;
}) {
  const [say, setSay] = useState('');
  const bring = async (file: File) => {
    if (usedWidthMm === null) return;
    const wall = await readWall(file, usedWidthMm);
    setSay(wall ? '' : 'This browser cannot read the file as a picture. Save it as JPEG or PNG.');
    if (wall) onWall(wall);
  };
  return isDone ? null : (
    <Box>
      <FileButton
        accept="image/*"
        testId="wall"
        variant="outlined"
        disabled={usedWidthMm === null}
        sx={{ minHeight: { xs: 48, md: 40 } }}
        onFile={(file) => void bring(file)}
      >
        Bring a still of the wall
      </FileButton>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
        {usedWidthMm === null ? 'First say the width used.' : 'Of a usual picture file (sRGB). It is measured here and not stored.'}
      </Typography>
      {say && (
        <Typography role="alert" sx={{ fontSize: 13.5, color: 'error.main' }}>
          {say}
        </Typography>
      )}
    </Box>
  );
}
