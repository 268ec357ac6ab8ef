import { Box, Tooltip } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { figureFont } from '../../app/theme';
import type { RigReport } from '../../core/core';
import { Figure } from '../../ui/Figure';
import { hidden } from '../../ui/hidden';
import { Panel } from '../../ui/Panel';
import { RigMark } from '../../ui/RigMark';
import { figureGroups } from './figureRows';

const Table = styled('table')(({ theme }) => ({
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: 13,
  '& th': { textAlign: 'left', fontWeight: 400, color: theme.vars!.palette.text.secondary, padding: '0 6px 0 0', whiteSpace: 'nowrap' },
  '& tbody th.group': { color: theme.vars!.palette.text.primary, fontWeight: 650, paddingTop: 3, height: 24 },
  '& tr': { height: 22 },
  '& td': { textAlign: 'right', fontFamily: figureFont, fontSize: 14, whiteSpace: 'nowrap', padding: '0 0 0 6px' },
  '& td.difference': { color: theme.vars!.palette.text.secondary, fontSize: 12, minWidth: 66 },
  // A figure's box has a size of its own, so that a new figure lays out its box and not the whole table.
  '& td .figure': { display: 'block', contain: 'strict', width: 118, height: 20, lineHeight: '20px' },
  '& td.difference .figure': { width: 66 },
  '& td.warn': { color: theme.vars!.palette.warning.main },
  [theme.breakpoints.down('sm')]: {
    fontSize: 12.5,
    '& th': { whiteSpace: 'normal', lineHeight: 1.15 },
    '& td': { fontSize: 12, letterSpacing: '-0.03em' },
    '& td.difference': { fontSize: 11, minWidth: 50 },
    '& td .figure': { width: 96 },
    '& td.difference .figure': { width: 50 },
  },
  '& tbody tr:not(.group):hover': { background: theme.vars!.palette.background.default },
}));

const FiguresPanel = styled(Panel)({ padding: '4px 10px', overflowX: 'auto' });

interface FiguresProps {
  reports: RigReport[];
  yardstick: number;
  feet: boolean;
}

/** One row a quantity, one column a rig, with the difference from the yardstick. */
export const Figures = memo(function Figures({ reports, yardstick, feet }: FiguresProps) {
  const columns = reports.map((_, i) => ({ index: i, compared: i !== yardstick }));
  return (
    <FiguresPanel aria-label="Figures">
      <Table>
        <thead>
          <tr>
            <th scope="col">
              <Box component="span" sx={hidden}>
                Quantity
              </Box>
            </th>
            {columns.flatMap(({ index, compared }) => [
              <td key={index}>
                <RigMark index={index} size={22} />
              </td>,
              compared && (
                <td key={`${index}-difference`} className="difference">
                  <Box component="span" sx={{ fontFamily: 'fontFamily' }}>
                    against
                  </Box>
                  <Box component="span" sx={{ verticalAlign: 'middle', ml: 0.5 }}>
                    <RigMark index={yardstick} size={16} />
                  </Box>
                </td>
              ),
            ])}
          </tr>
        </thead>
        {figureGroups.map((group) => (
          <tbody key={group.name}>
            <tr className="group">
              <th scope="rowgroup" className="group" colSpan={1 + 2 * columns.length}>
                {group.name}
              </th>
            </tr>
            {group.rows.map((row) => {
              const texts = row.texts(reports, feet);
              const differences = row.differences?.(reports, feet);
              return (
                <tr key={row.name} data-row={row.name}>
                  <RowHead name={row.name} help={row.help} />
                  {columns.flatMap(({ index, compared }) => [
                    <td key={index} className={row.warn?.(reports[index]!) ? 'warn' : undefined}>
                      <Figure text={texts[index]!} />
                    </td>,
                    compared && (
                      <td key={`${index}-difference`} className="difference">
                        <Figure text={differences?.[index] ?? ''} />
                      </td>
                    ),
                  ])}
                </tr>
              );
            })}
          </tbody>
        ))}
      </Table>
    </FiguresPanel>
  );
});

/** The name of a row with its explanation; never drawn anew while figures change. */
const RowHead = memo(function RowHead({ name, help }: { name: string; help: string }) {
  return (
    <Tooltip title={help} describeChild placement="left">
      <th scope="row">{name}</th>
    </Tooltip>
  );
});
