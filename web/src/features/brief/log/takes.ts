import { api, failure, unreachable } from '../../../api/client';
import type { components } from '../../../api/schema';
import type { ChosenRig, Fit, ShotInput } from '../../../core/core';
import { createRows, type Row } from '../../../documents/rows';
import { newId } from '../../../documents/unique';
import { aperture, counted, plain, roundDistance } from '../../../ui/format';

type Schemas = components['schemas'];
export type Take = Schemas['TakeInput'];
export type TakeMark = Schemas['TakeMark'];
export type TakeReason = Schemas['TakeReason'];

/** A change may be stored so much later than it says, ms: it is asked for once more. */
const lateMs = 120_000;

/** Takes of all productions: noted here at once, stored as soon as there is a network. */
export const takes = createRows<Take>('takes', {
  async list(since) {
    try {
      const { data, error, response } = await api.GET('/api/takes', since === null ? {} : { params: { query: { since } } });
      if (!data) return failure(response.status, error);
      const latest = Math.max(Date.parse(since ?? '') + lateMs || 0, ...data.map((take) => Date.parse(take.updatedAt)));
      return {
        rows: data.filter((take) => !take.deletedAt).map(({ id, take, revision }) => ({ id, value: take, revision })),
        gone: data.filter((take) => take.deletedAt).map(({ id }) => id),
        asOf: latest > 0 ? new Date(latest - lateMs).toISOString() : null,
      };
    } catch {
      return unreachable;
    }
  },
  async write(id, take, revision) {
    try {
      const { data, error, response } = await api.PUT('/api/takes/{id}', {
        params: { path: { id } },
        headers: revision === null ? { 'If-None-Match': '*' } : { 'If-Match': `"${revision}"` },
        body: take,
      });
      if (data) return { kind: 'stored', row: { id, value: data.take, revision: data.revision } };
      // A production that is not stored yet is on its way too: the take waits for it.
      return response.status === 412 ? { kind: 'conflict' } : response.status === 404 ? unreachable : failure(response.status, error);
    } catch {
      return unreachable;
    }
  },
  async remove(id) {
    try {
      const { error, response } = await api.DELETE('/api/takes/{id}', { params: { path: { id } } });
      return response.ok || response.status === 404 ? null : failure(response.status, error);
    } catch {
      return unreachable;
    }
  },
});

/** How a shot is planned to be set. */
export type Planned = Pick<Take, 'focalLengthMm' | 'fNumber' | 'distanceMm' | 'fps' | 'iso' | 'lensHeightMm'> & { rig: ChosenRig | null };

/** What a shot's choice says of how it is set; what is not known stays empty. */
export const plannedOf = (shot: ShotInput, fit: Fit | null, timelineFps: number): Planned => ({
  rig: shot.chosen ?? null,
  focalLengthMm: fit ? Number(fit.focalLengthMm.toPrecision(4)) : null,
  fNumber: fit?.fNumber ?? null,
  distanceMm: fit ? Math.round(fit.distanceMm) : null,
  fps: shot.captureFps ?? timelineFps,
  iso: fit?.sensitivityIso == null ? null : Math.round(fit.sensitivityIso),
  lensHeightMm: null,
});

/** The takes of a production that stand, in the order in which they were taken. */
export const takesOf = (rows: Row<Take>[], productionId: string): Row<Take>[] =>
  rows
    .filter((row) => row.value.productionId === productionId && !row.isRemoved)
    .map((row) => ({ row, at: Date.parse(row.value.takenAt) }))
    .sort((a, b) => a.at - b.at || (a.row.id < b.row.id ? -1 : 1))
    .map(({ row }) => row);

const cameraAfter = (camera: string): string => (/^[A-Y]$/.test(camera) ? String.fromCharCode(camera.charCodeAt(0) + 1) : `${camera}2`);

/** Notes a take of a shot: set as the last one of that camera was, else as it is planned. Gives its identity. */
export function noteTake(productionId: string, shot: ShotInput | null, planned: Planned | null, rows: Row<Take>[], at: Date): string {
  const of = rows.filter((row) => (row.value.shotId ?? null) === (shot?.id ?? null)).map((row) => row.value);
  // Of cameras that ran at once the first is the one that goes on.
  const number = Math.max(0, ...of.map((take) => take.number ?? 1));
  const last = of.filter((take) => (take.number ?? 1) === number).sort((a, b) => (a.camera ?? '').localeCompare(b.camera ?? ''))[0];
  const { rig, ...set } = planned ?? { rig: null };
  const before = last
    ? {
        camera: last.camera,
        crewUnit: last.crewUnit,
        rig: last.rig,
        focalLengthMm: last.focalLengthMm,
        fNumber: last.fNumber,
        distanceMm: last.distanceMm,
        fps: last.fps,
        iso: last.iso,
        lensHeightMm: last.lensHeightMm,
        filterStops: last.filterStops,
        shutterSeconds: last.shutterSeconds,
      }
    : { camera: 'A', crewUnit: shot?.unit ?? '', rig, ...set };
  const id = newId();
  takes.put(id, {
    productionId,
    shotId: shot?.id ?? null,
    shotName: shot?.name ?? '',
    takenAt: at.toISOString(),
    number: number + 1,
    mark: 'none',
    note: '',
    ...before,
  });
  return id;
}

/** A take that was noted before it was known how its shot is set: what was not said meanwhile is as planned. */
export function fillIn(row: Row<Take>, { rig, ...set }: Planned): void {
  const missing = (take: Take) => Object.entries(set).filter(([key, value]) => value != null && take[key as keyof typeof set] == null);
  if (missing(row.value).length > 0 || (rig && !row.value.rig)) {
    takes.change(row.id, (take) => ({ ...take, ...Object.fromEntries(missing(take)), rig: take.rig ?? rig }));
  }
}

/** Notes another camera that ran in the same take; it begins as the first was set. Gives its identity. */
export function noteOtherCamera(take: Take, rows: Row<Take>[]): string {
  const used = rows
    .filter((row) => row.value.shotId === take.shotId && row.value.number === take.number)
    .map((row) => row.value.camera ?? 'A');
  let camera = cameraAfter(take.camera ?? 'A');
  while (used.includes(camera)) camera = cameraAfter(camera);
  const id = newId();
  takes.put(id, { ...take, camera, mark: 'none', note: '', reasons: [], photoId: null, file: '' });
  return id;
}

export const reasons: Record<TakeReason, string> = {
  room: 'The room',
  light: 'The light',
  focus: 'Focus',
  sound: 'Sound',
  subject: 'What was filmed',
  gear: 'Gear missing or failed',
  time: 'No time',
  look: 'Looked better',
  mistake: 'By mistake',
};

const sameRig = (a: ChosenRig, b: ChosenRig): boolean =>
  a.body === b.body && a.lens === b.lens && a.mode === b.mode && (a.links ?? []).join() === (b.links ?? []).join();

/** What was done otherwise than planned, in a few words each; what is not known of either is no difference. */
export function otherwise(take: Take, planned: Planned, feet: boolean): string[] {
  const said: string[] = [];
  if (take.rig && planned.rig && !sameRig(take.rig, planned.rig))
    said.push(`${take.rig.name ?? 'another rig'} for ${planned.rig.name ?? 'the one chosen'}`);
  const both = (key: 'focalLengthMm' | 'fNumber' | 'distanceMm' | 'fps' | 'iso') => {
    const [is, was] = [take[key], planned[key]];
    return is == null || was == null ? null : { is, was };
  };
  const focal = both('focalLengthMm');
  if (focal && Math.abs(focal.is / focal.was - 1) > 0.005) said.push(`${plain(focal.is, 1)} mm for ${plain(focal.was, 1)} mm`);
  const f = both('fNumber');
  if (f && Math.abs(Math.log2(f.is / f.was)) > 0.08) {
    const by = 2 * Math.log2(f.is / f.was);
    said.push(
      `${aperture(f.is)} for ${aperture(f.was)}, ${counted(Number(plain(Math.abs(by), 1)), 'stop')} ${by > 0 ? 'closed' : 'opened'}`,
    );
  }
  const away = both('distanceMm');
  if (away && Math.abs(away.is / away.was - 1) > 0.01) {
    said.push(
      `${roundDistance(Number(Math.abs(away.is - away.was).toPrecision(2)), feet)} ${away.is < away.was ? 'nearer' : 'farther'} than ${roundDistance(away.was, feet)}`,
    );
  }
  const fps = both('fps');
  if (fps && Math.abs(fps.is - fps.was) > 0.01) said.push(`${plain(fps.is, 2)} fps for ${plain(fps.was, 2)}`);
  const iso = both('iso');
  if (iso && Math.abs(Math.log2(iso.is / iso.was)) > 0.17) said.push(`ISO ${plain(iso.is, 0)} for ${plain(iso.was, 0)}`);
  return said;
}

/** How a take was set, on one line. */
export const setSaid = (take: Take, feet: boolean): string =>
  [
    take.rig?.name,
    take.focalLengthMm == null ? '' : `${plain(take.focalLengthMm, 1)} mm`,
    take.fNumber == null ? '' : aperture(take.fNumber),
    take.distanceMm == null ? '' : roundDistance(take.distanceMm, feet),
  ]
    .filter(Boolean)
    .join(' · ');
