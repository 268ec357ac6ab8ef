import type { MeasureRequest } from '../../../core/core';
import { leftOut, readFile, tableOf } from '../../../documents/exchange';
import { download, fileName } from '../../../documents/workFile';
import { counted } from '../../../ui/format';

const mostBytes = 1024 * 1024;

/** The readings of a test as a file: JSON, which holds all of it, or a table. What was not put there is said. */
export async function takeOut(measured: MeasureRequest, name: string, kind: 'json' | 'csv'): Promise<string> {
  const file = { format: 'juxtopsis-readings', version: 1, measured };
  const made =
    kind === 'json' ? new Blob([JSON.stringify(file, null, 1)], { type: 'application/json' }) : await tableOf('/api/tests/table.csv', file);
  if (typeof made === 'string') {
    return made;
  }
  download(`${fileName(name)}.${kind === 'json' ? 'readings.json' : 'csv'}`, made);
  return '';
}

/**
 * Reads readings to stand behind those that are there by then; JSON brings setup and still too where nothing was read yet. What came of it
 * is said.
 */
export async function bringIn(
  file: File,
  kind: MeasureRequest['kind'],
): Promise<{ into: ((measured: MeasureRequest) => MeasureRequest) | null; say: string }> {
  const read = await readFile<{ measured: MeasureRequest; problems: string[] }>('/api/tests/read', { kind }, file, mostBytes);
  if (typeof read === 'string') {
    return { into: null, say: read };
  }
  const more = read.measured.readings ?? [];
  const isTable = !(await file.text()).trimStart().startsWith('{');
  return {
    into: (measured) => {
      const here = measured.readings ?? [];
      return here.length === 0 && !isTable
        ? { ...read.measured, setup: { ...measured.setup, ...read.measured.setup } }
        : { ...measured, readings: [...here, ...more] };
    },
    say: [`${counted(more.length, 'reading')} brought in.`, ...leftOut(read.problems)].join(' '),
  };
}
