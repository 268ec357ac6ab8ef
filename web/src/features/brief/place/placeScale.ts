import type { Fit, FitResponse, LocationInput, ShotInput } from '../../../core/core';

export interface PlaceDrawingProps {
  shot: ShotInput;
  place: LocationInput;
  frame: FitResponse['frame'];
  /** The proposal that is drawn; null when nothing fits. */
  fit: Fit | null;
  feet: boolean;
}

/** How far the drawing reaches where the place has no end, over the farthest thing in it. */
const beyond = 1.08;

export const rulerPx = 20;

interface Measured {
  /** The two views stand beside each other, since so they are larger. */
  isBeside: boolean;
  /** Room for each of them, px. */
  widthPx: number;
  /** px for each mm. */
  scale: number;
  /** Where what is behind the subject lies, px. */
  wallPx: number;
  behindMm: number | null;
  axisMm: number | null;
  acrossMm: number | null;
  heightMm: number | null;
  drawnAcrossMm: number;
  drawnHeightMm: number;
  overhead: boolean;
}

export type Shown = Omit<PlaceDrawingProps, 'feet'> & Measured & { feet: boolean };

export function measure(
  shot: ShotInput,
  place: LocationInput,
  frame: FitResponse['frame'],
  fit: Fit | null,
  size: { width: number; height: number },
): Measured {
  const overhead = shot.cameraSupport === 'overhead';
  const along = shot.along ?? place.along ?? 'length';
  const axisMm = (along === 'length' ? place.lengthMm : place.widthMm) ?? null;
  const acrossMm = (along === 'length' ? place.widthMm : place.lengthMm) ?? null;
  const behindMm = shot.behindMm ?? place.behindMm ?? null;
  const camera = fit && !overhead ? fit.distanceMm + fit.rearMm : 0;
  const toSubject = behindMm ?? Math.max(2000, 0.35 * camera);
  const lengthMm = axisMm ?? Math.max(toSubject + Math.max(camera, 2500, (place.keepOffMm ?? 0) * 1.1) * beyond, 4000);
  const tall = Math.max(place.heightMm ?? 0, frame.bottomMm + frame.heightMm, 2000);
  const drawnHeightMm = place.heightMm ?? Math.min(tall * 1.05, Math.max(2600, lengthMm * 0.5));
  const drawnAcrossMm = acrossMm ?? Math.min(Math.max(frame.widthMm * 1.2, 2600), Math.max(2600, lengthMm * 0.6));
  const pad = 20;
  const room = Math.max(80, size.height - rulerPx - 30);
  const stacked = Math.min((size.width - 2 * pad) / lengthMm, (room - rulerPx) / (drawnHeightMm + drawnAcrossMm));
  const beside = Math.min((size.width - 4 * pad) / 2 / lengthMm, room / Math.max(drawnHeightMm, drawnAcrossMm));
  const isBeside = beside > stacked;
  const scale = Math.max(stacked, beside);
  const widthPx = isBeside ? size.width / 2 : size.width;
  // Where the place is open, what room is left shows more of it.
  const freeMm = isBeside ? 0 : Math.max(0, (room - rulerPx) / scale - drawnHeightMm - drawnAcrossMm);
  const skyMm = place.heightMm == null ? freeMm * (acrossMm === null ? 0.35 : 1) : 0;
  const fieldMm = acrossMm === null ? freeMm - skyMm : 0;
  const wallPx = (widthPx - lengthMm * scale) / 2;
  return {
    isBeside,
    widthPx,
    scale,
    wallPx,
    behindMm,
    axisMm,
    acrossMm,
    heightMm: place.heightMm ?? null,
    drawnAcrossMm: drawnAcrossMm + fieldMm,
    drawnHeightMm: drawnHeightMm + skyMm,
    overhead,
  };
}

export const subjectMm = ({ behindMm, fit, place }: Shown): number =>
  behindMm ?? Math.max(2000, 0.35 * ((fit ? fit.distanceMm + fit.rearMm : 0) || (place.keepOffMm ?? 0)));
