import { styled } from '@mui/material/styles';
import { figureFont } from '../app/theme';

const Unit = styled('span')(({ theme }) => ({
  fontFamily: theme.typography.fontFamily,
  fontSize: '0.86em',
  paddingLeft: '0.2em',
}));

/** A figure in the mono face with its unit in the sans, a thin space between. */
export function Figure({ text }: { text: string }) {
  const [figure, ...units] = text.split('\u2009');
  return (
    <span style={{ fontFamily: figureFont }}>
      {figure}
      {units.length > 0 && <Unit>{units.join(' ')}</Unit>}
    </span>
  );
}
