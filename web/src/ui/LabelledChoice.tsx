import { ToggleButton, ToggleButtonGroup } from '@mui/material';

interface LabelledChoiceProps<T extends string> {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}

/** A choice among very few, all in sight. */
export function LabelledChoice<T extends string>({ label, value, choices, onChange }: LabelledChoiceProps<T>) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, next: T | null) => next !== null && onChange(next)}
      aria-label={label}
      sx={{ flexWrap: 'wrap' }}
    >
      {choices.map(([key, text]) => (
        <ToggleButton
          key={key}
          value={key}
          sx={{
            textTransform: 'none',
            px: 1,
            py: 0.25,
            minHeight: 40,
            color: 'text.primary',
            '&.Mui-selected': { color: 'primary.main', fontWeight: 650 },
          }}
        >
          {text}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
