import { beforeEach, expect, test, vi } from 'vitest';
import { draftsOf, type Draft } from '../src/works/drafts';

const made = (unsaved: boolean, name = 'Work'): Draft<{ n: number }> => ({ name, document: { n: 1 }, revision: 1, unsaved });

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
});

test('what is written is read again, brought up to date', () => {
  const drafts = draftsOf<{ n: number }>('t.', (draft) => ({ ...draft, document: { n: draft.document.n + 1 } }));
  drafts.write('a', made(true));
  expect(drafts.read('a')).toEqual({ ...made(true), document: { n: 2 } });
  expect(drafts.read('b')).toBeNull();
  drafts.drop('a');
  expect(drafts.read('a')).toBeNull();
});

test('of stored copies the newest forty stay, of unsaved work all', () => {
  const drafts = draftsOf<{ n: number }>('t.');
  for (let i = 0; i < 60; i++) {
    vi.setSystemTime(1_000_000 + i);
    drafts.write(`${i}`, made(i % 10 === 0));
  }
  localStorage.setItem('other', 'stays');
  drafts.forgetOld();
  const left = Array.from({ length: 60 }, (_, i) => i).filter((i) => drafts.read(`${i}`) !== null);
  expect(left.filter((i) => i % 10 === 0)).toHaveLength(6);
  expect(left.filter((i) => i % 10 !== 0)).toEqual(
    Array.from({ length: 60 }, (_, i) => i)
      .filter((i) => i % 10 !== 0)
      .slice(-40),
  );
  expect(localStorage.getItem('other')).toBe('stays');
});

test('what cannot be read is no draft, and is forgotten first', () => {
  const drafts = draftsOf<{ n: number }>('t.');
  localStorage.setItem('t.broken', '{');
  expect(drafts.read('broken')).toBeNull();
  for (let i = 0; i < 40; i++) {
    drafts.write(`${i}`, made(false));
  }
  drafts.forgetOld();
  expect(localStorage.getItem('t.broken')).toBeNull();
  expect(drafts.read('0')).not.toBeNull();
});

test('a full browser makes room by forgetting stored copies', () => {
  const drafts = draftsOf<{ n: number }>('t.');
  for (let i = 0; i < 30; i++) {
    drafts.write(`${i}`, made(false));
  }
  const write = localStorage.setItem.bind(localStorage);
  const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation((key, text) => {
    if (localStorage.length > 25) {
      throw new DOMException('full', 'QuotaExceededError');
    }
    full.mockRestore();
    write(key, text);
  });
  drafts.write('new', made(true));
  expect(drafts.read('new')).toEqual(made(true));
});
