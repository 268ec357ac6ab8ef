import type { components } from '../../../api/schema';
import { leftOut, readFile, tableOf } from '../../../documents/exchange';
import type { Row } from '../../../documents/rows';
import { csvFile } from '../../../documents/tables';
import { newId } from '../../../documents/unique';
import { download, fileName } from '../../../documents/workFile';
import type { ShotInput } from '../../../core/core';
import { counted } from '../../../ui/format';
import { takes, type Take } from './takes';

const mostBytes = 8 * 1024 * 1024;

/** Takes, each with what it is delivered as, in a file: JSON, which holds all of them, or a table. What was not put there is said. */
export async function takeOut(of: Take[], aspects: number[], name: string, kind: 'json' | 'csv'): Promise<string> {
  const file = { format: 'juxtopsis-takes', version: 1, aspects, takes: of };
  const made =
    kind === 'json' ? new Blob([JSON.stringify(file, null, 1)], { type: 'application/json' }) : await tableOf('/api/takes/table.csv', file);
  if (typeof made === 'string') {
    return made;
  }
  download(`${fileName(`${name} takes`)}.${kind === 'json' ? 'takes.json' : 'csv'}`, made);
  return '';
}

/** What takes tell as a table. */
export const learntOut = (rows: string[][], name: string): void => download(`${fileName(`${name} what was used`)}.csv`, csvFile(rows));

/** Two of the same camera at the same moment are one: a file that is brought in twice adds nothing. */
const keyOf = (take: Take) =>
  [take.shotName ?? '', take.number ?? 1, take.camera ?? 'A', new Date(take.takenAt).toISOString().slice(0, 19)].join('|');

/** What of a file's takes is new, each with the shot of that name; a shot that is not there leaves its name. */
export function newTakes(read: Take[], here: Row<Take>[], productionId: string, shots: ShotInput[]): Take[] {
  const known = new Set(here.filter((row) => row.value.productionId === productionId && !row.isRemoved).map((row) => keyOf(row.value)));
  return read.flatMap((take) => {
    const key = keyOf(take);
    if (known.has(key)) return [];
    known.add(key);
    const shot = shots.find((s) => s.id === take.shotId) ?? shots.find((s) => s.name === take.shotName);
    return [{ ...take, productionId, shotId: shot?.id ?? null }];
  });
}

/** Brings takes in beside those that are here by then; what came of it. */
export async function bringIn(file: File, productionId: string, shots: ShotInput[]): Promise<string> {
  const read = await readFile<components['schemas']['TakesReadOutput']>('/api/takes/read', { production: productionId }, file, mostBytes);
  if (typeof read === 'string') {
    return read;
  }
  const added = newTakes(read.takes, takes.useRows.getState().rows, productionId, shots);
  takes.putAll(added.map((value) => ({ id: newId(), value })));
  const known = read.takes.length - added.length;
  return [
    `${counted(added.length, 'take')} brought in.`,
    ...(known > 0 ? [`${known} were here already.`] : []),
    ...leftOut(read.problems),
  ].join(' ');
}
