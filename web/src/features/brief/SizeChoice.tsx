import { Box, MenuItem } from '@mui/material';
import { type ReactNode } from 'react';
import type { ShotInput } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distance, distanceField } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { useProduction } from './productionStore';
import { changeShot } from './commands';
import { isPeople } from '../../core/shots';
import { entriesOf, fills, sizes } from './words';
import { useFrame } from './ShotForm';
import { problemOf } from './formParts';
import { Grid } from './formParts';

/** How tight: a named size, shown as a cut, or a width or height that is typed. */
export function SizeChoice({ shot, feet, drawing }: { shot: ShotInput; feet: boolean; drawing: ReactNode }) {
  const problems = useProduction((s) => s.problems);
  const frame = useFrame(shot);
  const names = isPeople(shot.subject) ? sizes : fills;
  const typed = shot.framedMm != null;
  const set = (part: Partial<ShotInput>) => changeShot(shot.id, part);
  const side = (across: boolean) => (
    <EntryField
      label={across ? 'or its width' : 'or its height'}
      help="What the picture takes in at the subject; it goes before the size. Empty it, and the size decides again."
      kind="fieldSize"
      feet={feet}
      shown={typed && (shot.framedAcross ?? false) === across ? distanceField(shot.framedMm!, feet) : ''}
      stepFrom={(across ? frame?.widthMm : frame?.heightMm) ?? 1000}
      placeholder={frame ? distance(across ? frame.widthMm : frame.heightMm, feet) : ''}
      problem={(shot.framedAcross ?? false) === across ? problemOf(problems, 'shot.framedMm') : undefined}
      onClear={() => set({ framedMm: null })}
      onValue={(framedMm) => set({ framedMm, framedAcross: across })}
    />
  );
  return (
    <>
      <Box sx={{ bgcolor: 'background.default', border: 1, borderColor: 'divider', borderRadius: 1, minHeight: 132 }}>{drawing}</Box>
      <Grid style={{ gridTemplateColumns: 'minmax(0, 1.5fr) minmax(0, 1fr) minmax(0, 1fr)' }}>
        <LabelledSelect
          label="How tight"
          help="A named size: of people a cut, of things the share of the picture that they fill."
          value={typed ? 'typed' : (shot.size ?? 'medium')}
          onChange={(size) => size !== 'typed' && set({ size, framedMm: null })}
        >
          {typed && <MenuItem value="typed">As typed</MenuItem>}
          {entriesOf(names).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
        {side(true)}
        {side(false)}
      </Grid>
    </>
  );
}
