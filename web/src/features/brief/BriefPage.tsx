import { Box, Button, InputBase, Typography } from '@mui/material';
import { memo, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useParams, useSearchParams } from 'react-router';
import { productions } from '../../api/client';
import { useSettings } from '../../app/settings';
import { oneLine } from '../../ui/format';
import { hidden } from '../../ui/hidden';
import { PageMessage } from '../../ui/PageMessage';
import { FormTextsContext, keptTexts } from '../../ui/formTexts';
import { Panel } from '../../ui/Panel';
import { ConflictDialog } from '../../documents/ConflictDialog';
import { DeletedNotice, DocumentPage } from '../../documents/DocumentPage';
import { production } from '../../documents/kinds';
import { PastDialog } from '../../documents/PastDialog';
import { SavingWord } from '../../documents/SavingWord';
import { UndoButtons } from '../../documents/UndoButtons';
import { useAnswers, useAsking } from './answers';
import { DayPanel } from './DayPanel';
import { PlaceDrawing } from './place/PlaceDrawing';
import { PlaceForm } from './PlaceForm';
import { ProductionPanel } from './ProductionPanel';
import { placeOf, shotsOf, show, shownShot, useProduction } from './productionStore';
import { addShot, changeProduction, rename } from './commands';
import { Proposals } from './Proposals';
import { productionKeeper, telling } from './saving';
import { ShotForm } from './ShotForm';
import { ShotStrip } from './ShotStrip';

/** The Brief: the shots of a production, and what fits where. The address names the production. */
export function BriefPage() {
  const { id = '' } = useParams();
  const [where] = useSearchParams();
  const shot = where.get('shot');
  useEffect(() => useSettings.getState().openedProduction(id), [id]);
  const opened = useProduction((s) => s.id === id);
  useEffect(() => {
    if (opened && shot !== null) show(shot);
  }, [opened, shot]);
  return (
    <DocumentPage
      id={id}
      word="production"
      useDocument={useProduction}
      keeper={productionKeeper}
      all={{ to: '/work?kind=production', label: 'To the productions' }}
    >
      <Brief />
    </DocumentPage>
  );
}

function Brief() {
  useAsking();
  const feet = useSettings((s) => s.feet);
  const document = useProduction((s) => s.document);
  const shot = useProduction(shownShot);
  const place = shot && placeOf(document, shot);
  const shown = useAnswers((s) => (s.shown?.shot.id === shot?.id ? s.shown : null));
  const picked = useAnswers((s) => s.picked);
  return (
    <Box
      sx={{
        p: 1,
        display: 'grid',
        gap: 1,
        height: { md: '100vh' },
        gridTemplateColumns: 'minmax(0, 1fr)',
        gridTemplateRows: { md: 'auto auto minmax(0, 1fr)' },
      }}
    >
      <Heading />
      <DeletedNotice word="production" works={productions} useDocument={useProduction} keeper={productionKeeper} />
      {shotsOf(document).length === 0 ? (
        <PageMessage
          title="No shot yet"
          text="Begin with a shot that somebody wants: what is in it, how tight, and where. What fits is told at once."
        >
          <Button variant="contained" onClick={addShot}>
            New shot
          </Button>
        </PageMessage>
      ) : (
        <>
          <ShotStrip />
          {shot && place && (
            <Box
              sx={{
                display: 'grid',
                gap: 1,
                minHeight: 0,
                gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '292px minmax(0, 1fr)', lg: '292px minmax(0, 1fr) minmax(340px, 0.85fr)' },
                gridTemplateRows: { md: 'minmax(0, 1fr)' },
              }}
            >
              <Panel sx={{ p: 1, overflowY: { md: 'auto' } }}>
                <FormTextsContext value={keptTexts(shot.id)}>
                  <ShotForm shot={shot} feet={feet} />
                </FormTextsContext>
              </Panel>
              <Panel sx={{ p: 1, display: 'flex', flexDirection: 'column', gap: 1, overflowY: { md: 'auto' }, minHeight: 0 }}>
                <FormTextsContext value={keptTexts(`${shot.id} at ${place.id}`)}>
                  <PlaceForm shot={shot} place={place} feet={feet} />
                </FormTextsContext>
                <Box sx={{ flex: 1, minHeight: 300 }}>
                  {shown && <PlaceDrawing shot={shot} place={place} frame={shown.answer.frame} fit={picked} feet={feet} />}
                </Box>
              </Panel>
              <Panel
                sx={{
                  display: 'flex',
                  flexDirection: 'column',
                  minHeight: 0,
                  overflow: { md: 'hidden' },
                  gridColumn: { md: '1 / -1', lg: 'auto' },
                  '& > section': { flex: 1 },
                }}
              >
                <Proposals shot={shot} />
              </Panel>
            </Box>
          )}
        </>
      )}
      <ConflictDialog {...telling} useDocument={useProduction} keeper={productionKeeper} />
    </Box>
  );
}

const Heading = memo(function Heading() {
  const id = useProduction((s) => s.id);
  const name = useProduction((s) => s.name);
  const note = useProduction((s) => s.document.note ?? '');
  const [open, setOpen] = useState<'day' | 'production' | 'past' | null>(null);
  useHotkeys('n', addShot);
  return (
    <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.5, columnGap: 1 }}>
      <Typography component="h1" sx={hidden}>
        Brief: {name}
      </Typography>
      <InputBase
        value={name}
        onChange={(event) => rename(event.target.value)}
        inputProps={{ 'aria-label': 'Name of the production', maxLength: 120 }}
        sx={{ minHeight: 40, fontSize: 18, fontWeight: 650, '& input': { fieldSizing: 'content', minWidth: 120, maxWidth: '100%' } }}
      />
      <InputBase
        value={note}
        placeholder="What is it?"
        onChange={(event) => changeProduction({ note: oneLine(event.target.value) })}
        inputProps={{ 'aria-label': 'Note', maxLength: 280 }}
        sx={{ flex: { xs: '1 1 100%', md: '1 1 200px' }, minHeight: 40, color: 'text.secondary', fontSize: 13 }}
      />
      <Box sx={{ display: 'flex', alignItems: 'center', flexWrap: 'wrap', gap: 0.5, ml: 'auto' }}>
        <SavingWord useDocument={useProduction} keeper={productionKeeper} />
        <UndoButtons useDocument={useProduction} />
        <Button onClick={() => setOpen('past')} title="Who changed it when; any state can be brought back">
          Before
        </Button>
        <Button onClick={() => setOpen('day')}>Fewest things</Button>
        <Button onClick={() => setOpen('production')}>Delivery, units, bag</Button>
        <Button component={Link} to="/work?kind=production">
          Productions
        </Button>
      </Box>
      {open === 'past' && <PastDialog {...telling} kind={production} useDocument={useProduction} onClose={() => setOpen(null)} />}
      {open === 'day' && <DayPanel onClose={() => setOpen(null)} />}
      {open === 'production' && (
        <FormTextsContext value={keptTexts(id)}>
          <ProductionPanel onClose={() => setOpen(null)} />
        </FormTextsContext>
      )}
    </Box>
  );
});
