import { Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { figureFont } from '../../app/theme';
import { RigMark } from '../../ui/RigMark';

const Rigs = styled('div')({
  display: 'flex',
  flexWrap: 'wrap',
  gap: '6px 16px',
  marginTop: 6,
  fontFamily: figureFont,
  fontSize: 13,
  '& > span': { display: 'flex', alignItems: 'center', gap: 4 },
});

/** What a piece of work holds, in short: the rigs of a comparison, how much a production has. */
export function WorkLines({ kind, lines }: { kind: string; lines: string[] }) {
  return kind === 'comparison' ? (
    <Rigs>
      {lines.map((rig, i) => (
        <span key={i}>
          <RigMark index={i} size={20} />
          {rig}
        </span>
      ))}
    </Rigs>
  ) : (
    <Typography variant="body2" sx={{ color: 'text.secondary' }}>
      {lines.join(', ')}
    </Typography>
  );
}
