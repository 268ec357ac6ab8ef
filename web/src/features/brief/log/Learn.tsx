import { Box, Button, MenuItem, Typography } from '@mui/material';
import { useTheme } from '@mui/material/styles';
import { useMemo, useState } from 'react';
import type { ProductionDocument } from '../../../api/client';
import type { Row } from '../../../documents/rows';
import { useGear } from '../../../gear/fitting';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { PageMessage } from '../../../ui/PageMessage';
import { Panel } from '../../../ui/Panel';
import { aperture, counted, fixed, plain, roundDistance } from '../../../ui/format';
import { useWidth } from '../../../ui/useWidth';
import { apart, deadWeight, distribution, earned, holes, learntTable, lensOf, together, uses, type Bin, type WantedAt } from './learn';
import { aspectOf, shotsOf } from '../productionStore';
import { shotKey, useProductionsOf, useWantedOf } from './productionsOf';
import { learntOut, takeOut } from './takeFiles';
import { equivalentOf } from './takeRigs';
import { reasons, takesOf, type Take } from './takes';

/** The marks of a bag's reach, so that what was used is seen on the axis on which it was planned. */
const equivalents = [8, 12, 16, 24, 35, 50, 85, 135, 200, 300, 400, 600, 800, 1200];
const fine = equivalents.flatMap((mark, i) => (i === 0 ? [mark] : [Math.sqrt(mark * equivalents[i - 1]!), mark]));
const openings = [0.95, 1.4, 2, 2.8, 4, 5.6, 8, 11, 16, 22].map((n) => n / 2 ** 0.25);
const noOthers: string[] = [];
const distances = [0.25, 0.5, 1, 2, 4, 8, 16, 32, 64, 128].map((m) => m * 1000);

/** What was really used: by lens, by equivalent, by aperture and distance; what was carried for nothing, and what was missed. */
export function Learn({
  rows,
  productionId,
  name,
  document,
  feet,
  onSaid,
}: {
  rows: Row<Take>[];
  productionId: string;
  /** Of the production, for files. */
  name: string;
  document: ProductionDocument;
  feet: boolean;
  onSaid: (say: string) => void;
}) {
  const [scope, setScope] = useState<'this' | 'all'>('this');
  const { items, version } = useGear();
  const taken = useMemo(
    () => (scope === 'this' ? takesOf(rows, productionId) : rows.filter((row) => !row.isRemoved)).map((row) => row.value),
    [rows, productionId, scope],
  );
  const others = useProductionsOf(
    scope === 'all' ? [...new Set(taken.map((take) => take.productionId))].filter((id) => id !== productionId).sort() : noOthers,
  );
  const all = useMemo(() => [{ id: productionId, name, document }, ...others.told], [productionId, name, document, others.told]);
  const wanted = useWantedOf(all);
  // Each take by what its own shot, or its own production, is delivered as.
  const aspects = useMemo(() => {
    const documents = new Map(all.map((one) => [one.id, one.document]));
    const shots = new Map(all.flatMap((one) => shotsOf(one.document).map((shot) => [shotKey(one.id, shot.id), shot] as const)));
    return new Map(
      taken.map((take) => [
        take,
        aspectOf(documents.get(take.productionId)?.delivery, shots.get(shotKey(take.productionId, take.shotId ?? ''))),
      ]),
    );
  }, [taken, all]);
  const isGood = (take: Take) => take.mark === 'good';
  const valued = (of: (take: Take) => number | null | undefined) =>
    taken.flatMap((take) => {
      const value = of(take);
      return value == null ? [] : [{ value, isGood: isGood(take) }];
    });
  // eslint-disable-next-line react-hooks/exhaustive-deps -- asked anew when the gear is another
  const at = useMemo(() => valued((take) => equivalentOf(take, aspects.get(take)!)), [taken, aspects, version]);
  const apertures = valued((take) => take.fNumber);
  const spans = valued((take) => take.distanceMm);
  const lenses = uses(taken, lensOf);
  const of = useMemo(
    () =>
      all.map((one) => {
        const own = takesOf(rows, one.id).map((row) => row.value);
        const where = all.length > 1 ? ` (${one.name})` : '';
        return {
          dead: deadWeight(one.document, own, items),
          // A copy of a production has the very shots and bags of the first.
          missed: holes(one.document, own, (shot) => wanted.of.get(shotKey(one.id, shot))).map((shot) => ({
            ...shot,
            id: `${one.id} ${shot.id}`,
            name: shot.name + where,
          })),
          bags: earned(one.document, own, items).map((bag) => ({ ...bag, id: `${one.id} ${bag.id}`, name: bag.name + where })),
        };
      }),
    [rows, all, wanted.of, items],
  );
  const dead = together(of.flatMap((one) => one.dead));
  const missed = of.flatMap((one) => one.missed);
  const bags = of.flatMap((one) => one.bags);
  const most = Math.max(1, ...lenses.map((lens) => lens.count));
  const called = scope === 'this' ? name : 'All';
  const out = (kind: 'json' | 'csv') => void takeOut(taken, [...aspects.values()], called, kind).then(onSaid);
  const tableOut = () =>
    learntOut(
      learntTable({
        lenses,
        equivalents: distribution(at, fine),
        apertures: distribution(apertures, openings),
        distances: distribution(spans, distances),
        dead,
        missed,
        bags,
      }),
      called,
    );
  if (taken.length === 0) {
    return (
      <PageMessage
        title="No take yet"
        text="What was used, what was carried for nothing and what was missed is told here as takes are noted."
      />
    );
  }
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'end', flexWrap: 'wrap' }}>
        <LabelledSelect label="Of" value={scope} onChange={setScope}>
          <MenuItem value="this">this production</MenuItem>
          <MenuItem value="all">all productions</MenuItem>
        </LabelledSelect>
        <Button onClick={tableOut} disabled={others.waiting || wanted.waiting}>
          This as CSV
        </Button>
        <Button onClick={() => out('csv')}>Takes as CSV</Button>
        <Button onClick={() => out('json')}>Takes as JSON</Button>
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          It rests on {counted(taken.length, 'take')}, {taken.filter(isGood).length} of them good. Full colour is good; a ring is what was
          wanted and not had, with an arrow where there is room for no longer lens.
          {others.waiting && ' The other productions are being read…'}
          {others.missing > 0 && ` ${counted(others.missing, 'production')} cannot be read: what was carried or missed there is not told.`}
        </Typography>
      </Box>
      <Panel aria-label="By equivalent" sx={{ p: 1 }}>
        <Typography variant="h2">By equivalent focal length</Typography>
        <Bars
          bins={distribution(at, fine)}
          marks={equivalents}
          text={(mm) => fixed(mm, 0)}
          rests={at.length}
          holes={missed.flatMap(({ id, name, wanted: at }) => (at === null ? [] : [{ id, name, ...at }]))}
        />
      </Panel>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' } }}>
        <Panel aria-label="By aperture" sx={{ p: 1 }}>
          <Typography variant="h2">By aperture</Typography>
          <Bars
            bins={distribution(apertures, openings)}
            marks={[1.4, 2, 2.8, 4, 5.6, 8, 11, 16]}
            text={aperture}
            rests={apertures.length}
          />
        </Panel>
        <Panel aria-label="By distance" sx={{ p: 1 }}>
          <Typography variant="h2">By distance</Typography>
          <Bars
            bins={distribution(spans, distances)}
            marks={distances.filter((_, i) => i % 2 === 1)}
            text={(mm) => roundDistance(mm, feet)}
            rests={spans.length}
          />
        </Panel>
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: 1,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 1 }}>
          <Panel aria-label="By lens" sx={{ p: 1 }}>
            <Typography variant="h2">By lens</Typography>
            {lenses.map((lens) => (
              <Box key={lens.key} sx={{ py: 0.25, fontSize: 14 }}>
                <Box sx={{ display: 'flex', gap: 1 }}>
                  <span style={{ flex: 1 }}>{lens.name}</span>
                  <span style={{ fontVariantNumeric: 'tabular-nums' }}>{counted(lens.count, 'take')}</span>
                </Box>
                <Box sx={{ display: 'flex', height: 6, bgcolor: 'background.default' }}>
                  <Box sx={{ width: `${(100 * lens.good) / most}%`, bgcolor: 'primary.main' }} />
                  <Box sx={{ width: `${(100 * (lens.count - lens.good)) / most}%`, bgcolor: 'primary.main', opacity: 0.35 }} />
                </Box>
              </Box>
            ))}
          </Panel>
          <Panel aria-label="Wanted and not had" sx={{ p: 1 }}>
            <Typography variant="h2">Wanted and not had</Typography>
            {missed.length === 0 && <Typography sx={{ fontSize: 14 }}>Every shot has a good take.</Typography>}
            {missed.map((shot) => (
              <Box key={shot.id} sx={{ display: 'flex', gap: 1, fontSize: 14, py: 0.25 }}>
                <span style={{ flex: 1 }}>{shot.name}</span>
                <span>
                  {shot.wanted === null ? '' : `${shot.wanted.isMost ? 'at most ' : ''}${fixed(shot.wanted.mm, 0)} mm equivalent, `}
                  {shot.takes === 0 ? 'no take' : `${counted(shot.takes, 'take')}, none good`}
                  {shot.reasons.length > 0 ? `: ${shot.reasons.map((r) => reasons[r].toLowerCase()).join(', ')}` : ''}
                </span>
              </Box>
            ))}
          </Panel>
        </Box>
        <Panel aria-label="Carried and not used" sx={{ p: 1 }}>
          <Typography variant="h2">Carried and not used</Typography>
          {dead.length === 0 && <Typography sx={{ fontSize: 14 }}>Nothing that is in a bag.</Typography>}
          {dead.slice(0, 12).map((thing) => (
            <Box key={thing.id} sx={{ display: 'flex', gap: 1, fontSize: 14, py: 0.25 }}>
              <span style={{ flex: 1 }}>
                {thing.name} <small>({thing.bags.length === 1 ? thing.bags[0] : counted(thing.bags.length, 'bag')})</small>
              </span>
              <span style={{ fontVariantNumeric: 'tabular-nums' }}>
                {thing.kilogramDays === null ? 'not weighed' : `${plain(thing.kilogramDays, 2)} kg-days`}
              </span>
            </Box>
          ))}
          <Typography variant="h2" sx={{ mt: 1 }}>
            What the bags did
          </Typography>
          {bags.map((bag) => (
            <Box key={bag.id} sx={{ display: 'flex', gap: 1, fontSize: 14, py: 0.25 }}>
              <span style={{ flex: 1 }}>{bag.name}</span>
              <span>
                {counted(bag.takes, 'take')}, {bag.good} good
                {bag.hire ? (bag.takes > 0 ? `, hire ${plain(bag.hire / bag.takes, 2)} a take` : `, hire ${plain(bag.hire, 2)}`) : ''}
              </span>
            </Box>
          ))}
        </Panel>
      </Box>
    </Box>
  );
}

/** Across, of a letter under an axis, px. */
const letterPx = 6.5;

/** A distribution as bars over an axis of ratios; how many takes it rests on is said. */
function Bars({
  bins,
  marks,
  text,
  rests,
  holes: missed = [],
}: {
  bins: Bin[];
  marks: number[];
  text: (value: number) => string;
  rests: number;
  /** What was wanted and not had, drawn as empty places on the axis. */
  holes?: ({ id: string; name: string } & WantedAt)[];
}) {
  const [ref, width] = useWidth();
  const { primary, warning, text: ink, divider, background } = useTheme().vars!.palette;
  const light = `color-mix(in srgb, ${primary.main} 38%, ${background.paper})`;
  const used = bins.filter((bin) => bin.count > 0);
  if (used.length === 0) {
    return <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>No take says it.</Typography>;
  }
  const [low, high] = [
    Math.min(bins[0]!.from * 2, used[0]!.from, ...missed.map((hole) => hole.mm)) / 1.05,
    Math.max(used.at(-1)!.to, used[0]!.from * 4, ...missed.map((hole) => hole.mm)) * 1.05,
  ];
  const x = (value: number) => 6 + (Math.log(value / low) / Math.log(high / low)) * (width - 12);
  const shown = marks.filter((mark) => mark > low && mark < high);
  const most = Math.max(...used.map((bin) => bin.count));
  const [top, base] = [16, 108];
  const y = (count: number) => base - (count / most) * (base - top);
  return (
    <Box ref={ref}>
      {width > 0 && (
        <svg
          width="100%"
          height="130"
          viewBox={`0 0 ${width} 130`}
          role="img"
          aria-label={`Rests on ${counted(rests, 'take')}`}
          style={{ display: 'block' }}
        >
          {shown.map((mark) => (
            <line key={mark} x1={x(mark)} x2={x(mark)} y1={top - 6} y2={base} stroke={divider} />
          ))}
          {apart(shown, (mark) => [x(mark), text(mark).length * letterPx]).map((mark) => (
            <text
              key={mark}
              x={x(mark)}
              y={126}
              fontSize="11"
              textAnchor={x(mark) < 24 ? 'start' : x(mark) > width - 24 ? 'end' : 'middle'}
              fill={ink.secondary}
            >
              {text(mark)}
            </text>
          ))}
          {used.map((bin) => {
            const [left, right] = [x(Math.max(bin.from, low)) + 1, x(Math.min(bin.to, high)) - 1];
            return (
              <g key={bin.from}>
                <rect x={left} width={Math.max(1, right - left)} y={y(bin.count)} height={base - y(bin.count)} fill={light} />
                <rect x={left} width={Math.max(1, right - left)} y={y(bin.good)} height={base - y(bin.good)} fill={primary.main} />
                <text x={(left + right) / 2} y={y(bin.count) - 3} fontSize="11" textAnchor="middle" fill={ink.primary}>
                  {bin.count}
                </text>
              </g>
            );
          })}
          <line x1="6" x2={width - 6} y1={base} y2={base} stroke={ink.secondary} />
          {missed.map((hole) => (
            <g key={hole.id} stroke={warning.main} strokeWidth="2">
              <title>{`${hole.name}: wanted at ${hole.isMost ? 'no more than ' : ''}${text(hole.mm)} and not had`}</title>
              {hole.isMost && <path d={`M${x(hole.mm) - 5} ${base - 7} h-12 m4 -3 l-4 3 l4 3`} fill="none" />}
              <circle cx={x(hole.mm)} cy={base - 7} r="5" fill={background.paper} />
            </g>
          ))}
        </svg>
      )}
    </Box>
  );
}
