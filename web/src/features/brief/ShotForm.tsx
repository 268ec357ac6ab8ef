import { Box, Button, Checkbox, FormControlLabel, IconButton, InputBase, MenuItem, Tooltip, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useState, type ReactNode } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { Diagnostic, ShotInput, SubjectInput } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distance, distanceField, oneLine, plain, shape, withUnit } from '../../ui/format';
import { DeleteIcon, DuplicateIcon, NextIcon, PreviousIcon } from '../../ui/icons';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { useAnswers } from './answers';
import { CutDrawing } from './CutDrawing';
import { placesOf, shotsOf, useProduction } from './productionStore';
import { addPlace, changeShot, duplicateShot, moveShot, removeShot } from './commands';
import { behinds, cameraSupports, entriesOf, fills, isPeople, sizes, subjects } from './words';

export const Grid = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
  gap: '8px 6px',
  '& .all': { gridColumn: '1 / -1' },
});

const Field = styled('div')(({ theme }) => ({
  '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: theme.vars!.palette.text.secondary },
  '& .MuiInputBase-root': {
    width: '100%',
    minHeight: 40,
    padding: '2px 6px',
    fontSize: 14,
    background: theme.vars!.palette.background.default,
    border: `1px solid ${theme.vars!.palette.divider}`,
    borderRadius: 4,
  },
}));

interface WordsProps {
  label: string;
  value: string;
  max: number;
  many?: boolean;
  placeholder?: string;
  problem?: string | undefined;
  onChange: (text: string) => void;
}

/** A text in words. */
export function WordsField({ label, value, max, many = false, placeholder = '', problem, onChange }: WordsProps) {
  return (
    <Field className="all">
      <label>
        {label}
        <InputBase
          multiline={many}
          maxRows={4}
          value={value}
          placeholder={placeholder}
          onChange={(event) => onChange(oneLine(event.target.value))}
          inputProps={{ maxLength: max, 'aria-invalid': problem !== undefined }}
        />
      </label>
      {problem && (
        <Typography role="alert" sx={{ fontSize: 12, color: 'error.main' }}>
          {problem}
        </Typography>
      )}
    </Field>
  );
}

/** The problem with a field, among those that the core found. */
export const problemOf = (problems: Diagnostic[], field: string): string | undefined => problems.find((p) => p.about === field)?.message;

const newPlace = 'new';
const idLength = 36;

/** What the picture of a shot takes in; the same one as long as that is the same. */
const useFrame = (shot: ShotInput) => useAnswers(useShallow((s) => (s.shown?.shot.id === shot.id ? s.shown.answer.frame : null)));

/** What is wanted: what is in the shot, how tight, how it is carried. */
export const ShotForm = memo(function ShotForm({ shot, feet }: { shot: ShotInput; feet: boolean }) {
  const problems = useProduction((s) => s.problems);
  const delivery = useProduction((s) => s.document.delivery);
  const units = useProduction((s) => s.document.units);
  // By identity and name only, so that a wall that moves draws nothing anew here.
  const places = useProduction(useShallow((s) => placesOf(s.document).map((p) => `${p.id} ${p.name}`)));
  const frame = useFrame(shot);
  const [more, setMore] = useState(false);
  const set = (part: Partial<ShotInput>) => changeShot(shot.id, part);
  const usual = delivery ?? {};
  const length = (label: string, help: string, key: 'rearMm' | 'movesMm' | 'behindMm', placeholder = '') => (
    <EntryField
      label={label}
      help={help}
      kind="kept"
      feet={feet}
      shown={shot[key] == null || (key === 'movesMm' && shot[key] === 0) ? '' : distanceField(shot[key], feet)}
      stepFrom={shot[key] ?? 0}
      placeholder={placeholder}
      problem={problemOf(problems, `shot.${key}`)}
      onClear={() => set({ [key]: key === 'movesMm' ? 0 : null })}
      onValue={(mm) => set({ [key]: mm })}
    />
  );

  return (
    <Box component="section" aria-label="Shot" sx={{ display: 'grid', gap: 1 }}>
      <ShotName shot={shot} />
      {shot.note && !more && <Typography sx={{ fontSize: 13, color: 'text.secondary', lineHeight: 1.3 }}>{shot.note}</Typography>}
      <SizeChoice shot={shot} feet={feet} drawing={frame && <CutDrawing shot={shot} frame={frame} feet={feet} />} />
      <SubjectFields shot={shot} feet={feet} />
      <Grid>
        <LabelledSelect
          label="Place"
          help="Where it is filmed."
          value={shot.locationId}
          onChange={(id) => (id === newPlace ? addPlace() : set({ locationId: id, behindMm: null, along: null }))}
        >
          {places.map((place) => (
            <MenuItem key={place.slice(0, idLength)} value={place.slice(0, idLength)}>
              {place.slice(idLength + 1) || 'Nameless place'}
            </MenuItem>
          ))}
          <MenuItem value={newPlace}>
            <em>A new place…</em>
          </MenuItem>
        </LabelledSelect>
        <LabelledSelect
          label="Carried"
          help="How the camera is carried: it decides what must be behind it."
          value={shot.cameraSupport ?? 'tripod'}
          onChange={(cameraSupport) => set({ cameraSupport })}
        >
          {entriesOf(cameraSupports).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
        {length(
          'Subject moves',
          'How far it moves to and fro altogether; the sharp zone holds all of it without focus being pulled.',
          'movesMm',
          'holds still',
        )}
        <LabelledSelect
          label="Behind it"
          help="How much of what is behind should be made out: soft is a disc of 2 % of the picture’s height or more, readable 0.5 % or less."
          value={shot.behind ?? 'asItComes'}
          onChange={(behind) => set({ behind })}
        >
          {entriesOf(behinds).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
      </Grid>
      <Button size="small" aria-expanded={more} onClick={() => setMore(!more)} sx={{ justifySelf: 'start' }}>
        {more ? 'Less of this shot' : 'More of this shot'}
      </Button>
      {more && (
        <Grid>
          <EntryField
            label="Captured at"
            help="Frames a second, for slow motion; empty for the timeline’s."
            kind="fps"
            shown={shot.captureFps == null ? '' : withUnit(plain(shot.captureFps), 'fps')}
            stepFrom={shot.captureFps ?? usual.timelineFps ?? 25}
            placeholder={withUnit(plain(usual.timelineFps ?? 25), 'fps')}
            problem={problemOf(problems, 'shot.captureFps')}
            onClear={() => set({ captureFps: null })}
            onValue={(captureFps) => set({ captureFps })}
          />
          <EntryField
            label="Delivered shape"
            help="Width over height of this shot; empty for the production’s."
            kind="deliveryAspect"
            shown={shot.deliveryAspect == null ? '' : shape(shot.deliveryAspect)}
            stepFrom={shot.deliveryAspect ?? usual.aspect ?? 16 / 9}
            placeholder={shape(usual.aspect ?? 16 / 9)}
            problem={problemOf(problems, 'shot.deliveryAspect')}
            onClear={() => set({ deliveryAspect: null })}
            onValue={(deliveryAspect) => set({ deliveryAspect })}
          />
          {length(
            'Behind the camera',
            'From the sensor mark to the last thing that must fit behind it; empty for what the cameraSupport usually needs.',
            'rearMm',
            'as carried',
          )}
          <EntryField
            label="Headroom"
            help="Room above a head, as a share of the picture’s height."
            kind="pictureShare"
            shown={withUnit(plain(100 * (shot.headroom ?? 0.08), 1), '%')}
            stepFrom={shot.headroom ?? 0.08}
            problem={problemOf(problems, 'shot.headroom')}
            onValue={(headroom) => set({ headroom })}
          />
          <EntryField
            label="Take"
            help="How long a take is; empty when it does not matter."
            kind="seconds"
            shown={shot.takeSeconds == null ? '' : withUnit(plain(shot.takeSeconds), 's')}
            stepFrom={shot.takeSeconds ?? 0}
            placeholder="any"
            problem={problemOf(problems, 'shot.takeSeconds')}
            onClear={() => set({ takeSeconds: null })}
            onValue={(takeSeconds) => set({ takeSeconds })}
          />
          <LabelledSelect label="Unit" help="Which unit films it." value={shot.unit ?? ''} onChange={(unit) => set({ unit })}>
            <MenuItem value="">
              <em>None</em>
            </MenuItem>
            {[...new Set([...(units ?? []), shot.unit ?? ''])].filter(Boolean).map((unit) => (
              <MenuItem key={unit} value={unit}>
                {unit}
              </MenuItem>
            ))}
          </LabelledSelect>
          <FormControlLabel
            className="all"
            control={<Checkbox checked={shot.walks ?? false} onChange={(event) => set({ walks: event.target.checked })} />}
            label="The camera walks along"
            sx={{ '& .MuiFormControlLabel-label': { fontSize: 14 } }}
          />
          <WordsField label="Note" many value={shot.note ?? ''} max={500} onChange={(note) => set({ note })} />
          <WordsField
            label="Caution"
            many
            value={shot.caution ?? ''}
            max={280}
            placeholder="What to be careful of"
            onChange={(caution) => set({ caution })}
          />
        </Grid>
      )}
    </Box>
  );
});

function ShotName({ shot }: { shot: ShotInput }) {
  const problem = useProduction((s) => problemOf(s.problems, 'shot.name'));
  const number = useProduction((s) => shotsOf(s.document).findIndex((other) => other.id === shot.id) + 1);
  const count = useProduction((s) => shotsOf(s.document).length);
  const button = (label: string, icon: ReactNode, onClick: () => void) => (
    <Tooltip title={label}>
      <IconButton aria-label={label} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
  );
  return (
    <div>
      <InputBase
        value={shot.name}
        onChange={(event) => changeShot(shot.id, { name: oneLine(event.target.value) })}
        inputProps={{ 'aria-label': 'Name of the shot', maxLength: 80 }}
        sx={{ width: '100%', minHeight: 36, fontSize: 16, fontWeight: 650 }}
      />
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Typography sx={{ flex: 1, fontSize: 12.5, color: 'text.secondary' }}>
          Shot {number} of {count}
          {shot.unit ? `, ${shot.unit}` : ''}
        </Typography>
        {button('Earlier in the order', <PreviousIcon fontSize="small" />, () => moveShot(shot, -1))}
        {button('Later in the order', <NextIcon fontSize="small" />, () => moveShot(shot, 1))}
        {button('Duplicate the shot', <DuplicateIcon fontSize="small" />, () => duplicateShot(shot))}
        {button('Delete the shot', <DeleteIcon fontSize="small" />, () => removeShot(shot))}
      </Box>
      {problem && (
        <Typography role="alert" sx={{ fontSize: 12, color: 'error.main' }}>
          {problem}
        </Typography>
      )}
    </div>
  );
}

/** How tight: a named size, shown as a cut, or a width or height that is typed. */
function SizeChoice({ shot, feet, drawing }: { shot: ShotInput; feet: boolean; drawing: ReactNode }) {
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

const usualOf: Record<SubjectInput['kind'], Partial<SubjectInput>> = {
  standing: { heightMm: 1750, baseMm: 0 },
  seated: { heightMm: 1750, baseMm: 0 },
  group: { heightMm: 1750, baseMm: 0, count: 2, spacingMm: 650 },
  table: { heightMm: 600, widthMm: 1000, baseMm: 750 },
  thing: { heightMm: 300, widthMm: 400, baseMm: 750 },
  far: { heightMm: 5000, widthMm: 12000, baseMm: 0 },
};

function SubjectFields({ shot, feet }: { shot: ShotInput; feet: boolean }) {
  const problems = useProduction((s) => s.problems);
  const { subject } = shot;
  const set = (part: Partial<SubjectInput>) => changeShot(shot.id, { subject: { ...subject, ...part } });
  const people = isPeople(subject);
  const length = (label: string, help: string, key: 'heightMm' | 'widthMm' | 'spacingMm' | 'baseMm') => (
    <EntryField
      label={label}
      help={help}
      kind={key === 'baseMm' ? 'kept' : 'subjectSize'}
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
          {length('Stands at', 'Height of what it stands or lies on above the ground.', 'baseMm')}
        </>
      )}
    </Grid>
  );
}
