import { styled } from '@mui/material/styles';

/** A drawing of rows to one scale, each with its name; what can be pressed in it shows where the keys are. */
export const RowDrawing = styled('svg')(({ theme }) => ({
  display: 'block',
  width: '100%',
  '& text': { fontSize: 11, fill: theme.vars!.palette.text.secondary },
  '& text.name': { fontSize: 12, fill: theme.vars!.palette.text.primary },
  '& [role=button]': { cursor: 'pointer' },
  '& [role=button]:focus-visible': { outline: 'none', stroke: theme.vars!.palette.primary.main, strokeWidth: 3 },
}));
