import { conventionNumber } from '../../core/fields';
import { Box, Button, InputBase, Snackbar, Typography, useMediaQuery, type Theme } from '@mui/material';
import { lazy, memo, Suspense, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { useShallow } from 'zustand/react/shallow';
import { comparisons } from '../../api/client';
import { useSettings } from '../../app/settings';
import { isFocused, type Conventions, type Diagnostic, type RigInput, type SceneInput } from '../../core/core';
import { FormTextsContext, keptTexts } from '../../ui/formTexts';
import { hidden } from '../../ui/hidden';
import { LabelledChoice } from '../../ui/LabelledChoice';
import { PageMessage } from '../../ui/PageMessage';
import { rigLetter } from '../../ui/RigMark';
import { ShareIcon } from '../../ui/icons';
import { ConflictDialog } from '../../documents/ConflictDialog';
import { DeletedNotice, DocumentPage } from '../../documents/DocumentPage';
import { comparison } from '../../documents/kinds';
import { PastDialog } from '../../documents/PastDialog';
import { SavingWord } from '../../documents/SavingWord';
import { UndoButtons } from '../../documents/UndoButtons';
import { sayAgain, useBench, yardstickOf } from './benchStore';
import { rename, setNote } from './commands';
import { assembled, fpsOf } from '../../gear/chains';
import { LookCloser } from './LookCloser';
import { Figures } from './Figures';
import { GroundLine } from './ground/GroundLine';
import { Ladder } from './light/Ladder';
import { MatchView } from './match/MatchView';
import { HoldBar } from './HoldBar';
import { holdOf } from './holding';
import { ChainPanel } from './panels/ChainPanel';
import { ConventionsPanel } from './panels/ConventionsPanel';
import { FiltersPanel } from './panels/FiltersPanel';
import { FindPanel } from './panels/FindPanel';
import { HoldPanel } from './panels/HoldPanel';
import { usePanel } from './panels/panelStore';
import { PartsPanel } from './panels/PartsPanel';
import { ReasonsPanel } from './panels/ReasonsPanel';
import { RigPanel } from './panels/RigPanel';
import { RowPanel } from './panels/RowPanel';
import { RowsPanel } from './panels/RowsPanel';
import { ScenePanel } from './panels/ScenePanel';
import { WorkingPanel } from './panels/WorkingPanel';
import { RigColumn, type ChainSpan, type SensorSpan } from './RigColumn';
import { benchKeeper, telling } from './saving';
import { SceneStrip } from './SceneStrip';
import { panelPx } from './panels/SidePanel';
import { addRig, mostRigs } from './rowCommands';
import { useFrameHeight } from './useFrameHeight';
import { ShotLink } from './ShotLink';

const BenchSheets = lazy(() => import('./sheets/BenchSheets').then((m) => ({ default: m.BenchSheets })));

/** The Bench: rigs side by side. The address names the comparison. */
export function BenchPage() {
  const { id = '' } = useParams();
  const remember = useSettings((s) => s.opened);
  useEffect(() => remember(id), [id, remember]);
  return (
    <DocumentPage
      id={id}
      word="comparison"
      useDocument={useBench}
      keeper={benchKeeper}
      all={{ to: '/work?kind=comparison', label: 'All comparisons' }}
      otherwise={
        <Button component={Link} to="/new">
          Start a new one; it is saved later
        </Button>
      }
    >
      <Bench />
    </DocumentPage>
  );
}

function Bench() {
  const id = useBench((s) => s.id);
  const name = useBench((s) => s.name);
  const setup = useBench((s) => s.document.setup);
  const reports = useBench((s) => s.reports);
  const lastFocused = useBench((s) => s.lastFocused);
  const words = useBench((s) => s.words);
  const problems = useBench((s) => s.problems);
  const hold = useBench(useShallow((s) => holdOf(s.document)));
  const feet = useSettings((s) => s.feet);
  const [view] = useView();
  const { scene, conventions, rigs } = setup;
  const yardstick = yardstickOf(setup);
  const referenceWidthMm = conventionNumber(conventions ?? usual, 'referenceWidthMm');
  const referenceHeightMm = conventionNumber(conventions ?? usual, 'referenceHeightMm');
  const span: SensorSpan = useMemo(
    () => ({
      referenceWidthMm,
      referenceHeightMm,
      spanWidthMm: Math.max(referenceWidthMm, ...rigs.map((r) => r.sensorWidthMm)),
      spanHeightMm: Math.max(referenceHeightMm, ...rigs.map((r) => r.sensorHeightMm)),
    }),
    [rigs, referenceWidthMm, referenceHeightMm],
  );
  const { deliveryAspect, timelineFps } = scene;
  // Of the scene, only what is delivered decides about parts: a hand that moves something else measures none of them anew.
  const chainSpan = useMemo(() => spanOf(rigs, { deliveryAspect, timelineFps } as SceneInput), [rigs, deliveryAspect, timelineFps]);
  const root = useRef<HTMLDivElement>(null);
  const frameHeight = useFrameHeight(root, rigs.length);
  const many = rigs.length > 2;
  // A panel pushes where there is room for both, and takes the figures' place where there is not.
  const panelled = usePanel((s) => s.panel !== null);
  const wide = useMediaQuery('(min-width: 1600px)', { noSsr: true });
  // Below a drawing that is as large as the ladders there are the figures, so that both are in sight with the frames.
  const figuresBelow = many || view === 'light';
  const showsFigures = !figuresBelow && (wide || !panelled);
  const most = panelled && !wide ? 3 : 6;
  const spread = rigs.some((rig) => rig.subjectDistanceMm != null);
  const now = useMemo(
    () => ({ figures: { rigs, scene, reports, yardstick, conventions: words.conventions }, lastFocused, span, chainSpan }),
    [rigs, scene, reports, yardstick, words.conventions, lastFocused, span, chainSpan],
  );
  // In the light view a hand is on the ladders: frames and figures follow a moment later.
  const soon = useDeferredValue(now);
  const told = view === 'light' ? soon : now;
  const figures = <Figures name={name} feet={feet} {...told.figures} />;
  const referenceName =
    referenceWidthMm === 36 && referenceHeightMm === 24 ? 'full frame' : `${referenceWidthMm} × ${referenceHeightMm} mm`;
  const stopped = words.reasons.findIndex((reasons) => reasons[0]?.code === 'tooClose' || reasons[0]?.code === 'tooFar');
  const stop = words.reasons[stopped]?.[0];
  useEffect(sayAgain, [feet]);
  useEffect(() => {
    document.title = `${name} · Juxtopsis`;
  }, [name]);

  if (reports.length === 0) {
    return <PageMessage title="This comparison cannot be shown" text={problems.map((p) => p.message).join(' ')} />;
  }
  return (
    <Box
      ref={root}
      sx={{ display: 'flex', flexDirection: 'column', gap: 1, p: 1, minHeight: '100%', pr: panelled ? { sm: `${panelPx + 8}px` } : 1 }}
    >
      <Heading />
      <DeletedNotice word="comparison" works={comparisons} useDocument={useBench} keeper={benchKeeper} />
      <FormTextsContext value={keptTexts(id)}>
        <SceneStrip
          scene={scene}
          problems={problems}
          outOfFocus={stop ? `Rig ${rigLetter(stopped)}: ${stop.message}` : undefined}
          feet={feet}
        />
      </FormTextsContext>
      {view === 'match' ? (
        <MatchView />
      ) : view === 'sheets' ? (
        <Suspense fallback={<PageMessage title="Opening…" text="The view is on its way." />}>
          <BenchSheets />
        </Suspense>
      ) : (
        <>
          <HoldBar />
          <Box
            sx={{
              display: 'grid',
              gap: 1,
              gridTemplateColumns: {
                xs: 'minmax(0, 1fr)',
                sm: `repeat(${Math.min(2, rigs.length)}, minmax(0, 1fr))`,
                lg: showsFigures
                  ? `repeat(${rigs.length}, minmax(300px, 1fr)) minmax(372px, max-content)`
                  : `repeat(${rigs.length > most ? Math.ceil(rigs.length / 2) : rigs.length}, minmax(0, 1fr))`,
              },
            }}
          >
            {told.figures.rigs.slice(0, told.figures.reports.length).map((rig, i) => (
              <FormTextsContext key={rig.id} value={keptTexts(rig.id!)}>
                <RigColumn
                  index={i}
                  rig={rig}
                  scene={told.figures.scene}
                  report={told.figures.reports[i]!}
                  focused={told.lastFocused[rig.id!] ?? null}
                  reasons={words.reasons[i] ?? noReasons}
                  problems={problems}
                  isYardstick={i === told.figures.yardstick}
                  spread={spread}
                  count={rigs.length}
                  referenceName={referenceName}
                  span={told.span}
                  chainSpan={told.chainSpan}
                  frameHeight={frameHeight}
                  isBare={view === 'light'}
                  feet={feet}
                />
              </FormTextsContext>
            ))}
            {showsFigures && <Box sx={{ gridColumn: { sm: '1 / -1', lg: 'auto' }, display: 'grid', minWidth: 0 }}>{figures}</Box>}
          </Box>
          <div data-below>
            {view === 'light' ? (
              <Ladder setup={setup} hold={hold} reports={reports} reasons={words.reasons} />
            ) : (
              <GroundLine setup={setup} reports={reports} feet={feet} />
            )}
          </div>
          {figuresBelow && figures}
        </>
      )}
      <OpenPanel />
      <LookCloser name={name} scene={scene} rigs={rigs} reports={reports} yardstick={yardstick} feet={feet} />
      <ConflictDialog {...telling} useDocument={useBench} keeper={benchKeeper} />
    </Box>
  );
}

/** The drawing that all chains share, so that they are to scale with each other. */
function spanOf(rigs: RigInput[], scene: SceneInput): ChainSpan {
  const spans = rigs.flatMap((rig) => assembled(rig, scene)?.spans ?? []);
  return {
    back: Math.min(0, ...spans.map((s) => s.fromMm)),
    front: Math.max(60, ...spans.map((s) => s.toMm)),
    high: Math.max(60, ...spans.map((s) => s.diameterMm)),
  };
}

const noReasons: Diagnostic[] = [];
const usual: Conventions = {};

/** What stands open at the side. */
function OpenPanel() {
  const { panel, close } = usePanel();
  const id = useBench((s) => s.id);
  const setup = useBench((s) => s.document.setup);
  const answered = useBench((s) => s.answered);
  const problems = useBench((s) => s.problems);
  const reasons = useBench((s) => s.words.reasons);
  const reports = useBench((s) => s.reports);
  const feet = useSettings((s) => s.feet);
  useEffect(() => close, [id, close]);
  // A panel of a rig that is gone, by whatever hand, is closed.
  const index = panel && 'rig' in panel ? setup.rigs.findIndex((r) => r.id === panel.rig) : 0;
  const gone = index < 0;
  useEffect(() => {
    if (gone) close();
  }, [gone, close]);
  const rig = setup.rigs[index];
  if (!rig) {
    return null;
  }
  switch (panel?.kind) {
    case 'working': {
      const asked = answered.rigs.findIndex((r) => r.id === rig.id);
      return asked < 0 ? null : <WorkingPanel setup={answered} rig={asked} figure={panel.figure} feet={feet} />;
    }
    case 'rig':
      return <RigPanel index={index} rig={rig} problems={problems} fps={rig.captureFps ?? fpsOf(setup.scene)} feet={feet} />;
    case 'chain':
      return <ChainPanel index={index} rig={rig} scene={setup.scene} problems={problems} />;
    case 'parts':
      return (
        <PartsPanel
          key={`${panel.place}${panel.isNew}`}
          index={index}
          rig={rig}
          scene={setup.scene}
          place={panel.place}
          isNew={panel.isNew}
        />
      );
    case 'filters':
      return <FiltersPanel index={index} rig={rig} scene={setup.scene} report={reports[index]} />;
    case 'row':
      return <RowPanel key={rig.id} index={index} rigs={setup.rigs} focused={reports[index] !== undefined && isFocused(reports[index])} />;
    case 'reasons':
      return <ReasonsPanel rig={index} reasons={reasons[index] ?? noReasons} />;
    case 'scene':
      return <ScenePanel scene={setup.scene} rigs={setup.rigs} problems={problems} feet={feet} />;
    case 'conventions':
      return <ConventionsPanel setup={answered} conventions={setup.conventions ?? usual} problems={problems} feet={feet} />;
    case 'find':
      return <FindPanel setup={answered} feet={feet} />;
    case 'rows':
      return <RowsPanel />;
    case 'hold':
      return <HoldPanel />;
    default:
      return null;
  }
}

const views = [
  ['compare', 'Compare'],
  ['match', 'Match'],
  ['light', 'Light'],
  ['sheets', 'Sheets'],
] as const;
type View = (typeof views)[number][0];

/** What the rigs are looked at for; the address holds it. */
function useView(): [View, (view: View) => void] {
  const [where, go] = useSearchParams();
  const view = views.find(([key]) => key === where.get('view'))?.[0] ?? 'compare';
  return [view, (next) => go(next === 'compare' ? {} : { view: next }, { replace: true })];
}

/** Puts a further rig beside the others, and opens what it can be built of. */
function AddRig() {
  const full = useBench((s) => s.document.setup.rigs.length >= mostRigs);
  const add = () => usePanel.getState().open({ kind: 'parts', rig: addRig(), place: 0, isNew: true });
  return (
    <Button
      variant="outlined"
      disabled={full}
      title={full ? `${mostRigs} rigs are the most` : undefined}
      onClick={add}
      sx={{ whiteSpace: 'nowrap' }}
    >
      Add a rig
    </Button>
  );
}

/** Name, note, saving, undo and the link. */
const Heading = memo(function Heading() {
  const name = useBench((s) => s.name);
  const note = useBench((s) => s.document.note ?? '');
  const [said, setSaid] = useState('');
  const [past, setPast] = useState(false);
  const wide = useMediaQuery((theme: Theme) => theme.breakpoints.up('md'));
  const [view, show] = useView();
  const copyLink = async () => {
    await benchKeeper.save();
    try {
      await navigator.clipboard.writeText(location.href);
      setSaid('Link copied. Whoever opens it on this server sees this comparison.');
    } catch {
      setSaid(`This browser does not let the page copy. The link: ${location.href}`);
    }
  };
  return (
    <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.5, columnGap: 1 }}>
      <Typography component="h1" sx={hidden}>
        Bench: {name}
      </Typography>
      <InputBase
        value={name}
        onChange={(event) => rename(event.target.value)}
        title={name}
        inputProps={{ 'aria-label': 'Name of the comparison', maxLength: 120 }}
        sx={{
          flex: { xs: '1 1 100%', md: '0 1 auto' },
          minHeight: 40,
          fontSize: 18,
          fontWeight: 650,
          // What stands beside it keeps one line; a longer name is read on hovering.
          maxWidth: { xs: '100%', md: 'max(280px, calc(100% - 850px))' },
          '& input': { fieldSizing: 'content', minWidth: 120, maxWidth: '100%', textOverflow: 'ellipsis' },
        }}
      />
      <InputBase
        multiline
        maxRows={wide ? 2 : 8}
        value={note}
        placeholder="What is there to see here?"
        onChange={(event) => setNote(event.target.value)}
        title={note}
        inputProps={{ 'aria-label': 'Note', maxLength: 280 }}
        sx={{ flex: { xs: '1 1 100%', md: '1 1 120px' }, minHeight: 40, py: 0, color: 'text.secondary', fontSize: 13, lineHeight: 1.35 }}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.5, ml: 'auto' }}>
        <LabelledChoice label="Look at" value={view} choices={views} onChange={show} />
        <SavingWord useDocument={useBench} keeper={benchKeeper} />
        <UndoButtons useDocument={useBench} />
        <AddRig />
        <ShotLink />
        <Button onClick={() => setPast(true)} title="Who changed it when; any state can be brought back" sx={{ whiteSpace: 'nowrap' }}>
          Before
        </Button>
        <Button startIcon={<ShareIcon />} onClick={() => void copyLink()} sx={{ whiteSpace: 'nowrap' }}>
          Copy link
        </Button>
      </Box>
      {past && <PastDialog {...telling} kind={comparison} useDocument={useBench} onClose={() => setPast(false)} />}
      <Snackbar open={said !== ''} autoHideDuration={6000} onClose={() => setSaid('')} message={said} />
    </Box>
  );
});
