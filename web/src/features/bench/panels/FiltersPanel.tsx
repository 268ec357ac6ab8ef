import { Box, Button, ButtonBase, Typography } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api } from '../../../api/client';
import type { Chain, ChainPart, GearItem, RigInput, RigReport, SceneInput } from '../../../core/core';
import { assemblyOf, chainOf } from '../../../gear/chains';
import { dataOf, patient } from '../../../gear/shelfApi';
import { fixed, stops as stopsText, withUnit } from '../../../ui/format';
import { RigMark } from '../../../ui/RigMark';
import { useBench, yardstickOf } from '../benchStore';
import { changeChain } from '../commands';
import { holdNothing } from '../holding';
import { startOf, wayOf } from '../light/steps';
import { SidePanel } from './SidePanel';

/** What is left over less than this wants no filter, stops. */
const toleranceStops = 1 / 3;
/** How much less, and how much more than what is left over a filter may take to be told, stops. */
const [lessStops, moreStops] = [0.5, 1.5];

const takesLightAlone = (item: GearItem) => item.kind === 'filter' && (item.effect === 'neutralDensity' || item.effect === 'variable');

interface FiltersPanelProps {
  index: number;
  rig: RigInput;
  scene: SceneInput;
  report: RigReport | undefined;
}

/** Which filters of the shelf take what is left over of a rig's light, in which order, with which rings, and whether they cut. */
export function FiltersPanel({ index, rig, scene, report }: FiltersPanelProps) {
  const yardstick = useBench((s) => s.reports[yardstickOf(s.document.setup)]);
  const chain = chainOf(rig);
  const start = yardstick ? startOf(scene, yardstick) : null;
  const end = report && start ? wayOf(rig, report, scene, start.ev).end : null;
  const on = (chain?.parts ?? []).map((part) => part.item).filter(takesLightAlone);
  const taken = on.reduce((sum, item) => sum + (item.stopsMost == null ? ((item.stops as number | undefined) ?? 0) : 0), 0);
  // What would be left over without them.
  const left = end === null ? null : end + taken;
  const wanted = left !== null && left > toleranceStops;
  const { data, error, isPending } = useQuery({
    queryKey: ['shelf', 'filters', chain, rig.focalLengthMm, rig.fNumber, scene.deliveryAspect, left?.toFixed(2)],
    enabled: wanted && chain !== null,
    queryFn: ({ signal }) => {
      const setup = assemblyOf(rig, rig.chain!, scene);
      const body = { setup, leastStops: left! - lessStops, mostStops: left! + moreStops };
      return dataOf(api.POST('/api/shelf/filters', { body, signal }), signal);
    },
    placeholderData: keepPreviousData,
    ...patient,
  });
  const items = new Map<string, ChainPart>([...(chain?.parts ?? []), ...((data?.items ?? []) as ChainPart[])].map((p) => [p.item.id, p]));
  const put = (ids: string[]) => changeChain(rig.id!, { ...(chain as Chain), parts: ids.map((id) => items.get(id)!) }, {}, holdNothing);
  const bare = (chain?.parts ?? []).filter(({ item }) => !takesLightAlone(item) && item.kind !== 'stepRing');
  return (
    <SidePanel title="Filters for this rig" mark={<RigMark index={index} size={24} />}>
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }} role="status">
        {chain === null
          ? 'This rig is of bare numbers: type its filter, or build it of parts.'
          : left === null
            ? 'What is left over is not known: give the rig a sensitivity, and say how bright it is.'
            : !wanted
              ? `${stopsText(left)} without a filter: it wants none.`
              : `${stopsText(left)} without a filter. ${data ? (data.total === 0 ? 'Nothing on the shelf takes that and screws on.' : `${data.total === 1 ? 'One way takes' : `${data.total} ways take`} about as much.`) : ''}`}
        {data?.total === 0 && (
          <>
            {' '}
            <Link to="/shelf?kind=filter">To the Shelf</Link>
          </>
        )}
      </Typography>
      {on.length > 0 && (
        <Button size="small" sx={{ alignSelf: 'start' }} onClick={() => put(bare.map((part) => part.item.id))}>
          Take off {on.map((item) => item.name).join(', ')}
        </Button>
      )}
      {error && (
        <Typography role="alert" sx={{ fontSize: 14 }}>
          {error.message} The rig keeps its filters; it is asked again until the server is back.
        </Typography>
      )}
      {wanted && chain !== null && isPending && <Typography sx={{ fontSize: 14 }}>Trying what is on the shelf…</Typography>}
      <Box component="ul" aria-label="Filters" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {wanted &&
          data?.ways.map((way) => {
            const names = way.added.map((id) => items.get(id)?.item.name ?? '');
            const takes = Math.min(way.mostStops, Math.max(way.leastStops, left));
            const corners = way.cuts ? 'cuts the corners' : way.isClear ? 'clear to the corners' : 'shades the corners';
            return (
              <Box component="li" key={way.added.join()} sx={{ borderTop: 1, borderColor: 'divider' }}>
                <ButtonBase
                  onClick={() => put(way.parts)}
                  aria-label={`${names.join(', then ')}: leaves ${stopsText(left - takes)}, ${corners}`}
                  sx={{
                    display: 'block',
                    width: '100%',
                    minHeight: 48,
                    textAlign: 'left',
                    py: 0.75,
                    px: 0.5,
                    fontFamily: 'inherit',
                    fontSize: 14,
                    '&:hover': { bgcolor: 'background.default' },
                    '& small': { display: 'block', fontSize: 12.5, lineHeight: 1.3, color: 'text.secondary' },
                    '& small.warn': { color: 'warning.main' },
                  }}
                >
                  <span style={{ fontWeight: 600 }}>{names.join(' + ')}</span>
                  <small>
                    {way.mostStops > way.leastStops
                      ? `turned to ${withUnit(fixed(takes, 1), 'st')} of ${fixed(way.leastStops, 1)} to ${fixed(way.mostStops, 1)}`
                      : `takes ${withUnit(fixed(takes, 1), 'st')}`}
                    {`, leaves ${stopsText(left - takes)}, ${corners}`}
                  </small>
                  {way.findings
                    .filter((f) => f.severity === 'spoils' || f.severity === 'costs')
                    .map((f) => (
                      <small key={f.message} className="warn">
                        {f.message}
                      </small>
                    ))}
                </ButtonBase>
              </Box>
            );
          })}
      </Box>
    </SidePanel>
  );
}
