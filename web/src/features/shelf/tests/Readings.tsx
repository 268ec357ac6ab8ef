import { Box, Button, Checkbox, FormControlLabel, MenuItem } from '@mui/material';
import type { Measured, Procedure, TestReading } from '../../../core/core';
import { testReadingFields, type NumberField } from '../../../core/fields';
import { FieldEntry } from '../../../ui/FieldEntry';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { counted } from '../../../ui/format';

interface ReadingsProps {
  procedure: Procedure;
  readings: TestReading[];
  fits: Measured['readings'];
  isZoom: boolean;
  feet: boolean;
  /** True once the test is in the record: then nothing is changed. */
  isDone: boolean;
  /** The result so far, for where it is far below; empty before there is one. */
  soFar: string;
  onChange: (readings: TestReading[]) => void;
}

/** What a reading is asked for: of a rectangle that is counted in a still its own width, and not what is seen. */
function fieldOf({ kind }: Procedure, key: string): NumberField {
  const field = testReadingFields[key as keyof typeof testReadingFields] as NumberField;
  return kind === 'squeeze' && key === 'widthMm' ? { ...field, label: 'True width' } : field;
}

/** What was read, a card each; a new one begins with what usually stays. */
export function Readings({ procedure, readings, fits, isZoom, feet, isDone, soFar, onChange }: ReadingsProps) {
  const set = (at: number, part: Partial<TestReading>) => onChange(readings.map((r, i) => (i === at ? { ...r, ...part } : r)));
  const keys = procedure.reading.filter((key) => key !== 'focalLengthMm' || isZoom);
  const last = readings.at(-1);
  const next: TestReading = {
    ...(isZoom && last?.focalLengthMm ? { focalLengthMm: last.focalLengthMm } : {}),
    ...(last?.isThrough ? { isThrough: true } : {}),
    ...(procedure.kind === 'squeeze' && last ? { widthMm: last.widthMm, heightMm: last.heightMm } : {}),
  };
  return (
    <Box component="section" aria-label="Readings" sx={{ display: 'grid', gap: 1 }}>
      {readings.map((reading, i) => (
        <Box
          key={i}
          role="group"
          aria-label={`Reading ${i + 1}`}
          sx={{
            display: 'grid',
            gridTemplateColumns: { xs: 'repeat(2, minmax(0, 1fr))', sm: `repeat(${Math.min(4, keys.length)}, minmax(0, 150px)) auto` },
            gap: 1,
            alignItems: 'end',
            p: 1,
            border: 1,
            borderColor: fits[i]?.isOutlier ? 'warning.main' : 'divider',
            borderRadius: 1,
            bgcolor: 'background.paper',
            opacity: reading.isSetAside ? 0.6 : 1,
            '& .MuiInputBase-root': { minHeight: { xs: 48, md: 40 } },
          }}
        >
          {keys.map((key) =>
            key === 'isThrough' ? (
              <LabelledSelect
                key={key}
                label="The lens"
                value={reading.isThrough ? 'with' : 'without'}
                onChange={(value) => set(i, { isThrough: value === 'with' })}
              >
                <MenuItem value="without">without it</MenuItem>
                <MenuItem value="with">through it</MenuItem>
              </LabelledSelect>
            ) : (
              <FieldEntry
                key={key}
                field={fieldOf(procedure, key)}
                value={reading[key as 'distanceMm']}
                feet={feet}
                problem={undefined}
                placeholder="read it"
                onValue={(value) => set(i, { [key]: value })}
              />
            ),
          )}
          {!isDone && (
            <Box sx={{ display: 'flex', alignItems: 'center', gridColumn: { xs: '1 / -1', sm: 'auto' } }}>
              <FormControlLabel
                sx={{ mr: 0.5, '& span': { fontSize: 13 } }}
                control={<Checkbox checked={!reading.isSetAside} onChange={(_, on) => set(i, { isSetAside: !on })} />}
                label="counts"
              />
              <Button aria-label={`Take reading ${i + 1} away`} onClick={() => onChange(readings.filter((_, at) => at !== i))}>
                Away
              </Button>
            </Box>
          )}
          {fits[i]?.isOutlier && (
            <Box sx={{ gridColumn: '1 / -1', fontSize: 13, color: 'warning.main' }}>It does not go with the others and is left out.</Box>
          )}
        </Box>
      ))}
      {!isDone && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Button variant="outlined" sx={{ minHeight: { xs: 48, md: 40 } }} onClick={() => onChange([...readings, next])}>
            One more reading
          </Button>
          <Box component="span" sx={{ fontSize: 13, color: 'text.secondary' }}>
            {counted(readings.length, 'reading')}
            {soFar && `: ${soFar}`}
          </Box>
        </Box>
      )}
    </Box>
  );
}
