import { styled } from '@mui/material/styles';

export const Svg = styled('svg')({ display: 'block', width: '100%', flexShrink: 1, minWidth: 0, touchAction: 'none', userSelect: 'none' });
