import { InputBase, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import type { Diagnostic } from '../../core/core';
import { oneLine } from '../../ui/format';

export const Grid = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
  gap: '8px 6px',
  '& .all': { gridColumn: '1 / -1' },
});

const Field = styled('div')(({ theme }) => ({
  '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: theme.vars!.palette.text.secondary },
  '& .MuiInputBase-root': {
    width: '100%',
    minHeight: 40,
    padding: '2px 6px',
    fontSize: 14,
    background: theme.vars!.palette.background.default,
    border: `1px solid ${theme.vars!.palette.divider}`,
    borderRadius: 4,
  },
}));

interface WordsProps {
  label: string;
  value: string;
  max: number;
  many?: boolean;
  placeholder?: string;
  problem?: string | undefined;
  onChange: (text: string) => void;
}

/** A text in words. */
export function WordsField({ label, value, max, many = false, placeholder = '', problem, onChange }: WordsProps) {
  return (
    <Field className="all">
      <label>
        {label}
        <InputBase
          multiline={many}
          maxRows={4}
          value={value}
          placeholder={placeholder}
          onChange={(event) => onChange(oneLine(event.target.value))}
          inputProps={{ maxLength: max, 'aria-invalid': problem !== undefined }}
        />
      </label>
      {problem && (
        <Typography role="alert" sx={{ fontSize: 12, color: 'error.main' }}>
          {problem}
        </Typography>
      )}
    </Field>
  );
}

/** The problem with a field, among those that the core found. */
export const problemOf = (problems: Diagnostic[], field: string): string | undefined => problems.find((p) => p.about === field)?.message;
