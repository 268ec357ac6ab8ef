import { Box, Typography } from '@mui/material';
import type { Diagnostic } from '../../../core/core';
import { RigMark } from '../../../ui/RigMark';
import { SidePanel } from './SidePanel';

const weight = { stops: 'No picture', spoils: 'Spoils it', costs: 'Costs something', note: 'To know' };

/** What stands in the way of a rig, and what to do. */
export function ReasonsPanel({ rig, reasons }: { rig: number; reasons: Diagnostic[] }) {
  return (
    <SidePanel title="What to know" mark={<RigMark index={rig} size={24} />}>
      {reasons.length === 0 && <Typography sx={{ fontSize: 14 }}>Nothing stands in the way of this rig.</Typography>}
      {reasons.map((reason) => (
        <Box key={reason.code} sx={{ py: 1, borderBottom: 1, borderColor: 'divider', fontSize: 14 }}>
          <Box sx={{ fontSize: 12.5, fontWeight: 650, color: reason.severity === 'note' ? 'text.secondary' : 'warning.main' }}>
            {weight[reason.severity]} · {reason.about}
          </Box>
          <Box>{reason.message}</Box>
          <Box sx={{ color: 'text.secondary', mt: 0.25 }}>{reason.fix}</Box>
        </Box>
      ))}
    </SidePanel>
  );
}
