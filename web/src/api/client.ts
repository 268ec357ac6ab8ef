import createClient from 'openapi-fetch';
import { newId } from '../documents/unique';
import { crew, meet } from './crew';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type ComparisonDocument = Schemas['ComparisonDocument'];
export type WorkSummary = Schemas['WorkSummary'];
export type PastRevision = Schemas['PastOutput'];
export type ProductionDocument = Schemas['ProductionDocument'];

/** No request is waited for longer than this, ms: a server that hangs is away. Files take their time. */
const limitMs = { usual: 20_000, file: 180_000 };

/** This browser, so that a person finds their own changes among those of others. */
const browser = browserId();

function browserId(): string {
  const key = 'juxtopsis.browser';
  const known = localStorage.getItem(key);
  const id = known ?? newId();
  if (known === null) {
    localStorage.setItem(key, id);
  }
  return id;
}

let by = '';

/** Sets the name that others see with what is changed here; empty for none. */
export const setWriterName = (name: string): void => void (by = name);

/**
 * Sends a request with who asks, and with a limit of time; an answer that is still coming in at the limit is broken off too. A
 * server that works for another crew than this page was opened for refuses: the page is opened anew, for that crew.
 */
async function send(request: Request): Promise<Response> {
  request.headers.set('Juxtopsis-Writer', browser);
  if (by !== '') {
    request.headers.set('Juxtopsis-By', encodeURIComponent(by));
  }
  if (crew() !== '') {
    request.headers.set('Juxtopsis-Crew', crew());
  }
  const limit = new AbortController();
  const timer = setTimeout(() => limit.abort(), /\/(import|export|photos)\b/.test(request.url) ? limitMs.file : limitMs.usual);
  try {
    const response = await fetch(request, { signal: AbortSignal.any([limit.signal, request.signal]) });
    meet(response.headers.get('Juxtopsis-Crew'));
    // These carry no body, and none may be given to them.
    const body = [204, 205, 304].includes(response.status) ? null : await response.arrayBuffer();
    return new Response(body, response);
  } finally {
    clearTimeout(timer);
  }
}

export const api = createClient<paths>({ baseUrl: location.origin, fetch: send });

/** Sends a file as it is; what the server says of it, or why nothing came of it. */
export async function sendFile<T>(
  method: 'POST' | 'PUT',
  path: string,
  body: Blob,
  type: string,
  isAnswer: (said: unknown, ok: boolean) => said is T,
  signal?: AbortSignal,
): Promise<T | Failure> {
  try {
    const response = await send(
      new Request(new URL(path, location.origin), { method, body, headers: { 'Content-Type': type }, signal: signal ?? null }),
    );
    const said: unknown = await response.json().catch(() => undefined);
    return isAnswer(said, response.ok) ? said : failure(response.status, said);
  } catch {
    return signal?.aborted ? { kind: 'refused', say: 'Stopped; nothing was written.' } : unreachable;
  }
}

/** Why a request brought nothing: the server or its database is away (try again later), or it said no (try something else). */
export type Failure = { kind: 'away'; say: string } | { kind: 'missing'; say: string } | { kind: 'refused'; say: string };

export const unreachable: Failure = { kind: 'away', say: 'The server cannot be reached.' };

/** What an answer without data means. */
export function failure(status: number, error: unknown): Failure {
  const detail = (error as { detail?: string } | undefined)?.detail ?? `The server answered ${status}.`;
  if (status === 404) {
    return { kind: 'missing', say: detail };
  }
  return status >= 500 || status === 409 || status === 429 ? { kind: 'away', say: detail } : { kind: 'refused', say: detail };
}

/** A stored piece of work: a name and a document, and what the server knows of it. */
export interface Work<D> {
  id: string;
  name: string;
  document: D;
  revision: number;
  updatedAt: string;
  deletedAt: string | null;
}

/** The outcome of a write: stored, changed by someone else meanwhile, or a failure. */
export type Write<D> = { kind: 'stored'; work: Work<D> } | { kind: 'conflict'; current: Work<D> } | Failure;

/** Where work of one kind is stored. */
export interface Works<D> {
  /** Reads one; null when it is still at the revision that is known. */
  read: (id: string, known?: number) => Promise<Work<D> | null | Failure>;
  /** Writes one on top of the revision it was changed from; null makes a new one. */
  write: (id: string, base: number | null, name: string, document: D) => Promise<Write<D>>;
  /** Deletes one, or brings it back. */
  setDeleted: (id: string, deleted: boolean) => Promise<Failure | null>;
  /** Lists them, 100 at a time; of those whose name or note holds all words of a search. */
  list: (deleted: boolean, skip: number, search?: string) => Promise<WorkSummary[] | Failure>;
  /** The states that one had, newest first. */
  past: (id: string) => Promise<PastRevision[] | Failure>;
  /** A state that one had. */
  pastOne: (id: string, revision: number) => Promise<Work<D> | Failure>;
  /** The address of a document just as it is stored. */
  storedAt: (id: string) => string;
}

function worksAt<D>(base: '/api/comparisons' | '/api/productions'): Works<D> {
  // All kinds of work have the same addresses and answers; only their documents differ.
  const all = base as '/api/comparisons';
  const one = `${all}/{id}` as const;
  type Stored = Work<D>;
  return {
    async read(id, known) {
      try {
        const headers = known === undefined ? {} : { 'If-None-Match': `"${known}"` };
        const { data, error, response } = await api.GET(one, { params: { path: { id } }, headers });
        return response.status === 304 ? null : ((data as unknown as Stored | undefined) ?? failure(response.status, error));
      } catch {
        return unreachable;
      }
    },
    async write(id, base, name, document) {
      try {
        const headers: Record<string, string> = base === null ? { 'If-None-Match': '*' } : { 'If-Match': `"${base}"` };
        const body = { name, document: document as unknown as ComparisonDocument };
        const { data, error, response } = await api.PUT(one, { params: { path: { id } }, headers, body });
        if (data) {
          return { kind: 'stored', work: data as unknown as Stored };
        }
        return response.status === 412 && 'current' in error
          ? { kind: 'conflict', current: error.current as unknown as Stored }
          : failure(response.status, error);
      } catch {
        return unreachable;
      }
    },
    async setDeleted(id, deleted) {
      try {
        const params = { params: { path: { id } } };
        const { error, response } = deleted ? await api.DELETE(one, params) : await api.POST(`${one}/restore`, params);
        return response.ok ? null : failure(response.status, error);
      } catch {
        return unreachable;
      }
    },
    async list(deleted, skip, search = '') {
      try {
        const { data, error, response } = await api.GET(all, { params: { query: { deleted, skip, search } } });
        return data ?? failure(response.status, error);
      } catch {
        return unreachable;
      }
    },
    async past(id) {
      try {
        const { data, error, response } = await api.GET(`${one}/past`, { params: { path: { id } } });
        return data ?? failure(response.status, error);
      } catch {
        return unreachable;
      }
    },
    async pastOne(id, revision) {
      try {
        const { data, error, response } = await api.GET(`${one}/past/{revision}`, { params: { path: { id, revision } } });
        return (data as unknown as Stored | undefined) ?? failure(response.status, error);
      } catch {
        return unreachable;
      }
    },
    storedAt: (id) => `${base}/${id}/stored`,
  };
}

export const comparisons = worksAt<ComparisonDocument>('/api/comparisons');
export const productions = worksAt<ProductionDocument>('/api/productions');

/** All that the crew has, as one file. */
export const crewFileAddress = '/api/crew/export.zip';

/** Brings such a file in. */
export const bringCrewIn = (file: File): Promise<Schemas['CrewImportOutput'] | Failure> =>
  sendFile('POST', '/api/crew/import', file, 'application/zip', has<Schemas['CrewImportOutput']>('added'));

/** Tells an answer by a member that no problem has. */
export const has =
  <T extends object>(member: keyof T) =>
  (said: unknown): said is T =>
    typeof said === 'object' && said !== null && member in said;
