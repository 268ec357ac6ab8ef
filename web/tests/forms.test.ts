import { beforeEach, expect, test } from 'vitest';
import { dropGearDraft, gearDraftOf, keepGearDraft } from '../src/features/shelf/gearDrafts';
import { FormTexts, keptTexts } from '../src/ui/formTexts';
import { meansNothing } from '../src/ui/nothing';

beforeEach(() => sessionStorage.clear());

const lens = { kind: 'lens', id: 'l', name: '40 mm' };

test('what says that there is nothing is nothing, and so is what stands in the empty field', () => {
  expect(['', ' none ', 'Unknown', 'not known', '—', '?', 'n/a'].map((text) => meansNothing(text))).toEqual(Array(7).fill(true));
  expect([meansNothing('as timeline', 'as timeline'), meansNothing('as timeline'), meansNothing('0')]).toEqual([true, false, false]);
});

test('a half filled form is kept by its thing, and of new things one of each kind', () => {
  keepGearDraft({ item: lens, revision: 3, texts: { Weight: 'heavy' } });
  keepGearDraft({ item: { ...lens, id: 'new1' }, revision: null, texts: {} });
  expect(gearDraftOf({ item: lens, revision: 4 })).toMatchObject({ revision: 3, texts: { Weight: 'heavy' } });
  expect(gearDraftOf({ item: { ...lens, id: 'new2' }, revision: null })).toMatchObject({ item: { id: 'new1' } });
  expect(gearDraftOf({ item: { ...lens, kind: 'filter', id: 'new3' }, revision: null })).toBeUndefined();
  dropGearDraft({ item: lens, revision: 4 });
  expect(gearDraftOf({ item: lens, revision: 3 })).toBeUndefined();
});

test('what a browser kept that nobody can read is nothing', () => {
  sessionStorage.setItem('juxtopsis.gear', '{');
  expect(gearDraftOf({ item: lens, revision: 1 })).toBeUndefined();
  keepGearDraft({ item: lens, revision: 1, texts: {} });
  expect(gearDraftOf({ item: lens, revision: 1 })).toBeDefined();
});

test('texts that could not be read are told apart by the part of the form that they stand in', () => {
  const form = new FormTexts(new Map());
  const [first, second] = [form.part('mode 1'), form.part('mode 2')];
  form.set('Weight', 'heavy');
  first.set('Width', 'wide');
  second.set('Width', 'wider');
  expect([...form.texts]).toEqual([
    ['Weight', 'heavy'],
    ['mode 1: Width', 'wide'],
    ['mode 2: Width', 'wider'],
  ]);
  expect([second.of('Width'), first.of('Weight')]).toEqual(['wider', undefined]);
  form.forget('mode 1');
  second.set('Width', null);
  expect([...form.texts.keys()]).toEqual(['Weight']);
});

test('a form that comes back has its texts, and another has its own', () => {
  keptTexts('shot 1').set('Height', 'tall');
  expect(keptTexts('shot 1').of('Height')).toBe('tall');
  expect(keptTexts('shot 2').of('Height')).toBeUndefined();
  keptTexts('shot 1').set('Height', null);
  expect(keptTexts('shot 1').of('Height')).toBeUndefined();
});
