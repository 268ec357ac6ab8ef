import type { ProductionDocument } from '../../../api/client';
import { distanceOf } from '../../../core/standing';
import { columnsOf, inOrder, itemOf, type BlockFact, type ColumnChoice, type RowFact, type Sheet } from '../../../sheets/facts';
import type { Language } from '../../../sheets/make/language';
import { valuesOf, type SheetRig } from '../../../sheets/make/sheetRig';
import type { ShotInput } from '../../../core/core';
import { placeOf } from '../productionStore';
import { cameraSupports, tightness } from '../words';
import { planOf, type Placed } from './plans';
import { fitOf, frameOf, type ShotAnswer } from './shotRigs';

export const shotColumns: ColumnChoice[] = [
  { key: 'mark', label: 'No.', align: 'right', usual: true },
  { key: 'title', label: 'Shot', usual: true, least: 26 },
  { key: 'unit', label: 'Unit', usual: true },
  { key: 'place', label: 'Place', usual: true },
  { key: 'size', label: 'Size', usual: false },
  { key: 'rig', label: 'Rig', usual: true, least: 30 },
  { key: 'mode', label: 'Recording mode', usual: false },
  { key: 'setting', label: 'Setting', usual: true },
  { key: 'distance', label: 'From the subject', align: 'right', usual: true },
  { key: 'height', label: 'Lens height', align: 'right', usual: true },
  { key: 'sharp', label: 'Sharp zone', align: 'right', usual: false },
  { key: 'light', label: 'Light', usual: false },
  { key: 'carried', label: 'Carried', usual: true },
  { key: 'remark', label: 'Remark', usual: true, least: 22, grows: true },
];

interface Listed {
  shot: ShotInput;
  of: SheetRig;
}

/** The shots in order, then a plan of each place with where the cameras stand. */
export function shotList(
  sheet: Sheet,
  document: ProductionDocument,
  listed: Listed[],
  answers: Record<string, ShotAnswer>,
  say: Language,
): BlockFact[] {
  const shown = inOrder(
    listed.map((l) => ({ ...l, id: l.shot.id })),
    sheet.items ?? [],
  ).filter(({ id }) => !itemOf(sheet, id)?.leftOut);
  if (shown.length === 0) {
    return [{ kind: 'text', id: 'none', text: listed.length === 0 ? 'There is no shot yet.' : 'Every shot is left out.', isWarning: true }];
  }
  const columns = columnsOf(shotColumns, sheet.columns ?? []);
  const rowOf = ({ shot, of }: Listed): RowFact => {
    const values = valuesOf(of, say);
    const place = placeOf(document, shot);
    return {
      id: shot.id,
      isItem: true,
      warn: of.rig ? undefined : 'rig',
      href: of.href,
      cells: {
        ...values,
        mark: of.mark,
        title: shot.name,
        unit: shot.unit ?? '',
        place: place?.name ?? 'no place',
        size: tightness(shot),
        rig: values['rig'] ?? of.missing,
        distance: of.rig ? say.length(distanceOf(of.rig, of.scene)) : '',
        height: of.rig ? say.length(of.scene.lensHeightMm ?? 1600) : '',
        sharp: (values['sharp'] ?? '').replace(/^sharp /, ''),
        carried: cameraSupports[shot.cameraSupport ?? 'tripod'],
        remark: shot.note ?? '',
      },
      under: of.warnings.length > 0 && of.rig ? say.of(of.warnings.map((w) => `! ${w}`).join('  ')) : undefined,
    };
  };
  const groups = groupsOf(shown, sheet, document);
  const plans = plansOf(shown, document, answers, say);
  return [
    ...groups.map(({ name, of }): BlockFact => ({ kind: 'table', id: `shots ${name}`, caption: name, columns, rows: of.map(rowOf) })),
    ...plans,
  ];
}

function groupsOf(shown: Listed[], sheet: Sheet, document: ProductionDocument): { name: string; of: Listed[] }[] {
  const nameOf = ({ shot }: Listed): string =>
    sheet.order === 'location' ? (placeOf(document, shot)?.name ?? 'No place') : sheet.order === 'unit' ? shot.unit || 'No unit' : '';
  const groups: { name: string; of: Listed[] }[] = [];
  for (const one of shown) {
    const group = groups.find((g) => g.name === nameOf(one));
    if (group) group.of.push(one);
    else groups.push({ name: nameOf(one), of: [one] });
  }
  return groups;
}

function plansOf(shown: Listed[], document: ProductionDocument, answers: Record<string, ShotAnswer>, say: Language): BlockFact[] {
  return (document.locations ?? []).flatMap((place) =>
    (['length', 'width'] as const).flatMap((along): BlockFact[] => {
      const placed = shown.flatMap(({ shot, of }): Placed[] => {
        const fit = fitOf(shot, answers);
        const frame = frameOf(shot, answers);
        return fit && frame && shot.locationId === place.id && (shot.along ?? place.along ?? 'length') === along
          ? [{ mark: of.mark, shot, fit, fieldMm: frame.widthMm }]
          : [];
      });
      return placed.length === 0
        ? []
        : [
            {
              kind: 'drawing',
              id: `plan ${place.id} ${along}`,
              caption: `${place.name}, from above${along === 'width' ? ', looking along its width' : ''}`,
              ...planOf(place, along, placed, say),
            },
          ];
    }),
  );
}
