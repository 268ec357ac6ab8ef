import { Box, Button, LinearProgress, ListItemText, Menu, MenuItem, Typography } from '@mui/material';
import { useEffect, useState, type ReactNode } from 'react';
import { useSearchParams } from 'react-router';
import { PageMessage } from '../ui/PageMessage';
import { when } from '../ui/format';
import { stepOf, type ThingActions } from './editing';
import type { Made, Sheet, SheetKind } from './facts';
import { forgetWidths, loadFonts } from './fonts';
import { useFrozenOf } from './frozen';
import { FrozenSheet } from './FrozenSheet';
import { kinds, newSheet } from './kinds';
import { LiveSheet } from './LiveSheet';
import { preparePdf } from './out';
import { useMaking } from './printed';
import type { FormChoices } from './SheetForm';

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
  thingActions?: ThingActions;
  /** What is on its way yet, such as the shelf. */
  waiting?: string;
  children?: ReactNode;
}

/** The sheets of a piece of work: those that follow it, and those that were frozen. The page on the screen is the page. */
export function SheetDesk({ work, sheets, offered, make, change, form, thingActions, waiting = '', children }: SheetDeskProps) {
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
