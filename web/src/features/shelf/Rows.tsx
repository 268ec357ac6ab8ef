import { Box, Button, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useEffect, useRef, type KeyboardEvent } from 'react';
import { figureFont } from '../../app/theme';
import { PageMessage } from '../../ui/PageMessage';
import { factsOf, fullName, held, priceOf, text, weightOf, widest } from '../../gear/gear';
import { RowOutline } from './Outlines';
import type { ShelfEntry } from '../../gear/shelfApi';
import { counted } from '../../ui/format';
import { Strip, StripAxis } from './Strip';

const columns = { xs: '40px minmax(0, 1fr)', md: '40px 84px minmax(190px, 1.1fr) minmax(240px, 1.7fr) 70px 84px 108px' };

// Styled once and told apart by class: rows are many, and come anew with every key that is typed.
const Row = styled('li')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: columns.xs,
  '& .wide': { display: 'none' },
  '& .second': { gridColumn: 2, minWidth: 0 },
  [theme.breakpoints.up('md')]: { gridTemplateColumns: columns.md, '& .wide': { display: 'block' }, '& .second': { gridColumn: 'auto' } },
  '& input': { width: 20, height: 20, margin: 10, accentColor: theme.vars!.palette.primary.main, cursor: 'pointer' },
  alignItems: 'center',
  columnGap: 10,
  minHeight: 52,
  padding: '4px 8px 4px 0',
  borderBottom: `1px solid ${theme.vars!.palette.divider}`,
  contentVisibility: 'auto',
  containIntrinsicSize: 'auto 52px',
  cursor: 'pointer',
  '&:hover': { background: theme.vars!.palette.background.default },
  '& .name': {
    font: 'inherit',
    color: 'inherit',
    background: 'none',
    border: 0,
    padding: 0,
    textAlign: 'left',
    fontWeight: 600,
    cursor: 'pointer',
    minHeight: 24,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    display: '-webkit-box',
    WebkitLineClamp: 2,
    WebkitBoxOrient: 'vertical',
    overflowWrap: 'anywhere',
  },
  '& .facts': {
    fontSize: 12.5,
    lineHeight: 1.3,
    color: theme.vars!.palette.text.secondary,
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    display: '-webkit-box',
    WebkitLineClamp: 2,
    WebkitBoxOrient: 'vertical',
  },
  '& .figures': { fontFamily: figureFont, fontSize: 13.5, textAlign: 'right', whiteSpace: 'nowrap' },
  '& .end': { textAlign: 'right' },
  '& .held': { fontSize: 12.5, lineHeight: 1.25, color: theme.vars!.palette.text.secondary },
}));

interface RowsProps {
  items: ShelfEntry[];
  total: number;
  forCamera: boolean;
  chosen: ShelfEntry[];
  isStale: boolean;
  hasMore: boolean;
  onMore: () => void;
  onOpen: (entry: ShelfEntry) => void;
  onChoose: (entry: ShelfEntry, on: boolean) => void;
  onClear: () => void;
}

/** What was found, a row a thing: to scale, in words, and for lenses what they span. */
export function Rows(props: RowsProps) {
  const { items, total, forCamera, chosen, isStale, hasMore, onMore, onOpen, onChoose, onClear } = props;
  const end = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    const watched = end.current;
    if (!watched || !hasMore) return;
    const observer = new IntersectionObserver((seen) => seen.some((s) => s.isIntersecting) && onMore(), { rootMargin: '600px' });
    observer.observe(watched);
    return () => observer.disconnect();
  }, [hasMore, onMore, items.length]);

  /** Arrow keys go from name to name. */
  const walk = (event: KeyboardEvent) => {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step === 0 || !(event.target as HTMLElement).classList.contains('name')) return;
    const all = [...list.current!.querySelectorAll<HTMLElement>('.name')];
    event.preventDefault();
    all[all.indexOf(event.target as HTMLElement) + step]?.focus();
  };

  if (total === 0) {
    return (
      <PageMessage
        title="Nothing meets that"
        text="Take a word or a choice away. What is not known of a thing, its weight for one, cannot meet a limit."
      >
        <Button variant="contained" onClick={onClear}>
          Show everything
        </Button>
      </PageMessage>
    );
  }
  const anyReach = items.some((i) => i.reach != null);
  return (
    <Box sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', borderRadius: 1, opacity: isStale ? 0.75 : 1 }}>
      <Box
        sx={{
          display: { xs: 'none', md: 'grid' },
          gridTemplateColumns: columns.md,
          columnGap: '10px',
          alignItems: 'end',
          pr: 1,
          py: 0.5,
          fontSize: 12,
          color: 'text.secondary',
          borderBottom: 1,
          borderColor: 'divider',
          position: 'sticky',
          top: 0,
          bgcolor: 'background.paper',
          zIndex: 2,
          '& > .end': { textAlign: 'right' },
        }}
      >
        <span />
        <span>to scale</span>
        <span role="status">{counted(total, 'thing')}</span>
        <div>
          {anyReach && (
            <>
              {forCamera
                ? 'field as on full frame, on this camera, mm; ƒ as its blur there'
                : 'field as on full frame, on its own format, mm; ƒ as its blur there'}
              <StripAxis />
            </>
          )}
        </div>
        <span className="end">weight</span>
        <span className="end">price</span>
        <span>ours or not</span>
      </Box>
      <Box component="ul" ref={list} onKeyDown={walk} aria-label="Gear" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {items.map((entry) => (
          <Thing
            key={entry.item.id}
            entry={entry}
            forCamera={forCamera}
            chosen={chosen.some((c) => c.item.id === entry.item.id)}
            onOpen={onOpen}
            onChoose={onChoose}
          />
        ))}
      </Box>
      <div ref={end} />
      {hasMore && (
        <Typography sx={{ p: 1.5, fontSize: 13, color: 'text.secondary' }}>
          {items.length} of {total}; the rest comes as you go on.
        </Typography>
      )}
    </Box>
  );
}

interface ThingProps {
  entry: ShelfEntry;
  forCamera: boolean;
  chosen: boolean;
  onOpen: (entry: ShelfEntry) => void;
  onChoose: (entry: ShelfEntry, on: boolean) => void;
}

/** The same thing with the same to be told of it, though it came with another answer. */
const isSame = (a: ThingProps, b: ThingProps): boolean =>
  a.entry.item.id === b.entry.item.id &&
  a.entry.revision === b.entry.revision &&
  JSON.stringify(a.entry.reach) === JSON.stringify(b.entry.reach) &&
  a.forCamera === b.forCamera &&
  a.chosen === b.chosen &&
  a.onOpen === b.onOpen &&
  a.onChoose === b.onChoose;

const Thing = memo(function Thing({ entry, forCamera, chosen, onOpen, onChoose }: ThingProps) {
  const { item, reach } = entry;
  const isLens = item.kind === 'lens';
  const aside = isLens && forCamera && reach == null ? 'does not go on this camera' : '';
  return (
    <Row onClick={() => onOpen(entry)}>
      {isLens ? (
        <input
          type="checkbox"
          checked={chosen}
          aria-label={`${fullName(item)} side by side with others`}
          onClick={(event) => event.stopPropagation()}
          onChange={(event) => onChoose(entry, event.target.checked)}
        />
      ) : (
        <span />
      )}
      <div className="wide">
        <RowOutline item={item} />
      </div>
      <div style={{ minWidth: 0 }}>
        <button type="button" className="name" title={fullName(item)}>
          {fullName(item)}
        </button>
        <div className="facts">{isLens && reach?.through ? `${text(item, 'mount')} · through ${reach.through}` : factsOf(item)}</div>
      </div>
      <div className="second">
        {reach ? (
          <Strip reach={reach} />
        ) : (
          <div className="facts">
            {aside || (isLens ? (widest(item) === '' ? 'widest aperture not known' : `opens to ${widest(item)}`) : text(item, 'note'))}
          </div>
        )}
      </div>
      {item.kind === 'mount' ? (
        <>
          <span className="wide" />
          <span className="wide" />
        </>
      ) : (
        <>
          <Known text={weightOf(item)} />
          <Known text={priceOf(item)} />
        </>
      )}
      <div className="held second">{entry.retiredAt ? 'retired' : item.kind === 'mount' ? '' : held(item)}</div>
    </Row>
  );
}, isSame);

/** A figure of a thing, or that nobody knows it. */
function Known({ text }: { text: string }) {
  return <div className={`wide ${text === 'not known' ? 'held end' : 'figures'}`}>{text}</div>;
}
