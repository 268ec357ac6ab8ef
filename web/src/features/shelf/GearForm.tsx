import { Box, Button, IconButton, Tooltip, Typography } from '@mui/material';
import type { Diagnostic, GearField, GearItem } from '../../core/core';
import { CloseIcon } from '../../ui/icons';
import { useContext } from 'react';
import { FormTextsContext } from '../../ui/formTexts';
import { FormField } from './FormField';
import { modesOf, type Mode } from '../../gear/gear';
import { useKinds } from '../../gear/shelfApi';

interface GearFormProps {
  item: GearItem;
  errors: Diagnostic[];
  feet: boolean;
  mounts: string[];
  onChange: (item: GearItem) => void;
}

/** A thing with a value changed; what is not known is undefined, and not written. */
const withValue = <T extends object>(thing: T, key: string, value: unknown): T => ({ ...thing, [key]: value });

const grid = { display: 'grid', gap: 1, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', alignItems: 'start' } as const;

/** All that can be known of a thing. */
export function GearForm({ item, errors, feet, mounts, onChange }: GearFormProps) {
  const kind = useKinds().find((k) => k.key === item.kind)!;
  const problem = (field: GearField) => errors.find((e) => e.about === field.key)?.message;
  return (
    <Box sx={grid}>
      {kind.fields.map((field) =>
        field.type === 'modes' ? (
          <ModesForm
            key={field.key}
            modes={modesOf(item)}
            errors={errors}
            feet={feet}
            onChange={(modes) => onChange(withValue(item, 'modes', modes.length ? modes : undefined))}
          />
        ) : (
          <FormField
            key={field.key}
            kind={item.kind}
            field={field}
            value={item[field.key]}
            problem={problem(field)}
            feet={feet}
            mounts={mounts}
            onChange={(value) => onChange(withValue(item, field.key, value))}
            onOther={(key, value) => onChange(withValue(item, key, value))}
          />
        ),
      )}
    </Box>
  );
}

interface ModesFormProps {
  modes: Mode[];
  errors: Diagnostic[];
  feet: boolean;
  onChange: (modes: Mode[]) => void;
}

/** The recording modes of a camera, each with its own part of the sensor. */
function ModesForm({ modes, errors, feet, onChange }: ModesFormProps) {
  const { fields } = useKinds().find((k) => k.key === 'mode')!;
  const whole = errors.find((e) => e.about === 'modes')?.message;
  const form = useContext(FormTextsContext);
  const fresh = (): Mode => ({ ...(modes.at(-1) ?? { areaWidthMm: 36, areaHeightMm: 20.25 }), name: `Mode ${modes.length + 1}` });
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
        <Box key={i} role="group" aria-label={`Mode ${mode.name}`} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1 }}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', fontSize: 13, fontWeight: 650 }}>
            {mode.name}
            <Tooltip title="Take this mode out">
              <IconButton aria-label={`Take out mode ${mode.name}`} onClick={() => takeOut(i)}>
                <CloseIcon />
              </IconButton>
            </Tooltip>
          </Box>
          <FormTextsContext value={form?.part(`mode ${i + 1}`) ?? null}>
            <Box sx={grid}>
              {fields.map((field) => (
                <FormField
                  key={field.key}
                  kind="mode"
                  field={field}
                  value={mode[field.key]}
                  problem={errors.find((e) => e.about === `modes[${i}].${field.key}`)?.message}
                  feet={feet}
                  mounts={[]}
                  onChange={(value) => onChange(modes.map((m, at) => (at === i ? withValue(m, field.key, value) : m)))}
                />
              ))}
            </Box>
          </FormTextsContext>
        </Box>
      ))}
      <Button onClick={() => onChange([...modes, fresh()])} sx={{ justifySelf: 'start' }}>
        Add a mode
      </Button>
    </Box>
  );
}
