import { Box, Button, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { newId } from '../../documents/unique';
import { oneLine } from '../../ui/format';
import { LabelledInput } from '../../ui/LabelledInput';
import { answer, openSheet, picture, tokenOf, type Answer, type SharedSheet, type SharedShot } from './sharedApi';

const nameKey = 'juxtopsis.answersAs';

type Opened = { kind: 'opening' } | { kind: 'open'; sheet: SharedSheet } | { kind: 'shut'; title: string; say: string; isAway: boolean };

/** A sheet for whoever has its link: frames large, to approve, to choose between, or to remark on. */
export function SharedPage() {
  const [token, setToken] = useState(() => tokenOf(location.hash));
  const [opened, setOpened] = useState<Opened>({ kind: 'opening' });
  const [name, setName] = useState(() => localStorage.getItem(nameKey) ?? '');
  useEffect(() => {
    const changed = () => setToken(tokenOf(location.hash));
    window.addEventListener('hashchange', changed);
    return () => window.removeEventListener('hashchange', changed);
  }, []);
  const open = () => {
    void openSheet(token).then((outcome) =>
      setOpened('data' in outcome ? { kind: 'open', sheet: outcome.data } : { kind: 'shut', ...outcome }),
    );
  };
  useEffect(open, [token]);
  useEffect(() => {
    if (opened.kind === 'open') document.title = opened.sheet.title;
  }, [opened]);

  if (opened.kind !== 'open') {
    return (
      <Box component="main" sx={{ maxWidth: 560, mx: 'auto', p: 3, pt: 8 }}>
        <Typography component="h1" sx={{ fontSize: 22, fontWeight: 650 }}>
          {opened.kind === 'opening' ? 'Opening…' : opened.title}
        </Typography>
        {opened.kind === 'shut' && (
          <>
            <Typography role="alert" sx={{ mt: 1 }}>
              {opened.say}
            </Typography>
            {opened.isAway && (
              <Button variant="contained" sx={{ mt: 2 }} onClick={open}>
                Try again
              </Button>
            )}
          </>
        )}
      </Box>
    );
  }
  const { sheet } = opened;
  const take = (said: Answer) =>
    setOpened((o) =>
      o.kind === 'open' ? { ...o, sheet: { ...o.sheet, answers: [...o.sheet.answers.filter((a) => a.id !== said.id), said] } } : o,
    );
  const done = sheet.shots.filter((shot) => sheet.answers.some((a) => a.shotId === shot.id)).length;
  return (
    <Box component="main" sx={{ maxWidth: 920, mx: 'auto', p: { xs: 1.5, sm: 3 }, display: 'grid', gap: 3 }}>
      <Box component="header">
        <Typography component="h1" sx={{ fontSize: { xs: 24, sm: 30 }, fontWeight: 700, lineHeight: 1.15, overflowWrap: 'anywhere' }}>
          {sheet.title}
        </Typography>
        {sheet.note && <Typography sx={{ mt: 0.5, overflowWrap: 'anywhere' }}>{sheet.note}</Typography>}
        <Typography sx={{ mt: 0.5, fontSize: 13.5, color: 'text.secondary' }}>
          As of {dayOf(sheet.madeAt)}. You can answer until {dayOf(sheet.endsAt)}. {done} of {sheet.shots.length} answered.
        </Typography>
        <Box sx={{ mt: 1.5, maxWidth: 320 }}>
          <LabelledInput
            label="Your name, so that the crew knows who answers"
            value={name}
            inputProps={{ maxLength: 80, autoComplete: 'name' }}
            onChange={(event) => {
              const typed = oneLine(event.target.value);
              setName(typed);
              localStorage.setItem(nameKey, typed);
            }}
          />
        </Box>
      </Box>
      {sheet.shots.map((shot) => (
        <Shot
          key={shot.id}
          token={token}
          shot={shot}
          has={(option) => sheet.pictures.includes(option)}
          answers={sheet.answers.filter((a) => a.shotId === shot.id)}
          name={name}
          onAnswer={take}
        />
      ))}
      <Typography component="footer" sx={{ fontSize: 12.5, color: 'text.secondary', overflowWrap: 'anywhere' }}>
        {sheet.foot}
      </Typography>
    </Box>
  );
}

const dayOf = (iso: string): string => new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

interface ShotProps {
  token: string;
  shot: SharedShot;
  has: (option: string) => boolean;
  answers: Answer[];
  name: string;
  onAnswer: (answer: Answer) => void;
}

function Shot({ token, shot, has, answers, name, onAnswer }: ShotProps) {
  const [remark, setRemark] = useState('');
  const [say, setSay] = useState('');
  const [sending, setSending] = useState(false);
  const several = shot.options.length > 1;
  const last = answers.at(-1);
  const send = async (verdict: Answer['verdict'], optionId = '') => {
    if (name.trim() === '') {
      setSay('Type your name at the top first, so that the crew knows who answers.');
      return;
    }
    setSending(true);
    const outcome = await answer(token, { id: newId(), shotId: shot.id, optionId, verdict, remark: remark.trim(), name: name.trim() });
    setSending(false);
    if ('data' in outcome) {
      setSay('');
      setRemark('');
      onAnswer(outcome.data);
    } else {
      setSay(outcome.say);
    }
  };
  return (
    <Box component="section" aria-label={shot.title} sx={{ display: 'grid', gap: 1, borderTop: 1, borderColor: 'divider', pt: 2 }}>
      <Typography component="h2" sx={{ fontSize: 18, fontWeight: 650, overflowWrap: 'anywhere' }}>
        {shot.title}
      </Typography>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: several ? '1fr 1fr' : '1fr' } }}>
        {shot.options.map((option, i) => (
          <Box key={option.id} component="figure" sx={{ m: 0, display: 'grid', gap: 0.5, alignContent: 'start' }}>
            <Picture
              token={token}
              id={option.id}
              has={has(option.id)}
              aspect={option.aspect ?? 16 / 9}
              label={several ? `${shot.title}, ${'ABCD'[i]!}` : shot.title}
            />
            <Box component="figcaption" sx={{ fontSize: 13.5, color: 'text.secondary', overflowWrap: 'anywhere' }}>
              {several && (
                <Box component="b" sx={{ color: 'text.primary' }}>
                  {'ABCD'[i]} {option.title}
                  <br />
                </Box>
              )}
              {(option.lines ?? []).join(' · ')}
            </Box>
            {several && (
              <Button variant="outlined" disabled={sending} onClick={() => void send('approved', option.id)}>
                {'ABCD'[i]} it is
              </Button>
            )}
          </Box>
        ))}
      </Box>
      {shot.remark && <Typography sx={{ fontSize: 14.5, overflowWrap: 'anywhere' }}>{shot.remark}</Typography>}
      <Box
        component="textarea"
        aria-label={`Remark on ${shot.title}`}
        placeholder="A remark, if there is one"
        value={remark}
        maxLength={1000}
        rows={2}
        onChange={(event) => setRemark(event.target.value)}
        sx={{
          font: 'inherit',
          fontSize: 15,
          p: 1,
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          bgcolor: 'background.paper',
          color: 'text.primary',
          resize: 'vertical',
          width: '100%',
        }}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {!several && (
          <Button variant="contained" size="large" disabled={sending} onClick={() => void send('approved', shot.options[0]!.id)}>
            Yes, like this
          </Button>
        )}
        <Button variant="outlined" size="large" disabled={sending} onClick={() => void send('declined')}>
          Not like this
        </Button>
        {remark.trim() !== '' && (
          <Button size="large" disabled={sending} onClick={() => void send('none')}>
            Only the remark
          </Button>
        )}
      </Box>
      <Typography
        role="status"
        sx={{ fontSize: 13.5, minHeight: 20, color: say ? 'error.main' : 'text.secondary', overflowWrap: 'anywhere' }}
      >
        {say ||
          (last
            ? `${said(last, shot)} — ${last.name}, ${new Date(last.at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}. You can answer again; the last counts.`
            : '')}
      </Typography>
    </Box>
  );
}

function said({ verdict, remark, optionId }: Answer, shot: SharedShot): string {
  const at = shot.options.findIndex((o) => o.id === optionId);
  const which = shot.options.length > 1 && at >= 0 ? `${'ABCD'[at]!} it is` : 'Yes, like this';
  return [verdict === 'approved' ? which : verdict === 'declined' ? 'Not like this' : '', remark ? `“${remark}”` : '']
    .filter(Boolean)
    .join(', ');
}

function Picture({ token, id, has, aspect, label }: { token: string; id: string; has: boolean; aspect: number; label: string }) {
  const [address, setAddress] = useState<string | null>(null);
  const [say, setSay] = useState('');
  useEffect(() => {
    if (!has) return undefined;
    let made: string | null = null;
    let gone = false;
    void picture(token, id).then((outcome) => {
      if (gone) return;
      if ('data' in outcome) {
        made = URL.createObjectURL(outcome.data);
        setAddress(made);
      } else setSay(outcome.say);
    });
    return () => {
      gone = true;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [token, id, has]);
  return (
    <Box
      sx={{
        aspectRatio: String(aspect),
        bgcolor: 'drawing.wall',
        display: 'grid',
        placeItems: 'center',
        overflow: 'hidden',
        borderRadius: 0.5,
      }}
    >
      {address !== null ? (
        <img src={address} alt={label} style={{ width: '100%', height: '100%', display: 'block' }} />
      ) : (
        <Typography sx={{ fontSize: 13.5, color: 'text.secondary', p: 2, textAlign: 'center' }}>
          {has ? say || 'The picture is on its way…' : 'No picture yet'}
        </Typography>
      )}
    </Box>
  );
}
