import { Autocomplete, Box, Button, TextField, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { useMemo } from 'react';
import { countOf, differencesFirst, linesOf, type Bag } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { isUsable, useUnits, type GearUnit } from '../../../gear/units';
import { fixed, withUnit } from '../../../ui/format';
import { hasWords } from '../../../ui/words';
import { useBagAnswers } from './bagAnswers';
import { addThings, setCount, setLine } from './bagCommands';
import { kindOrder, kinds, markOf } from './bagWords';

const Table = styled('table')(({ theme }) => ({
  borderCollapse: 'collapse',
  width: '100%',
  fontSize: 14,
  '& th, & td': { padding: '1px 6px', textAlign: 'left', fontWeight: 400, verticalAlign: 'middle' },
  '& tbody tr': { borderTop: `1px solid ${theme.vars!.palette.divider}` },
  '& .number': { textAlign: 'right', fontVariantNumeric: 'tabular-nums', whiteSpace: 'nowrap' },
  '& .kind th': { fontSize: 12, color: theme.vars!.palette.text.secondary, paddingTop: 6 },
  '& .gone': { color: theme.vars!.palette.warning.main },
  '& .said': { fontSize: 12, color: theme.vars!.palette.text.secondary },
  '& .off': { fontSize: 12, color: theme.vars!.palette.warning.main },
}));

/** How many units there are of a model, and what is wrong with those that cannot be packed. */
export function unitsSay(units: GearUnit[]): { there: number; wrong: string } {
  const wrong = units.filter((u) => u.condition !== 'good');
  return {
    there: units.filter(isUsable).length,
    wrong: wrong
      .map((u) => [u.label || 'one', u.condition === 'worn' ? 'worn' : u.condition, u.conditionNote].filter(Boolean).join(', '))
      .join('; '),
  };
}

/** What is in the bags, each thing once; what they differ in first. */
export function ThingTable({ bags, marked }: { bags: Bag[]; marked: (bag: Bag) => number }) {
  const items = useGear((s) => s.items);
  const units = useUnits((s) => s.units);
  const days = useBagAnswers((s) => s.days);
  const byModel = useMemo(() => {
    const map = new Map<string, GearUnit[]>();
    units.forEach((unit) => map.set(unit.gearId, [...(map.get(unit.gearId) ?? []), unit]));
    return map;
  }, [units]);
  const rows = differencesFirst(bags, (id) => kindOrder(items.get(id)));
  const heads = [
    { title: bags.length > 1 ? 'In some of them' : null, rows: rows.filter((row) => row.differs) },
    ...kinds.map(([kind, title]) => ({
      title: bags.length > 1 ? `In all: ${title.toLowerCase()}` : title,
      rows: rows.filter((row) => !row.differs && items.get(row.id)?.kind === kind),
    })),
    { title: 'No longer on the shelf', rows: rows.filter((row) => !row.differs && !items.has(row.id)) },
  ].filter((head) => head.rows.length > 0);
  /** The shots of a bag that could not be done without a thing. */
  const alone = (bag: Bag, id: string) => days[bag.id]?.alone.find((a) => a.item === id)?.shots.length ?? 0;
  const isOfRig = (id: string) => ['body', 'fixedLensCamera', 'lens', 'adapter', 'closeUpLens'].includes(items.get(id)?.kind ?? '');
  return (
    <Box component="section" aria-label="Things" sx={{ minWidth: 0, overflowX: 'auto' }}>
      <Table>
        <thead>
          <tr>
            <th scope="col">Thing</th>
            <th scope="col" className="number">
              each
            </th>
            {bags.map((bag) => (
              <th key={bag.id} scope="col" className="number">
                {bags.length > 1 ? markOf(marked(bag)) : 'how many'}
              </th>
            ))}
          </tr>
        </thead>
        {heads.map((head) => (
          <tbody key={head.title}>
            {head.title && (
              <tr className="kind">
                <th scope="rowgroup" colSpan={2 + bags.length}>
                  {head.title}
                </th>
              </tr>
            )}
            {head.rows.map(({ id }) => {
              const item = items.get(id);
              const name = item ? fullName(item) : 'Something that is gone';
              const { there, wrong } = unitsSay(byModel.get(id) ?? []);
              const most = Math.max(...bags.map((bag) => countOf(bag, id)));
              const weight = item?.['weightG'] as number | undefined;
              const needed = bags.map((bag) => alone(bag, id));
              const idle = item !== undefined && isOfRig(id) && bags.every((bag) => days[bag.id]) && needed.every((count) => count === 0);
              return (
                <tr key={id} data-row={id}>
                  <th scope="row" className={item ? undefined : 'gone'}>
                    {name}
                    {item && item['ownership'] !== undefined && item['ownership'] !== 'own' && (
                      <span className="said">
                        {' '}
                        · {item['ownership'] === 'wish' ? 'wished for' : `to ${item['ownership'] as string}`}
                        {item['from'] ? `, ${item['from'] as string}` : ''}
                      </span>
                    )}
                    {idle && <span className="said"> · nothing needs it</span>}
                    {item && byModel.has(id) && there < most && <span className="off"> · {there === 0 ? 'none' : there} there</span>}
                    {wrong && <span className="off"> · {wrong}</span>}
                    {bags.length === 1 && (item?.['mounted'] === true || item?.['type'] === 'rails') && (
                      <Button
                        size="small"
                        aria-pressed={linesOf(bags[0]!).find((line) => line.id === id)?.onRig ?? false}
                        onClick={() => setLine(bags[0]!.id, id, { onRig: !linesOf(bags[0]!).find((line) => line.id === id)?.onRig })}
                        sx={{ ml: 0.5, minHeight: 28, py: 0 }}
                      >
                        {linesOf(bags[0]!).find((line) => line.id === id)?.onRig ? 'sits on the rig' : 'not on the rig'}
                      </Button>
                    )}
                  </th>
                  <td className="number said">{weight === undefined ? '? g' : withUnit(fixed(weight, 0), 'g')}</td>
                  {bags.map((bag, i) => (
                    <td key={bag.id} className="number">
                      <Count bag={bag} id={id} name={`${name} in bag ${markOf(marked(bag))}`} does={needed[i]!} />
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        ))}
      </Table>
      {bags.some((bag) => (days[bag.id]?.alone.length ?? 0) > 0) && (
        <Typography sx={{ fontSize: 12, color: 'text.secondary', pt: 0.5 }}>
          The small figure: so many shots could not be done without it.
        </Typography>
      )}
      {rows.length === 0 && (
        <Typography sx={{ fontSize: 13.5, color: 'text.secondary', py: 1 }}>Nothing is packed yet. Type what goes in.</Typography>
      )}
      {bags.map((bag) => (
        <Add key={bag.id} bag={bag} mark={bags.length > 1 ? markOf(marked(bag)) : null} />
      ))}
    </Box>
  );
}

function Count({ bag, id, name, does }: { bag: Bag; id: string; name: string; does: number }) {
  const count = countOf(bag, id);
  const small = { minWidth: 32, minHeight: 32, p: 0 } as const;
  return (
    <Box component="span" sx={{ display: 'inline-flex', alignItems: 'center' }}>
      <Button
        size="small"
        sx={small}
        disabled={count === 0}
        aria-label={`One less: ${name}`}
        onClick={() => setCount(bag.id, id, count - 1)}
      >
        −
      </Button>
      <span
        aria-label={`${name}: ${count}`}
        style={{ minWidth: 20, textAlign: 'center', fontWeight: count > 0 ? 650 : 400 }}
        title={does > 0 ? `${does} shots could not be done without it` : undefined}
      >
        {count === 0 ? '·' : count}
        {does > 0 && <sup>{does}</sup>}
      </span>
      <Button size="small" sx={small} aria-label={`One more: ${name}`} onClick={() => setCount(bag.id, id, count + 1)}>
        +
      </Button>
    </Box>
  );
}

/** Adds a thing by typing. */
function Add({ bag, mark }: { bag: Bag; mark: string | null }) {
  const items = useGear((s) => s.items);
  const options = useMemo(
    () =>
      [...items.values()]
        .filter((item) => item.kind !== 'mount')
        .sort((a, b) => kindOrder(a) - kindOrder(b) || fullName(a).localeCompare(fullName(b), 'en', { numeric: true })),
    [items],
  );
  return (
    <Autocomplete
      options={options}
      value={null}
      blurOnSelect={false}
      clearOnBlur
      selectOnFocus
      getOptionLabel={fullName}
      getOptionKey={(item) => item.id}
      groupBy={(item) => kinds.find(([kind]) => kind === item.kind)?.[1] ?? ''}
      filterOptions={(all, { inputValue }) => all.filter((item) => hasWords(fullName(item), inputValue)).slice(0, 60)}
      getOptionDisabled={(item) => countOf(bag, item.id) > 0}
      onChange={(_, item) => item && addThings(bag.id, [item.id])}
      renderInput={(params) => (
        <TextField
          {...params}
          size="small"
          placeholder={mark ? `Pack into ${mark}` : 'Pack something'}
          slotProps={{
            ...params.slotProps,
            htmlInput: { ...params.slotProps.htmlInput, 'aria-label': mark ? `Pack into bag ${mark}` : 'Pack something', maxLength: 200 },
          }}
        />
      )}
      sx={{ mt: 1, maxWidth: 420 }}
    />
  );
}
