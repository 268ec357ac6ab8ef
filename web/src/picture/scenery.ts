import { type BufferGeometry } from 'three';
import { type Lamp } from './furniture';

/** A place, ready to be drawn. */
export interface Scenery {
  mesh: BufferGeometry;
  lamps: Lamp[];
  /** What is seen where nothing stands. */
  sky: string;
  /** Light from above, from below, and from where it comes; linear. */
  above: string;
  below: string;
  sun: string;
  sunFrom: [number, number, number];
  /** How much of the sky's colour lies over a thing a metre away. */
  haze: number;
}
