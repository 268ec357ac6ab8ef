import { expect, test, vi } from 'vitest';
import type { GearItem, RigInput } from '../src/core/core';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { totalsOf, withTax } = await import('../src/features/bench/figures/totals');

const rig = (...items: object[]) =>
  ({ id: 'r', chain: { parts: items.map((item) => ({ item: item as GearItem, revision: 1 })) } }) as unknown as RigInput;
const body = { id: 'b', kind: 'body', name: 'B', purchasePrice: 2000, insuredValue: 2400, weightG: 600 };
const hired = { id: 'l', kind: 'lens', name: 'L', ownership: 'hire', hirePerDay: 45, purchasePrice: 9000, weightG: 900 };

test('each thing counts once however many rigs it stands in, and no kind of money counts for another', () => {
  expect(totalsOf([rig(body, hired), rig(body, { id: 'm', kind: 'lens', name: 'M', purchasePrice: 500 })])).toEqual({
    purchase: { known: 2500, unknown: 0 },
    hire: { known: 45, unknown: 0 },
    insured: { known: 2400, unknown: 2 },
    weight: { known: 1500, unknown: 1 },
  });
  expect(totalsOf([{ id: 'bare' } as RigInput]).purchase).toEqual({ known: 0, unknown: 0 });
});

test('a margin comes first, and tax on all of it', () => {
  expect(withTax(100, 19, 10)).toBeCloseTo(130.9, 10);
  expect(withTax(100, 0, 0)).toBe(100);
});
