import { MenuItem } from '@mui/material';
import type { ShotInput, SubjectInput } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distanceField } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { useProduction } from './productionStore';
import { changeShot } from './commands';
import { isPeople } from '../../core/shots';
import { entriesOf, subjects } from './words';
import { Grid, problemOf } from './formParts';

const usualOf: Record<SubjectInput['kind'], Partial<SubjectInput>> = {
  standing: { heightMm: 1750, baseMm: 0 },
  seated: { heightMm: 1750, baseMm: 0 },
  group: { heightMm: 1750, baseMm: 0, count: 2, spacingMm: 650 },
  table: { heightMm: 600, widthMm: 1000, baseMm: 750 },
  thing: { heightMm: 300, widthMm: 400, baseMm: 750 },
  far: { heightMm: 5000, widthMm: 12000, baseMm: 0 },
};

export function SubjectFields({ shot, feet }: { shot: ShotInput; feet: boolean }) {
  const problems = useProduction((s) => s.problems);
  const { subject } = shot;
  const set = (part: Partial<SubjectInput>) => changeShot(shot.id, { subject: { ...subject, ...part } });
  const people = isPeople(subject);
  const length = (label: string, help: string, key: 'heightMm' | 'widthMm' | 'spacingMm' | 'baseMm' | 'depthMm') => (
    <EntryField
      label={label}
      help={help}
      kind={key === 'baseMm' || key === 'depthMm' ? 'kept' : 'subjectSize'}
      feet={feet}
      shown={distanceField(subject[key] ?? 0, feet)}
      stepFrom={subject[key] ?? 0}
      problem={problemOf(problems, `shot.subject.${key}`)}
      onValue={(mm) => set({ [key]: mm })}
    />
  );
  return (
    <Grid>
      <div className={people ? '' : 'all'}>
        <LabelledSelect
          label="In the picture"
          help="What it is of."
          value={subject.kind}
          onChange={(kind) => set({ kind, ...(isPeople({ kind }) && people ? {} : usualOf[kind]) })}
        >
          {entriesOf(subjects).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
      </div>
      {people && length('Height', 'Standing height, also of somebody who sits.', 'heightMm')}
      {subject.kind === 'group' && (
        <>
          <EntryField
            label="How many"
            help="People beside each other."
            kind="count"
            shown={String(subject.count ?? 2)}
            stepFrom={subject.count ?? 2}
            problem={problemOf(problems, 'shot.subject.count')}
            onValue={(count) => set({ count: Math.round(count) })}
          />
          {length('Apart', 'From the middle of one to the middle of the next.', 'spacingMm')}
        </>
      )}
      {!people && (
        <>
          {length('Width', 'Its true width.', 'widthMm')}
          {subject.kind === 'table'
            ? length('Depth', 'Its true depth; seen from the side it is foreshortened.', 'heightMm')
            : length('Height', 'Its true height.', 'heightMm')}
          {subject.kind === 'thing' &&
            length('Depth', 'Along the axis of the lens; all of it is to be sharp. 0 where it does not matter.', 'depthMm')}
          {length('Stands at', 'Height of what it stands or lies on above the ground.', 'baseMm')}
        </>
      )}
    </Grid>
  );
}
