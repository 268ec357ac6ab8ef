import { expect, test } from 'vitest';
import { oneLine } from '../src/ui/format';

test('a name keeps whole characters of any script, and neither control characters nor half of one that was cut', () => {
  expect(oneLine('Größe 船 🚢')).toBe('Größe 船 🚢');
  expect(oneLine('a\u0000\u0007b\nc')).toBe('a b c');
  expect(oneLine('🚢'.slice(0, 1) + 'x')).toBe('x');
  expect(() => encodeURIComponent(oneLine('Ada 🚢'.slice(0, 5)))).not.toThrow();
});
