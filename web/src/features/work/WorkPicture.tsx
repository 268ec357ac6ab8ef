import { useQuery } from '@tanstack/react-query';
import { styled } from '@mui/material/styles';
import { useEffect, useRef, useState } from 'react';
import type { ComparisonDocument, ProductionDocument, WorkSummary } from '../../api/client';
import { core, coreReady } from '../../core/core';
import { CutDrawing } from '../../drawing/CutDrawing';
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

/** A piece of work in small: the frames of a comparison in lines, the shots of a production as cuts. Fetched when it comes into sight. */
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
      {data == null ? null : place.kind.kind === 'comparison' ? <Frames document={data} /> : <Cuts document={data} />}
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

/** Shots as cuts on their subjects. */
function Cuts({ document }: { document: ProductionDocument }) {
  const shots = (document.shots ?? []).slice(0, most);
  const frames = core().frames({ ...document, shots });
  const height = shots.length > 2 ? 44 : 88;
  return frames.map((frame, i) => (
    <div key={shots[i]!.id} style={{ width: shots.length > 1 ? 80 : 160 }}>
      <CutDrawing shot={shots[i]!} frame={frame} feet={false} height={height} />
    </div>
  ));
}
