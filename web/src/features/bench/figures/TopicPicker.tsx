import { MenuItem, Select } from '@mui/material';
import { memo } from 'react';
import { chosenTopic, useSettings } from '../../../app/settings';
import { topics } from '../figureRows';

export const TopicPicker = memo(function TopicPicker({ topic }: { topic: string }) {
  const showTopic = useSettings((s) => s.showTopic);
  const hasChosen = useSettings((s) => s.chosenRows.length > 0);
  return (
    <Select
      value={topic}
      onChange={(event) => showTopic(event.target.value)}
      inputProps={{ 'aria-label': 'Which figures' }}
      sx={{
        height: 40,
        fontSize: 14,
        fontWeight: 650,
        color: 'text.primary',
        ml: '-8px',
        '& fieldset': { border: 0 },
        '& .MuiSelect-select': { pl: 1, pr: '26px !important' },
        '& .MuiSelect-icon': { right: 0 },
      }}
    >
      {[...Object.keys(topics), ...(hasChosen ? [chosenTopic] : [])].map((name) => (
        <MenuItem key={name} value={name}>
          {name}
        </MenuItem>
      ))}
    </Select>
  );
});
