import { Box } from '@mui/material';
import { useCallback, useEffect, useMemo } from 'react';
import { useParams } from 'react-router';
import { productions } from '../../../api/client';
import { useSettings } from '../../../app/settings';
import { core, type ShotInput } from '../../../core/core';
import { ConflictDialog } from '../../../documents/ConflictDialog';
import { DeletedNotice, DocumentPage } from '../../../documents/DocumentPage';
import { bagsOf } from '../../../gear/bags';
import { chosenOfSetting } from '../../../gear/setRigs';
import { useGear, useShelf } from '../../../gear/fitting';
import { readUnits, useUnits } from '../../../gear/units';
import { itemOf, withItem, type ColumnChoice, type Made, type Sheet, type SheetFacts, type SheetKind } from '../../../sheets/facts';
import { kinds } from '../../../sheets/kinds';
import { framesOf } from '../../../sheets/make/frames';
import { languageOf } from '../../../sheets/make/language';
import { conventionsSaid, lensParts, lensSheet } from '../../../sheets/make/lens';
import { rowSheet } from '../../../sheets/make/row';
import { scales } from '../../../sheets/make/scales';
import { frameColumns, letterOf, type SheetRig } from '../../../sheets/make/sheetRig';
import { testPlan } from '../../../sheets/make/testPlan';
import type { ThingAction, ThingActions } from '../../../sheets/editing';
import { SheetDesk } from '../../../sheets/SheetDesk';
import { when } from '../../../ui/format';
import { useAnswers, useAsking } from '../answers';
import { useAskingTotals, useBagAnswers } from '../bags/bagAnswers';
import { changeSheets } from '../commands';
import { Heading } from '../Heading';
import { placeOf, shotsOf, show, useProduction } from '../productionStore';
import { productionKeeper, telling } from '../saving';
import { plannedBy } from '../rigs';
import { cameraSupports } from '../words';
import { packColumns, packingList } from './packing';
import { shotColumns, shotList } from './shotList';
import { rigKey, shotRig, shotsOfSheet, useAskingShotRigs, useShotRigs } from './shotRigs';

const offered: SheetKind[] = ['frames', 'shots', 'lens', 'row', 'pack', 'test', 'scales'];

/** Sheets of a production: frames for a producer, lists for the set. The address names production and sheet. */
export function SheetsPage() {
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
      <Sheets />
    </DocumentPage>
  );
}

const productionColumns: ColumnChoice[] = [
  { key: 'place', label: 'Place', usual: false },
  { key: 'unit', label: 'Unit', usual: false },
  { key: 'carried', label: 'Carried', usual: false },
  ...frameColumns,
  // What a crew notes for itself is sent to nobody unasked.
  { key: 'note', label: 'Note of the shot', usual: false },
];
const noSheets: Sheet[] = [];

function Sheets() {
  useShelf();
  useAsking();
  useAskingShotRigs();
  useAskingTotals();
  useEffect(() => void readUnits(), []);
  const id = useProduction((s) => s.id);
  const name = useProduction((s) => s.name);
  const whole = useProduction((s) => s.document);
  const { shots: allShots, locations, delivery, units: crewUnits, bags: packed } = whole;
  // What is made goes by the rest of the production: changing a sheet makes nothing else anew.
  const document = useMemo(
    () => ({ ...useProduction.getState().document, sheets: [] }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- these are what is read of it
    [allShots, locations, delivery, crewUnits, packed],
  );
  const base = useProduction((s) => s.base);
  const { answers, waiting } = useShotRigs();
  const bags = useBagAnswers((s) => s.bags);
  const units = useUnits((s) => s.units);
  const { items, state, say: why } = useGear();
  const personFeet = useSettings((s) => s.feet);
  const usualConventions = useSettings((s) => s.conventions) ?? undefined;
  // A lens that was measured is taken as it was for the proposals; where none is, nobody reads of it.
  const isMeasured = shotsOf(document).some(({ chosen }) => {
    const lens = chosen && items.get(chosen.lens);
    return lens !== undefined && lens !== null && (lens['testedFocal'] ?? lens['measuredFocal']) !== undefined;
  });
  const saved = base ? `revision ${base.revision}, ${when(base.updatedAt)}` : 'not saved yet';

  const make = useCallback(
    (sheet: Sheet): Made => {
      const say = languageOf(sheet, personFeet);
      const conventions = sheet.conventions ?? (isMeasured ? plannedBy(document.delivery, usualConventions) : usualConventions);
      const all = shotsOf(document);
      const mark = (shot: ShotInput) => String(all.indexOf(shot) + 1);
      const shots = shotsOfSheet(document, sheet);
      const rigOf = (shot: ShotInput) => shotRig(document, id, shot, mark(shot), shot.chosen, answers, conventions);
      const rigs = () => distinct(shots, rigOf);
      const facts = (blocks: SheetFacts['blocks'], foot: string[] = []): SheetFacts => ({
        name,
        what: kinds[sheet.kind].what,
        href: `/brief/${id}/sheets?sheet=${sheet.id}`,
        blocks,
        foot: foot.map(say.of),
      });
      const thingsOf = (of: { id: string; title?: string; name?: string }[]) =>
        of.map((one) => ({ id: one.id, name: one.title ?? one.name ?? '' }));
      switch (sheet.kind) {
        case 'frames': {
          const framed = shots.map((shot) => {
            const place = placeOf(document, shot);
            return {
              of: rigOf(shot),
              alternatives: (itemOf(sheet, shot.id)?.alternatives ?? []).map((chosen) =>
                shotRig(document, id, shot, mark(shot), chosen, answers, conventions),
              ),
              also: {
                note: shot.note ?? '',
                place: place?.name ?? '',
                unit: shot.unit ?? '',
                carried: cameraSupports[shot.cameraSupport ?? 'tripod'],
              },
            };
          });
          return {
            facts: facts(
              framesOf(sheet, framed, say, productionColumns),
              conventionsSaid(
                framed.map((f) => f.of),
                conventions,
                say.feet,
              ),
            ),
            choices: productionColumns,
            things: thingsOf(shots),
          };
        }
        case 'shots': {
          const listed = shots.map((shot) => ({ shot, of: rigOf(shot) }));
          return {
            facts: facts(
              shotList(sheet, document, listed, answers, say),
              conventionsSaid(
                listed.map((l) => l.of),
                conventions,
                say.feet,
              ),
            ),
            choices: shotColumns,
            things: thingsOf(shots),
          };
        }
        case 'pack':
          return { facts: facts(packingList(sheet, document, items, units, bags, say)), choices: packColumns, things: [] };
        case 'test': {
          const of = rigs();
          const things = [...new Map(of.flatMap((r) => r.parts).map((p) => [p.id, p])).values()];
          return { facts: facts(testPlan(sheet, of, say)), choices: [], things: thingsOf(things.map((p) => ({ id: p.id, name: p.name }))) };
        }
        case 'lens': {
          const of = rigs();
          return {
            facts: facts(lensSheet(sheet, of, conventions, say), conventionsSaid(of, conventions, say.feet)),
            choices: lensParts,
            things: thingsOf(of),
          };
        }
        case 'row': {
          const of = rigs();
          return {
            facts: facts(rowSheet(sheet, of, conventions, say), conventionsSaid(of, conventions, say.feet)),
            choices: [],
            things: thingsOf(of),
          };
        }
        case 'scales': {
          const of = rigs();
          return {
            facts: facts(scales(sheet, of, conventions, say), conventionsSaid(of, conventions, say.feet)),
            choices: [],
            things: thingsOf(of),
          };
        }
      }
    },
    [document, id, name, answers, bags, units, items, personFeet, usualConventions, isMeasured],
  );

  const questions = useCallback(
    (sheet: Sheet) => {
      const first = distinct(shotsOf(document), (shot) => shotRig(document, id, shot, '', shot.chosen, answers, undefined))[0];
      return first?.rig
        ? core().questions(
            { scene: first.scene, rigs: [{ ...first.rig, chain: undefined }], conventions: sheet.conventions ?? {} },
            personFeet,
          )
        : [];
    },
    [document, id, answers, personFeet],
  );
  const form = useMemo(
    () => ({
      questions,
      units: document.units ?? [],
      bags: bagsOf(document).map(({ id: bag, name: called }) => ({ id: bag, name: called })),
      hasShots: true,
    }),
    [questions, document],
  );
  return (
    <Box sx={{ p: 1, display: 'grid', gap: 1, gridTemplateColumns: 'minmax(0, 1fr)', alignContent: 'start', '@media print': { p: 0 } }}>
      <Box sx={{ '@media print': { display: 'none' } }}>
        <Heading step="sheets" />
        <DeletedNotice word="production" works={productions} useDocument={useProduction} keeper={productionKeeper} />
      </Box>
      <SheetDesk
        work={{ id, revision: base?.revision ?? 0, word: 'production', state: saved }}
        sheets={whole.sheets ?? noSheets}
        offered={offered}
        make={make}
        change={changeSheets}
        form={form}
        thingActions={shotActions}
        waiting={
          state === 'away'
            ? `${why} Rigs cannot be told until it is back.`
            : state !== 'ready'
              ? 'The shelf is being put together…'
              : waiting > 0
                ? `${waiting} of the shots are being worked out…`
                : ''
        }
      />
      <ConflictDialog {...telling} useDocument={useProduction} keeper={productionKeeper} />
    </Box>
  );
}

/** Each rig once, by what it is made of and how its mode is set, as it is at the first shot that it does. */
function distinct(shots: ShotInput[], rigOf: (shot: ShotInput) => SheetRig): SheetRig[] {
  const seen = new Map<string, { of: SheetRig; marks: string[] }>();
  for (const shot of shots) {
    if (!shot.chosen) continue;
    const key = rigKey('', shot.chosen);
    const before = seen.get(key);
    const of = before ? before.of : { ...rigOf(shot), title: shot.chosen.name || shot.name };
    seen.set(key, { of, marks: [...(before?.marks ?? []), rigOf(shot).mark] });
  }
  return [...seen.values()].map(({ of, marks }, i) => ({
    ...of,
    mark: letterOf(i),
    sub: `set as for shot ${marks[0]!}${marks.length > 1 ? `; also does ${marks.slice(1).join(', ')}` : ''}`,
  }));
}

/** What can be done with a shot on a sheet of frames: alternatives from what fits. */
const shotActions: ThingActions = {
  of: actionsOf,
  // What fits is known of the shot that is looked at: asking for another makes it that one.
  watch: (sheet, id, onChange) => {
    const stop = useAnswers.subscribe(onChange);
    if (sheet.kind === 'frames') show(id);
    return stop;
  },
};

function actionsOf(sheet: Sheet, id: string, put: (sheet: Sheet) => void): ThingAction[] {
  if (sheet.kind !== 'frames') {
    return [];
  }
  const { document } = useProduction.getState();
  const shot = shotsOf(document).find((s) => s.id === id);
  const all = shotsOf(document).map((s) => s.id);
  const alternatives = itemOf(sheet, id)?.alternatives ?? [];
  const taken = new Set([shot?.chosen, ...alternatives].map((c) => c && `${c.body} ${c.lens}`));
  const known = useAnswers.getState().shown;
  const fits =
    known?.shot.id === id ? known.answer.fits.filter((f) => !taken.has(`${f.rig.body} ${f.rig.lens}`)).slice(0, mostOffered) : [];
  return [
    ...(known?.shot.id !== id
      ? [{ label: 'Looking for what else fits…' }]
      : fits.length === 0
        ? [{ label: 'Nothing else that may be used gives it' }]
        : []),
    ...(alternatives.length < mostAlternatives
      ? fits.map((fit) => ({
          label: `Or with ${fit.rig.lensName} on ${fit.rig.bodyName}`,
          run: () => put(withItem(sheet, id, { alternatives: [...alternatives, chosenOfSetting(fit)] }, all)),
        }))
      : []),
    ...alternatives.map((chosen, i) => ({
      label: `Without ${'BCD'[i]!}: ${chosen.name ?? ''}`,
      run: () => put(withItem(sheet, id, { alternatives: alternatives.filter((_, at) => at !== i) }, all)),
    })),
  ];
}

const mostOffered = 4;
const mostAlternatives = 3;
