import { useEffect } from 'react';
import { create } from 'zustand';
import { api, failure, sendFile, unreachable, type Failure } from '../api/client';
import type { components } from '../api/schema';
import { newId } from '../documents/unique';
import { itemOf, type Sheet, type SheetFacts } from './facts';
import type { Saved } from './out';
import { makePictures, useMaking } from './printed';

type Schemas = components['schemas'];
export type Frozen = Schemas['FrozenSummary'];
export type SheetAnswer = Schemas['SheetAnswerOutput'];
export type SheetLink = Schemas['SheetLinkOutput'];
type Shot = Schemas['SheetShot'];

/** The shape of what is frozen now. */
const contentVersion = 1;

/** What a frozen sheet keeps: the sheet and its facts as they were. */
export interface FrozenContent {
  /** The shape that this is of. */
  version: number;
  sheet: Sheet;
  facts: SheetFacts;
}

interface FrozenState {
  /** Whose sheets these are. */
  work: string;
  state: 'opening' | 'ready' | 'away';
  say: string;
  sheets: Frozen[];
  /** What those hold that were looked at. */
  contents: Record<string, FrozenContent>;
  /** Addresses of links that were made on this page; they are told only once. */
  addresses: Record<string, string>;
}

/** The frozen sheets of the work that is on the page. */
export const useFrozen = create<FrozenState>()(() => ({ work: '', state: 'opening', say: '', sheets: [], contents: {}, addresses: {} }));

/** Reads what was frozen, sent and answered of a piece of work. */
export async function readFrozen(work: string): Promise<void> {
  if (useFrozen.getState().work !== work) {
    useFrozen.setState({ work, state: 'opening', say: '', sheets: [], contents: {}, addresses: {} });
  }
  try {
    const { data, error, response } = await api.GET('/api/sheets', { params: { query: { work } } });
    if (useFrozen.getState().work === work) {
      useFrozen.setState(data ? { state: 'ready', say: '', sheets: data } : { state: 'away', say: failure(response.status, error).say });
    }
  } catch {
    if (useFrozen.getState().work === work) useFrozen.setState({ state: 'away', say: unreachable.say });
  }
}

const answersEveryMs = 20_000;
const nothing: Frozen[] = [];

/** The frozen sheets of a piece of work; what is answered arrives while the page stands open. */
export function useFrozenOf(work: string): Frozen[] {
  useEffect(() => {
    const read = () => void readFrozen(work);
    read();
    const timer = setInterval(() => {
      if (!document.hidden) read();
    }, answersEveryMs);
    window.addEventListener('focus', read);
    return () => {
      clearInterval(timer);
      window.removeEventListener('focus', read);
    };
  }, [work]);
  return useFrozen((s) => (s.work === work ? s.sheets : nothing));
}

/** Reads what a frozen sheet holds; what went wrong, or an empty text. */
export async function readContent(id: string): Promise<string> {
  if (useFrozen.getState().contents[id]) {
    return '';
  }
  try {
    const { data, error, response } = await api.GET('/api/sheets/{id}', { params: { path: { id } } });
    if (!data) {
      return failure(response.status, error).say;
    }
    const content = data.content as FrozenContent;
    if (content.version !== contentVersion) {
      return 'This sheet was frozen by another version of the program. Its link and its answers are as they were.';
    }
    useFrozen.setState((s) => ({ contents: { ...s.contents, [id]: content } }));
    return '';
  } catch {
    return unreachable.say;
  }
}

export const frozenPictureAddress = (id: string, option: string): string =>
  `/api/sheets/${id}/pictures/${encodeURIComponent(keyOf(option))}`;

/** An identity as addresses take it. */
export const keyOf = (id: string): string => id.replace(/[^A-Za-z0-9.-]/g, '-').slice(0, 80);

/** Pixels across of the pictures that are sent: sharp on a phone, quick on its network. */
const sentPx = 1280;

/** What whoever the sheet is sent to sees of it. */
function shotsOf(sheet: Sheet, facts: SheetFacts): Shot[] {
  return facts.blocks.flatMap((block) =>
    block.kind === 'frames'
      ? block.frames.map((frame): Shot => {
          const item = itemOf(sheet, frame.id);
          return {
            id: keyOf(frame.id),
            title: `${frame.mark} ${item?.title || frame.title}`.slice(0, 300),
            remark: (item?.remark ?? '').slice(0, 500),
            options: frame.options.slice(0, 4).map((option, i) => ({
              id: keyOf(option.id),
              title: i === 0 && frame.options.length === 1 ? '' : option.title.slice(0, 300),
              lines: (option.picture.missing === undefined
                ? i === 0 && frame.options.length === 1
                  ? block.columns.map((c) => frame.values[c.key] ?? '').filter((text) => text !== '')
                  : option.lines
                : [option.picture.missing]
              )
                .slice(0, 12)
                .map((line) => line.slice(0, 500)),
              aspect: option.picture.aspect,
            })),
          };
        })
      : [],
  );
}

/** Keeps a sheet as it is now, with its pictures. What went wrong, else the frozen sheet. */
export async function freeze({ sheet, facts, pages }: Saved, work: { id: string; revision: number }): Promise<Frozen | Failure> {
  const id = newId();
  const stopping = new AbortController();
  const { signal } = stopping;
  useMaking.setState({ what: 'frozen sheet', done: 0, stop: () => stopping.abort() });
  try {
    const isFrames = sheet.kind === 'frames';
    const pictures = await makePictures(pages, facts, {
      signal,
      onProgress: (done) => useMaking.setState({ done: done * 0.9 }),
      ...(isFrames ? { px: sentPx } : {}),
    });
    if (signal.aborted) {
      return { kind: 'refused', say: 'Stopped; nothing was frozen.' };
    }
    const { data, error, response } = await api.PUT('/api/sheets/{id}', {
      params: { path: { id } },
      body: {
        workId: work.id,
        sheetId: sheet.id,
        workRevision: work.revision,
        kind: sheet.kind,
        title: (sheet.title || facts.name).slice(0, 300),
        note: sheet.note ?? '',
        foot: facts.foot.join('  ·  ').slice(0, 1000),
        shots: isFrames ? shotsOf(sheet, facts) : [],
        content: { version: contentVersion, sheet, facts } as never,
      },
    });
    if (!data) {
      return failure(response.status, error);
    }
    if (isFrames) {
      for (const [option, jpeg] of pictures) {
        const sent = await sendFile('PUT', frozenPictureAddress(id, option), jpeg, 'image/jpeg', (_, ok): _ is undefined => ok);
        if (sent) return sent;
      }
    }
    useFrozen.setState((s) => ({
      sheets: [data, ...s.sheets],
      contents: { ...s.contents, [id]: { version: contentVersion, sheet, facts } },
    }));
    return data;
  } catch {
    return unreachable;
  } finally {
    useMaking.setState({ what: null, done: 0 });
  }
}

/** Deletes a frozen sheet; what went wrong, or an empty text. */
export async function deleteFrozen(id: string): Promise<string> {
  try {
    const { error, response } = await api.DELETE('/api/sheets/{id}', { params: { path: { id } } });
    if (!response.ok && response.status !== 404) return failure(response.status, error).say;
    useFrozen.setState((s) => ({ sheets: s.sheets.filter((sheet) => sheet.id !== id) }));
    return '';
  } catch {
    return unreachable.say;
  }
}

/** Where whoever has a link opens it; what opens it is in the part that browsers do not send. */
const sharedAddress = (token: string): string => `${location.origin}/sheet#${token}`;

/** Makes a link to a frozen sheet, open until the end of a day; what went wrong, or an empty text. */
export async function makeLink(id: string, lastDay: string, forWhom: string): Promise<string> {
  const endsAt = new Date(`${lastDay}T23:59:59`);
  if (Number.isNaN(endsAt.getTime())) {
    return 'Choose the last day of the link.';
  }
  try {
    const { data, error, response } = await api.POST('/api/sheets/{id}/links', {
      params: { path: { id } },
      body: { endsAt: endsAt.toISOString(), for: forWhom },
    });
    if (!data) return failure(response.status, error).say;
    useFrozen.setState((s) => ({
      sheets: s.sheets.map((sheet) => (sheet.id === id ? { ...sheet, links: [data.link, ...sheet.links] } : sheet)),
      addresses: { ...s.addresses, [data.link.id]: sharedAddress(data.token) },
    }));
    return '';
  } catch {
    return unreachable.say;
  }
}

/** Withdraws a link; what went wrong, or an empty text. */
export async function withdrawLink(id: string): Promise<string> {
  try {
    const { error, response } = await api.DELETE('/api/sheets/links/{link}', { params: { path: { link: id } } });
    if (!response.ok) return failure(response.status, error).say;
    await readFrozen(useFrozen.getState().work);
    return '';
  } catch {
    return unreachable.say;
  }
}

/** What was answered last of each shot by each person, newest first. */
export function latestAnswers(sheets: Frozen[], shotId: string): (SheetAnswer & { sheet: Frozen })[] {
  const key = keyOf(shotId);
  const all = sheets
    .flatMap((sheet) => sheet.answers.filter((a) => a.shotId === key).map((a) => ({ ...a, sheet })))
    .sort((a, b) => b.at.localeCompare(a.at));
  const seen = new Set<string>();
  return all.filter((a) => {
    const who = a.name.trim().toLowerCase();
    if (seen.has(who)) return false;
    seen.add(who);
    return true;
  });
}

/** An answer in words. */
export function answerSaid({ verdict, remark, optionId, shotId }: SheetAnswer): string {
  const letter = optionId !== '' && optionId !== shotId ? ` ${'ABCD'[Number(optionId.split('.').at(-1))] ?? ''}` : '';
  const said = verdict === 'approved' ? `Yes${letter}` : verdict === 'declined' ? `Not like this${letter}` : '';
  return [said, remark].filter(Boolean).join(': ');
}
