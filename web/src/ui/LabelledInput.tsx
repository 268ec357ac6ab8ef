import { Box, InputBase, type InputBaseProps } from '@mui/material';

/** A plain field with its label above it, for what needs no reading: a name, a day, a time. */
export function LabelledInput({ label, ...field }: { label: string } & InputBaseProps) {
  return (
    <Box sx={{ minWidth: 0, '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: 'text.secondary' } }}>
      <label>
        {label}
        <InputBase
          {...field}
          sx={{
            width: '100%',
            height: 40,
            px: 0.75,
            fontSize: 13.5,
            bgcolor: 'background.default',
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
          }}
        />
      </label>
    </Box>
  );
}
