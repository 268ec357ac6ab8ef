import { Box, FormControlLabel, MenuItem, Switch, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, type ReactNode } from 'react';
import type { EntryKind, Diagnostic, LensInput, RigInput } from '../../../core/core';
import { EntryField } from '../../../ui/EntryField';
import { distanceField, plain, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { RigMark } from '../../../ui/RigMark';
import { changeLens, changeRig } from '../benchStore';
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
  feet: boolean;
}

type NumberOf<T> = { [K in keyof T]-?: NonNullable<T[K]> extends number ? K : never }[keyof T];

/** What is known of a rig beyond the everyday: everything may stay empty. */
export const RigPanel = memo(function RigPanel({ index, rig, problems, feet }: RigPanelProps) {
  const lens = rig.lens ?? {};
  const problem = (field: string) => problems.find((p) => p.about === `rigs[${index}].${field}`)?.message;
  const mm = (value: number) => withUnit(plain(value, 4), 'mm');
  const glass = rig.opticsPlaces?.[0]?.placeMm ?? null;
  const setGlass = (placeMm: number | null) =>
    changeRig(index, {
      opticsPlaces: (rig.optics ?? []).map((_, i) => ({
        tubeBehindMm: rig.opticsPlaces?.[i]?.tubeBehindMm ?? 0,
        placeMm: i === 0 ? placeMm : (rig.opticsPlaces?.[i]?.placeMm ?? null),
      })),
    });

  const ofLens = (
    label: string,
    help: string,
    kind: EntryKind,
    field: NumberOf<LensInput>,
    shown: (value: number) => string,
    wide = false,
  ) => (
    <EntryField
      label={label}
      help={help}
      kind={kind}
      shown={lens[field] == null ? '' : shown(lens[field])}
      stepFrom={wide ? undefined : (lens[field] ?? undefined)}
      feet={feet}
      placeholder="not known"
      problem={problem(`lens.${field}`)}
      onClear={() => changeLens(index, { [field]: null })}
      onValue={(value) => changeLens(index, { [field]: value })}
    />
  );
  const ofRig = (
    label: string,
    help: string,
    kind: EntryKind,
    field: NumberOf<RigInput>,
    empty: number | null,
    shown: (value: number) => string,
    placeholder = 'none',
  ) => (
    <EntryField
      label={label}
      help={help}
      kind={kind}
      shown={rig[field] == null || rig[field] === empty ? '' : shown(rig[field])}
      stepFrom={rig[field] ?? empty ?? undefined}
      placeholder={placeholder}
      problem={problem(field)}
      onClear={() => changeRig(index, { [field]: empty })}
      onValue={(value) => changeRig(index, { [field]: value })}
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
            onClear={() => changeLens(index, { zoomShortMm: null, zoomLongMm: null })}
            onValue={(from, to) => changeLens(index, { zoomShortMm: from, zoomLongMm: to ?? from })}
          />
          <EntryField
            label="Widest aperture"
            help="As marked: 2.8, or 3.5-5.6 for a zoom that closes as it zooms."
            kind="widestAperture"
            shown={span(lens.widestFNumber, lens.widestLongFNumber, fNumber).replace(/^(\d)/, 'ƒ$1').replace('–ƒ', '–')}
            placeholder="not known"
            problem={problem('lens.widestFNumber') ?? problem('lens.widestLongFNumber')}
            onClear={() => changeLens(index, { widestFNumber: null, widestLongFNumber: null })}
            onValue={(from, to) => changeLens(index, { widestFNumber: from, widestLongFNumber: to })}
          />
          {ofLens('Narrowest aperture', 'The smallest opening that it has.', 'fNumber', 'narrowestFNumber', fNumber)}
          {ofLens(
            'T-number, wide open',
            'Light that gets through at the widest aperture; needs the widest aperture beside it.',
            'tNumber',
            'widestTNumber',
            (v) => `T${plain(v)}`,
          )}
          {ofLens('Nearest focus', 'From the sensor mark.', 'minimumFocusDistance', 'nearestFocusMm', (v) => distanceField(v, feet))}
          {ofLens(
            'Largest ratio',
            'Size on the sensor over true size at the nearest focus: 1:4, 0.25. From it follows how the lens breathes.',
            'magnification',
            'largestMagnification',
            (v) => `${plain(v, 4)}×`,
          )}
          {ofLens(
            'Measured focal length',
            'From a test of your own, at this mark. Counts when the conventions go by measured ones.',
            'focalLength',
            'measuredFocalLengthMm',
            mm,
          )}
          {ofLens(
            'Front from sensor',
            'From the sensor mark to the front of the lens, with all that is mounted there.',
            'frontFromSensor',
            'frontFromSensorMm',
            mm,
          )}
          {ofLens('Image circle', 'Diameter that the bare lens lights.', 'imageCircle', 'imageCircleMm', mm)}
          {ofLens(
            'Pupil magnification',
            'Exit pupil over entrance pupil. Matters close up.',
            'pupilMagnification',
            'pupilMagnification',
            (v) => `${plain(v)}×`,
          )}
        </Fields>
      </Section>
      <Section title="Between and in front">
        <Fields>
          {ofRig(
            'Reducer lets out',
            'The fastest aperture that comes out of the reducer, where it limits.',
            'fNumber',
            'opticsFastestFNumber',
            null,
            fNumber,
            'not known',
          )}
          <EntryField
            label="Glass stands before focus"
            help="From the glass of the reducer or extender nearest to the sensor to where the lens would focus without it: (the lens’s flange distance less that of the body and the adapter’s length) over (1 less its magnification)."
            kind="partLength"
            shown={glass == null ? '' : mm(glass)}
            stepFrom={glass ?? 40}
            placeholder="not known"
            problem={problem('opticsPlaces[0].placeMm') ?? problem('opticsPlaces')}
            onClear={() => setGlass(null)}
            onValue={setGlass}
          />
          {ofRig('Extension tube', 'Tubes or bellows next to the lens, before any glass, in millimetres.', 'extension', 'extensionMm', 0, mm)}
          {ofRig('Close-up lens', 'In dioptres; two in a row add up.', 'closeUp', 'closeUpDioptres', 0, (v) => withUnit(plain(v), 'dpt'))}
          {ofRig('Close-up lens before the lens', 'From the close-up lens back to the middle of the lens; empty for one place.', 'partLength', 'closeUpFromLensMm', 0, mm)}
          {ofLens('Opening in front', 'Clear diameter of the narrowest ring, hood or attachment.', 'frontOpening', 'frontOpeningMm', mm)}
          {ofLens(
            'Pupil to opening',
            'From the entrance pupil, seen from the front, to that opening; a guess of half the lens will do.',
            'frontOpening',
            'frontOpeningFromPupilMm',
            mm,
          )}
        </Fields>
      </Section>
      {((rig.extensionMm ?? 0) > 0 || rig.rackedFarther) && (
        <FormControlLabel
          control={<Switch checked={rig.rackedFarther ?? false} onChange={(_, rackedFarther) => changeRig(index, { rackedFarther })} />}
          label="Racked out farther, where the ring focuses in two places"
        />
      )}
      <Section title="Squeeze">
        <Fields>
          <LabelledSelect
            label="Squeeze sits"
            value={rig.squeezePlace ?? 'front'}
            onChange={(squeezePlace) => changeRig(index, { squeezePlace })}
          >
            <MenuItem value="front">in front of the iris</MenuItem>
            <MenuItem value="rear">behind the iris</MenuItem>
          </LabelledSelect>
          {ofRig(
            'Turned by',
            'How far the squeeze is turned against the sensor, degrees; a point light’s streak must be level.',
            'squeezeTurn',
            'squeezeTurnDeg',
            0,
            (v) => `${plain(v)}°`,
          )}
          {ofLens(
            'Shortest taking lens',
            'The shortest focal length that a squeeze attachment allows behind it on this format.',
            'focalLength',
            'shortestTakingMm',
            mm,
          )}
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
            onClear={() => changeRig(index, { wholeSensorWidthMm: null, wholeSensorHeightMm: null })}
            onValue={(wholeSensorWidthMm, wholeSensorHeightMm) => changeRig(index, { wholeSensorWidthMm, wholeSensorHeightMm })}
          />
          {ofRig(
            'Sensitivity',
            'ISO. With the scene’s brightness it tells what light is left over.',
            'sensitivity',
            'sensitivityIso',
            null,
            (v) => plain(v),
            'open',
          )}
          {ofRig(
            'Lowest sensitivity',
            'The lowest that the body has without more noise; light that is held ends there. ISO 100 where it is not known.',
            'sensitivity',
            'lowestIso',
            null,
            (v) => plain(v),
            'not known',
          )}
          {ofRig(
            'Frames a second',
            'Captured by this mode; empty for those of the timeline.',
            'fps',
            'captureFps',
            null,
            (v) => withUnit(plain(v), 'fps'),
            'as timeline',
          )}
        </Fields>
      </Section>
      <Section title="Filters">
        <Fields>
          {ofRig('Fixed filter', 'Stops, ND8 or ND0.9.', 'filter', 'filterStops', 0, stops)}
          <EntryField
            label="Variable filter"
            help="Its range in stops, such as 2-5; turned past its end it draws a dark cross."
            kind="variableFilter"
            shown={span(rig.variableFilterMinStops, rig.variableFilterMaxStops, stops)}
            placeholder="none"
            problem={problem('variableFilterMinStops') ?? problem('variableFilterMaxStops')}
            onClear={() => changeRig(index, { variableFilterMinStops: null, variableFilterMaxStops: null })}
            onValue={(from, to) => changeRig(index, { variableFilterMinStops: from, variableFilterMaxStops: to ?? from })}
          />
        </Fields>
      </Section>
      <Section title="Steadiness">
        <Fields>
          {ofRig('Body', 'Stabilisation of the body, stops.', 'stabilisationStops', 'bodyStabilisationStops', 0, stops)}
          {ofRig('Lens', 'Stabilisation of the lens, stops.', 'stabilisationStops', 'lensStabilisationStops', 0, stops)}
        </Fields>
        <FormControlLabel
          control={
            <Switch checked={rig.stabilisersAddUp ?? false} onChange={(_, stabilisersAddUp) => changeRig(index, { stabilisersAddUp })} />
          }
          label="Body and lens work together and add up"
          slotProps={{ typography: { sx: { fontSize: 13 } } }}
          sx={{ minHeight: 40 }}
        />
      </Section>
      <Section title="Back focus">
        <Fields>
          {ofRig('Mount too long by', 'Measured; below zero when it is too short.', 'mountError', 'mountErrorMm', 0, mm)}
          {ofRig(
            'Rear filter',
            'Thickness of a filter between lens and sensor that the lens was not made for.',
            'rearFilter',
            'rearFilterMm',
            0,
            mm,
          )}
          {ofRig(
            'Its index',
            'Refractive index of that filter; glass has about 1.5.',
            'refractiveIndex',
            'rearFilterIndex',
            1.5,
            (v) => plain(v),
            '1.5',
          )}
        </Fields>
      </Section>
    </SidePanel>
  );
});
