import { Box, Button } from '@mui/material';
import { Link } from 'react-router';
import { figureFont } from '../../app/theme';
import { comparison } from '../../documents/kinds';
import { WorkList } from '../../documents/WorkList';
import { RigMark } from '../../ui/RigMark';

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
      lines={(rigs) => (
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 0.75,
            columnGap: 2,
            mt: 0.75,
            alignItems: 'center',
            fontFamily: figureFont,
            fontSize: 13,
          }}
        >
          {rigs.map((rig, i) => (
            <Box key={i} sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
              <RigMark index={i} size={20} />
              {rig}
            </Box>
          ))}
        </Box>
      )}
    />
  );
}
