import { useProduction } from '../productionStore';
import { changePlace, changeShot } from '../commands';
import { type Shown } from './placeScale';

export const beginStep = () => useProduction.getState().beginStep();

/** Moves the subject: in this shot, or at the place when the shot does not say otherwise. */
export const moveSubject = ({ shot, place }: Shown, behindMm: number): void =>
  shot.behindMm == null ? changePlace(place.id, { behindMm }) : changeShot(shot.id, { behindMm });
