import type { Bag } from '../../../gear/bags';
import { bagsOf, freeName } from '../../../gear/bags';
import { leftOut, readFile, tableOf } from '../../../documents/exchange';
import { newId } from '../../../documents/unique';
import { download, fileName } from '../../../documents/workFile';
import { counted } from '../../../ui/format';
import { useProduction } from '../productionStore';
import { addBags } from './bagCommands';

const format = 'juxtopsis-bags';
const mostBytes = 1024 * 1024;

/** Bags as a file: JSON, which holds all of them, or a table. What was not put there is said. */
export async function takeOut(bags: Bag[], kind: 'json' | 'csv'): Promise<string> {
  const name = fileName(bags.length === 1 ? bags[0]!.name : `${useProduction.getState().name} bags`);
  const file = { format, version: 1, bags };
  if (kind === 'json') {
    download(`${name}.bags.json`, new Blob([JSON.stringify(file, null, 1)], { type: 'application/json' }));
    return '';
  }
  const made = await tableOf('/api/bags/table.csv', file);
  if (typeof made === 'string') {
    return made;
  }
  download(`${name}.csv`, made);
  return '';
}

/** Brings bags in beside those that are here; what came of it. */
export async function bringIn(file: File): Promise<string> {
  const read = await readFile<{ bags: Bag[]; problems: string[] }>('/api/bags/read', {}, file, mostBytes);
  if (typeof read === 'string') {
    return read;
  }
  const here = bagsOf(useProduction.getState().document);
  const added: Bag[] = [];
  for (const bag of read.bags) {
    added.push({ ...bag, id: newId(), name: freeName([...here, ...added], bag.name) });
  }
  addBags(added);
  return [`${counted(added.length, 'bag')} brought in.`, ...leftOut(read.problems)].join(' ');
}
