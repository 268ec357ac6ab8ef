import { Box, Button } from '@mui/material';
import { useEffect } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { productions } from '../../api/client';
import { useSettings } from '../../app/settings';
import { PageMessage } from '../../ui/PageMessage';
import { FormTextsContext, keptTexts } from '../../ui/formTexts';
import { Panel } from '../../ui/Panel';
import { ConflictDialog } from '../../documents/ConflictDialog';
import { DeletedNotice, DocumentPage } from '../../documents/DocumentPage';
import { useAnswers, useAsking } from './answers';
import { PlaceDrawing } from './place/PlaceDrawing';
import { PlaceForm } from './PlaceForm';
import { placeOf, shotsOf, show, shownShot, useProduction } from './productionStore';
import { addShot } from './commands';
import { Heading } from './Heading';
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
      <Heading step="shots" />
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
