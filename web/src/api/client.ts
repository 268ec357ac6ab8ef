import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type Comparison = Schemas['ComparisonOutput'];
export type ComparisonDocument = Schemas['ComparisonDocument'];
export type Summary = Schemas['ComparisonSummary'];

export const api = createClient<paths>({ baseUrl: location.origin });

/** Why a request brought nothing: the server or its database is away (try again later), or it said no (try something else). */
export type Failure = { kind: 'away'; say: string } | { kind: 'missing'; say: string } | { kind: 'refused'; say: string };

/** The outcome of a write: stored, changed by someone else meanwhile, or a failure. */
export type Write = { kind: 'stored'; comparison: Comparison } | { kind: 'conflict'; current: Comparison } | Failure;

export const unreachable: Failure = { kind: 'away', say: 'The server cannot be reached.' };

/** What an answer without data means. */
export function failure(status: number, error: unknown): Failure {
  const detail = (error as { detail?: string } | undefined)?.detail ?? `The server answered ${status}.`;
  if (status === 404) {
    return { kind: 'missing', say: detail };
  }
  return status >= 500 || status === 409 ? { kind: 'away', say: detail } : { kind: 'refused', say: detail };
}

/** Reads a comparison; null when it is still at the revision that is known. */
export async function readComparison(id: string, known?: number): Promise<Comparison | null | Failure> {
  try {
    const headers = known === undefined ? {} : { 'If-None-Match': `"${known}"` };
    const { data, error, response } = await api.GET('/api/comparisons/{id}', { params: { path: { id } }, headers });
    return response.status === 304 ? null : (data ?? failure(response.status, error));
  } catch {
    return unreachable;
  }
}

/** Writes a comparison on top of the revision it was changed from; null makes a new one. */
export async function writeComparison(id: string, base: number | null, name: string, document: ComparisonDocument): Promise<Write> {
  try {
    const headers: Record<string, string> = base === null ? { 'If-None-Match': '*' } : { 'If-Match': `"${base}"` };
    const { data, error, response } = await api.PUT('/api/comparisons/{id}', {
      params: { path: { id } },
      headers,
      body: { name, document },
    });
    if (data) {
      return { kind: 'stored', comparison: data };
    }
    return response.status === 412 && 'current' in error ? { kind: 'conflict', current: error.current } : failure(response.status, error);
  } catch {
    return unreachable;
  }
}

/** Deletes a comparison, or brings it back. */
export async function setDeleted(id: string, deleted: boolean): Promise<Comparison | Failure> {
  try {
    const params = { params: { path: { id } } };
    const { data, error, response } = deleted
      ? await api.DELETE('/api/comparisons/{id}', params)
      : await api.POST('/api/comparisons/{id}/restore', params);
    return data ?? failure(response.status, error);
  } catch {
    return unreachable;
  }
}

/** Lists comparisons, 100 at a time. */
export async function listComparisons(deleted: boolean, skip: number): Promise<Summary[] | Failure> {
  try {
    const { data, error, response } = await api.GET('/api/comparisons', { params: { query: { deleted, skip } } });
    return data ?? failure(response.status, error);
  } catch {
    return unreachable;
  }
}
