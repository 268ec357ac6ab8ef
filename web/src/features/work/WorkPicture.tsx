import { useQuery } from '@tanstack/react-query';
import { styled } from '@mui/material/styles';
import { useEffect, useRef, useState } from 'react';
import type { ComparisonDocument, ProductionDocument, WorkSummary } from '../../api/client';
import { core, coreReady, type LocationInput } from '../../core/core';
import { LineFrame } from '../../picture/LineFrame';
import { sceneOf } from '../../core/standing';
import type { Place } from './works';

const Pictures = styled('div')(({ theme }) => ({
  width: 168,
  height: 96,
  flexShrink: 0,
  display: 'flex',
  flexWrap: 'wrap',
  alignContent: 'center',
  justifyContent: 'center',
  gap: 4,
  background: theme.vars!.palette.background.default,
  borderRadius: 4,
  overflow: 'hidden',
  '& svg': { display: 'block' },
  [theme.breakpoints.down('sm')]: { width: '100%' },
}));

const most = 4;

/** A piece of work in small: the frames of a comparison in lines, the places of a production from above, to one scale. Fetched when it comes into sight. */
export function WorkPicture({ place, item }: { place: Place; item: WorkSummary }) {
  const box = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const sight = new IntersectionObserver(([entry]) => entry!.isIntersecting && setSeen(true), { rootMargin: '200px' });
    sight.observe(box.current!);
    return () => sight.disconnect();
  }, []);
  const { data } = useQuery({
    queryKey: ['work picture', item.id, item.revision],
    enabled: seen && item.canBeRead,
    staleTime: Infinity,
    retry: false,
    queryFn: async () => {
      const [work] = await Promise.all([place.kind.works.read(item.id), coreReady]);
      return work && !('kind' in work) ? work.document : null;
    },
  });
  return (
    <Pictures ref={box} aria-hidden>
      {data == null ? null : place.kind.kind === 'comparison' ? <Frames document={data} /> : <Plans document={data} />}
    </Pictures>
  );
}

function Frames({ document }: { document: ComparisonDocument }) {
  const { setup } = document;
  const rigs = setup.rigs.slice(0, most);
  const reports = core().evaluate({ ...setup, rigs, yardstick: '' }) ?? [];
  const across = rigs.length < 2 ? 1 : 2;
  const rows = rigs.length > 2 ? 2 : 1;
  return reports.map(({ figures }, i) => {
    const width = Math.min((160 - 4 * (across - 1)) / across, ((88 - 4 * (rows - 1)) / rows) * figures.deliveredAspect);
    return (
      <LineFrame
        key={i}
        index={i}
        scene={sceneOf(rigs[i]!, setup.scene)}
        focus={Number.isNaN(figures.magnification) ? null : figures}
        aspect={figures.deliveredAspect}
        width={width}
      />
    );
  });
}

const PlanLines = styled('svg')(({ theme }) => ({
  '& rect': { fill: theme.vars!.palette.drawing.floor, stroke: theme.vars!.palette.drawing.line },
  '& circle': { fill: theme.vars!.palette.text.primary },
}));

/** Places without walls are drawn as large as a large room, mm. */
const openMm = 9000;

function Plans({ document }: { document: ProductionDocument }) {
  const locations = (document.locations ?? []).slice(0, most);
  const size = ({ lengthMm, widthMm }: LocationInput) => ({
    long: Math.min(lengthMm ?? openMm, 3 * openMm),
    wide: Math.min(widthMm ?? openMm, 3 * openMm),
  });
  const largest = Math.max(1, ...locations.map((l) => Math.max(size(l).long, size(l).wide * 1.6)));
  const scale = (locations.length > 2 ? 74 : 150) / largest;
  return locations.map((location) => {
    const { long, wide } = size(location);
    const behind = Math.min(long, location.behindMm ?? long / 3);
    const open = location.lengthMm == null || location.widthMm == null;
    return (
      <PlanLines key={location.id} width={long * scale} height={wide * scale}>
        <rect
          x="0.5"
          y="0.5"
          width={Math.max(1, long * scale - 1)}
          height={Math.max(1, wide * scale - 1)}
          strokeDasharray={open ? '3 3' : undefined}
        />
        <circle cx={(long - behind) * scale} cy={(wide * scale) / 2} r="2.2" />
      </PlanLines>
    );
  });
}
