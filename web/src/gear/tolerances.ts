/** How far off what nobody measured may be, between a production and the conventions of a comparison. */
import { useSettings } from '../app/settings';
import type { Conventions, Delivery } from '../core/core';
import { conventionFields } from '../core/fields';

type Tolerances = NonNullable<Delivery['tolerances']>;

/** A production's tolerances as the conventions of a comparison have them. */
export const conventionsOf = ({ focalLengthShare, factorShare, tapeMm, roomMm }: Tolerances): Conventions => ({
  ...(focalLengthShare !== undefined && { focalLengthTolerance: focalLengthShare }),
  ...(factorShare !== undefined && { factorTolerance: factorShare }),
  ...(tapeMm !== undefined && { tapeToleranceMm: tapeMm }),
  ...(roomMm !== undefined && { roomToleranceMm: roomMm }),
});

/** The tolerances that new work goes by, as a production has them; none for the usual. */
export function preferredTolerances(): Pick<Delivery, 'tolerances'> {
  const { focalLengthTolerance, factorTolerance, tapeToleranceMm, roomToleranceMm } = useSettings.getState().conventions ?? {};
  return focalLengthTolerance === undefined &&
    factorTolerance === undefined &&
    tapeToleranceMm === undefined &&
    roomToleranceMm === undefined
    ? {}
    : {
        tolerances: {
          focalLengthShare: focalLengthTolerance ?? conventionFields.focalLengthTolerance.empty,
          factorShare: factorTolerance ?? conventionFields.factorTolerance.empty,
          tapeMm: tapeToleranceMm ?? conventionFields.tapeToleranceMm.empty,
          roomMm: roomToleranceMm ?? conventionFields.roomToleranceMm.empty,
        },
      };
}
