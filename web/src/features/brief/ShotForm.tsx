import { Box, Button, Checkbox, FormControlLabel, IconButton, InputBase, MenuItem, Tooltip, Typography } from '@mui/material';
import { memo, useState, type ReactNode } from 'react';
import { useShallow } from 'zustand/react/shallow';
import type { ShotInput } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distanceField, oneLine, plain, shape, withUnit } from '../../ui/format';
import { DeleteIcon, DuplicateIcon, NextIcon, PreviousIcon } from '../../ui/icons';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { fullName } from '../../gear/gear';
import { weight } from '../../ui/figureText';
import { useAnswers } from './answers';
import { CutDrawing } from '../../drawing/CutDrawing';
import { useGear } from '../../gear/fitting';
import { placesOf, shotsOf, useProduction } from './productionStore';
import { addPlace, changeShot, duplicateShot, moveShot, removeShot } from './commands';
import { behinds, cameraSupports, entriesOf } from './words';
import { problemOf, WordsField } from './formParts';
import { ShotAnswers } from './ShotAnswers';
import { SizeChoice } from './SizeChoice';
import { SubjectFields } from './SubjectFields';
import { Grid } from './formParts';

const newPlace = 'new';

const idLength = 36;

/** What the picture of a shot takes in; the same one as long as that is the same. */
export const useFrame = (shot: ShotInput) => useAnswers(useShallow((s) => (s.shown?.shot.id === shot.id ? s.shown.answer.frame : null)));

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
      <ShotAnswers shotId={shot.id} />
      <SizeChoice shot={shot} feet={feet} drawing={frame && <CutDrawing shot={shot} frame={frame} feet={feet} />} />
      <SubjectFields shot={shot} feet={feet} />
      <Grid>
        <LabelledSelect
          label="Place"
          help="Where it is filmed."
          value={shot.locationId}
          onChange={(id) => (id === newPlace ? addPlace() : set({ locationId: id, behindMm: null, along: null, levelId: null }))}
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
          onChange={(cameraSupport) => set({ cameraSupport, support: null })}
        >
          {entriesOf(cameraSupports).map(([key, words]) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </LabelledSelect>
        <SupportChoice shot={shot} onChange={(support) => set({ support })} />
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

const supportTypes: Partial<Record<NonNullable<ShotInput['cameraSupport']>, [type: string, label: string]>> = {
  gimbal: ['gimbal', 'Which gimbal'],
  tripod: ['head', 'Which head'],
  overhead: ['arm', 'Which arm'],
  shoulder: ['shoulder', 'Which shoulder rig'],
  drone: ['drone', 'Which drone'],
};

/** The support of the shelf that carries the camera: what is too heavy or too long for it is not proposed. */
function SupportChoice({ shot, onChange }: { shot: ShotInput; onChange: (id: string | null) => void }) {
  const items = useGear((s) => s.items);
  const [type, label] = supportTypes[shot.cameraSupport ?? 'tripod'] ?? [];
  const supports = [...items.values()].filter((item) => item.kind === 'support' && item.type === type);
  if (label === undefined || (supports.length === 0 && shot.support == null)) {
    return null;
  }
  const gone = shot.support != null && supports.every((item) => item.id !== shot.support);
  return (
    <LabelledSelect
      label={label}
      help="What is too heavy or too long for it is not proposed."
      value={shot.support ?? ''}
      onChange={(id) => onChange(id === '' ? null : id)}
    >
      <MenuItem value="">any that carries it</MenuItem>
      {gone && <MenuItem value={shot.support!}>one that is not on the shelf now</MenuItem>}
      {supports.map((item) => (
        <MenuItem key={item.id} value={item.id}>
          {fullName(item)}
          <small>&nbsp;· {typeof item.payloadG === 'number' ? `carries ${weight(item.payloadG)}` : 'payload not known'}</small>
        </MenuItem>
      ))}
    </LabelledSelect>
  );
}
