import { Alert, Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { when } from '../ui/format';
import { LabelledInput } from '../ui/LabelledInput';
import { itemOf, type Sheet, type SheetFacts } from './facts';
import { deleteFrozen, keyOf, makeLink, useFrozen, withdrawLink, type Frozen, type SheetAnswer, type SheetLink } from './frozen';
import type { Page } from './marks';
import { TakeOut } from './SheetForm';

interface SentPanelProps {
  frozen: Frozen;
  sheet: Sheet;
  facts: SheetFacts;
  pages: Page[];
  /** Null while it cannot be told yet. */
  changes: string[] | null;
  addressOf: ((id: string) => string) | undefined;
  said: (answer: SheetAnswer) => string;
  onSaid: (say: string) => void;
  onDeleted: () => void;
}

const shownChanges = 12;
const usualDays = 14;

/** What was sent, to whom, what was answered, and what has changed since. */
export function SentPanel({ frozen, sheet, facts, pages, changes, addressOf, said, onSaid, onDeleted }: SentPanelProps) {
  const [all, setAll] = useState(false);
  const remove = async () => {
    const why = await deleteFrozen(frozen.id);
    onSaid(why);
    if (why === '') onDeleted();
  };
  const [sure, setSure] = useState(false);
  return (
    <>
      <TakeOut saved={() => ({ sheet, facts, pages, addressOf })} onSaid={onSaid} />
      <Typography sx={{ fontSize: 13.5 }}>
        Frozen {when(frozen.madeAt)}
        {frozen.by ? ` by ${frozen.by}` : ''}, as it was at revision {frozen.workRevision}.
      </Typography>
      <Box component="section">
        <Title>Since then</Title>
        {changes === null ? (
          <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>It is being compared…</Typography>
        ) : changes.length === 0 ? (
          <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>Nothing on it has changed.</Typography>
        ) : (
          <Box component="ul" sx={{ m: 0, pl: 2, fontSize: 13, overflowWrap: 'anywhere' }}>
            {(all ? changes : changes.slice(0, shownChanges)).map((change) => (
              <li key={change}>{change}</li>
            ))}
          </Box>
        )}
        {!all && changes !== null && changes.length > shownChanges && <Button onClick={() => setAll(true)}>All {changes.length}</Button>}
      </Box>
      <Box component="section">
        <Title>Answers</Title>
        {frozen.answers.length === 0 ? (
          <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>None yet.</Typography>
        ) : (
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.75 }}>
            {frozen.answers.toReversed().map((answer) => (
              <Box component="li" key={answer.id} sx={{ fontSize: 13.5, overflowWrap: 'anywhere' }}>
                <b>{titleOf(answer, sheet, facts)}</b>
                <br />
                {said(answer)}
                <Box component="span" sx={{ color: 'text.secondary' }}>
                  {' '}
                  — {answer.name}, {when(answer.at)}
                </Box>
              </Box>
            ))}
          </Box>
        )}
      </Box>
      {frozen.kind === 'frames' && <Links frozen={frozen} onSaid={onSaid} />}
      <Box>
        {sure ? (
          <Alert
            severity="warning"
            variant="outlined"
            action={<Button onClick={() => void remove()}>Delete</Button>}
            onClose={() => setSure(false)}
          >
            With its links and answers, for good.
          </Alert>
        ) : (
          <Button onClick={() => setSure(true)} sx={{ color: 'text.secondary' }}>
            Delete this frozen sheet
          </Button>
        )}
      </Box>
    </>
  );
}

function Title({ children }: { children: string }) {
  return (
    <Typography component="h2" sx={{ fontSize: 13, fontWeight: 650 }}>
      {children}
    </Typography>
  );
}

function titleOf({ shotId }: SheetAnswer, sheet: Sheet, facts: SheetFacts): string {
  const frame = facts.blocks.flatMap((b) => (b.kind === 'frames' ? b.frames : [])).find((f) => keyOf(f.id) === shotId);
  return frame ? `${frame.mark} ${itemOf(sheet, frame.id)?.title || frame.title}` : shotId;
}

const dayIn = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** Links to the sheet: made, copied, withdrawn. */
function Links({ frozen, onSaid }: { frozen: Frozen; onSaid: (say: string) => void }) {
  const [until, setUntil] = useState(() => dayIn(usualDays));
  const [forWhom, setForWhom] = useState('');
  const addresses = useFrozen((s) => s.addresses);
  const make = async () => {
    const why = await makeLink(frozen.id, until, forWhom.trim());
    onSaid(why);
    if (why === '') setForWhom('');
  };
  return (
    <Box component="section" sx={{ display: 'grid', gap: 1 }}>
      <Title>Links</Title>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
        Whoever has a link sees these frames and can approve or remark, without an account; nothing else of the crew.
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1, alignItems: 'end' }}>
        <LabelledInput label="For" value={forWhom} inputProps={{ maxLength: 120 }} onChange={(event) => setForWhom(event.target.value)} />
        <LabelledInput label="Until, that day too" type="date" value={until} onChange={(event) => setUntil(event.target.value)} />
      </Box>
      <Button variant="outlined" onClick={() => void make()}>
        Make a link
      </Button>
      {frozen.links.map((link) => (
        <LinkRow key={link.id} link={link} address={addresses[link.id]} onSaid={onSaid} />
      ))}
    </Box>
  );
}

const hasEnded = ({ endsAt }: SheetLink): boolean => Date.parse(endsAt) <= Date.now();

function stateOf(link: SheetLink): string {
  if (link.withdrawnAt !== null) return `withdrawn ${when(link.withdrawnAt)}`;
  if (hasEnded(link)) return `ended ${when(link.endsAt)}`;
  return `until ${when(link.endsAt)}`;
}

function LinkRow({ link, address, onSaid }: { link: SheetLink; address: string | undefined; onSaid: (say: string) => void }) {
  const isOpen = link.withdrawnAt === null && !hasEnded(link);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(address!);
      onSaid('The link is copied. It is told only now; a further one is made when it is lost.');
    } catch {
      onSaid('This browser does not let the page copy: mark the link and copy it.');
    }
  };
  return (
    <Box sx={{ display: 'grid', gap: 0.5, borderTop: 1, borderColor: 'divider', pt: 0.5 }}>
      <Typography sx={{ fontSize: 13.5, overflowWrap: 'anywhere' }}>
        {link.for || 'For whoever has it'}
        <Box component="span" sx={{ color: 'text.secondary', fontSize: 12.5 }}>
          {' '}
          · {stateOf(link)} · {link.opened === 0 ? 'not opened yet' : `opened ${link.opened}×, last ${when(link.openedAt!)}`}
        </Box>
      </Typography>
      {address !== undefined && isOpen && (
        <Box
          component="input"
          readOnly
          aria-label="Address of the link"
          value={address}
          onFocus={(event) => event.currentTarget.select()}
          sx={{
            width: '100%',
            font: 'inherit',
            fontSize: 12,
            p: 0.75,
            border: 1,
            borderColor: 'divider',
            borderRadius: 0.5,
            bgcolor: 'background.default',
            color: 'text.primary',
          }}
        />
      )}
      <Box sx={{ display: 'flex', gap: 0.5 }}>
        {address !== undefined && isOpen && (
          <Button variant="contained" onClick={() => void copy()}>
            Copy the link
          </Button>
        )}
        {isOpen && <Button onClick={() => void withdrawLink(link.id).then(onSaid)}>Withdraw</Button>}
      </Box>
    </Box>
  );
}
