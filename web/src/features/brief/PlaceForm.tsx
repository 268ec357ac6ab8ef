import { Box, Button, Checkbox, FormControlLabel, InputBase, MenuItem, Typography } from '@mui/material';
import { useState } from 'react';
import type { LocationInput, SceneInput, ShotInput } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distanceField, oneLine, plain, withUnit } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { LabelledChoice } from '../../ui/LabelledChoice';
import { useProduction } from './productionStore';
import { LightOfShot } from './LightOfShot';
import { changePlace, changeShot } from './commands';
import { Grid, problemOf, WordsField } from './formParts';
import { entriesOf, hazards } from './words';

type LengthKey = 'lengthMm' | 'widthMm' | 'heightMm' | 'behindMm' | 'leastBehindMm' | 'mostBehindMm' | 'keepOffMm';

const backdrops: [NonNullable<SceneInput['backdrop']>, string][] = [
  ['shed', 'A shed'],
  ['loft', 'A loft'],
  ['benchTop', 'A workbench'],
  ['slipway', 'Out of doors, by water'],
  ['farBank', 'Across a river'],
  ['chart', 'A measuring wall'],
];

/** Measures of the place, as people take them. */
export function PlaceForm({ shot, place, feet }: { shot: ShotInput; place: LocationInput; feet: boolean }) {
  const problems = useProduction((s) => s.problems);
  const [more, setMore] = useState(false);
  const set = (part: Partial<LocationInput>) => changePlace(place.id, part);
  const isOwn = shot.behindMm != null;
  const behind = isOwn ? shot.behindMm : place.behindMm;

  const length = (label: string, help: string, key: LengthKey, empty: { says: string; value: number | null } | null) => (
    <EntryField
      label={label}
      help={help}
      kind={key === 'lengthMm' || key === 'widthMm' || key === 'heightMm' ? 'roomSize' : 'kept'}
      feet={feet}
      shown={place[key] == null || (place[key] === 0 && empty?.value === 0) ? '' : distanceField(place[key], feet)}
      stepFrom={place[key] ?? 1000}
      placeholder={empty?.says ?? ''}
      problem={problemOf(problems, `location.${key}`)}
      onClear={empty ? () => set({ [key]: empty.value }) : undefined}
      onValue={(mm) => set({ [key]: mm })}
    />
  );

  return (
    <Box component="section" aria-label="Place" sx={{ display: 'grid', gap: 1 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
        <InputBase
          value={place.name}
          onChange={(event) => set({ name: oneLine(event.target.value) })}
          inputProps={{ 'aria-label': 'Name of the place', maxLength: 80 }}
          sx={{ minHeight: 40, fontSize: 16, fontWeight: 650, flex: '1 1 120px' }}
        />
        <LabelledChoice
          label="The camera looks along"
          value={shot.along ?? place.along ?? 'length'}
          choices={[
            ['length', 'Along its length'],
            ['width', 'Across it'],
          ]}
          onChange={(along) => changeShot(shot.id, { along })}
        />
      </Box>
      {problemOf(problems, 'location.name') && (
        <Typography role="alert" sx={{ fontSize: 12, color: 'error.main' }}>
          {problemOf(problems, 'location.name')}
        </Typography>
      )}
      <Grid style={{ gridTemplateColumns: 'repeat(auto-fit, minmax(82px, 1fr))' }}>
        {length('Length', 'Of the place, wall to wall; empty where it has no end.', 'lengthMm', { says: 'no end', value: null })}
        {length('Width', 'Of the place, wall to wall; empty where it has no end.', 'widthMm', { says: 'no end', value: null })}
        {length('Height', 'Under the lowest beam; empty under the sky.', 'heightMm', { says: 'sky', value: null })}
        <EntryField
          label={isOwn ? 'To behind, here' : 'To behind'}
          help={`From the subject to what is behind it${isOwn ? ' in this shot; empty it, and where the place says counts again' : ', in all shots at this place that say nothing else'}.`}
          kind="kept"
          feet={feet}
          shown={behind == null ? '' : distanceField(behind, feet)}
          stepFrom={behind ?? 1000}
          placeholder="open"
          problem={problemOf(problems, isOwn ? 'shot.behindMm' : 'location.behindMm')}
          onClear={() => (isOwn ? changeShot(shot.id, { behindMm: null }) : set({ behindMm: null }))}
          onValue={(mm) => (isOwn ? changeShot(shot.id, { behindMm: mm }) : set({ behindMm: mm }))}
        />
        {length('Keep off', 'How far every part of the camera must stay from the subject: heat, splashes, animals, water.', 'keepOffMm', {
          says: 'none',
          value: 0,
        })}
      </Grid>
      {(place.lengthMm ?? place.widthMm ?? place.heightMm) != null && (
        <FormControlLabel
          label="Its sides were taped on the spot"
          sx={{ '& .MuiFormControlLabel-label': { fontSize: 14 } }}
          control={<Checkbox size="small" checked={place.taped ?? false} onChange={(event) => set({ taped: event.target.checked })} />}
        />
      )}
      <Button size="small" aria-expanded={more} onClick={() => setMore(!more)} sx={{ justifySelf: 'start' }}>
        {more ? 'Less of this place' : 'Light and more of this place'}
      </Button>
      {more && (
        <>
          <Grid style={{ gridTemplateColumns: 'repeat(3, minmax(0, 1fr))' }}>
            <LightOfShot shot={shot} place={place} />
            <EntryField
              label="Mains"
              help="Frequency of the lamps’ mains."
              kind="mains"
              shown={withUnit(plain(place.mainsHertz ?? 50), 'Hz')}
              stepFrom={place.mainsHertz ?? 50}
              problem={problemOf(problems, 'location.mainsHertz')}
              onValue={(mainsHertz) => set({ mainsHertz })}
            />
            {length('Least to behind', 'Nearest that the subject may be to what is behind it.', 'leastBehindMm', {
              says: 'none',
              value: 0,
            })}
            {length('Most to behind', 'Farthest that the subject may be brought from what is behind it.', 'mostBehindMm', {
              says: 'as there is room',
              value: null,
            })}
            <LabelledSelect
              label="Drawn as"
              help="What frames are drawn in; figures do not go by it."
              value={place.backdrop ?? 'shed'}
              onChange={(backdrop) => set({ backdrop })}
            >
              {backdrops.map(([key, words]) => (
                <MenuItem key={key} value={key}>
                  {words}
                </MenuItem>
              ))}
            </LabelledSelect>
          </Grid>
          <Box role="group" aria-label="What to mind there" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1 }}>
            {entriesOf(hazards).map(([key, words]) => (
              <FormControlLabel
                key={key}
                label={words}
                sx={{ '& .MuiFormControlLabel-label': { fontSize: 14 } }}
                control={
                  <Checkbox
                    checked={place.hazards?.includes(key) ?? false}
                    onChange={(event) =>
                      set({
                        hazards: event.target.checked ? [...(place.hazards ?? []), key] : (place.hazards ?? []).filter((h) => h !== key),
                      })
                    }
                  />
                }
              />
            ))}
          </Box>
          <WordsField label="Note on the place" many value={place.note ?? ''} max={500} onChange={(note) => set({ note })} />
          {!isOwn && place.behindMm != null && (
            <Button size="small" onClick={() => changeShot(shot.id, { behindMm: place.behindMm ?? null })} sx={{ justifySelf: 'start' }}>
              The subject stands elsewhere in this shot
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
