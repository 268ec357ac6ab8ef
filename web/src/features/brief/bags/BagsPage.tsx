import { Box, Button, Typography } from '@mui/material';
import { useEffect, useRef, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { productions } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import { ConflictDialog } from '../../../documents/ConflictDialog';
import { DeletedNotice, DocumentPage } from '../../../documents/DocumentPage';
import { bagsOf, type Bag } from '../../../gear/bags';
import { useGear, useShelf } from '../../../gear/fitting';
import { readUnits } from '../../../gear/units';
import { FormTextsContext, keptTexts } from '../../../ui/formTexts';
import { PageMessage } from '../../../ui/PageMessage';
import { Panel } from '../../../ui/Panel';
import { Heading } from '../Heading';
import { shotsOf, useProduction } from '../productionStore';
import { productionKeeper, telling } from '../saving';
import { useAskingBags, useAskingFront } from './bagAnswers';
import { addBag, addThings, packAs } from './bagCommands';
import { BagDetails } from './BagDetails';
import { BagGlance } from './BagGlance';
import { markOf } from './bagWords';
import { BookingsView } from './BookingsView';
import { FrontView } from './FrontView';
import { PackView } from './PackView';
import { ReachDrawing } from './ReachDrawing';
import { ThingTable } from './ThingTable';

const views = { bags: 'Side by side', best: 'The best bag', bookings: 'Who has it', pack: 'Out and back' };
type View = keyof typeof views;

/** The bags of a production: what to take, what it costs, who has it. The address names production, view and bag. */
export function BagsPage() {
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
      <Bags />
    </DocumentPage>
  );
}

function Bags() {
  useShelf();
  useAskingBags();
  useEffect(() => {
    void readUnits();
    const again = () => void readUnits();
    window.addEventListener('focus', again);
    return () => window.removeEventListener('focus', again);
  }, []);
  const [where, setWhere] = useSearchParams();
  const document = useProduction((s) => s.document);
  const bags = bagsOf(document);
  const [said, setSaid] = useState('');
  const asked = where.get('view') as View | null;
  const view: View = asked && asked in views ? asked : 'bags';
  useAskingFront(view === 'best');
  const one = bags.find((bag) => bag.id === where.get('bag'));
  const go = (next: { view?: View; bag?: string | null }) =>
    setWhere(
      (before) => {
        const after = new URLSearchParams(before);
        if (next.view) after.set('view', next.view);
        if (next.bag === null) after.delete('bag');
        else if (next.bag) after.set('bag', next.bag);
        return after;
      },
      { replace: true },
    );
  const marked = (bag: Bag) => bags.findIndex((b) => b.id === bag.id);
  /** What the shots of a unit have chosen, and what carries them. */
  const fromShots = () => {
    const chosen = shotsOf(document).filter((shot) => shot.chosen);
    const things = chosen.flatMap((shot) => [
      shot.chosen!.body,
      shot.chosen!.lens,
      ...(shot.chosen!.links ?? []),
      ...(shot.chosen!.front ?? []),
      ...(shot.support ? [shot.support] : []),
    ]);
    if (things.length === 0) {
      setSaid('No shot has a rig yet. Choose one in the shots, or let the best bag be found.');
      return;
    }
    if (one) addThings(one.id, things);
    else packAs('What the shots have chosen', things);
    setSaid('');
  };
  return (
    <Box sx={{ p: 1, display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr)', alignContent: 'start' }}>
      <Heading step="bags" />
      <DeletedNotice word="production" works={productions} useDocument={useProduction} keeper={productionKeeper} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center', '@media print': { display: 'none' } }}>
        {(Object.keys(views) as View[]).map((key) => (
          <Button key={key} variant={view === key ? 'outlined' : 'text'} aria-pressed={view === key} onClick={() => go({ view: key })}>
            {views[key]}
          </Button>
        ))}
        <Box sx={{ flex: 1 }} />
        {/* On set a thumb ticks off; what is planned with is left out there. */}
        <Box sx={{ display: { xs: view === 'pack' ? 'none' : 'contents', md: 'contents' } }}>
          <Button onClick={fromShots}>{one ? 'Add what the shots chose' : 'Pack what the shots chose'}</Button>
          <Button onClick={() => go({ view: 'bags', bag: addBag('Bag') })}>New bag</Button>
          <Files one={one} onSaid={setSaid} />
        </Box>
      </Box>
      {said && (
        <Typography role="status" sx={{ fontSize: 13.5 }}>
          {said}
        </Typography>
      )}
      <Shelf />
      {view === 'best' ? (
        <FrontView onPacked={(id) => go({ view: 'bags', bag: id })} />
      ) : view === 'bookings' ? (
        <BookingsView marked={marked} />
      ) : bags.length === 0 ? (
        <PageMessage
          title="No bag yet"
          text="A bag says what is packed, for whom and for which days; what it weighs, costs and reaches, and which shots it does."
        >
          <Button variant="contained" onClick={() => go({ view: 'best' })}>
            Find the best bag
          </Button>
          <Button variant="outlined" onClick={() => go({ bag: addBag('Bag') })}>
            New bag
          </Button>
        </PageMessage>
      ) : view === 'pack' ? (
        <Box sx={{ display: 'grid', gap: 1 }}>
          {bags.length > 1 && (
            <Box role="group" aria-label="Bags" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, '@media print': { display: 'none' } }}>
              {bags.map((bag) => (
                <Button
                  key={bag.id}
                  variant={bag === (one ?? bags[0]) ? 'outlined' : 'text'}
                  aria-pressed={bag === (one ?? bags[0])}
                  onClick={() => go({ bag: bag.id })}
                >
                  {markOf(marked(bag))} {bag.name}
                </Button>
              ))}
            </Box>
          )}
          <PackView key={(one ?? bags[0]!).id} bag={one ?? bags[0]!} mark={markOf(marked(one ?? bags[0]!))} />
        </Box>
      ) : (
        <>
          <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: `repeat(auto-fit, minmax(300px, 1fr))` } }}>
            {bags.map((bag, i) => (
              <BagGlance key={bag.id} bag={bag} index={i} isShown={bag === one} onShow={() => go({ bag: bag === one ? null : bag.id })} />
            ))}
          </Box>
          <Box
            sx={{
              display: 'grid',
              gap: 1,
              alignItems: 'start',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: one ? 'minmax(0, 1fr) 400px' : 'minmax(0, 1fr)' },
            }}
          >
            <Panel sx={{ p: 1, display: 'grid', gap: 1.5 }}>
              <ReachDrawing bags={one ? [one] : bags} marked={marked} />
              <ThingTable bags={one ? [one] : bags} marked={marked} />
            </Panel>
            {one && (
              <FormTextsContext value={keptTexts(one.id)}>
                <BagDetails bag={one} mark={markOf(marked(one))} />
              </FormTextsContext>
            )}
          </Box>
        </>
      )}
      <ConflictDialog {...telling} useDocument={useProduction} keeper={productionKeeper} />
    </Box>
  );
}

/** That the shelf is on its way, or away. */
function Shelf() {
  const { state, say } = useGear();
  return state === 'ready' ? null : (
    <Typography role="status" sx={{ fontSize: 13.5, color: 'text.secondary' }}>
      {state === 'away' ? `${say} What bags reach and do cannot be told until it is back.` : 'The shelf is being put together…'}
    </Typography>
  );
}

/** Bags as files: out, one or all, and in. */
function Files({ one, onSaid }: { one: Bag | undefined; onSaid: (say: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button onClick={() => void takeOut(one ? [one] : bagsOf(useProduction.getState().document), 'json').then(onSaid)}>JSON</Button>
      <Button onClick={() => void takeOut(one ? [one] : bagsOf(useProduction.getState().document), 'csv').then(onSaid)}>CSV</Button>
      <input
        ref={input}
        type="file"
        accept=".json,.csv"
        hidden
        aria-label="Bring bags in"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void import('./bagFiles').then((files) => files.bringIn(file)).then(onSaid);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring in</Button>
    </>
  );
}

const takeOut = async (bags: Bag[], kind: 'json' | 'csv') => (await import('./bagFiles')).takeOut(bags, kind);
