import { newId } from '../documents/unique';
import { api, failure, has, sendFile, unreachable, type Failure } from '../api/client';
import type { SceneInput } from '../core/core';

export type Photo = NonNullable<SceneInput['photo']>;

/** A photograph that has been stored, and what its file says besides the picture. */
export interface Brought {
  photo: Pick<Photo, 'id' | 'widthPx' | 'heightPx'>;
  /** The focal length that took it, and whether it is told as on 36 × 24; null when the file does not say. */
  focalLength: { mm: number; isEquivalent: boolean } | null;
  /** Where it was taken; known to this page alone until a person asks to keep it. */
  place: { latitudeDeg: number; longitudeDeg: number } | null;
}

const largestFile = 80 * 1024 * 1024;
/** The longest side that is stored, px: more is not seen in a frame. */
const longest = 2560;
const quality = 0.86;

export const photoAddress = ({ id }: Pick<Photo, 'id'>): string => `/api/photos/${id}`;

const refused = (say: string): Failure => ({ kind: 'refused', say });

/** Reads a picture's file, makes it small, and stores it without anything but the picture. */
export async function bringPhoto(file: File): Promise<Brought | Failure> {
  if (file.size > largestFile) {
    return refused(`The file has ${Math.round(file.size / 1024 / 1024)} MB; 80 MB is the most. Export the picture smaller.`);
  }
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return refused('This browser cannot read the file as a picture. Save it as JPEG or PNG.');
  }
  const scale = Math.min(1, longest / Math.max(bitmap.width, bitmap.height));
  const [widthPx, heightPx] = [Math.max(16, Math.round(bitmap.width * scale)), Math.max(16, Math.round(bitmap.height * scale))];
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, widthPx, heightPx);
  bitmap.close();
  const jpeg = await canvas.convertToBlob({ type: 'image/jpeg', quality });
  const id = newId();
  const outcome = await sendFile('PUT', photoAddress({ id }), jpeg, 'image/jpeg', has<Photo>('id'));
  if ('kind' in outcome) {
    return outcome;
  }
  return { photo: { id, widthPx, heightPx }, ...(await said(file)) };
}

/** What the file says of how and where it was taken; nothing where it says nothing or cannot be read. */
async function said(file: File): Promise<Pick<Brought, 'focalLength' | 'place'>> {
  try {
    const { parse } = await import('exifr');
    const tags = (await parse(file, {
      pick: ['FocalLength', 'FocalLengthIn35mmFormat', 'GPSLatitude', 'GPSLongitude', 'GPSLatitudeRef', 'GPSLongitudeRef'],
    })) as Record<string, unknown> | undefined;
    const number = (key: string) => (typeof tags?.[key] === 'number' && Number.isFinite(tags[key]) ? tags[key] : null);
    const [equivalent, own] = [number('FocalLengthIn35mmFormat'), number('FocalLength')];
    const [latitudeDeg, longitudeDeg] = [number('latitude'), number('longitude')];
    const mm = equivalent && equivalent > 0 ? equivalent : own && own > 0 ? own : null;
    return {
      focalLength: mm === null ? null : { mm, isEquivalent: mm === equivalent },
      place: latitudeDeg === null || longitudeDeg === null ? null : { latitudeDeg, longitudeDeg },
    };
  } catch {
    return { focalLength: null, place: null };
  }
}

/** Deletes a photograph, unless other comparisons than the one named show it too. */
export async function deletePhoto({ id }: Photo, from: string): Promise<Failure | null> {
  try {
    const { error, response } = await api.DELETE('/api/photos/{id}', { params: { path: { id }, query: { from } } });
    return response.ok ? null : failure(response.status, error);
  } catch {
    return unreachable;
  }
}

/** Brings a deleted photograph back. */
export async function restorePhoto({ id }: Photo): Promise<Failure | null> {
  try {
    const { error, response } = await api.POST('/api/photos/{id}/restore', { params: { path: { id } } });
    return response.ok ? null : failure(response.status, error);
  } catch {
    return unreachable;
  }
}
