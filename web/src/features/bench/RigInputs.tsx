import { Box, MenuItem } from '@mui/material';
import { memo, useCallback, useMemo } from 'react';
import { core, type Diagnostic, type RigInput } from '../../core/core';
import { named, rigFields } from '../../core/fields';
import { EntryField } from '../../ui/EntryField';
import { plain, withUnit } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { changeRig } from './commands';
import { OwnDistance } from './OwnDistance';

const own = 'own';

interface RigInputsProps {
  index: number;
  rig: RigInput;
  problems: Diagnostic[];
  /** Only what a hand moves most. */
  brief: boolean;
  /** The scene's distance, where some rig does not stand at it; null where all do. */
  sceneMm: number | null;
  feet: boolean;
}

/** Everything of a rig that can be typed. */
export const RigInputs = memo(function RigInputs({ index, rig, problems, brief, sceneMm, feet }: RigInputsProps) {
  const problem = (field: string) => problems.find((p) => p.about === `rigs[${index}].${field}`)?.message;
  const { formats } = core();
  const format = formats.find((f) => f.widthMm === rig.sensorWidthMm && f.heightMm === rig.sensorHeightMm)?.name ?? own;
  const set = useMemo(
    () => ({
      area: (sensorWidthMm: number, height: number | null) => changeRig(rig.id!, { sensorWidthMm, sensorHeightMm: height! }),
      pixels: (recordedWidthPx: number, height: number | null) => changeRig(rig.id!, { recordedWidthPx, recordedHeightPx: height! }),
      noPixels: () => changeRig(rig.id!, { recordedWidthPx: null, recordedHeightPx: null }),
      focalLength: (focalLengthMm: number) => changeRig(rig.id!, { focalLengthMm }),
      aperture: (fNumber: number) => changeRig(rig.id!, { fNumber }),
      reducer: (_: number, __: number | null, optics: number[]) =>
        changeRig(rig.id!, { optics: optics.filter((k) => k !== 1), opticsPlaces: [] }),
      noReducer: () => changeRig(rig.id!, { optics: [], opticsPlaces: [] }),
      squeeze: (squeeze: number) => changeRig(rig.id!, { squeeze }),
      punchIn: (punchIn: number) => changeRig(rig.id!, { punchIn }),
    }),
    [rig.id],
  );
  const pick = useCallback(
    (name: string) => {
      const picked = core().formats.find((f) => f.name === name);
      if (picked) {
        changeRig(rig.id!, { sensorWidthMm: picked.widthMm, sensorHeightMm: picked.heightMm });
      }
    },
    [rig.id],
  );
  const optics = rig.optics?.length ? rig.optics : [1];
  const squeeze = rig.squeeze ?? rigFields.squeeze.empty;
  const punchIn = rig.punchIn ?? rigFields.punchIn.empty;
  const recorded = rig.recordedWidthPx != null && rig.recordedHeightPx != null ? `${rig.recordedWidthPx}×${rig.recordedHeightPx}` : '';

  return (
    <Box sx={{ display: 'grid', gap: '6px' }}>
      {!brief && (
        <Box
          sx={{
            display: 'grid',
            gap: '6px',
            gridTemplateColumns: '1.3fr 1.24fr 1.06fr',
            '& > *': { minWidth: 0 },
            '@container (max-width: 290px)': { gridTemplateColumns: '1fr' },
          }}
        >
          <LabelledSelect label="Format" value={format} onChange={pick}>
            {format === own && <MenuItem value={own}>Own size</MenuItem>}
            {formats.map((f) => (
              <MenuItem key={f.name} value={f.name}>
                {f.name}
              </MenuItem>
            ))}
          </LabelledSelect>
          <EntryField
            label="Area, mm"
            help="The part of the sensor that this recording mode uses, width × height in millimetres."
            kind="sensorArea"
            shown={`${plain(rig.sensorWidthMm)}×${plain(rig.sensorHeightMm)}`}
            problem={problem('sensorWidthMm') ?? problem('sensorHeightMm')}
            onValue={set.area}
          />
          <EntryField
            label="Recorded pixels"
            help="What the mode records over that area, width × height. May be left empty."
            kind="recordedPixels"
            shown={recorded}
            placeholder="unknown"
            problem={problem('recordedWidthPx') ?? problem('recordedHeightPx')}
            onClear={set.noPixels}
            onValue={set.pixels}
          />
        </Box>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: '6px',
          gridTemplateColumns: brief ? `1.25fr repeat(${sceneMm === null ? 1 : 2}, 1fr)` : '1.25fr repeat(4, 1fr)',
          '& > *': { minWidth: 0 },
          '@container (max-width: 290px)': { gridTemplateColumns: '1fr 1fr' },
        }}
      >
        <EntryField
          {...named(rigFields.focalLengthMm)}
          shown={withUnit(plain(rig.focalLengthMm), 'mm')}
          stepFrom={rig.focalLengthMm}
          problem={problem('focalLengthMm')}
          onValue={set.focalLength}
        />
        <EntryField
          {...named(rigFields.fNumber)}
          shown={`ƒ${plain(rig.fNumber)}`}
          stepFrom={rig.fNumber}
          problem={problem('fNumber')}
          onValue={set.aperture}
        />
        {!brief && (
          <>
            <EntryField
              label="Reducer"
              help="Glass between lens and sensor: below 1 a focal reducer, above 1 an extender, 1 for none. Several in a row: 0.71 × 1.4."
              kind="optics"
              shown={optics.map((k) => `${plain(k)}×`).join('')}
              stepFrom={optics.length === 1 ? optics[0] : undefined}
              problem={problem('optics') ?? problem('optics[0]') ?? problem('optics[1]') ?? problem('optics[2]') ?? problem('optics[3]')}
              onClear={set.noReducer}
              onValue={set.reducer}
            />
            <EntryField
              {...named(rigFields.squeeze)}
              shown={`${plain(squeeze)}×`}
              stepFrom={squeeze}
              problem={problem('squeeze')}
              onValue={set.squeeze}
            />
            <EntryField
              {...named(rigFields.punchIn)}
              shown={`${plain(punchIn)}×`}
              stepFrom={punchIn}
              problem={problem('punchIn')}
              onValue={set.punchIn}
            />
          </>
        )}
        {sceneMm !== null && (
          <OwnDistance index={index} mm={rig.subjectDistanceMm ?? null} sceneMm={sceneMm} problems={problems} feet={feet} />
        )}
      </Box>
    </Box>
  );
});
