import { Autocomplete, Box, InputBase, MenuItem, TextField } from '@mui/material';
import { useEffect, useId, useState } from 'react';
import { core, type EntryKind, type GearField } from '../../core/core';
import { distanceField, plain } from '../../ui/format';
import { EntryField } from '../../ui/EntryField';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { useFormText } from '../../ui/formTexts';
import { meansNothing } from '../../ui/nothing';

interface FormFieldProps {
  kind: string;
  field: GearField;
  value: unknown;
  problem: string | undefined;
  feet: boolean;
  mounts: string[];
  onChange: (value: unknown) => void;
  /** Sets another field, for what was typed into the wrong one. */
  onOther?: (key: string, value: unknown) => void;
}

const distances: readonly string[] = ['minimumFocusDistance'];
const unknown = '';

/** One field of a thing, as its kind tells that it is typed. */
export function FormField(props: FormFieldProps) {
  const { field, value, problem, feet, mounts, onChange, onOther } = props;
  switch (field.type) {
    case 'number': {
      const shown =
        typeof value !== 'number'
          ? ''
          : distances.includes(field.entry)
            ? distanceField(value, feet)
            : `${plain(value, 6)}${field.unit ? ` ${field.unit}` : ''}`;
      return (
        <EntryField
          label={field.label}
          help={field.help}
          kind={field.entry as EntryKind}
          shown={shown}
          stepFrom={typeof value === 'number' ? value : undefined}
          feet={feet}
          placeholder={field.required ? 'needed' : 'not known'}
          problem={problem}
          onClear={() => onChange(undefined)}
          onValue={(number) => onChange(number)}
          {...(field.key === 'widestF' && onOther && { onElsewhere: (typed: string) => asT(typed, onOther) })}
        />
      );
    }
    case 'flag':
      return (
        <LabelledSelect
          label={field.label}
          help={field.help}
          value={value === true ? 'yes' : value === false ? 'no' : unknown}
          onChange={(next) => onChange(next === unknown ? undefined : next === 'yes')}
        >
          <MenuItem value={unknown}>not known</MenuItem>
          <MenuItem value="yes">yes</MenuItem>
          <MenuItem value="no">no</MenuItem>
        </LabelledSelect>
      );
    case 'choice':
      return (
        <LabelledSelect
          label={field.label}
          help={field.help}
          problem={problem}
          value={typeof value === 'string' ? value : unknown}
          onChange={(next) => onChange(next === unknown ? undefined : next)}
        >
          <MenuItem value={unknown}>not known</MenuItem>
          {field.choices.map((choice) => (
            <MenuItem key={choice.key} value={choice.key}>
              {choice.label}
            </MenuItem>
          ))}
        </LabelledSelect>
      );
    case 'mount':
    case 'mounts':
      return <MountField {...props} mounts={mounts} />;
    default:
      return <TypedField {...props} />;
  }
}

/** Light that gets through is told in T-numbers: one that was typed as an aperture is kept as what it is, and the aperture stays unknown. */
function asT(typed: string, set: (key: string, value: unknown) => void): boolean {
  const read = core().read('tNumber', typed, false);
  if (!/^\s*t/i.test(typed) || read.problem !== null) {
    return false;
  }
  set('widestT', read.values[0]);
  return true;
}

const asText = (field: GearField, value: unknown): string => {
  if (value === undefined) return '';
  if (field.type === 'numbers') return (value as number[]).join('; ');
  if (field.type === 'points') return (value as [number, number][]).map(([at, v]) => `${at}: ${v}`).join('; ');
  return value as string;
};

/** A text, or numbers in a row, which the core reads. */
function TypedField({ kind, field, value, problem, onChange }: FormFieldProps) {
  const id = useId();
  const { form, left } = useFormText(field.label);
  const [typed, setTyped] = useState<string | null>(left);
  const [unread, setUnread] = useState<string | null>(() => (left === null ? null : core().readGearField(kind, field.key, left).problem));
  useEffect(() => form?.set(field.label, unread === null ? null : typed), [form, field.label, typed, unread]);
  const placeholder = field.required ? 'needed' : 'not known';
  const isRow = field.type === 'numbers' || field.type === 'points';
  const type = (text: string) => {
    setTyped(text);
    if (text.trim() === '' || (isRow && meansNothing(text, placeholder))) {
      setUnread(null);
      onChange(undefined);
      return;
    }
    const read = core().readGearField(kind, field.key, text);
    setUnread(read.problem);
    if (read.problem === null) {
      onChange(read.value);
    }
  };
  const wrong = unread ?? problem;
  return (
    <Box
      sx={{
        gridColumn:
          field.manyLines || ['name', 'shortestTaking', 'widestAlong', 'measuredFocal'].includes(field.key) ? '1 / -1' : undefined,
        minWidth: 0,
        '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: 'text.secondary' },
        '& p': { m: 0, mt: 0.25, fontSize: 12, color: 'error.main' },
      }}
    >
      <label htmlFor={id} title={field.help}>
        {field.label}
        {field.unit && ` (${field.unit})`}
      </label>
      <InputBase
        id={id}
        fullWidth
        multiline={field.manyLines}
        minRows={field.manyLines ? 2 : undefined}
        value={typed ?? asText(field, value)}
        placeholder={placeholder}
        error={wrong !== undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={() => unread === null && setTyped(null)}
        inputProps={{
          'aria-description': field.help,
          'aria-invalid': wrong !== undefined,
          autoComplete: 'off',
          ...(wrong !== undefined && { 'aria-errormessage': `${id}-problem` }),
        }}
        sx={{
          minHeight: 40,
          px: 0.75,
          fontSize: 14,
          bgcolor: 'background.default',
          border: 1,
          borderColor: wrong === undefined ? 'divider' : 'error.main',
          borderRadius: 1,
          '&.Mui-focused': { borderColor: 'primary.main' },
        }}
      />
      {wrong !== undefined && (
        <p id={`${id}-problem`} role="alert">
          {wrong}
        </p>
      )}
    </Box>
  );
}

/** Marks a mount that is not on the shelf yet. */
const newMount = '\u0001';

const withNew = (mounts: string[], typed: string): string[] => {
  const name = typed.trim().slice(0, 60);
  const found = mounts.filter((mount) => mount.toLowerCase().includes(name.toLowerCase()));
  return name === '' || mounts.some((mount) => mount.toLowerCase() === name.toLowerCase()) ? found : [...found, newMount + name];
};

/** One mount or several, of those on the shelf, or one that comes to it when the thing is kept. */
function MountField({ field, value, problem, mounts, onChange }: FormFieldProps) {
  const id = useId();
  const many = field.type === 'mounts';
  const chosen = many ? ((value as string[] | undefined) ?? []) : value === undefined ? [] : [value as string];
  const choose = (names: string[]) => {
    const known = names.map((name) => name.replace(newMount, ''));
    onChange(known.length === 0 ? undefined : many ? known : known[0]);
  };
  return (
    <Box
      sx={{
        minWidth: 0,
        gridColumn: many ? '1 / -1' : undefined,
        '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: 'text.secondary' },
        '& .MuiInputBase-root': {
          minHeight: 40,
          py: 0,
          pl: 0.75,
          fontSize: 14,
          bgcolor: 'background.default',
          '& fieldset': { borderColor: 'divider' },
        },
      }}
    >
      <label htmlFor={id} title={field.help}>
        {field.label}
      </label>
      <Autocomplete
        id={id}
        multiple={many}
        autoHighlight
        options={mounts}
        value={many ? chosen : (chosen[0] ?? null)}
        filterOptions={(options, state) => withNew(options, state.inputValue)}
        getOptionLabel={(option) => option.replace(newMount, '')}
        renderOption={(props, option) => (
          <li {...props} key={option}>
            {option.startsWith(newMount) ? `Add the mount “${option.slice(newMount.length)}”` : option}
          </li>
        )}
        onChange={(_, next) => choose(next === null ? [] : Array.isArray(next) ? next : [next])}
        renderInput={(params) => (
          <TextField
            {...params}
            size="small"
            error={problem !== undefined}
            helperText={problem}
            placeholder={chosen.length ? '' : field.required ? 'needed' : 'not known'}
          />
        )}
      />
    </Box>
  );
}
