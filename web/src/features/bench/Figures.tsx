import { Box, ButtonBase, Tooltip } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useMemo, useRef, type MouseEvent } from 'react';
import { chosenTopic, useSettings } from '../../app/settings';
import { figureFont } from '../../app/theme';
import { core, isWorry, type FigureId } from '../../core/core';
import { Figure } from '../../ui/Figure';
import { Panel } from '../../ui/Panel';
import { RigMark } from '../../ui/RigMark';
import { useCalm } from '../../ui/useCalm';
import { useInSight } from '../../ui/useInSight';
import { idAt, useBench } from './benchStore';
import { orderRigs } from './rowCommands';
import { groupsOf, moneyTopic, rowDifferences, rowMargins, rowTexts, topics, type FigureRow } from './figureRows';
import { usePanel } from './panels/panelStore';
import { type FiguresProps, TakeOut } from './figures/TakeOut';
import { MoneyTotals } from './figures/MoneyTotals';
import { openIt, target, move } from './figures/moving';
import { TopicPicker } from './figures/TopicPicker';

const Table = styled('table')(({ theme }) => ({
  width: '100%',
  borderCollapse: 'collapse',
  fontSize: 13,
  '& th': { textAlign: 'left', fontWeight: 400, color: theme.vars!.palette.text.secondary, padding: '0 6px 0 0', whiteSpace: 'nowrap' },
  '& th[scope="row"], & thead th': { width: 124, minWidth: 124 },
  '& tbody th.group': { color: theme.vars!.palette.text.primary, fontWeight: 650, height: 22, verticalAlign: 'bottom' },
  '& tr': { height: 21 },
  '& td': { textAlign: 'right', fontFamily: figureFont, fontSize: 14, whiteSpace: 'nowrap', padding: '0 0 0 6px' },
  '& td.difference': { color: theme.vars!.palette.text.secondary, fontSize: 12, minWidth: 66 },
  // A figure's box has a size of its own, so that a new figure lays out its box and not the whole table.
  '& td .figure': { display: 'block', marginLeft: 'auto', contain: 'strict', width: 112, height: 20, lineHeight: '20px' },
  '& td.difference .figure': { width: 66 },
  '& td .margin': { display: 'block', fontSize: 11.5, lineHeight: '14px', color: theme.vars!.palette.text.secondary },
  '& td.warn': { color: theme.vars!.palette.warning.main },
  '& [data-figure], & [data-sort]': { cursor: 'pointer', borderRadius: 3 },
  '& [data-figure]:hover': { background: theme.vars!.palette.divider },
  '& [data-figure]:focus-visible': { outlineOffset: -1 },
  [theme.breakpoints.down('sm')]: {
    fontSize: 12.5,
    '& th': { whiteSpace: 'normal', lineHeight: 1.15 },
    '& th[scope="row"], & thead th': { width: 92, minWidth: 92 },
    '& td': { fontSize: 12, letterSpacing: '-0.03em' },
    '& td.difference': { fontSize: 11, minWidth: 50 },
    '& td .figure': { width: 96 },
    '& td.difference .figure': { width: 50 },
  },
  '& tbody tr:not(.group):hover': { background: theme.vars!.palette.background.default },
}));

const FiguresPanel = styled(Panel)(({ theme }) => ({
  padding: '1px 10px',
  overflowX: 'auto',
  display: 'flex',
  flexDirection: 'column',
  // As tall as the longest group, so that nothing jumps when another one is chosen.
  [theme.breakpoints.up('lg')]: { '&.few': { minHeight: 487 } },
  // Below many rigs they are often out of sight, and then neither laid out nor painted.
  '&.many': { contentVisibility: 'auto', containIntrinsicSize: 'auto 460px' },
  // Many rigs stand closer.
  '&.many td .figure': { width: 104 },
  '&.many td.difference .figure': { width: 58 },
  '&.many td.difference': { minWidth: 58 },
  '&.many td': { fontSize: 13, letterSpacing: '-0.02em' },
  '&.many td.difference, &.many td.difference .figure': { fontSize: 11.5 },
}));

const outOfSightMs = 200;
const marginsMs = 200;

/** How far off the figures may be, a moment after the hand has come to rest; null while that is not asked for. */
function useMargins(rigs: number) {
  const shown = useSettings((s) => s.showMargins);
  const calm = useCalm(
    useBench((s) => (shown ? s.document.setup : null)),
    marginsMs,
  );
  const margins = useMemo(() => calm && core().margins(calm), [calm]);
  return margins?.length === rigs ? margins : null;
}

/** The figures of all rigs. Out of sight they follow calmly, so that a hand that drags elsewhere does not wait for them. */
export const Figures = memo(function Figures(props: FiguresProps) {
  const box = useRef<HTMLElement>(null);
  const inSight = useInSight(box);
  const calm = useCalm(props, outOfSightMs);
  return (
    <FiguresPanel aria-label="Figures" ref={box} className={props.reports.length > 2 ? 'many' : 'few'}>
      <Rows {...(inSight ? props : calm)} />
    </FiguresPanel>
  );
});

/** One row a quantity, one column a rig, with the difference from the yardstick; every figure opens its working. */
const Rows = memo(function Rows({ name, rigs, scene, reports, yardstick, feet, conventions }: FiguresProps) {
  const chosen = useSettings((s) => s.chosenRows);
  const topic = useSettings((s) => (s.topic in topics || (s.topic === chosenTopic && s.chosenRows.length > 0) ? s.topic : 'Essentials'));
  const margins = useMargins(reports.length);
  const columns = reports.map((_, i) => ({ index: i, compared: i !== yardstick }));
  const groups = groupsOf(
    topic,
    chosen,
    rigs.some((rig) => rig.subjectDistanceMm != null),
  );
  return (
    <>
      <Table onClick={(event: MouseEvent) => openIt(target(event))} onKeyDown={move}>
        <thead>
          <tr>
            <th scope="col">
              <Box sx={{ display: 'flex' }}>
                <TopicPicker topic={topic} />
                <TakeOut {...{ name, rigs, scene, reports, yardstick, feet, topic, groups }} />
              </Box>
            </th>
            {columns.flatMap(({ index, compared }) => [
              <td key={index}>
                <span id={`figures-${index}`}>
                  <RigMark index={index} size={22} />
                </span>
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
        {groups.map((group, first) => (
          <tbody key={group.name}>
            <tr className="group">
              <th scope="rowgroup" className="group" colSpan={1 + 2 * columns.length}>
                {group.name}
              </th>
            </tr>
            {group.rows.map((row, place) => {
              const texts = rowTexts(row, reports, feet);
              const differences = rowDifferences(row, reports, feet);
              const plusMinus = margins && rowMargins(row, reports, margins, feet);
              const rowName = row.name ?? core().figures[row.figure].name;
              return (
                <tr key={rowName} data-row={rowName}>
                  <RowHead id={`row-${first}-${place}`} name={rowName} row={row} sortable={reports.length > 1} />
                  {columns.flatMap(({ index, compared }) => [
                    <td key={index} className={isWorry(reports[index]!.figures, row.worry ?? row.figure) ? 'warn' : undefined}>
                      <div
                        role="button"
                        tabIndex={first === 0 && place === 0 && index === 0 ? 0 : -1}
                        // By reference, so that a new figure changes nothing but its own text.
                        aria-labelledby={`figures-${index} row-${first}-${place} cell-${first}-${place}-${index}`}
                        id={`cell-${first}-${place}-${index}`}
                        aria-haspopup="dialog"
                        data-figure={row.figure}
                        data-rig={index}
                      >
                        <Figure text={texts[index]!} />
                        {plusMinus?.[index] != null && <span className="margin">{plusMinus[index]}</span>}
                      </div>
                    </td>,
                    compared && (
                      <td key={`${index}-difference`} className="difference">
                        <Figure text={differences[index] ?? ''} />
                      </td>
                    ),
                  ])}
                </tr>
              );
            })}
          </tbody>
        ))}
      </Table>
      {topic === moneyTopic && <MoneyTotals rigs={rigs} />}
      <GoesBy conventions={conventions} />
    </>
  );
});

/** Puts the rigs in the order of a figure; when they stand so already, the other way round. Rigs without it come last. */
export function sortBy(figure: FigureId): void {
  const { reports, document } = useBench.getState();
  // While a field is at fault the figures may be of other rigs than those on the page.
  if (reports.length !== document.setup.rigs.length) {
    return;
  }
  const value = (i: number) => reports[i]!.figures[figure];
  const known = reports.map((_, i) => i).filter((i) => !Number.isNaN(value(i)));
  const up = known.toSorted((a, b) => (value(a) === value(b) ? a - b : value(a) < value(b) ? -1 : 1));
  const order = up.every((i, place) => i === known[place]) ? up.toReversed() : up;
  orderRigs([...order, ...reports.map((_, i) => i).filter((i) => !known.includes(i))].map(idAt));
}

/** The name of a row with its explanation; a press sorts the rigs by it. Never drawn anew while figures change. */
const RowHead = memo(function RowHead({ id, name, row, sortable }: { id: string; name: string; row: FigureRow; sortable: boolean }) {
  const help = `${core().figures[row.figure].meaning}${row.help ? ` ${row.help}` : ''}${sortable ? ' Press to sort the rigs by it.' : ''}`;
  return (
    <Tooltip title={help} describeChild placement="left">
      <th scope="row" id={id} data-sort={sortable ? row.figure : undefined}>
        {name}
      </th>
    </Tooltip>
  );
});

/** What the figures go by, in words; a press opens the choice. */
const GoesBy = memo(function GoesBy({ conventions }: { conventions: string[] }) {
  const open = usePanel((s) => s.open);
  return (
    <ButtonBase
      onClick={() => open({ kind: 'conventions' })}
      aria-label={`Conventions: ${conventions.join(', ')}. Change them.`}
      sx={{
        mt: 'auto',
        minHeight: 40,
        justifyContent: 'flex-start',
        textAlign: 'left',
        fontFamily: 'inherit',
        fontSize: 11.5,
        lineHeight: 1.25,
        color: 'text.secondary',
        borderTop: 1,
        borderColor: 'divider',
        '&:hover': { color: 'primary.main' },
        // So that the table and not this sentence decides how wide the panel is.
        width: 0,
        minWidth: '100%',
      }}
    >
      <span>{conventions.join(' · ')}</span>
    </ButtonBase>
  );
});
