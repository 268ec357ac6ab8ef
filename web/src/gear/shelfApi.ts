import { useMemo } from 'react';
import { keepPreviousData, useInfiniteQuery, useQuery, type QueryClient } from '@tanstack/react-query';
import { newId } from '../documents/unique';
import { api, failure, has, sendFile, unreachable, type Failure } from '../api/client';
import type { components } from '../api/schema';
import type { GearItem, GearKind } from '../core/core';

type Schemas = components['schemas'];
export type Reach = Schemas['ReachOutput'];
export type Facet = Schemas['FacetOutput'];
export type Way = Schemas['WayOutput'];
export type SetAsideThing = Schemas['SetAsideOutput'];
export type ImportResult = Schemas['ImportOutput'];
export type ShelfEntry = Omit<Schemas['ShelfItemOutput'], 'item'> & { item: GearItem };
export type ShelfPage = Omit<Schemas['ShelfPageOutput'], 'items'> & { items: ShelfEntry[] };

/** What the page asks the shelf for; part of its address. */
export interface ShelfAsk {
  q: string;
  kind: string;
  ownership: string;
  mount: string;
  retired: boolean;
  body: string;
  mode: string;
  order: string;
}

const shelfKey = 'shelf';
const some = (text: string) => (text === '' ? undefined : text);

/** A server that is busy is asked twice more; one that is away is asked again until it is back. */
export const patient = {
  retry: 2,
  retryDelay: 400,
  refetchInterval: (query: { state: { status: string } }) => (query.state.status === 'error' ? 2500 : false),
} as const;

/** The data of an answer; what is wrong, in words that can be shown, where there is none. What was given up stays so. */
export async function dataOf<T>(asked: Promise<{ data?: T; error?: unknown; response: Response }>, signal: AbortSignal): Promise<T> {
  const answer = await asked.catch((e: unknown) => {
    throw signal.aborted ? e : new Error(unreachable.say);
  });
  if (answer.data === undefined) {
    throw new Error(failure(answer.response.status, answer.error).say);
  }
  return answer.data;
}

/** Everything that the shelf says is asked anew. */
export const askAgain = (queries: QueryClient) => queries.invalidateQueries({ queryKey: [shelfKey] });

async function readPage(ask: ShelfAsk, skip: number, signal?: AbortSignal, take?: number): Promise<ShelfPage> {
  const { data, error, response } = await api
    .GET('/api/shelf', {
      params: {
        query: {
          Q: some(ask.q),
          Kind: some(ask.kind),
          Ownership: some(ask.ownership),
          Mount: some(ask.mount),
          Retired: ask.retired || undefined,
          Body: some(ask.body),
          Mode: some(ask.mode),
          Order: some(ask.order),
          Skip: skip || undefined,
          Take: take,
        },
      },
      ...(signal && { signal }),
    })
    .catch((e: unknown) => {
      throw signal?.aborted ? e : new Error(unreachable.say);
    });
  if (!data) {
    throw new Error(failure(response.status, error).say);
  }
  return data as ShelfPage;
}

/** The things that a question finds, page by page; while a new question is on its way, the answer of before stays. */
export const useShelf = (ask: ShelfAsk) =>
  useInfiniteQuery({
    queryKey: [shelfKey, ask],
    initialPageParam: 0,
    queryFn: ({ pageParam, signal }) => readPage(ask, pageParam, signal),
    getNextPageParam: (last, all) => {
      const shown = all.reduce((sum, page) => sum + page.items.length, 0);
      return shown < last.total ? shown : undefined;
    },
    placeholderData: keepPreviousData,
    ...patient,
  });

const noKinds: GearKind[] = [];

/** The kinds of gear, recording modes last, and what can be known of each; empty until they are there. */
export const useKinds = (): GearKind[] =>
  useQuery({
    queryKey: ['kinds'],
    staleTime: Infinity,
    ...patient,
    queryFn: async () => {
      const { data, error, response } = await api.GET('/api/shelf/kinds');
      if (!data) {
        // Kept for good once it is there; so nothing may stand in for it.
        throw new Error(failure(response.status, error).say);
      }
      return data;
    },
  }).data ?? noKinds;

const nothing: ShelfAsk = { q: '', kind: '', ownership: '', mount: '', retired: false, body: '', mode: '', order: '' };

/** All things of one kind, by name; for choices among cameras and mounts. */
export const useKind = (kind: string) =>
  useQuery({
    queryKey: [shelfKey, 'all', kind],
    queryFn: async ({ signal }) => {
      const found: ShelfEntry[] = [];
      for (let total = 1; found.length < total;) {
        const page = await readPage({ ...nothing, kind, order: 'name' }, found.length, signal, 1000);
        total = page.total;
        found.push(...page.items);
        if (page.items.length === 0) break;
      }
      return found;
    },
    ...patient,
  });

const noMakers: string[] = [];

/** The makers of cameras and lenses on the shelf; empty until they are known. */
export const useMakers = (): string[] => {
  const lenses = useKind('lens').data;
  const bodies = useKind('body').data;
  return useMemo(
    () =>
      lenses && bodies ? [...new Set([...lenses, ...bodies].map((e) => e.item.maker).filter((m) => typeof m === 'string'))] : noMakers,
    [lenses, bodies],
  );
};

/** One thing as it is on the shelf now; null when it is not there. */
export async function readGear(id: string): Promise<ShelfEntry | null | Failure> {
  try {
    const { data, error, response } = await api.GET('/api/shelf/{id}', { params: { path: { id } } });
    return data ? (data as ShelfEntry) : response.status === 404 ? null : failure(response.status, error);
  } catch {
    return unreachable;
  }
}

export type GearWrite =
  | { kind: 'stored'; entry: ShelfEntry }
  | { kind: 'conflict'; current: ShelfEntry }
  | { kind: 'fields'; errors: Schemas['DiagnosticOutput'][]; say: string }
  | Failure;

/** Writes a thing on top of the revision it was changed from; null adds a new one. */
export async function writeGear(item: GearItem, base: number | null): Promise<GearWrite> {
  try {
    const headers: Record<string, string> = base === null ? { 'If-None-Match': '*' } : { 'If-Match': `"${base}"` };
    const { data, error, response } = await api.PUT('/api/shelf/{id}', { params: { path: { id: item.id } }, headers, body: item });
    if (data) {
      return { kind: 'stored', entry: data as ShelfEntry };
    }
    if (response.status === 412 && 'current' in error) {
      return { kind: 'conflict', current: error.current as ShelfEntry };
    }
    const said = failure(response.status, error);
    return 'errors' in error && error.errors.length > 0 ? { kind: 'fields', errors: error.errors, say: said.say } : said;
  } catch {
    return unreachable;
  }
}

/** Adds mounts that a thing names; null when they are there, also by somebody else. */
export async function addMounts(names: readonly string[]): Promise<Failure | null> {
  for (const name of names) {
    const outcome = await writeGear({ kind: 'mount', id: newId(), name }, null);
    if (outcome.kind !== 'stored' && outcome.kind !== 'fields' && outcome.kind !== 'conflict') {
      return outcome;
    }
  }
  return null;
}

/** Deletes a thing, or retires it where saved work names it; null for one that could not be read. */
export async function deleteGear(id: string): Promise<Schemas['ShelfDeleteOutput'] | Failure | null> {
  try {
    const { data, error, response } = await api.DELETE('/api/shelf/{id}', { params: { path: { id } } });
    return response.status === 204 ? null : (data ?? failure(response.status, error));
  } catch {
    return unreachable;
  }
}

/** Keeps a thing for what used it, and offers it no more. */
export async function retireGear(id: string): Promise<ShelfEntry | Failure> {
  try {
    const { data, error, response } = await api.POST('/api/shelf/{id}/retire', { params: { path: { id } } });
    return data ? (data as ShelfEntry) : failure(response.status, error);
  } catch {
    return unreachable;
  }
}

/** Offers a retired thing again, or puts a deleted one back; null for one that cannot be read. */
export async function restoreGear(id: string): Promise<ShelfEntry | Failure | null> {
  try {
    const { data, error, response } = await api.POST('/api/shelf/{id}/restore', { params: { path: { id } } });
    return response.status === 204 ? null : data ? (data as ShelfEntry) : failure(response.status, error);
  } catch {
    return unreachable;
  }
}

/** Things that were deleted lately, the last one first. */
export const useDeletedGear = (wanted: boolean) =>
  useQuery({
    queryKey: [shelfKey, 'deleted'],
    enabled: wanted,
    ...patient,
    queryFn: async () => {
      const { data, error, response } = await api.GET('/api/shelf/deleted');
      if (!data) {
        throw new Error(failure(response.status, error).say);
      }
      return data;
    },
  });

/** The ways to join a camera and a lens, best first. */
export const useWays = (camera: string, lens: string, mode: string) =>
  useQuery({
    queryKey: [shelfKey, 'ways', camera, lens, mode],
    enabled: camera !== '' && lens !== '',
    ...patient,
    queryFn: async () => {
      const { data, error, response } = await api.GET('/api/shelf/ways', { params: { query: { camera, lens, mode } } });
      if (!data) {
        throw new Error(failure(response.status, error).say);
      }
      return data;
    },
  });

/** Looks through files, or brings them in. Sent as they are; what they are, the server tells by their content. */
export function bringIn(files: File[], write: number | null, signal: AbortSignal): Promise<ImportResult | Failure> {
  const query = new URLSearchParams(write === null ? {} : { write: 'true', expect: String(write) });
  const { body, type } = together(files);
  return sendFile('POST', `/api/shelf/import?${query}`, body, type, has<ImportResult>('rows'), signal);
}

/** Files as the parts of one message. */
function together(files: File[]): { body: Blob; type: string } {
  const boundary = `juxtopsis-${newId()}`;
  const head = (name: string) =>
    `--${boundary}\r\nContent-Disposition: attachment; filename*=UTF-8''${encodeURIComponent(name).replace(/[()*']/g, escape)}\r\n\r\n`;
  const body = new Blob([...files.flatMap((file) => [head(file.name), file, '\r\n']), `--${boundary}--\r\n`]);
  return { body, type: `multipart/mixed; boundary=${boundary}` };
}

const escape = (mark: string) => `%${mark.charCodeAt(0).toString(16)}`;

/** Takes an import back, by the shelf's revision after it. */
export async function takeImportBack(revision: number): Promise<Schemas['ImportBackOutput'] | Failure> {
  try {
    const { data, error, response } = await api.POST('/api/shelf/import/{revision}/back', { params: { path: { revision } } });
    return data ?? failure(response.status, error);
  } catch {
    return unreachable;
  }
}
