import { expect, test } from 'vitest';
import { newId } from '../src/documents/unique';

test('identities are version 4 of RFC 9562, unlike each other, and need no page that the browser calls secure', () => {
  const secure = crypto.randomUUID.bind(crypto);
  Object.defineProperty(crypto, 'randomUUID', { value: undefined, configurable: true });
  const ids = Array.from({ length: 200 }, newId);
  Object.defineProperty(crypto, 'randomUUID', { value: secure, configurable: true });
  expect(new Set(ids).size).toBe(200);
  for (const id of ids) {
    expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  }
});
