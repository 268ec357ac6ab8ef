import type { components } from '../../api/schema';

type Schemas = components['schemas'];
export type SharedSheet = Schemas['SharedSheet'];
export type SharedShot = Schemas['SheetShot'];
export type Answer = Schemas['SheetAnswerOutput'];
export type AnswerInput = Schemas['SheetAnswerInput'];

/** What came of a request: an answer, or why there is none. Where it is only away, trying again helps. */
export type Outcome<T> = { data: T } | { say: string; title: string; isAway: boolean };

const limitMs = 30_000;

/** What opens the sheet, from the part of the address that browsers do not send. */
export const tokenOf = (hash: string): string => hash.replace(/^#/, '').trim();

async function send(token: string, path: string, init: RequestInit = {}): Promise<Response> {
  return fetch(`/api/shared${path}`, {
    ...init,
    headers: { ...(init.headers as Record<string, string> | undefined), Authorization: `Bearer ${token}` },
    signal: AbortSignal.timeout(limitMs),
    credentials: 'omit',
    referrerPolicy: 'no-referrer',
  });
}

const away = { say: 'The server cannot be reached. What you typed stays here.', title: 'No connection', isAway: true };

async function outcomeOf<T>(request: Promise<Response>, read: (response: Response) => Promise<T>): Promise<Outcome<T>> {
  try {
    const response = await request;
    if (response.ok) {
      return { data: await read(response) };
    }
    const problem = (await response.json().catch(() => null)) as { title?: string; detail?: string; errors?: { message: string }[] } | null;
    return {
      title: problem?.title ?? 'It could not be opened',
      say: problem?.errors?.map((e) => e.message).join(' ') ?? problem?.detail ?? `The server answered ${response.status}.`,
      isAway: response.status >= 500 || response.status === 429,
    };
  } catch {
    return away;
  }
}

const json = <T>(response: Response): Promise<T> => response.json() as Promise<T>;

export const openSheet = (token: string): Promise<Outcome<SharedSheet>> => outcomeOf(send(token, ''), json<SharedSheet>);

export const picture = (token: string, option: string): Promise<Outcome<Blob>> =>
  outcomeOf(send(token, `/pictures/${encodeURIComponent(option)}`), (response) => response.blob());

export const answer = (token: string, input: AnswerInput): Promise<Outcome<Answer>> =>
  outcomeOf(
    send(token, '/answers', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(input) }),
    json<Answer>,
  );
