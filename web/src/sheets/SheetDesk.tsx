import { Box, Button, LinearProgress, ListItemText, Menu, MenuItem, Typography } from '@mui/material';
import { useDeferredValue, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { PageMessage } from '../ui/PageMessage';
import { Panel } from '../ui/Panel';
import { when } from '../ui/format';
import { actionsOf, edited, stepOf, type ThingActions } from './editing';
import { changesSince, settingsOf, type ColumnChoice, type Sheet, type SheetFacts, type SheetKind } from './facts';
import { forgetWidths, loadFonts, measure } from './fonts';
import { answerSaid, frozenPictureAddress, readContent, useFrozen, useFrozenOf, type Frozen, type FrozenContent } from './frozen';
import { kinds, newSheet } from './kinds';
import type { Page } from './marks';
import { preparePdf } from './out';
import { PageView, type PageActions } from './PageView';
import { pagesOf } from './pages';
import { picturesOf, useMaking } from './printed';
import { SentPanel } from './SentPanel';
import { SheetForm, type FormChoices } from './SheetForm';

/** What a sheet is made of now. */
export interface Made {
  facts: SheetFacts;
  /** What can be shown. */
  choices: ColumnChoice[];
  /** What stands on it, in the order of the work. */
  things: { id: string; name: string }[];
}

interface SheetDeskProps {
  /** What it is of; its state in words, such as its revision. */
  work: { id: string; revision: number; word: string; state: string };
  sheets: Sheet[];
  /** Kinds that can be made of this work. */
  offered: SheetKind[];
  make: (sheet: Sheet) => Made;
  change: (what: string, recipe: (sheets: Sheet[]) => Sheet[]) => void;
  /** What of the settings depends on the work. */
  form: FormChoices;
  /** Further actions of a thing; with its sheet, to change it. */
  thingActions?: ThingActions;
  /** Tells when these may be others. */
  watch?: (onChange: () => void) => () => void;
  /** What is on its way yet, such as the shelf. */
  waiting?: string;
  children?: ReactNode;
}

/** The sheets of a piece of work: those that follow it, and those that were frozen. The page on the screen is the page. */
export function SheetDesk({ work, sheets, offered, make, change, form, thingActions, watch, waiting = '', children }: SheetDeskProps) {
  const [where, setWhere] = useSearchParams();
  const frozen = useFrozenOf(work.id);
  const [said, setSaid] = useState('');
  const lettersAreHere = useLetters();
  useEffect(() => {
    const timer = setTimeout(preparePdf, prepareAfterMs);
    return () => clearTimeout(timer);
  }, []);
  const asked = where.get('sheet');
  const shownFrozen = frozen.find((f) => f.id === asked);
  const sheet = shownFrozen ? undefined : (sheets.find((s) => s.id === asked) ?? sheets[0]);
  const show = (id: string) => {
    setSaid('');
    setWhere(
      (before) => {
        const after = new URLSearchParams(before);
        after.set('sheet', id);
        return after;
      },
      { replace: true },
    );
  };
  const put = (next: Sheet) => change(stepOf(sheet, next), (all) => all.map((s) => (s.id === next.id ? next : s)));
  const add = (kind: SheetKind) => {
    const next = newSheet(kind);
    change(`sheet added ${next.id}`, (all) => [...all, next]);
    show(next.id);
  };
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr)', alignContent: 'start' }}>
      <Box
        role="group"
        aria-label="Sheets"
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center', '@media print': { display: 'none' } }}
      >
        {sheets.map((s) => (
          <Button key={s.id} variant={s === sheet ? 'outlined' : 'text'} aria-pressed={s === sheet} onClick={() => show(s.id)} sx={tab}>
            <span>{s.title || kinds[s.kind].name}</span>
            <small>{s.title ? kinds[s.kind].name : paperSaid(s)}</small>
          </Button>
        ))}
        {frozen.map((f) => (
          <Button
            key={f.id}
            variant={f === shownFrozen ? 'outlined' : 'text'}
            aria-pressed={f === shownFrozen}
            onClick={() => show(f.id)}
            sx={tab}
          >
            <span>{f.title}</span>
            <small>
              frozen {when(f.madeAt)}
              {f.answers.length > 0 ? ` · ${f.answers.length} answered` : ''}
            </small>
          </Button>
        ))}
        <NewSheet offered={offered} onNew={add} />
        {children}
      </Box>
      {(said || waiting) && (
        <Typography role="status" sx={{ fontSize: 13.5, '@media print': { display: 'none' } }}>
          {said || waiting}
        </Typography>
      )}
      <Making />
      {!lettersAreHere ? null : shownFrozen ? (
        <FrozenSheet
          key={shownFrozen.id}
          frozen={shownFrozen}
          make={make}
          isWaiting={waiting !== ''}
          onSaid={setSaid}
          onDeleted={() => show(sheets[0]?.id ?? '')}
        />
      ) : sheet ? (
        <LiveSheet
          key={sheet.id}
          sheet={sheet}
          made={make}
          put={put}
          work={work}
          form={form}
          thingActions={thingActions}
          watch={watch}
          onSaid={setSaid}
          onFrozen={show}
          onRemove={() => change(`sheet removed ${sheet.id}`, (all) => all.filter((s) => s.id !== sheet.id))}
        />
      ) : (
        <PageMessage
          title="No sheet yet"
          text={`A sheet takes what was decided off the screen. It follows the ${work.word} as it changes, and is printed, saved as PDF, or sent.`}
        >
          {offered.slice(0, 3).map((kind) => (
            <Button key={kind} variant={kind === offered[0] ? 'contained' : 'outlined'} onClick={() => add(kind)}>
              {kinds[kind].name}
            </Button>
          ))}
        </PageMessage>
      )}
    </Box>
  );
}

/** What writes PDF is fetched when what is looked at is there. */
const prepareAfterMs = 3000;

const paperSaid = ({ paper = 'a4', isLandscape }: Sheet): string =>
  `${paper === 'letter' ? 'Letter' : paper.toUpperCase()} ${isLandscape ? 'across' : 'upright'}`;

const tab = {
  display: 'grid',
  lineHeight: 1.15,
  textAlign: 'left',
  px: 1,
  py: 0.25,
  maxWidth: 220,
  '& span': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '& small': { fontSize: 11, fontWeight: 400, color: 'text.secondary' },
};

/** True once the letters of sheets are there, or cannot be had. */
function useLetters(): boolean {
  const [here, setHere] = useState(false);
  useEffect(() => {
    void loadFonts().then(() => {
      forgetWidths();
      setHere(true);
    });
  }, []);
  return here;
}

function NewSheet({ offered, onNew }: { offered: SheetKind[]; onNew: (kind: SheetKind) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        New sheet
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {offered.map((kind) => (
          <MenuItem
            key={kind}
            onClick={() => {
              setAnchor(null);
              onNew(kind);
            }}
          >
            <ListItemText primary={kinds[kind].name} secondary={kinds[kind].help} />
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

/** How far what is being made is, with a stop. */
function Making() {
  const { what, done, stop } = useMaking();
  return what === null ? null : (
    <Box role="status" sx={{ display: 'flex', gap: 1, alignItems: 'center', '@media print': { display: 'none' } }}>
      <Typography sx={{ fontSize: 13.5, whiteSpace: 'nowrap' }}>Making the {what}…</Typography>
      <LinearProgress variant="determinate" value={100 * done} aria-label="Progress" sx={{ flex: 1 }} />
      <Button onClick={stop}>Stop</Button>
    </Box>
  );
}

interface LiveSheetProps extends Pick<SheetDeskProps, 'work' | 'form' | 'thingActions' | 'watch'> {
  sheet: Sheet;
  made: SheetDeskProps['make'];
  put: (sheet: Sheet) => void;
  onSaid: (say: string) => void;
  onFrozen: (id: string) => void;
  onRemove: () => void;
}

function LiveSheet({ sheet, made, put, work, form, thingActions, watch, onSaid, onFrozen, onRemove }: LiveSheetProps) {
  // Typing on the page asks for no figures anew.
  const settings = useMemo(() => JSON.stringify(settingsOf(sheet)), [sheet]);
  const { facts, choices, things } = useMemo(() => made(JSON.parse(settings) as Sheet), [made, settings]);
  // What is typed stands in its field at once; the pages follow when there is time.
  const soon = useDeferredValue(sheet);
  const laid = useMemo(() => pagesOf(soon, facts, work.state, measure), [soon, facts, work.state]);
  const pages = useSame(laid);
  const all = useMemo(() => things.map((t) => t.id), [things]);
  // Pages that stay the same are not drawn anew: what acts on them looks up what is so when it acts.
  const now = useRef({ sheet, all, choices, put, thingActions });
  useEffect(() => {
    now.current = { sheet, all, choices, put, thingActions };
  });
  const actions: PageActions = useMemo(
    () => ({
      edit: (key, value) => now.current.put(edited(now.current.sheet, key, value, now.current.all)),
      actions: (handle) => {
        const is = now.current;
        return actionsOf(handle, is.sheet, is.choices, is.all, is.put, is.thingActions);
      },
      watch: watch ?? (() => () => undefined),
    }),
    [watch],
  );
  return (
    <Layout
      pages={pages}
      facts={facts}
      actions={actions}
      side={
        <SheetForm
          sheet={sheet}
          facts={facts}
          pages={pages}
          choices={choices}
          things={things}
          put={put}
          work={work}
          form={form}
          onSaid={onSaid}
          onFrozen={onFrozen}
          onRemove={onRemove}
        />
      }
    />
  );
}

type Texts = Record<keyof Pick<Page, 'marks' | 'edits' | 'handles'>, string>;

/** Pages whose parts are the very ones of before as long as nothing of them is another. */
function useSame(pages: Page[]): Page[] {
  const [kept, setKept] = useState<{ pages: Page[]; texts: Texts[]; from: Page[] }>({ pages: [], texts: [], from: [] });
  if (kept.from === pages) {
    return kept.pages;
  }
  const texts = pages.map(({ marks, edits, handles }): Texts => ({
    marks: JSON.stringify(marks),
    edits: JSON.stringify(edits),
    handles: JSON.stringify(handles),
  }));
  const same = pages.map((page, i): Page => {
    const [before, now, was] = [kept.pages[i], texts[i]!, kept.texts[i]];
    if (!before || !was || before.width !== page.width || before.height !== page.height) return page;
    const parts = ['marks', 'edits', 'handles'] as const;
    return parts.every((part) => now[part] === was[part])
      ? before
      : {
          ...page,
          ...(now.edits === was.edits && { edits: before.edits }),
          ...(now.handles === was.handles && { handles: before.handles }),
        };
  });
  setKept({ pages: same, texts, from: pages });
  return same;
}

interface LayoutProps {
  pages: Page[];
  facts: SheetFacts;
  actions?: PageActions;
  addressOf?: (id: string) => string | undefined;
  side: ReactNode;
}

/** Pages on the left, what is set of them on the right; on a phone one under the other. */
function Layout({ pages, facts, actions, addressOf, side }: LayoutProps) {
  const pictures = useMemo(() => picturesOf(facts), [facts]);
  const page = pages[0]!;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        alignItems: 'start',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 316px' },
        '@media print': { display: 'block' },
      }}
    >
      <style>{`@page { size: ${page.width}mm ${page.height}mm; margin: 0 } @media print { body { background: #fff !important } }`}</style>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          justifyItems: 'center',
          p: { xs: 0, sm: 1 },
          '& > article': { width: '100%', maxWidth: page.width > page.height ? 1100 : 860 },
          '@media print': {
            display: 'block',
            p: 0,
            '& > article': { width: `${page.width}mm`, maxWidth: 'none', breakAfter: 'page' },
            '& > article:last-of-type': { breakAfter: 'auto' },
          },
        }}
      >
        {pages.map((one, i) => (
          <PageView key={i} page={one} at={i + 1} of={pages.length} pictures={pictures} addressOf={addressOf} actions={actions} />
        ))}
      </Box>
      <Panel
        sx={{
          p: 1,
          display: 'grid',
          gap: 1,
          position: { md: 'sticky' },
          top: 8,
          maxHeight: { md: 'calc(100vh - 16px)' },
          overflowY: { md: 'auto' },
          '@media print': { display: 'none' },
        }}
      >
        {side}
      </Panel>
    </Box>
  );
}

interface FrozenSheetProps {
  frozen: Frozen;
  make: SheetDeskProps['make'];
  /** True while it cannot be told yet what is so now. */
  isWaiting: boolean;
  onSaid: (say: string) => void;
  onDeleted: () => void;
}

/** A sheet as it was sent, with what has changed since and what was answered. */
function FrozenSheet({ frozen, make, isWaiting, onSaid, onDeleted }: FrozenSheetProps) {
  const content: FrozenContent | undefined = useFrozen((s) => s.contents[frozen.id]);
  const [failed, setFailed] = useState('');
  useEffect(() => void readContent(frozen.id).then(setFailed), [frozen.id]);
  const sheet = content?.sheet;
  const pages = useMemo(
    () => (content ? pagesOf(content.sheet, content.facts, `frozen ${when(frozen.madeAt)}, revision ${frozen.workRevision}`, measure) : []),
    [content, frozen],
  );
  const changes = useMemo(
    () => (content && !isWaiting ? changesSince(content.facts, make(content.sheet).facts) : null),
    [content, make, isWaiting],
  );
  if (!content || !sheet) {
    return <PageMessage title={failed ? 'This sheet cannot be shown' : 'Opening…'} text={failed || 'The sheet is on its way.'} />;
  }
  const sent = sheet.kind === 'frames' ? (id: string) => frozenPictureAddress(frozen.id, id) : undefined;
  return (
    <Layout
      pages={pages}
      facts={content.facts}
      {...(sent && { addressOf: sent })}
      side={
        <SentPanel
          frozen={frozen}
          sheet={sheet}
          facts={content.facts}
          pages={pages}
          changes={changes}
          addressOf={sent}
          said={answerSaid}
          onSaid={onSaid}
          onDeleted={onDeleted}
        />
      }
    />
  );
}
