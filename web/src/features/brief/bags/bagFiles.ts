import { api, failure, unreachable } from '../../../api/client';
import type { Bag } from '../../../gear/bags';
import { bagsOf, freeName } from '../../../gear/bags';
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
  try {
    const { data, error, response } = await api.POST('/api/bags/table.csv', { body: file, parseAs: 'text' });
    if (data === undefined) {
      return failure(response.status, error).say;
    }
    download(`${name}.csv`, new Blob([data], { type: 'text/csv' }));
    return '';
  } catch {
    return unreachable.say;
  }
}

/** Brings bags in beside those that are here; what came of it. */
export async function bringIn(file: File): Promise<string> {
  if (file.size > mostBytes) {
    return `${file.name} has more than 1 MB; it is no file of bags.`;
  }
  try {
    const { data, error, response } = await api.POST('/api/bags/read', {
      body: await file.text(),
      bodySerializer: (text: unknown) => text as string,
      headers: { 'Content-Type': 'application/octet-stream' },
    } as never);
    const read = data as { bags: Bag[]; problems: string[] } | undefined;
    if (!read) {
      return failure(response.status, error).say;
    }
    const here = bagsOf(useProduction.getState().document);
    const added: Bag[] = [];
    for (const bag of read.bags) {
      added.push({ ...bag, id: newId(), name: freeName([...here, ...added], bag.name) });
    }
    addBags(added);
    return [
      `${counted(added.length, 'bag')} brought in.`,
      ...read.problems.slice(0, 5),
      ...(read.problems.length > 5 ? [`And ${read.problems.length - 5} more.`] : []),
    ].join(' ');
  } catch {
    return unreachable.say;
  }
}
