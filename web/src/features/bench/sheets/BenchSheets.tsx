import { useCallback, useEffect, useMemo } from 'react';
import { useSettings } from '../../../app/settings';
import { core, type Chain, type Conventions } from '../../../core/core';
import { sceneOf } from '../../../core/standing';
import type { Made, Sheet, SheetFacts, SheetKind } from '../../../sheets/facts';
import { kinds } from '../../../sheets/kinds';
import { framesOf } from '../../../sheets/make/frames';
import { languageOf } from '../../../sheets/make/language';
import { conventionsSaid, lensParts, lensSheet } from '../../../sheets/make/lens';
import { rowSheet } from '../../../sheets/make/row';
import { scales } from '../../../sheets/make/scales';
import { evaluated, frameColumns, isInFocus, type SheetRig } from '../../../sheets/make/sheetRig';
import { testPlan } from '../../../sheets/make/testPlan';
import { SheetDesk } from '../../../sheets/SheetDesk';
import { when } from '../../../ui/format';
import { rigLetter } from '../../../ui/RigMark';
import { change, useBench } from '../benchStore';
import { usePanel } from '../panels/panelStore';

const offered: SheetKind[] = ['frames', 'lens', 'row', 'test', 'scales'];
const noSheets: Sheet[] = [];

/** Sheets of the comparison: its rigs as frames, as a row, as lens sheets. */
export function BenchSheets() {
  const id = useBench((s) => s.id);
  const name = useBench((s) => s.name);
  const setup = useBench((s) => s.document.setup);
  const sheets = useBench((s) => s.document.sheets) ?? noSheets;
  const base = useBench((s) => s.base);
  const personFeet = useSettings((s) => s.feet);
  const close = usePanel((s) => s.close);
  useEffect(() => close(), [close]);
  const state = base ? `revision ${base.revision}, ${when(base.updatedAt)}` : 'not saved yet';

  const make = useCallback(
    (sheet: Sheet): Made => {
      const say = languageOf(sheet, personFeet);
      const conventions = sheet.conventions ?? setup.conventions;
      const rigs = sheetRigs(id, setup, conventions, say.feet);
      const foot = conventionsSaid(rigs, conventions, say.feet).map(say.of);
      const facts = (blocks: SheetFacts['blocks'], said = foot): SheetFacts => ({
        name,
        what: kinds[sheet.kind].what,
        href: `/bench/${id}?view=sheets&sheet=${sheet.id}`,
        blocks,
        foot: said,
      });
      const things = rigs.map((of) => ({ id: of.id, name: `${of.mark} ${of.title}` }));
      switch (sheet.kind) {
        case 'lens':
          return { facts: facts(lensSheet(sheet, rigs, conventions, say)), choices: lensParts, things };
        case 'row':
          return { facts: facts(rowSheet(sheet, rigs, conventions, say)), choices: [], things };
        case 'scales':
          return { facts: facts(scales(sheet, rigs, conventions, say)), choices: [], things };
        case 'test': {
          const parts = [...new Map(rigs.flatMap((r) => r.parts).map((p) => [p.id, p])).values()];
          return { facts: facts(testPlan(sheet, rigs, say), []), choices: [], things: parts.map((p) => ({ id: p.id, name: p.name })) };
        }
        default:
          return {
            facts: facts(
              framesOf(
                sheet,
                rigs.map((of) => ({ of, alternatives: [] })),
                say,
              ),
            ),
            choices: frameColumns,
            things,
          };
      }
    },
    [id, name, setup, personFeet],
  );
  const form = useMemo(
    () => ({
      questions: (sheet: Sheet) =>
        core().questions(
          {
            ...setup,
            rigs: setup.rigs.map((rig) => ({ ...rig, chain: undefined })),
            conventions: sheet.conventions ?? {},
          },
          personFeet,
        ),
      units: [],
      bags: [],
      hasShots: false,
    }),
    [setup, personFeet],
  );
  return (
    <SheetDesk
      work={{ id, revision: base?.revision ?? 0, word: 'comparison', state }}
      sheets={sheets}
      offered={offered}
      make={make}
      change={(what, recipe) => change(what, (c) => ({ ...c, document: { ...c.document, sheets: recipe(c.document.sheets ?? []) } }))}
      form={form}
    />
  );
}

type Setup = ReturnType<typeof useBench.getState>['document']['setup'];

/** The rigs of a comparison as sheets know them. */
function sheetRigs(id: string, setup: Setup, conventions: Conventions | undefined, feet: boolean): SheetRig[] {
  const { scene, rigs } = setup;
  const figures = evaluated(scene, rigs, conventions);
  const words = core().words(
    { ...setup, rigs: rigs.map((rig) => ({ ...rig, chain: undefined })), ...(conventions && { conventions }) },
    feet,
  );
  return rigs.map((rig, i): SheetRig => {
    const reasons = words.reasons[i] ?? [];
    const focused = isInFocus(figures[i] ?? null);
    return {
      id: rig.id!,
      mark: rigLetter(i),
      title: rig.name || `Rig ${rigLetter(i)}`,
      scene: sceneOf(rig, scene),
      rig,
      figures: figures[i] ?? null,
      missing: focused ? '' : (reasons[0]?.message ?? ''),
      warnings: reasons.map((reason) => reason.message),
      parts: ((rig.chain as Chain | null | undefined)?.parts ?? []).map((part) => part.item),
      href: `/bench/${id}`,
    };
  });
}
