import { Button } from '@mui/material';
import { styled } from '@mui/material/styles';
import { Link } from 'react-router';
import { figureFont } from '../../app/theme';
import { comparison } from '../../documents/kinds';
import { WorkList } from '../../documents/WorkList';
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

const rigLines = (rigs: string[]) => (
  <Rigs>
    {rigs.map((rig, i) => (
      <span key={i}>
        <RigMark index={i} size={20} />
        {rig}
      </span>
    ))}
  </Rigs>
);

/** All comparisons that the crew has saved. */
export function ComparisonsPage() {
  return (
    <WorkList
      kind={comparison}
      title="Saved comparisons"
      address="/bench"
      none="Start one: two rigs side by side. Deleted ones, the demo among them, can be brought back from “Deleted”."
      make={
        <Button variant="contained" component={Link} to="/new">
          New comparison
        </Button>
      }
      lines={rigLines}
    />
  );
}
