import { idAt } from './benchStore';
import { Box } from '@mui/material';
import type { Diagnostic } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distanceField } from '../../ui/format';
import { standAt } from './commands';

interface OwnDistanceProps {
  index: number;
  /** Null for a rig that stands where the scene says. */
  mm: number | null;
  sceneMm: number;
  problems: Diagnostic[];
  feet: boolean;
}

/** How far from the subject a rig stands, where not all stand at one place. */
export function OwnDistance({ index, mm, sceneMm, problems, feet }: OwnDistanceProps) {
  return (
    // In a narrow column it has a line to itself, so that a distance that was found shows all its digits.
    <Box sx={{ minWidth: 0, '@container (max-width: 290px)': { gridColumn: '1 / -1' } }}>
      <EntryField
        label="Stands at"
        help="The rig’s own distance to the subject; emptied, it goes where the scene says."
        kind="subjectDistance"
        shown={mm === null ? '' : distanceField(mm, feet)}
        placeholder={distanceField(sceneMm, feet)}
        stepFrom={mm ?? sceneMm}
        feet={feet}
        problem={problems.find((p) => p.about === `rigs[${index}].subjectDistanceMm`)?.message}
        onClear={() => standAt(idAt(index), null)}
        onValue={(value) => standAt(idAt(index), value)}
      />
    </Box>
  );
}
