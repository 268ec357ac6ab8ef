import { Menu, MenuItem } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useEffect, useState, type ReactNode } from 'react';
import { photoAddress } from '../picture/photo';
import { PhotoCanvas } from '../picture/PhotoCanvas';
import { PictureCanvas } from '../picture/PictureCanvas';
import { usePictures } from '../picture/pictures';
import { oneLine } from '../ui/format';
import { useWidth } from '../ui/useWidth';
import type { PictureFact } from './facts';
import { familyOf } from './fonts';
import { mmPerPoint, tones, type EditArea, type EditKey, type HandleArea, type Mark, type Page, type PictureMark } from './marks';

const Paper = styled('article')({
  position: 'relative',
  background: tones.paper,
  color: tones.ink,
  contentVisibility: 'auto',
  boxShadow: '0 0 0 1px rgba(0, 0, 0, 0.18), 0 3px 14px rgba(0, 0, 0, 0.18)',
  '& svg': { position: 'absolute', inset: 0, width: '100%', height: '100%' },
  '& textarea': {
    position: 'absolute',
    border: 0,
    margin: 0,
    padding: 0,
    resize: 'none',
    overflow: 'hidden',
    lineHeight: 1.28,
    color: 'transparent',
    caretColor: tones.ink,
    background: 'transparent',
    borderRadius: 2,
    cursor: 'text',
  },
  '& textarea::placeholder': { color: 'transparent' },
  '& textarea:hover, & textarea.empty:hover': { outline: `1px dashed ${tones.soft}` },
  '& textarea:focus': { color: tones.ink, background: tones.paper, outline: '2px solid #0b5563', zIndex: 2, overflow: 'auto' },
  '& textarea:focus::placeholder': { color: tones.soft },
  '& .handle': { position: 'absolute', pointerEvents: 'none' },
  '& .handle button': {
    pointerEvents: 'auto',
    width: '100%',
    height: '100%',
    padding: 0,
    border: 0,
    borderRadius: 4,
    font: 'inherit',
    fontSize: 20,
    lineHeight: 1,
    cursor: 'pointer',
    opacity: 0,
    color: tones.ink,
    background: tones.paper,
  },
  '& .handle:focus-within button, & .handle:hover button, &:hover .handle button': { opacity: 0.75 },
  '& .handle button:hover, & .handle button:focus-visible': { opacity: '1 !important', outline: '2px solid #0b5563' },
  '@media (hover: none)': { '& .handle button': { opacity: 0.75 } },
  // Paper would glare on a dark stage.
  '[data-light="dark"] &': { filter: 'brightness(0.78)' },
  '@media print': {
    contentVisibility: 'visible',
    filter: 'none !important',
    boxShadow: 'none',
    '& textarea, & .handle': { display: 'none' },
  },
});

export interface PageActions {
  edit: (key: EditKey, value: string) => void;
  /** What can be done with a thing or a column: what each is called, and what it does; without that it is only told. */
  actions: (handle: HandleArea) => { label: string; run?: (() => void) | undefined }[];
  /** Looks for what else can be done with it, and tells when it may be another, such as when what else fits has been found. */
  watch: (handle: Pick<HandleArea, 'of' | 'id'>, onChange: () => void) => () => void;
}

interface PageViewProps {
  page: Page;
  /** Which page it is, of how many. */
  at: number;
  of: number;
  pictures: Map<string, PictureFact>;
  /** Addresses of pictures that are there already; the others are drawn. */
  addressOf?: ((id: string) => string | undefined) | undefined;
  /** Left out where nothing can be changed. */
  actions?: PageActions | undefined;
}

/** A page as it is printed. Its texts are changed where they stand. */
export const PageView = memo(function PageView({ page, at, of, pictures, addressOf, actions }: PageViewProps) {
  const [ref, width] = useWidth();
  const scale = width / page.width;
  return (
    <Paper ref={ref} aria-label={`Page ${at} of ${of}`} style={{ aspectRatio: `${page.width} / ${page.height}` }} data-page={at}>
      {width > 0 && (
        <>
          {page.marks.map((mark, i) =>
            mark.kind === 'picture' ? (
              <Picture key={mark.id} mark={mark} at={i} fact={pictures.get(mark.id)} address={addressOf?.(mark.id)} page={page} />
            ) : null,
          )}
          <svg viewBox={`0 0 ${page.width} ${page.height}`} aria-hidden={false}>
            {page.marks.map((mark, i) => (
              <Drawn key={i} mark={mark} />
            ))}
          </svg>
          {actions && <Overlay edits={page.edits} handles={page.handles} scale={scale} actions={actions} />}
        </>
      )}
    </Paper>
  );
});

/** What is changed on a page; it stays as it is while only what lies under it changes. */
const Overlay = memo(function Overlay({
  edits,
  handles,
  scale,
  actions,
}: Pick<Page, 'edits' | 'handles'> & { scale: number; actions: PageActions }) {
  return (
    <>
      {edits.map((area) => (
        <Editable key={`${area.key.of} ${'item' in area.key ? area.key.item : ''}`} area={area} scale={scale} onEdit={actions.edit} />
      ))}
      {handles.map((handle, i) => (
        // A thing keeps its mark, and its open menu, when what stands above it grows; a column has one in each table.
        <Handle key={handle.of === 'item' ? handle.id : `column ${i}`} handle={handle} scale={scale} actions={actions} />
      ))}
    </>
  );
});

const anchors = { left: 'start', right: 'end', middle: 'middle' } as const;

function Drawn({ mark }: { mark: Mark }): ReactNode {
  if (mark.kind === 'text') {
    const text = (
      <text
        x={mark.x}
        y={mark.y}
        fontSize={mark.size * mmPerPoint}
        fontFamily={familyOf(mark.face)}
        fill={tones[mark.tone]}
        textAnchor={anchors[mark.align]}
        style={{ whiteSpace: 'pre' }}
      >
        {mark.text}
      </text>
    );
    return mark.href ? <a href={mark.href}>{text}</a> : text;
  }
  return mark.kind === 'path' ? (
    <path
      d={mark.d}
      fill={mark.fill ? tones[mark.fill] : 'none'}
      stroke={mark.stroke ? tones[mark.stroke] : 'none'}
      strokeWidth={mark.width}
      strokeDasharray={mark.dash?.join(' ')}
    />
  ) : null;
}

const PictureBox = styled('div')({
  position: 'absolute',
  overflow: 'hidden',
  background: tones.shade,
  color: tones.soft,
  fontSize: 11,
  display: 'grid',
  placeItems: 'center',
  textAlign: 'center',
  '& img': { width: '100%', height: '100%', display: 'block' },
});

interface PictureProps {
  mark: PictureMark;
  at: number;
  fact: PictureFact | undefined;
  address: string | undefined;
  /** The page that it lies on: its place is a share of that, so that it holds on paper too. */
  page: Pick<Page, 'width' | 'height'>;
}

const Picture = memo(
  function Picture({ mark, at, fact, address, page }: PictureProps) {
    const failed = usePictures((s) => s.failed);
    const [missing, setMissing] = useState(false);
    const [across, down] = [(mm: number) => `${(100 * mm) / page.width}%`, (mm: number) => `${(100 * mm) / page.height}%`];
    const style = { left: across(mark.x), top: down(mark.y), width: across(mark.width), height: down(mark.height) };
    return (
      <PictureBox style={style} role="img" aria-label={mark.label} data-picture={mark.id}>
        {address !== undefined && !missing ? (
          <img src={address} alt="" onError={() => setMissing(true)} />
        ) : missing ? (
          'The picture cannot be loaded.'
        ) : fact?.rendered && failed === null ? (
          <PictureCanvas rig={at} view={fact.rendered.view} stage={fact.rendered.stage} />
        ) : fact?.photo ? (
          <PhotoCanvas
            rig={at}
            address={photoAddress(fact.photo)}
            across={fact.photo.across}
            up={fact.photo.up}
            onMissing={() => setMissing(true)}
          />
        ) : (
          'This browser draws no pictures here.'
        )}
      </PictureBox>
    );
  },
  (a, b) =>
    a.page.width === b.page.width &&
    a.page.height === b.page.height &&
    a.fact === b.fact &&
    a.address === b.address &&
    JSON.stringify(a.mark) === JSON.stringify(b.mark),
);

function Editable({ area, scale, onEdit }: { area: EditArea; scale: number; onEdit: PageActions['edit'] }) {
  const size = area.size * mmPerPoint * scale;
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <textarea
      aria-label={area.label}
      value={typed ?? area.value}
      placeholder={area.placeholder}
      rows={1}
      maxLength={area.key.of === 'title' || area.key.of === 'itemTitle' ? 200 : 500}
      onChange={(event) => {
        const text = oneLine(event.target.value);
        setTyped(text);
        onEdit(area.key, text);
      }}
      onBlur={() => setTyped(null)}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
      }}
      style={{
        left: area.x * scale,
        top: area.y * scale,
        width: area.width * scale,
        height: Math.max(area.height * scale, size * 1.3),
        fontSize: size,
        fontFamily: familyOf(area.face),
      }}
    />
  );
}

function Handle({ handle, scale, actions }: { handle: HandleArea; scale: number; actions: PageActions }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const size = 28;
  const isColumn = handle.of === 'column';
  return (
    <div
      className="handle"
      style={{
        left: (handle.x + handle.width) * scale - size,
        top: handle.y * scale - (isColumn ? size - handle.height * scale : 0),
        width: size,
        height: size,
      }}
    >
      <button
        type="button"
        aria-label={isColumn ? `Column ${handle.label}` : handle.label}
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        ⋮
      </button>
      {anchor && <HandleMenu anchor={anchor} handle={handle} actions={actions} onClose={() => setAnchor(null)} />}
    </div>
  );
}

function HandleMenu({
  anchor,
  handle,
  actions,
  onClose,
}: {
  anchor: HTMLElement;
  handle: HandleArea;
  actions: PageActions;
  onClose: () => void;
}) {
  const [, again] = useState(0);
  const { of, id } = handle;
  useEffect(() => actions.watch({ of, id }, () => again((n) => n + 1)), [actions, of, id]);
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      {actions.actions(handle).map(({ label, run }) => (
        <MenuItem
          key={label}
          disabled={run === undefined}
          onClick={() => {
            onClose();
            run?.();
          }}
        >
          {label}
        </MenuItem>
      ))}
    </Menu>
  );
}
