import { styled } from '@mui/material/styles';

/** Where frames lie over each other. */
export const Stage = styled('div')({ position: 'relative', margin: '0 auto', overflow: 'hidden', background: '#000' });

/** One of them. */
export const Layer = styled('div')({ position: 'absolute', inset: 0 });
