import type { components } from '../api/schema';

/** Backdrops that are modelled; a photograph is not. */
export type Backdrop = Exclude<components['schemas']['Backdrop'], 'photo'>;
export type DrawnSubject = components['schemas']['DrawnSubject'];

/** What a rig's optics make of the place, as the core reports it; lengths in metres. */
export interface View {
  /** What the picture takes in at the plane of focus. */
  fieldWidth: number;
  fieldHeight: number;
  /** From the entrance pupil to the plane of focus. */
  away: number;
  pupilAcross: number;
  pupilUp: number;
  /** Corners of the iris; 0 for a round one. */
  corners: number;
  /** Radius of the image circle in picture heights, as it lies up and down; null when it is not known. */
  clear: number | null;
  /** How many times wider than tall that circle is in the finished picture. */
  squeeze: number;
  /** Turn of the squeeze, radians. */
  turn: number;
}

/** What stands before the cameras: the same for all rigs; lengths in metres. */
export interface Stage {
  backdrop: Backdrop;
  subject: DrawnSubject;
  lensHeight: number;
  figureHeight: number;
  /** From the subject to what is behind it; null for the open. */
  behind: number | null;
  /** What the picture's light is multiplied with; under 1 on a dark page. */
  light: number;
}

/** How far behind the subject things are drawn when they are meant to be infinitely far, m. */
export const openMetres = 2000;

export interface Order {
  id: string;
  view: View;
  stage: Stage;
  width: number;
  height: number;
}

/** A part of a picture, px from its upper left corner. */
export interface Tile {
  x: number;
  y: number;
  width: number;
  height: number;
}

export type ToWorker =
  | { kind: 'show'; order: Order }
  | { kind: 'drop'; id: string }
  /** One finished picture of any size, as a JPEG of that quality. */
  | { kind: 'print'; order: Order; quality: number }
  | { kind: 'stopPrinting'; id: string };

export type FromWorker =
  | { kind: 'picture'; id: string; bitmap: ImageBitmap; samples: number; drawCalls: number; ms: number }
  /** How much of a picture to print is done, 0 to 1. */
  | { kind: 'printing'; id: string; done: number }
  | { kind: 'printed'; id: string; jpeg: Blob }
  | { kind: 'failed'; say: string };
