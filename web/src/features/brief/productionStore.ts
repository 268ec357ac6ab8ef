import type { ProductionDocument } from '../../api/client';
import { createDocumentStore, type DocumentState } from '../../documents/documentStore';
import type { Delivery, Diagnostic, LocationInput, ShotInput } from '../../core/core';
import { productionVersion } from '../../documents/kinds';

interface Shown {
  problems: Diagnostic[];
  /** The shot that is looked at; the first when it is not among the shots. */
  shotId: string;
}

export type LightLevel = NonNullable<LocationInput['levels']>[number];

const noProblems: Diagnostic[] = [];

/** The production that is on the page. What is at fault in it is told by the answers to its shots. */
export const useProduction = createDocumentStore<ProductionDocument, Shown>({
  empty: { schemaVersion: productionVersion },
  derived: { problems: noProblems, shotId: '' },
  evaluate: (_, { shotId }, cause) => (cause === 'changed' ? {} : { problems: noProblems, shotId }),
});

export const shotsOf = (document: ProductionDocument): ShotInput[] => document.shots ?? [];
export const placesOf = (document: ProductionDocument): LocationInput[] => document.locations ?? [];

/** The shot that is looked at; undefined while there is none. */
export const shownShot = ({
  document,
  shotId,
}: Pick<DocumentState<ProductionDocument, Shown> & Shown, 'document' | 'shotId'>): ShotInput | undefined =>
  shotsOf(document).find((s) => s.id === shotId) ?? shotsOf(document)[0];

export const placeOf = (document: ProductionDocument, shot: ShotInput): LocationInput | undefined =>
  placesOf(document).find((p) => p.id === shot.locationId);

/** What a shot is delivered as, width over height: its own, else that of the production. */
export const aspectOf = (delivery: Delivery | undefined, shot: ShotInput | null | undefined): number =>
  shot?.deliveryAspect ?? delivery?.aspect ?? 16 / 9;

/** The level of light of a place that a shot is at; undefined for as bright as it usually is there. */
export const levelOf = (place: LocationInput, shot: ShotInput): LightLevel | undefined =>
  (place.levels ?? []).find((level) => level.id === shot.levelId);

/** How bright it is for a shot, EV; null when not known. */
export const brightnessFor = (place: LocationInput, shot: ShotInput): number | null =>
  levelOf(place, shot)?.brightnessEv ?? place.brightnessEv ?? null;

export const show = (shotId: string): void => useProduction.setState({ shotId });
