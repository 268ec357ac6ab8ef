import { ThemeProvider } from '@mui/material/styles';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Entry } from '../src/core/core';

const nothing: Entry = { values: [], infinite: false, problem: null };
const read = vi.fn((_kind: string, text: string): Entry =>
  text === 'inf'
    ? { ...nothing, infinite: true }
    : /^\d+( x \d+)?$/.test(text)
      ? { ...nothing, values: text.split(' x ').map(Number) }
      : { ...nothing, problem: `“${text}” is no number. Type for example 40.` },
);
const step = vi.fn((_kind: string, value: number, up: boolean, large: boolean) => value + (up ? 1 : -1) * (large ? 10 : 1));
vi.mock('../src/core/core', () => ({ core: () => ({ read, step }), coreReady: Promise.resolve() }));

const { EntryField } = await import('../src/ui/EntryField');
const { FormTexts, FormTextsContext } = await import('../src/ui/formTexts');
const { theme } = await import('../src/app/theme');
const { draw, leave, press, type } = await import('./drawn');
type Props = Parameters<typeof EntryField>[0];
type Form = InstanceType<typeof FormTexts>;

const onValue = vi.fn();
const onClear = vi.fn();

function field(more: Partial<Props> = {}, form: Form | null = null) {
  const drawn = (props: Partial<Props>, of: Form | null) => (
    <ThemeProvider theme={theme}>
      <FormTextsContext value={of}>
        <EntryField label="Weight" help="What it weighs." kind="weight" shown="40 g" stepFrom={40} onValue={onValue} {...props} />
      </FormTextsContext>
    </ThemeProvider>
  );
  const again = draw(drawn(more, form));
  return {
    input: document.querySelector('input')!,
    says: () => document.querySelector('[role=alert]')?.textContent ?? null,
    again: (next: Partial<Props>, of: Form | null = form) => again(drawn({ ...more, ...next }, of)),
  };
}

beforeEach(() => {
  onValue.mockClear();
  onClear.mockClear();
});

test('each readable text takes effect at once, and stands as it was typed until the field is left', () => {
  const { input, again } = field();
  type(input, '4');
  type(input, '41');
  expect(onValue.mock.calls).toEqual([
    [4, null, [4]],
    [41, null, [41]],
  ]);
  again({ shown: '41 g' });
  expect(input.value).toBe('41');
  leave(input);
  expect(input.value).toBe('41 g');
});

test('a pair hands on both, and what has no end is infinite', () => {
  const { input } = field();
  type(input, '24 x 16');
  type(input, 'inf');
  expect(onValue.mock.calls).toEqual([
    [24, 16, [24, 16]],
    [Infinity, null, []],
  ]);
});

test('what cannot be read changes nothing, stays when the field is left, says how to mend it, and goes with Escape', () => {
  const { input, says } = field();
  type(input, 'heavy');
  expect(onValue).not.toHaveBeenCalled();
  expect([input.value, input.getAttribute('aria-invalid'), says()]).toEqual([
    'heavy',
    'true',
    '“heavy” is no number. Type for example 40.',
  ]);
  leave(input);
  expect([input.value, says() === null]).toEqual(['heavy', false]);
  press(input, 'Escape');
  expect([input.value, input.getAttribute('aria-invalid'), says()]).toEqual(['40 g', 'false', null]);
});

test('a change from elsewhere replaces what was half typed, one of its own does not', () => {
  const { input, again } = field();
  type(input, 'heavy');
  again({ shown: '55 g' });
  expect([input.value, input.getAttribute('aria-invalid')]).toEqual(['55 g', 'false']);
});

test('arrows step from the last good value, large ones with Shift, and the page does not scroll', () => {
  const { input } = field();
  type(input, 'heavy');
  expect(press(input, 'ArrowUp')).toBe(true);
  expect(press(input, 'ArrowDown', { shiftKey: true })).toBe(true);
  expect(onValue.mock.calls).toEqual([
    [41, null, [41]],
    [30, null, [30]],
  ]);
  expect(input.value).toBe('40 g');
});

test('without a number to step from arrows are left to the page', () => {
  const { input } = field({ stepFrom: undefined });
  expect(press(input, 'ArrowUp')).toBe(false);
  expect(step).not.toHaveBeenCalledWith('weight', undefined, true, false, false);
});

test('an emptied field, or a word for nothing, clears where that may be, and is a fault where it may not', () => {
  const { input, says, again } = field({ onClear, placeholder: 'as the lens' });
  for (const text of ['', 'none', 'as the lens']) type(input, text);
  expect(onClear).toHaveBeenCalledTimes(3);
  expect(says()).toBeNull();
  again({ onClear: undefined });
  type(input, 'none');
  expect(says()).toContain('is no number');
});

test('a text that belongs into another field goes there when this one is left', () => {
  const onElsewhere = vi.fn((text: string) => text === 'T2');
  const { input, says } = field({ onElsewhere });
  type(input, 'T2');
  leave(input);
  expect([input.value, says()]).toEqual(['40 g', null]);
  type(input, 'T?');
  leave(input);
  expect(input.value).toBe('T?');
});

test('a fault that the core finds is told while the text itself can be read', () => {
  const { input, says } = field({ problem: 'More than the head carries.' });
  expect([says(), input.getAttribute('aria-invalid')]).toEqual(['More than the head carries.', 'true']);
  type(input, 'heavy');
  expect(says()).toContain('is no number');
});

test('its form knows what could not be read, and another form brings its own', () => {
  const [first, second] = [new FormTexts(new Map()), new FormTexts(new Map([['Weight', 'light']]))];
  const { input, says, again } = field({}, first);
  type(input, 'heavy');
  expect(first.of('Weight')).toBe('heavy');
  again({}, second);
  expect([input.value, says() === null]).toEqual(['light', false]);
  again({}, first);
  expect([input.value, second.of('Weight')]).toEqual(['heavy', 'light']);
  type(input, '60');
  expect(first.of('Weight')).toBeUndefined();
});
