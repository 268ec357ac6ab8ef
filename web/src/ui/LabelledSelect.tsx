import { Box, Select } from '@mui/material';
import { useId, type ReactNode } from 'react';

interface LabelledSelectProps<T extends string> {
  label: string;
  /** One line on what the term means. */
  help?: string;
  problem?: string | undefined;
  value: T;
  onChange: (value: T) => void;
  children: ReactNode;
}

/** A choice among a few, with its label above it like the fields beside it. */
export function LabelledSelect<T extends string>({ label, help, problem, value, onChange, children }: LabelledSelectProps<T>) {
  const id = useId();
  return (
    <Box
      sx={{ minWidth: 0, '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: 'text.secondary', whiteSpace: 'nowrap' } }}
    >
      <label id={id} title={help}>
        {label}
      </label>
      <Select
        value={value}
        onChange={(event) => onChange(event.target.value as T)}
        labelId={id}
        displayEmpty
        error={problem !== undefined}
        sx={{
          width: '100%',
          height: 40,
          fontSize: 14,
          bgcolor: 'background.default',
          '& fieldset': { borderColor: 'divider' },
          '& .MuiSelect-select': { pl: 0.75, pr: '20px !important' },
          '& .MuiSelect-icon': { right: -2 },
        }}
      >
        {children}
      </Select>
      {problem !== undefined && (
        <Box role="alert" sx={{ fontSize: 12, color: 'error.main', mt: 0.25 }}>
          {problem}
        </Box>
      )}
    </Box>
  );
}
