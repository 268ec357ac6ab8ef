import { Typography } from '@mui/material';

/** A short caution, where the plan brings it up. */
export function Caution({ text }: { text: string }) {
  return (
    <Typography sx={{ fontSize: 12.5, lineHeight: 1.3, color: 'warning.main' }}>
      <b>Mind: </b>
      {text}
    </Typography>
  );
}
