import { Box, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import type { DayResponse, ShotInput } from '../../core/core';
import { fixed, withUnit } from '../../ui/format';

/** So many of something, in words. */
export const some = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

const Grid = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  fontSize: 13.5,
  '& th': { fontWeight: 400, textAlign: 'left', padding: '0 8px 0 0', whiteSpace: 'nowrap' },
  '& thead th': { width: 28, padding: 0, textAlign: 'center', color: theme.vars!.palette.text.secondary, fontSize: 12 },
  '& td': { width: 28, height: 30, textAlign: 'center', border: `1px solid ${theme.vars!.palette.divider}`, padding: 0 },
  '& td.end': { border: 0, padding: '0 0 0 10px', width: 'auto', textAlign: 'right', whiteSpace: 'nowrap' },
  '& tbody tr:hover': { background: theme.vars!.palette.background.default },
}));

/** Shots across, things down: what each is used for, and what nothing else in the bag could do in its stead. */
export function KitGrid({ items, shots, undone }: { items: DayResponse['kits'][number]['lenses']; shots: ShotInput[]; undone: string[] }) {
  return (
    <Box sx={{ overflowX: 'auto' }}>
      <Grid>
        <thead>
          <tr>
            <th aria-label="Thing" />
            {shots.map((shot, i) => (
              <th
                key={shot.id}
                scope="col"
                title={shot.name}
                style={{ textDecoration: undone.includes(shot.id) ? 'line-through' : undefined }}
              >
                {i + 1}
              </th>
            ))}
            <th />
          </tr>
        </thead>
        <tbody>
          {items.map((thing) => (
            <tr key={thing.item}>
              <th scope="row">{thing.name}</th>
              {shots.map((shot) => {
                const [used, alone] = [thing.shots.includes(shot.id), thing.alone.includes(shot.id)];
                const said = used ? (alone ? 'used, and nothing else does it' : 'used') : alone ? 'nothing else does it' : '';
                return (
                  <td key={shot.id} aria-label={said || 'not used'} title={said && `${thing.name}, ${shot.name}: ${said}`}>
                    {used ? (alone ? '●' : '○') : ''}
                  </td>
                );
              })}
              <td className="end">{thing.weightG === null ? 'weight not known' : withUnit(fixed(thing.weightG, 0), 'g')}</td>
            </tr>
          ))}
        </tbody>
      </Grid>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary', mt: 0.5 }}>
        ○ used · ● used, and nothing else in the bag does it
      </Typography>
    </Box>
  );
}
