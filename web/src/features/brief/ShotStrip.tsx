import { latestAnswers, useFrozen } from '../../sheets/frozen';
import { Button, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useEffect, useRef } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { ShotInput } from '../../core/core';
import { LabelledChoice } from '../../ui/LabelledChoice';
import { useAnswers } from './answers';
import { aspectOf, placesOf, shotsOf, show, shownShot, useProduction } from './productionStore';
import { addShot } from './commands';
import { ShotFrame } from './ShotFrame';
import { tightness } from './words';
import { useStrip, type Grouping } from './stripStore';

const Row = styled('div')({
  display: 'flex',
  gap: 6,
  overflowX: 'auto',
  padding: '2px 2px 6px',
  scrollbarWidth: 'thin',
  alignItems: 'stretch',
});

const Card = styled('button')(({ theme }) => ({
  font: 'inherit',
  textAlign: 'left',
  flex: '0 0 auto',
  width: 132,
  padding: 0,
  border: `1px solid ${theme.vars!.palette.divider}`,
  borderRadius: 4,
  background: theme.vars!.palette.background.paper,
  color: theme.vars!.palette.text.primary,
  cursor: 'pointer',
  overflow: 'hidden',
  '&[aria-current=true]': {
    borderColor: theme.vars!.palette.primary.main,
    boxShadow: `inset 0 0 0 1px ${theme.vars!.palette.primary.main}`,
  },
  '& .frame': { height: 74, display: 'grid', placeItems: 'center', background: theme.vars!.palette.drawing.wall },
  '& .frame > div': { maxWidth: '100%', maxHeight: '100%', width: '100%' },
  '& .frame.tall > div': { width: 'auto', height: '100%' },
  '& .name': { padding: '3px 6px 0', fontSize: 13, fontWeight: 600, whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' },
  '& .how': {
    padding: '0 6px 4px',
    fontSize: 12,
    color: theme.vars!.palette.text.secondary,
    whiteSpace: 'nowrap',
    overflow: 'hidden',
    textOverflow: 'ellipsis',
  },
  '& .none': { color: theme.vars!.palette.warning.main },
}));

const Group = styled('div')({ display: 'flex', flexDirection: 'column', gap: 2 });

const groupings: [Grouping, string][] = [
  ['order', 'In order'],
  ['place', 'By place'],
  ['unit', 'By unit'],
];

/** The shots of the production as a strip of their frames. */
export const ShotStrip = memo(function ShotStrip() {
  const shots = useProduction((s) => shotsOf(s.document));
  const shown = useProduction(shownShot);
  const { grouping, group } = useStrip();
  // By name and identity only: a wall that moves is nothing to the strip.
  const places = useProduction(useShallow((s) => placesOf(s.document).map((p) => `${p.id} ${p.name}`)));
  const groups = grouped(shots, (shot) =>
    grouping === 'place'
      ? (places.find((p) => p.startsWith(shot.locationId))?.slice(shot.locationId.length + 1) ?? '')
      : grouping === 'unit'
        ? shot.unit || 'No unit'
        : '',
  );
  const row = useRef<HTMLDivElement>(null);
  const id = shown?.id;
  useEffect(() => {
    row.current?.querySelector('[aria-current=true]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [id, grouping]);

  const go = (by: number) => {
    const all = groups.flatMap(([, members]) => members);
    const next = all[all.findIndex((s) => s.id === id) + by];
    if (next) {
      show(next.id);
      requestAnimationFrame(() => row.current?.querySelector<HTMLElement>('[aria-current=true]')?.focus());
    }
  };

  return (
    <section aria-label="Shots">
      <div style={{ display: 'flex', alignItems: 'center', gap: 8, marginBottom: 2 }}>
        <Typography component="h2" variant="h2">
          Shots
        </Typography>
        <LabelledChoice label="Order of the strip" value={grouping} choices={groupings} onChange={group} />
        <Button size="small" onClick={addShot} sx={{ ml: 'auto' }}>
          New shot
        </Button>
      </div>
      <Row
        ref={row}
        onKeyDown={(event) => {
          if (event.key === 'ArrowRight' || event.key === 'ArrowLeft') {
            event.preventDefault();
            go(event.key === 'ArrowRight' ? 1 : -1);
          }
        }}
      >
        {groups.map(([name, members]) => (
          <Group key={name}>
            {name !== '' && <Typography sx={{ fontSize: 12, color: 'text.secondary' }}>{name}</Typography>}
            <div style={{ display: 'flex', gap: 6 }}>
              {members.map((shot) => (
                <ShotCard key={shot.id} shot={shot} number={shots.indexOf(shot) + 1} current={shot.id === id} />
              ))}
            </div>
          </Group>
        ))}
      </Row>
    </section>
  );
});

const ShotCard = memo(function ShotCard({ shot, number, current }: { shot: ShotInput; number: number; current: boolean }) {
  const thumb = useAnswers((s) => s.thumbs[shot.id]);
  const delivery = useProduction((s) => s.document.delivery);
  const production = useProduction((s) => s.id);
  const aspect = aspectOf(delivery, shot);
  const answered = useFrozen((s) => verdicts[latestAnswers(s.work === production ? s.sheets : [], shot.id)[0]?.verdict ?? 'none']);
  // The places are modelled for a level camera.
  const overhead = shot.cameraSupport === 'overhead';
  return (
    <Card
      type="button"
      onClick={() => show(shot.id)}
      aria-current={current}
      aria-label={`${number}. ${shot.name}${thumb && !thumb.fits ? ', nothing fits yet' : ''}`}
      tabIndex={current ? 0 : -1}
    >
      <div className={aspect < 132 / 74 ? 'frame tall' : 'frame'}>
        <ShotFrame
          picture={overhead ? null : (thumb?.picture ?? null)}
          word={thumb ? (thumb.fits ? 'Seen from above' : 'Nothing fits yet') : '…'}
          aspect={aspect}
        />
      </div>
      <div className="name">
        {number}. {shot.name}
      </div>
      <div className={thumb && !thumb.fits ? 'how none' : 'how'}>
        {thumb && !thumb.fits
          ? 'Nothing fits yet'
          : [tightness(shot), answered || (shot.chosen ? 'chosen' : '')].filter(Boolean).join(' · ')}
      </div>
    </Card>
  );
});

const verdicts = { approved: 'approved', declined: 'not like this', none: '' };

function grouped(shots: ShotInput[], of: (shot: ShotInput) => string): [string, ShotInput[]][] {
  const groups = new Map<string, ShotInput[]>();
  for (const shot of shots) {
    groups.set(of(shot), [...(groups.get(of(shot)) ?? []), shot]);
  }
  return [...groups];
}
