import { Box, Button, IconButton, Tooltip, Typography } from '@mui/material';
import { useContext } from 'react';
import type { Diagnostic, GearField } from '../../core/core';
import type { Mode } from '../../gear/gear';
import { useKinds } from '../../gear/shelfApi';
import { EntryField } from '../../ui/EntryField';
import { plain } from '../../ui/format';
import { FormTextsContext } from '../../ui/formTexts';
import { CloseIcon } from '../../ui/icons';
import { Fold } from './Fold';
import { FormField } from './FormField';
import { formGrid } from './formGrid';
import { afterPixels, oneMore, readArea, type Sensor } from './modes';

interface ModesFormProps {
  modes: Mode[];
  sensor: Sensor;
  errors: Diagnostic[];
  feet: boolean;
  onChange: (modes: Mode[]) => void;
}

/** What two fields of one thing tell together, as one text. */
const pair = (width: number | undefined, height: number | undefined, unit: string): string =>
  width === undefined || height === undefined ? '' : `${plain(width, 3)} × ${plain(height, 3)} ${unit}`;

const told = ['widthPx', 'heightPx', 'areaWidthMm', 'areaHeightMm'];

/** The recording modes of a camera, each with its own part of the sensor. */
export function ModesForm({ modes, sensor, errors, feet, onChange }: ModesFormProps) {
  const { fields } = useKinds().find((k) => k.key === 'mode')!;
  const whole = errors.find((e) => e.about === 'modes')?.message;
  const form = useContext(FormTextsContext);
  const takeOut = (i: number) => {
    modes.forEach((_, at) => at >= i && form?.forget(`mode ${at + 1}`));
    onChange(modes.filter((_, at) => at !== i));
  };
  return (
    <Box component="section" aria-label="Recording modes" sx={{ gridColumn: '1 / -1', display: 'grid', gap: 1 }}>
      <Typography component="h3" sx={{ fontSize: 13, fontWeight: 650 }}>
        Recording modes
      </Typography>
      {whole && (
        <Box role="alert" sx={{ fontSize: 12.5, color: 'error.main' }}>
          {whole}
        </Box>
      )}
      {modes.map((mode, i) => (
        <Box key={i} role="group" aria-label={`Mode ${mode.name}`} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1, pt: 0 }}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', fontSize: 13, fontWeight: 650 }}>
            {mode.name}
            <Tooltip title="Take this mode out">
              <IconButton aria-label={`Take out mode ${mode.name}`} onClick={() => takeOut(i)}>
                <CloseIcon />
              </IconButton>
            </Tooltip>
          </Box>
          <FormTextsContext value={form?.part(`mode ${i + 1}`) ?? null}>
            <OneMode
              mode={mode}
              sensor={sensor}
              fields={fields}
              problem={(key) => errors.find((e) => e.about === `modes[${i}].${key}`)?.message}
              feet={feet}
              others={modes.filter((_, at) => at !== i)}
              onChange={(next) => onChange(modes.map((m, at) => (at === i ? next : m)))}
            />
          </FormTextsContext>
        </Box>
      ))}
      <Button onClick={() => onChange([...modes, oneMore(modes, sensor)])} sx={{ justifySelf: 'start' }}>
        Add a mode
      </Button>
    </Box>
  );
}

interface OneModeProps {
  mode: Mode;
  sensor: Sensor;
  fields: GearField[];
  problem: (key: string) => string | undefined;
  feet: boolean;
  others: Mode[];
  onChange: (mode: Mode) => void;
}

function OneMode({ mode, sensor, fields, problem, feet, others, onChange }: OneModeProps) {
  const field = (f: GearField) => (
    <FormField
      key={f.key}
      kind="mode"
      field={f}
      value={mode[f.key]}
      problem={problem(f.key)}
      feet={feet}
      mounts={[]}
      onChange={(value) => onChange({ ...mode, [f.key]: value })}
    />
  );
  const first = fields.filter((f) => f.subject === '' && !told.includes(f.key));
  const rest = fields.filter((f) => f.subject !== '');
  return (
    <Box sx={formGrid}>
      <EntryField
        label="Pixels"
        help="Recorded pixels, across and up: UHD, 4K, or 6000 x 4000."
        kind="recordedPixels"
        shown={pair(mode.widthPx, mode.heightPx, 'px')}
        placeholder="not known"
        problem={problem('widthPx') ?? problem('heightPx')}
        onClear={() => onChange(afterPixels(mode, null, sensor, others))}
        onValue={(across, up) => up !== null && onChange(afterPixels(mode, [across, up], sensor, others))}
      />
      <EntryField
        label="Used area"
        help="The part of the sensor that it reads: a size (29.2 x 16.4), a crop against the full width (1.21x), or a field with a known lens (54.4° with 35 mm)."
        kind="sensorArea"
        read={(text) => readArea(text, sensor, mode)}
        shown={mode.areaWidthMm ? pair(mode.areaWidthMm, mode.areaHeightMm, 'mm') : ''}
        placeholder="1.21x, or 29.2 x 16.4"
        problem={problem('areaWidthMm') ?? problem('areaHeightMm')}
        onValue={(width, height) => height !== null && onChange({ ...mode, areaWidthMm: width, areaHeightMm: height })}
      />
      {first.map(field)}
      <Fold
        title={rest[0]!.subject}
        known={rest.filter((f) => mode[f.key] !== undefined).length}
        hasProblem={rest.some((f) => problem(f.key) !== undefined)}
      >
        {rest.map(field)}
      </Fold>
    </Box>
  );
}
