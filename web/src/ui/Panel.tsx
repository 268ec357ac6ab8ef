import { styled } from '@mui/material/styles';

/** A part of a view: paper with a thin edge. */
export const Panel = styled('section')(({ theme }) => ({
  minWidth: 0,
  background: theme.vars!.palette.background.paper,
  border: `1px solid ${theme.vars!.palette.divider}`,
  borderRadius: 4,
}));
