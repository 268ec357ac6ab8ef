import { Box, Button, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useState } from 'react';
import type { Bag } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { fixed, withUnit } from '../../../ui/format';
import { useBagAnswers, type BagAnswer } from './bagAnswers';
import { RowDrawing } from './RowDrawing';
import { addThings } from './bagCommands';
import { markOf } from './bagWords';
import { useWidth } from '../../../ui/useWidth';

type Row = BagAnswer['reach'][number];
type Hole = Row['holes'][number];

const rowPx = 20;
const nameDrawn = 230;
const marks = [8, 12, 16, 24, 35, 50, 85, 135, 200, 300, 400, 600, 800, 1200];
/** What is at least as open as this is drawn at full height: fast enough for a dim room. */
const fast = 2.8;

const mm = (value: number) => withUnit(fixed(value, value < 20 ? 1 : 0), 'mm');

/** What bags reach: for each camera and mode one line of equivalents, the bags one above the other, to one scale. */
export function ReachDrawing({ bags, marked }: { bags: Bag[]; marked: (bag: Bag) => number }) {
  const answers = useBagAnswers((s) => s.bags);
  const [everyMode, setEveryMode] = useState(false);
  const [hole, setHole] = useState<{ bag: Bag; row: Row; hole: Hole } | null>(null);
  const [box, width] = useWidth();
  const { text, primary, warning, divider, drawing } = useTheme().vars!.palette;

  const rows = bags.flatMap((bag) => {
    const all = answers[bag.id]?.reach ?? [];
    return all.filter((row, i) => everyMode || all[i - 1]?.body !== row.body).map((row) => ({ bag, row }));
  });
  // What is of one camera stands together, one bag above the other.
  const order = [...new Set(rows.map(({ row }) => `${row.body} ${row.mode}`))];
  rows.sort((a, b) => order.indexOf(`${a.row.body} ${a.row.mode}`) - order.indexOf(`${b.row.body} ${b.row.mode}`));
  const ends = rows.flatMap(({ row }) => row.spans.flatMap((span) => [span.fromMm, span.toMm]));
  const nameWidth = width < 600 ? 120 : nameDrawn;
  const [low, high] = [Math.min(20, ...ends) / 1.1, Math.max(100, ...ends) * 1.1];
  const x = (value: number) => nameWidth + (Math.log(value / low) / Math.log(high / low)) * (width - nameWidth - 12);
  const height = rows.length * rowPx + 34;
  const smallest = (row: Row) => Math.min(...row.spans.map((s) => s.smallestFieldMm ?? Infinity));

  return (
    <Box ref={box} component="section" aria-label="Reach" sx={{ minWidth: 0 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 1.5 }}>
        <Typography variant="h2">Reach</Typography>
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary', flex: 1, minWidth: 200 }}>
          Equivalent focal lengths. A tall bar is ƒ2.8 or faster, a dark core what no other lens gives; hatched is a hole: press it for what
          fills it. Dashed leaves dark corners.
        </Typography>
        <Button size="small" aria-pressed={everyMode} onClick={() => setEveryMode(!everyMode)}>
          {everyMode ? 'First modes only' : 'Every mode'}
        </Button>
      </Box>
      {rows.length === 0 ? (
        <Typography sx={{ fontSize: 13.5, color: 'text.secondary', py: 1 }}>
          A camera and a lens that goes on it make a line here.
        </Typography>
      ) : (
        width > 0 && (
          <RowDrawing height={height} viewBox={`0 0 ${width} ${height}`} role="group" aria-label="What the bags reach">
            <defs>
              <pattern id="hole" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                <line x1="0" x2="0" y1="0" y2="5" stroke={warning.main} strokeWidth="1.5" />
              </pattern>
            </defs>
            {marks
              .filter((mark) => mark > low && mark < high)
              .map((mark) => (
                <g key={mark}>
                  <line x1={x(mark)} x2={x(mark)} y1={2} y2={height - 18} stroke={divider} />
                  <text x={x(mark)} y={height - 4} textAnchor="middle">
                    {mark}
                  </text>
                </g>
              ))}
            {rows.map(({ bag, row }, i) => {
              const y = 4 + i * rowPx + rowPx / 2;
              const near = smallest(row);
              return (
                <g key={`${bag.id} ${row.body} ${row.mode}`}>
                  <text className="name" x={0} y={y + 4}>
                    {bags.length > 1 ? `${markOf(marked(bag))} ` : ''}
                    {row.bodyName}
                    {everyMode ? `, ${row.mode}` : ''}
                    <title>
                      {`${row.bodyName}, ${row.mode}${near < Infinity ? `; the smallest field is ${fixed(near / 10, 1)} cm wide` : ''}`}
                    </title>
                  </text>
                  {nameWidth === nameDrawn && near < Infinity && (
                    <text x={nameWidth - 8} y={y + 4} textAnchor="end">
                      {`≥ ${fixed(near / 10, near < 100 ? 1 : 0)} cm`}
                    </text>
                  )}
                  {row.holes.map((one) => (
                    <rect
                      key={one.fromMm}
                      role="button"
                      tabIndex={0}
                      aria-label={`Hole in bag ${markOf(marked(bag))} on ${row.bodyName}, ${mm(one.fromMm)} to ${mm(one.toMm)}: what fills it`}
                      x={x(one.fromMm)}
                      width={x(one.toMm) - x(one.fromMm)}
                      y={y - 7}
                      height={14}
                      fill="url(#hole)"
                      onClick={() => setHole({ bag, row, hole: one })}
                      onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && setHole({ bag, row, hole: one })}
                    />
                  ))}
                  {row.spans.map((span, j) => {
                    const tall = span.fastestAtFrom <= fast * 1.01;
                    const said = `${span.name}${span.through ? ` through ${span.through}` : ''}: ${mm(span.fromMm)}${span.toMm > span.fromMm ? ` to ${mm(span.toMm)}` : ''}, ƒ${fixed(span.fastestAtFrom, 1)}${span.fastestAtTo > span.fastestAtFrom * 1.02 ? ` to ƒ${fixed(span.fastestAtTo, 1)}` : ''}${span.covers ? '' : '; corners stay dark'}${span.only.length > 0 ? '; part of it nothing else gives' : ''}`;
                    const [from, to] = [x(span.fromMm), x(span.toMm)];
                    const [half, halfTo] = [tall ? 7 : 3.5, span.fastestAtTo <= fast * 1.01 ? 7 : 3.5];
                    return span.toMm > span.fromMm ? (
                      <polygon
                        key={`${span.lens} ${span.through} ${j}`}
                        points={`${from},${y - half} ${to},${y - halfTo} ${to},${y + halfTo} ${from},${y + half}`}
                        fill={drawing.floor}
                        fillOpacity={0.75}
                        stroke={text.primary}
                        strokeDasharray={span.covers ? undefined : '3 2'}
                      >
                        <title>{said}</title>
                      </polygon>
                    ) : (
                      <rect
                        key={`${span.lens} ${span.through} ${j}`}
                        x={from - 2}
                        width={4}
                        y={y - half - 1}
                        height={2 * half + 2}
                        fill={span.covers ? text.primary : 'none'}
                        stroke={text.primary}
                        strokeDasharray={span.covers ? undefined : '3 2'}
                      >
                        <title>{said}</title>
                      </rect>
                    );
                  })}
                  {row.spans.flatMap((span) =>
                    span.only
                      .filter((part) => part.toMm > part.fromMm)
                      .map((part) => (
                        <line
                          key={`${span.lens} ${span.through} ${part.fromMm}`}
                          x1={x(part.fromMm)}
                          x2={x(part.toMm)}
                          y1={y}
                          y2={y}
                          stroke={text.primary}
                          strokeWidth={3}
                        >
                          <title>{`Only ${span.name}${span.through ? ` through ${span.through}` : ''} gives ${mm(part.fromMm)} to ${mm(part.toMm)}`}</title>
                        </line>
                      )),
                  )}
                  {row.doubles.map((double) => (
                    <line
                      key={`${double.one} ${double.other}`}
                      x1={x(double.fromMm) - 2}
                      x2={x(double.toMm) + 2}
                      y1={y + 9}
                      y2={y + 9}
                      stroke={primary.main}
                      strokeWidth={2}
                    >
                      <title>{`Two lenses give ${mm(double.fromMm)} to ${mm(double.toMm)}`}</title>
                    </line>
                  ))}
                </g>
              );
            })}
          </RowDrawing>
        )
      )}
      {hole && <Fills {...hole} onClose={() => setHole(null)} />}
    </Box>
  );
}

/** What of the shelf fills a hole; a press packs it. */
function Fills({ bag, row, hole, onClose }: { bag: Bag; row: Row; hole: Hole; onClose: () => void }) {
  const items = useGear((s) => s.items);
  const nameOf = (id: string, short: string) => {
    const item = items.get(id);
    return item ? fullName(item) : short;
  };
  return (
    <Box role="region" aria-label="What fills the hole" sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1, mt: 0.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography sx={{ flex: 1, fontSize: 14 }}>
          Between {mm(hole.fromMm)} and {mm(hole.toMm)} on {row.bodyName}, {row.mode}:{' '}
          {hole.fills.length > 0 ? 'from the shelf' : 'nothing on the shelf fills it'}
        </Typography>
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </Box>
      {hole.fills.map((fill) => (
        <Box
          key={fill.rig.lens}
          sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', columnGap: 1, borderTop: 1, borderColor: 'divider' }}
        >
          <Typography sx={{ flex: 1, fontSize: 14, minWidth: 180 }}>
            {[nameOf(fill.rig.lens, fill.rig.lensName), ...fill.rig.linkNames].join(' through ')}
          </Typography>
          <Typography sx={{ fontSize: 13, color: 'text.secondary', fontVariantNumeric: 'tabular-nums' }}>
            {mm(fill.fromMm)}
            {fill.toMm > fill.fromMm && ` to ${mm(fill.toMm)}`}
            {fill.rig.ownership !== 'own' && `, ${fill.rig.ownership === 'wish' ? 'wished for' : fill.rig.ownership}`}
          </Typography>
          <Button
            size="small"
            onClick={() => {
              addThings(bag.id, fill.added);
              onClose();
            }}
          >
            Pack {fill.added.length === 1 ? 'it' : `${fill.added.length} things`}
          </Button>
        </Box>
      ))}
    </Box>
  );
}
