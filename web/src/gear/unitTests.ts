import { api, failure, unreachable, type Failure } from '../api/client';
import type { components } from '../api/schema';
import type { GearItem, MeasureRequest, Procedure, TestResult } from '../core/core';
import { createRows } from '../documents/rows';
import { newId } from '../documents/unique';

type Schemas = components['schemas'];

/** A test of a physical unit; its identity and revision are the row's. */
export interface UnitTest {
  unitId: string;
  gearId: string;
  measured: MeasureRequest;
  note: string;
  results: TestResult[];
  by: string;
  updatedAt: string;
  /** When it was taken into the record; null while readings come in. */
  acceptedAt: string | null;
}

const stored = ({ id, revision, ...value }: Schemas['UnitTestOutput']) => ({ id, revision, value: value });

export const unitTests = createRows<UnitTest>('tests', {
  async list() {
    try {
      const { data, error, response } = await api.GET('/api/tests');
      return data ? { rows: data.map(stored), gone: [], asOf: null } : failure(response.status, error);
    } catch {
      return unreachable;
    }
  },
  async write(id, { unitId, measured, note }, revision) {
    try {
      const { data, error, response } = await api.PUT('/api/tests/{id}', {
        params: { path: { id } },
        headers: revision === null ? { 'If-None-Match': '*' } : { 'If-Match': `"${revision}"` },
        body: { unitId, measured, note },
      });
      return data
        ? { kind: 'stored', row: stored(data) }
        : response.status === 412
          ? { kind: 'conflict' }
          : failure(response.status, error);
    } catch {
      return unreachable;
    }
  },
  async remove(id) {
    try {
      const { error, response } = await api.DELETE('/api/tests/{id}', { params: { path: { id } } });
      return response.ok || response.status === 404 ? null : failure(response.status, error);
    } catch {
      return unreachable;
    }
  },
});

/** Takes what a test found into the record of the thing. */
export async function acceptTest(id: string): Promise<Failure | null> {
  await unitTests.flush();
  try {
    const { data, error, response } = await api.POST('/api/tests/{id}/accept', { params: { path: { id } } });
    if (!data) {
      return failure(response.status, error);
    }
    await unitTests.refresh();
    return null;
  } catch {
    return unreachable;
  }
}

/** Begins a test of a unit, with what is known of the thing filled in; gives its identity. */
export function beginTest(kind: Procedure['kind'], unitId: string, item: GearItem): string {
  const id = newId();
  const known = item as GearItem & Record<string, number | undefined>;
  const isZoom = known['focalLongMm'] !== undefined && known['focalLongMm'] > (known['focalShortMm'] ?? 0);
  const setup = {
    ...(known['squeeze'] !== undefined && { squeeze: known['squeeze'] }),
    ...(known['squeezeRatio'] !== undefined && { squeeze: known['squeezeRatio'] }),
    ...(!isZoom && known['focalShortMm'] !== undefined && { focalLengthMm: known['focalShortMm'] }),
    ...(known['widestF'] !== undefined && { fNumber: known['widestF'] }),
    ...(known['minimumFocusDistanceMm'] !== undefined && { minimumFocusDistanceMm: known['minimumFocusDistanceMm'] }),
    ...(known['maximumMagnification'] !== undefined && { maximumMagnification: known['maximumMagnification'] }),
  };
  const first = isZoom && kind === 'focalLength' ? { focalLengthMm: known['focalShortMm'] ?? null } : {};
  unitTests.put(id, {
    unitId,
    gearId: item.id,
    measured: { kind, setup, readings: kind === 'falloff' ? [] : [first], wall: null },
    note: '',
    results: [],
    by: '',
    updatedAt: new Date().toISOString(),
    acceptedAt: null,
  });
  return id;
}
