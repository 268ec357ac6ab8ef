import { Box, ButtonBase } from '@mui/material';
import { core } from '../../../core/core';
import type { NumberField } from '../../../core/fields';
import { FieldEntry } from '../../../ui/FieldEntry';

interface StepperProps {
  field: NumberField;
  value: number | null | undefined;
  feet: boolean;
  onValue: (value: number | null) => void;
}

/** A number that a thumb changes: typed, or one meaningful step down or up. */
export function Stepper({ field, value, feet, onValue }: StepperProps) {
  const step = (up: boolean) => value != null && onValue(core().step(field.kind, value, up, false, feet));
  const press = (up: boolean) => (
    <ButtonBase
      aria-label={`${field.label} ${up ? 'up' : 'down'}`}
      disabled={value == null}
      onClick={() => step(up)}
      sx={{
        width: 52,
        height: 52,
        flex: 'none',
        fontFamily: 'inherit',
        fontSize: 22,
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        bgcolor: 'background.paper',
        '&.Mui-disabled': { opacity: 0.4 },
      }}
    >
      {up ? '+' : '−'}
    </ButtonBase>
  );
  return (
    <Box
      sx={{
        display: 'flex',
        alignItems: 'end',
        gap: 0.5,
        minWidth: 0,
        '& > div': { flex: 1 },
        '& .MuiInputBase-root': { height: '52px !important', fontSize: '16px !important' },
      }}
    >
      {press(false)}
      <FieldEntry field={field} value={value} feet={feet} problem={undefined} onValue={onValue} />
      {press(true)}
    </Box>
  );
}
