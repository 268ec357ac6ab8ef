import { Box, Button, MenuItem, Typography } from '@mui/material';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { productions } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import type { ShotInput } from '../../../core/core';
import { ConflictDialog } from '../../../documents/ConflictDialog';
import { DeletedNotice, DocumentPage } from '../../../documents/DocumentPage';
import { comparison } from '../../../documents/kinds';
import { startWork } from '../../../documents/outbox';
import { useShelf } from '../../../gear/fitting';
import { FileButton } from '../../../ui/FileButton';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { SaidBar, type Said } from '../../../ui/SaidBar';
import { PageMessage } from '../../../ui/PageMessage';
import { counted } from '../../../ui/format';
import { changeShot } from '../commands';
import { Heading } from '../Heading';
import { placeOf, shotsOf, useProduction } from '../productionStore';
import { pictured } from '../rigs';
import { productionKeeper, telling } from '../saving';
import { rigKey, useAskingShotRigs, useShotRigs } from '../sheets/shotRigs';
import { Learn } from './Learn';
import { TakeCard } from './TakeCard';
import { TakeList } from './TakeList';
import { bringIn } from './takeFiles';
import { comparisonOfTake } from './takeRigs';
import { fillIn, noteTake, plannedOf, takes, takesOf, type Planned, type Take } from './takes';

/** The log of a production: takes while it is shot, and what they tell afterwards. The address names the take that stands open. */
export function LogPage() {
  const { id = '' } = useParams();
  useEffect(() => useSettings.getState().openedProduction(id), [id]);
  return (
    <DocumentPage
      id={id}
      word="production"
      useDocument={useProduction}
      keeper={productionKeeper}
      all={{ to: '/work?kind=production', label: 'To the productions' }}
    >
      <Log />
    </DocumentPage>
  );
}

const elsewhere = 'elsewhere';

/** An address's words with some of them changed; null takes one away. */
function withPart(before: URLSearchParams, part: Record<string, string | null>): URLSearchParams {
  const after = new URLSearchParams(before);
  for (const [key, value] of Object.entries(part)) {
    if (value === null) after.delete(key);
    else after.set(key, value);
  }
  return after;
}

function Log() {
  useShelf();
  useAskingShotRigs();
  useEffect(() => takes.start(), []);
  const navigate = useNavigate();
  const [where, setWhere] = useSearchParams();
  const [said, setSaid] = useState<Said | null>(null);
  const feet = useSettings((s) => s.feet);
  const id = useProduction((s) => s.id);
  const name = useProduction((s) => s.name);
  const document = useProduction((s) => s.document);
  const { answers } = useShotRigs();
  const { rows: all, say, state, hasRoom } = takes.useRows();
  const rows = useMemo(() => takesOf(all, id), [all, id]);
  const shots = shotsOf(document);
  const learns = where.get('view') === 'learn';
  const open = rows.find((row) => row.id === where.get('take')) ?? null;
  const shotId = open?.value.shotId ?? where.get('shot') ?? rows.at(-1)?.value.shotId ?? shots[0]?.id ?? elsewhere;
  const shot = shots.find((s) => s.id === shotId) ?? null;
  const set = (part: Record<string, string | null>) => setWhere((before) => withPart(before, part), { replace: true });
  const answerOf = (s: ShotInput) => (s.chosen ? answers[rigKey(s.id, s.chosen)] : undefined);
  const plan = (s: ShotInput | null): Planned | null => s && plannedOf(s, answerOf(s)?.fit ?? null, document.delivery?.timelineFps ?? 25);
  const plans = useMemo(
    () => new Map(shots.map((s) => [s.id, plan(s)!])),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- of the document these are what is read
    [document.shots, document.delivery, answers],
  );
  const planned = plans.get(open?.value.shotId ?? '') ?? null;
  const openTake = useCallback((take: string) => setWhere((before) => withPart(before, { take }), { replace: true }), [setWhere]);
  const place = shot ? placeOf(document, shot) : undefined;
  const waiting = rows.filter((row) => row.isUnsaved).length;
  const tell = (text: string) => text !== '' && setSaid({ text });
  const note = () => {
    const take = noteTake(id, shot, plan(shot), rows, new Date());
    if (shot?.chosen && plan(shot)?.focalLengthMm == null) setEarly((before) => [...before, take]);
    set({ take, shot: shotId });
  };
  // Noted before what fits was asked: filled in as soon as that is known.
  const [early, setEarly] = useState<string[]>([]);
  useEffect(() => {
    const known = early.flatMap((take) => {
      const row = rows.find((r) => r.id === take);
      const planned = plans.get(row?.value.shotId ?? '');
      return row && planned?.focalLengthMm != null ? [{ row, planned }] : [];
    });
    if (known.length > 0) {
      known.forEach(({ row, planned }) => fillIn(row, planned));
      setEarly((before) => before.filter((take) => known.every(({ row }) => row.id !== take)));
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only an answer that comes changes it
  }, [early, answers]);
  const drawn = useMemo(() => {
    const of = shots.find((s) => s.id === open?.value.shotId);
    const at = of && placeOf(document, of);
    const answer = of?.chosen ? answers[rigKey(of.id, of.chosen)] : undefined;
    return of && at && answer?.fit && answer.frame
      ? pictured(at, of, document.delivery ?? {}, { frame: answer.frame } as Parameters<typeof pictured>[3], answer.fit)
      : null;
    // eslint-disable-next-line react-hooks/exhaustive-deps -- of the document these are what is read
  }, [open?.value.shotId, document.shots, document.locations, document.delivery, answers]);
  const toBench = async (take: Take) => {
    const of = shots.find((s) => s.id === take.shotId) ?? null;
    const made = comparisonOfTake(take, document, of, (of && placeOf(document, of)) ?? null);
    if (made) {
      const title = `${name}: ${take.shotName || 'not planned'}, take ${take.number ?? 1}${take.camera ?? ''}`.slice(0, 120);
      void navigate(`/bench/${await startWork(comparison, { name: title, document: made })}`);
    }
  };
  return (
    <Box sx={{ p: 1, pb: { xs: 10, md: 1 }, display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr)', alignContent: 'start' }}>
      <Heading step="log" />
      <DeletedNotice word="production" works={productions} useDocument={useProduction} keeper={productionKeeper} />
      <Box role="group" aria-label="The log" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center' }}>
        <Button variant={learns ? 'text' : 'outlined'} aria-pressed={!learns} sx={{ minHeight: 44 }} onClick={() => set({ view: null })}>
          Takes
        </Button>
        <Button variant={learns ? 'outlined' : 'text'} aria-pressed={learns} sx={{ minHeight: 44 }} onClick={() => set({ view: 'learn' })}>
          What was used
        </Button>
        <Typography role="status" sx={{ fontSize: 13, color: 'text.secondary' }}>
          {waiting > 0
            ? hasRoom
              ? `${counted(waiting, 'take')} kept in this browser until the server answers`
              : `${counted(waiting, 'take')} on this page alone: the browser has no room. Leave it open until the server answers`
            : state === 'away'
              ? say
              : rows.length > 0
                ? counted(rows.length, 'take')
                : ''}
        </Typography>
        {!learns && (
          <FileButton
            accept=".json,.csv"
            testId="takes"
            sx={{ minHeight: 44, ml: 'auto' }}
            onFile={(file) => void bringIn(file, id, shots).then(tell)}
          >
            Bring takes in
          </FileButton>
        )}
      </Box>
      {learns ? (
        <Learn rows={all} productionId={id} name={name} document={document} feet={feet} onSaid={tell} />
      ) : (
        <Box
          sx={{
            display: 'grid',
            gap: 1,
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(380px, 520px)' },
            alignItems: 'start',
          }}
        >
          <Box sx={{ display: 'grid', gap: 1, order: { xs: 2, md: 1 } }}>
            {rows.length === 0 ? (
              <PageMessage
                title="No take yet"
                text="Note what is really used while it is shot: one press for each take, set as it is planned. It works without a network, and for several people at once."
              />
            ) : (
              <TakeList rows={rows} plans={plans} openId={open?.id ?? null} feet={feet} onOpen={openTake} />
            )}
          </Box>
          <Box sx={{ display: 'grid', gap: 1, order: { xs: 1, md: 2 }, position: { md: 'sticky' }, top: 8 }}>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'end', '& .MuiInputBase-root': { height: '56px !important' } }}>
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <LabelledSelect label="Shot" value={shot ? shot.id : elsewhere} onChange={(next) => set({ shot: next, take: null })}>
                  {shots.map((s, i) => (
                    <MenuItem key={s.id} value={s.id} sx={{ minHeight: 48 }}>
                      {i + 1}. {s.name}
                    </MenuItem>
                  ))}
                  <MenuItem value={elsewhere} sx={{ minHeight: 48 }}>
                    Something nobody planned
                  </MenuItem>
                </LabelledSelect>
              </Box>
              <Button variant="contained" onClick={note} sx={{ minHeight: 56, minWidth: 128, fontSize: 16 }}>
                Note a take
              </Button>
            </Box>
            {open && (
              <TakeCard
                key={open.id}
                row={open}
                rows={rows}
                planned={planned}
                place={open.value.shotId != null && place ? { id: place.id, name: place.name, lengthMm: place.lengthMm ?? null } : null}
                rigs={shots.flatMap((s) => (s.chosen ? [s.chosen] : []))}
                shots={shots}
                picture={drawn}
                name={name}
                document={document}
                feet={feet}
                onOpen={(take) => set({ take })}
                onBench={() => void toBench(open.value)}
                onDelete={() => {
                  const { id: gone, value } = open;
                  takes.remove(gone);
                  set({ take: null });
                  setSaid({
                    text: `Take ${value.number ?? 1}${value.camera ?? 'A'} of ${value.shotName || 'nothing planned'} is deleted.`,
                    undo: () => {
                      takes.put(gone, value);
                      set({ take: gone });
                    },
                  });
                }}
                onShot={(s) => open.value.rig && changeShot(s.id, { chosen: open.value.rig })}
              />
            )}
          </Box>
        </Box>
      )}
      <ConflictDialog {...telling} useDocument={useProduction} keeper={productionKeeper} />
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </Box>
  );
}
