import { Checkbox, FormControlLabel, Typography } from '@mui/material';
import { chosenTopic, useSettings } from '../../../app/settings';
import { core } from '../../../core/core';
import { everyRow } from '../figureRows';
import { Section } from './RigPanel';
import { SidePanel } from './SidePanel';

/** Which rows of figures stand together in a group of one's own; kept in this browser. */
export function RowsPanel() {
  const chosen = useSettings((s) => s.chosenRows);
  const choose = useSettings((s) => s.chooseRow);
  return (
    <SidePanel title="Rows of your own">
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>What is ticked stands together under “{chosenTopic}”.</Typography>
      {everyRow.map(({ name, rows }) => (
        <Section key={name} title={name}>
          {rows.map(({ figure, name: short }) => (
            <FormControlLabel
              key={figure}
              title={core().figures[figure].meaning}
              sx={{ display: 'flex', mr: 0, '& .MuiTypography-root': { fontSize: 13.5 } }}
              control={<Checkbox checked={chosen.includes(figure)} onChange={(_, on) => choose(figure, on)} />}
              label={short ?? core().figures[figure].name}
            />
          ))}
        </Section>
      ))}
    </SidePanel>
  );
}
