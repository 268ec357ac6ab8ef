import { Box, FormControlLabel, MenuItem, Switch, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, type ReactNode } from 'react';
import type { Diagnostic, LensInput, RigInput } from '../../../core/core';
import { rigFields } from '../../../core/fields';
import { EntryField } from '../../../ui/EntryField';
import { FieldEntry } from '../../../ui/FieldEntry';
import { plain, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { RigMark } from '../../../ui/RigMark';
import { changeLens, changeRig } from '../commands';
import { SidePanel } from './SidePanel';

export const Fields = styled('div')({ display: 'grid', gap: 8, gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', marginBottom: 6 });

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 1.25 }}>
      <Typography component="h3" sx={{ fontSize: 13, fontWeight: 650, mb: 0.5 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

interface RigPanelProps {
  index: number;
  rig: RigInput;
  problems: Diagnostic[];
  /** Frames a second that it captures: an exposure time may be typed for its shutter. */
  fps: number;
  feet: boolean;
}

type NumberOf<T> = { [K in keyof T]-?: NonNullable<T[K]> extends number ? K : never }[keyof T];
type RigNumber = Exclude<NumberOf<RigInput>, 'subjectDistanceMm'>;
type LensNumber = NumberOf<LensInput>;

/** What is known of a rig beyond the everyday: everything may stay empty. */
export const RigPanel = memo(function RigPanel({ index, rig, problems, fps, feet }: RigPanelProps) {
  const lens = rig.lens ?? {};
  const problem = (field: string) => problems.find((p) => p.about === `rigs[${index}].${field}`)?.message;
  const mm = (value: number) => withUnit(plain(value, 4), 'mm');
  const glass = rig.opticsPlaces?.[0]?.placeMm ?? null;
  const setGlass = (placeMm: number | null) =>
    changeRig(rig.id!, {
      opticsPlaces: (rig.optics ?? []).map((_, i) => ({
        tubeBehindMm: rig.opticsPlaces?.[i]?.tubeBehindMm ?? 0,
        placeMm: i === 0 ? placeMm : (rig.opticsPlaces?.[i]?.placeMm ?? null),
        plusMinusShare: rig.opticsPlaces?.[i]?.plusMinusShare ?? null,
      })),
    });

  const ofLens = (name: LensNumber) => (
    <FieldEntry
      field={rigFields[`lens.${name}`]}
      value={lens[name]}
      feet={feet}
      problem={problem(`lens.${name}`)}
      onValue={(value) => changeLens(rig.id!, { [name]: value })}
    />
  );
  const ofRig = (name: RigNumber, placeholder?: string) => (
    <FieldEntry
      field={rigFields[name]}
      value={rig[name]}
      fps={fps}
      {...(placeholder !== undefined && { placeholder })}
      problem={problem(name)}
      onValue={(value) => changeRig(rig.id!, { [name]: value })}
    />
  );
  const span = (from: number | null | undefined, to: number | null | undefined, shown: (value: number) => string) =>
    from == null ? '' : to == null || to === from ? shown(from) : `${plain(from)}–${shown(to)}`;
  const fNumber = (value: number) => `ƒ${plain(value)}`;
  const stops = (value: number) => withUnit(plain(value, 2), 'stops');

  return (
    <SidePanel title="More of this rig" mark={<RigMark index={index} size={24} />}>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>What stays empty is not known, and the plain lens stands in.</Typography>
      <Section title="Lens">
        <Fields>
          <EntryField
            label="Zoom range"
            help="Both ends as marked, such as 24-70; one number for a prime."
            kind="zoomRange"
            shown={span(lens.zoomShortMm, lens.zoomLongMm, mm)}
            placeholder="not known"
            problem={problem('lens.zoomShortMm') ?? problem('lens.zoomLongMm')}
            onClear={() => changeLens(rig.id!, { zoomShortMm: null, zoomLongMm: null })}
            onValue={(from, to) => changeLens(rig.id!, { zoomShortMm: from, zoomLongMm: to ?? from })}
          />
          <EntryField
            label="Widest aperture"
            help="As marked: 2.8, or 3.5-5.6 for a zoom that closes as it zooms."
            kind="widestAperture"
            shown={span(lens.widestFNumber, lens.widestLongFNumber, fNumber).replace(/^(\d)/, 'ƒ$1').replace('–ƒ', '–')}
            placeholder="not known"
            problem={problem('lens.widestFNumber') ?? problem('lens.widestLongFNumber')}
            onClear={() => changeLens(rig.id!, { widestFNumber: null, widestLongFNumber: null })}
            onValue={(from, to) => changeLens(rig.id!, { widestFNumber: from, widestLongFNumber: to })}
          />
          {ofLens('narrowestFNumber')}
          {ofLens('widestTNumber')}
          {ofLens('minimumFocusDistanceMm')}
          {ofLens('maximumMagnification')}
          {ofLens('measuredFocalLengthMm')}
          {ofLens('measuredPlusMinusShare')}
          {ofLens('frontFromSensorMm')}
          {ofLens('imageCircleMm')}
          {ofLens('pupilMagnification')}
        </Fields>
      </Section>
      <Section title="Between and in front">
        <Fields>
          {ofRig('opticsFastestFNumber')}
          <EntryField
            label="Glass stands before focus"
            help="From the glass of the reducer or extender nearest to the sensor to where the lens would focus without it: (the lens’s flange distance less that of the body and the adapter’s length) over (1 less its magnification)."
            kind="converterPlace"
            shown={glass == null ? '' : mm(glass)}
            stepFrom={glass ?? 40}
            placeholder="not known"
            problem={problem('opticsPlaces[0].placeMm') ?? problem('opticsPlaces')}
            onClear={() => setGlass(null)}
            onValue={setGlass}
          />
          {ofRig('extensionMm')}
          {ofRig('closeUpDioptres')}
          {ofRig('closeUpFromLensMm')}
          {ofLens('frontOpeningMm')}
          {ofLens('frontOpeningFromPupilMm')}
        </Fields>
      </Section>
      {((rig.extensionMm ?? 0) > 0 || rig.rackedFarther) && (
        <FormControlLabel
          control={<Switch checked={rig.rackedFarther ?? false} onChange={(_, rackedFarther) => changeRig(rig.id!, { rackedFarther })} />}
          label={`${rigFields.rackedFarther.label}, where the ring focuses in two places`}
        />
      )}
      <Section title="Squeeze">
        <Fields>
          <LabelledSelect
            label={rigFields.squeezePlace.label}
            value={rig.squeezePlace ?? rigFields.squeezePlace.empty}
            onChange={(squeezePlace) => changeRig(rig.id!, { squeezePlace })}
          >
            <MenuItem value="front">in front of the iris</MenuItem>
            <MenuItem value="rear">behind the iris</MenuItem>
          </LabelledSelect>
          {ofRig('squeezeTurnDeg')}
          {ofRig('squeezePlusMinusShare', 'not measured')}
          {ofLens('shortestTakingMm')}
        </Fields>
      </Section>
      <Section title="Sensor">
        <Fields>
          <EntryField
            label="Whole sensor, mm"
            help="The whole sensor when the mode uses a part of it: shows its crop as a link of its own."
            kind="sensorArea"
            shown={
              rig.wholeSensorWidthMm == null || rig.wholeSensorHeightMm == null
                ? ''
                : `${plain(rig.wholeSensorWidthMm)}×${plain(rig.wholeSensorHeightMm)}`
            }
            placeholder="not known"
            problem={problem('wholeSensorWidthMm') ?? problem('wholeSensorHeightMm')}
            onClear={() => changeRig(rig.id!, { wholeSensorWidthMm: null, wholeSensorHeightMm: null })}
            onValue={(wholeSensorWidthMm, wholeSensorHeightMm) => changeRig(rig.id!, { wholeSensorWidthMm, wholeSensorHeightMm })}
          />
          {ofRig('sensitivityIso', 'open')}
          {ofRig('lowestIso')}
          {ofRig('highestIso', 'any')}
          {ofRig('shutterAngleDeg', 'the scene’s')}
          {ofRig('captureFps', 'as timeline')}
        </Fields>
      </Section>
      <Section title="Filters">
        <Fields>
          {ofRig('filterStops')}
          <EntryField
            label="Variable filter"
            help="Its range in stops, such as 2-5; turned past its end it draws a dark cross."
            kind="variableFilter"
            shown={span(rig.variableFilterMinStops, rig.variableFilterMaxStops, stops)}
            placeholder="none"
            problem={problem('variableFilterMinStops') ?? problem('variableFilterMaxStops')}
            onClear={() => changeRig(rig.id!, { variableFilterMinStops: null, variableFilterMaxStops: null })}
            onValue={(from, to) => changeRig(rig.id!, { variableFilterMinStops: from, variableFilterMaxStops: to ?? from })}
          />
        </Fields>
      </Section>
      <Section title="Steadiness">
        <Fields>
          {ofRig('bodyStabilisationStops')}
          {ofRig('lensStabilisationStops')}
        </Fields>
        <FormControlLabel
          control={
            <Switch checked={rig.stabilisersAddUp ?? false} onChange={(_, stabilisersAddUp) => changeRig(rig.id!, { stabilisersAddUp })} />
          }
          label={rigFields.stabilisersAddUp.label}
          slotProps={{ typography: { sx: { fontSize: 13 } } }}
          sx={{ minHeight: 40 }}
        />
      </Section>
      <Section title="Back focus">
        <Fields>
          {ofRig('mountErrorMm')}
          {ofRig('rearFilterMm')}
          {ofRig('rearFilterIndex')}
        </Fields>
      </Section>
    </SidePanel>
  );
});
