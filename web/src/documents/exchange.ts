/** Tables that the server makes and reads, so that the page and programs get the same. */
import { api, failure, unreachable } from '../api/client';

type Asked = { data?: unknown; error?: unknown; response: Response };

const post = api.POST as unknown as (path: string, options: object) => Promise<Asked>;

/** A table of what is sent; a sentence where the server makes none. */
export async function tableOf(
  path: '/api/bags/table.csv' | '/api/takes/table.csv' | '/api/tests/table.csv',
  body: object,
): Promise<Blob | string> {
  try {
    const { data, error, response } = await post(path, { body, parseAs: 'text' });
    // The mark before it tells spreadsheets that it is UTF-8.
    return data === undefined ? failure(response.status, error).say : new Blob(['\ufeff', data as string], { type: 'text/csv' });
  } catch {
    return unreachable.say;
  }
}

/** Reads a file, JSON or a table; a sentence where that is none. */
export async function readFile<T>(
  path: '/api/bags/read' | '/api/takes/read' | '/api/tests/read',
  query: Record<string, string>,
  file: File,
  mostBytes: number,
): Promise<T | string> {
  if (file.size > mostBytes) {
    return `${file.name} has more than ${Math.round(mostBytes / 1024 / 1024)} MB; it is no such file.`;
  }
  try {
    const { data, error, response } = await post(path, {
      params: { query },
      // As it is: what letters it is in, the server tells.
      body: file,
      bodySerializer: (as: File) => as,
      headers: { 'Content-Type': 'application/octet-stream' },
    });
    return (data as T | undefined) ?? failure(response.status, error).say;
  } catch {
    return unreachable.say;
  }
}

/** What was left out of a file, in as many sentences as one reads. */
export const leftOut = (problems: string[]): string[] => [
  ...problems.slice(0, 5),
  ...(problems.length > 5 ? [`And ${problems.length - 5} more.`] : []),
];
