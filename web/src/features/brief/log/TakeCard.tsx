import { Alert, Box, Button, ButtonBase, Chip, InputBase, MenuItem, Typography } from '@mui/material';
import { useState } from 'react';
import type { ProductionDocument } from '../../../api/client';
import type { ChosenRig, ShotInput } from '../../../core/core';
import { rigFields, sceneFields, type NumberField } from '../../../core/fields';
import type { Row } from '../../../documents/rows';
import { useGear } from '../../../gear/fitting';
import { bringPhoto, photoAddress } from '../../../picture/photo';
import { FileButton } from '../../../ui/FileButton';
import { FieldEntry } from '../../../ui/FieldEntry';
import { LabelledInput } from '../../../ui/LabelledInput';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { Panel } from '../../../ui/Panel';
import { oneLine, roundDistance } from '../../../ui/format';
import { changePlace } from '../commands';
import type { Pictured } from '../rigs';
import { isClip, readClipHeader } from './clip';
import { SameAgain } from './SameAgain';
import { readStillHeader } from './still';
import { goneOf } from './takeRigs';
import { Stepper } from './Stepper';
import { noteOtherCamera, otherwise, reasons, takes, type Planned, type Take, type TakeMark, type TakeReason } from './takes';
import { Wipe } from './Wipe';

interface TakeCardProps {
  row: Row<Take>;
  rows: Row<Take>[];
  planned: Planned | null;
  /** The place of the shot, for what was really so there. */
  place: { id: string; name: string; lengthMm: number | null } | null;
  /** The rigs that shots of this production have chosen. */
  rigs: ChosenRig[];
  shots: ShotInput[];
  /** The frame as it was planned; null where it cannot be drawn. */
  picture: Pictured | null;
  /** Of the production. */
  name: string;
  document: ProductionDocument;
  feet: boolean;
  onOpen: (id: string) => void;
  onBench: () => void;
  onShot: (shot: ShotInput) => void;
  onDelete: () => void;
}

const marks: { mark: TakeMark; label: string }[] = [
  { mark: 'good', label: 'Good' },
  { mark: 'again', label: 'Again' },
];

/** One take, with everything in reach of a thumb. */
export function TakeCard({
  row,
  rows,
  planned,
  place,
  rigs,
  shots,
  picture,
  name,
  document,
  feet,
  onOpen,
  onBench,
  onShot,
  onDelete,
}: TakeCardProps) {
  const take = row.value;
  const [say, setSay] = useState('');
  const [more, setMore] = useState(false);
  const put = (part: Partial<Take>) => takes.change(row.id, (now) => ({ ...now, ...part }));
  const differs = planned ? otherwise(take, planned, feet) : [];
  // Until the shelf is here nobody knows.
  const isShelfHere = useGear((s) => s.state === 'ready');
  const gone = isShelfHere && take.rig ? goneOf(take.rig) : [];
  const rigKey = (rig: ChosenRig) => [rig.body, rig.mode, rig.lens, ...(rig.links ?? [])].join(' ');
  const known = [...new Map([...rigs, ...(take.rig ? [take.rig] : [])].map((rig) => [rigKey(rig), rig])).values()];
  const number = (
    field: NumberField,
    key: 'focalLengthMm' | 'fNumber' | 'distanceMm' | 'fps' | 'iso' | 'filterStops' | 'lensHeightMm',
    label = field.label,
  ) => <Stepper key={key} field={{ ...field, label }} value={take[key]} feet={feet} onValue={(value) => put({ [key]: value })} />;
  const bring = async (file: File) => {
    const clip = isClip(file);
    const word = clip ? 'clip' : 'still';
    setSay(`Reading the ${word}…`);
    const header = await (clip ? readClipHeader(file) : readStillHeader(file));
    put({ ...header?.set, ...(header?.takenAt && { takenAt: header.takenAt }), file: oneLine(file.name).slice(0, 200) });
    const photo = clip ? null : await bringPhoto(file);
    if (photo && !('kind' in photo)) put({ photoId: photo.photo.id });
    setSay(
      [
        header === null
          ? `The ${word} cannot be read without the server. Its name is noted; bring it once more when there is a network.`
          : header.told.length > 0
            ? `Filled in from the ${word}: ${header.told.join(', ')}.`
            : `The ${word} says nothing of how it was taken.`,
        header && header.told.length > 0 && header.silent.length > 0 ? `Not told: ${header.silent.join(', ')}.` : '',
        photo && 'kind' in photo ? `The picture itself is not stored: ${photo.say}` : '',
      ]
        .filter(Boolean)
        .join(' '),
    );
  };
  const toggle = (reason: TakeReason) => {
    const has = take.reasons ?? [];
    put({ reasons: has.includes(reason) ? has.filter((r) => r !== reason) : [...has, reason] });
  };
  return (
    <Panel aria-label={`Take ${take.number ?? 1}, camera ${take.camera ?? 'A'}`} sx={{ p: 1.25, display: 'grid', gap: 1.25 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
        <Typography sx={{ fontSize: 20, fontWeight: 650 }}>
          {take.shotName || 'Not planned'} · {take.number ?? 1}
          {take.camera ?? 'A'}
        </Typography>
        <Box sx={{ display: 'flex', gap: 1, ml: 'auto' }} role="group" aria-label="Mark">
          {marks.map(({ mark, label }) => (
            <ButtonBase
              key={mark}
              aria-pressed={take.mark === mark}
              onClick={() => put({ mark: take.mark === mark ? 'none' : mark })}
              sx={{
                minWidth: 92,
                height: 52,
                px: 1.5,
                fontFamily: 'inherit',
                fontSize: 16,
                fontWeight: 650,
                border: 2,
                borderRadius: 1,
                borderColor: take.mark === mark ? 'primary.main' : 'divider',
                bgcolor: take.mark === mark ? 'primary.main' : 'background.paper',
                color: take.mark === mark ? 'primary.contrastText' : 'text.primary',
              }}
            >
              {label}
            </ButtonBase>
          ))}
        </Box>
      </Box>
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'repeat(2, minmax(0, 1fr))' } }}>
        {number(rigFields.focalLengthMm, 'focalLengthMm')}
        {number(rigFields.fNumber, 'fNumber')}
        {number(sceneFields.subjectDistanceMm, 'distanceMm', 'Distance')}
        {number({ ...(sceneFields.timelineFps as NumberField), empty: null }, 'fps', 'Frame rate')}
      </Box>
      <Box sx={{ '& .MuiInputBase-root': { height: '52px !important' } }}>
        <LabelledSelect
          label="Rig"
          value={take.rig ? rigKey(take.rig) : ''}
          onChange={(key) => put({ rig: known.find((rig) => rigKey(rig) === key) ?? null })}
        >
          <MenuItem value="" sx={{ minHeight: 48 }}>
            not noted
          </MenuItem>
          {known.map((rig) => (
            <MenuItem key={rigKey(rig)} value={rigKey(rig)} sx={{ minHeight: 48, whiteSpace: 'normal' }}>
              {rig.name || 'a rig without a name'}, {rig.mode}
            </MenuItem>
          ))}
        </LabelledSelect>
      </Box>
      {gone.length > 0 && <Alert severity="warning">Not on the shelf any more: {gone.join(', ')}.</Alert>}
      <InputBase
        fullWidth
        value={take.note ?? ''}
        placeholder="A word"
        onChange={(event) => put({ note: oneLine(event.target.value) })}
        inputProps={{ 'aria-label': 'A word', maxLength: 500 }}
        sx={{ minHeight: 52, px: 1, fontSize: 16, border: 1, borderColor: 'divider', borderRadius: 1, bgcolor: 'background.default' }}
      />
      {differs.length > 0 && (
        <Box role="note" sx={{ borderLeft: 3, borderColor: 'warning.main', pl: 1, display: 'grid', gap: 0.75 }}>
          <Typography sx={{ fontSize: 14 }}>Otherwise than planned: {differs.join('; ')}.</Typography>
          <Box role="group" aria-label="Why" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
            {(Object.keys(reasons) as TakeReason[]).map((reason) => (
              <Chip
                key={reason}
                label={reasons[reason]}
                clickable
                aria-pressed={(take.reasons ?? []).includes(reason)}
                color={(take.reasons ?? []).includes(reason) ? 'primary' : 'default'}
                variant={(take.reasons ?? []).includes(reason) ? 'filled' : 'outlined'}
                onClick={() => toggle(reason)}
                sx={{ height: 44, borderRadius: 1, fontSize: 14 }}
              />
            ))}
          </Box>
        </Box>
      )}
      {place?.lengthMm != null && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'end', flexWrap: 'wrap', '& .MuiInputBase-root': { height: '52px !important' } }}>
          <Box sx={{ flex: '1 1 160px' }}>
            <FieldEntry
              field={{
                label: 'The place is really',
                help: 'Its length, wall to wall, as taped.',
                kind: 'roomSize',
                unit: 'mm',
                isDistance: true,
                empty: null,
              }}
              value={take.roomMm}
              feet={feet}
              placeholder={`planned ${roundDistance(place.lengthMm, feet)}`}
              problem={undefined}
              onValue={(roomMm) => put({ roomMm })}
            />
          </Box>
          {take.roomMm != null && take.roomMm !== place.lengthMm && (
            <Button
              variant="outlined"
              sx={{ minHeight: 52 }}
              onClick={() => {
                changePlace(place.id, { lengthMm: take.roomMm!, taped: true });
                setSay(`${place.name} is ${roundDistance(take.roomMm!, feet)} long now: what fits is asked anew.`);
              }}
            >
              Correct {place.name}
            </Button>
          )}
        </Box>
      )}
      {take.photoId && picture && <Wipe picture={picture} address={photoAddress({ id: take.photoId })} />}
      {take.photoId && !picture && <Box component="img" src={photoAddress({ id: take.photoId })} alt="The still" sx={{ width: '100%' }} />}
      {more && (
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'repeat(2, minmax(0, 1fr))' } }}>
          {number(rigFields.sensitivityIso, 'iso')}
          {number({ ...(rigFields.filterStops as NumberField), empty: null }, 'filterStops', 'Filters take')}
          {number({ ...(sceneFields.lensHeightMm as NumberField), empty: null }, 'lensHeightMm')}
          <LabelledInput
            label="Camera"
            value={take.camera ?? 'A'}
            inputProps={{ maxLength: 20 }}
            onChange={(event) => put({ camera: oneLine(event.target.value) })}
          />
          <LabelledInput
            label="Unit"
            value={take.crewUnit ?? ''}
            inputProps={{ maxLength: 60 }}
            onChange={(event) => put({ crewUnit: oneLine(event.target.value) })}
          />
          <LabelledInput
            label="Clip or still"
            value={take.file ?? ''}
            inputProps={{ maxLength: 200 }}
            onChange={(event) => put({ file: oneLine(event.target.value) })}
          />
          <LabelledSelect
            label="Its set-up to another shot"
            value=""
            onChange={(id) => {
              const shot = shots.find((s) => s.id === id);
              if (shot && take.rig) {
                onShot(shot);
                setSay(`${shot.name} has this rig now.`);
              }
            }}
          >
            <MenuItem value="">choose</MenuItem>
            {take.rig &&
              shots.map((shot) => (
                <MenuItem key={shot.id} value={shot.id}>
                  {shot.name}
                </MenuItem>
              ))}
          </LabelledSelect>
          <SameAgain take={take} name={name} document={document} feet={feet} />
        </Box>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, '& .MuiButton-root': { minHeight: 48 } }}>
        <Button variant="outlined" onClick={() => onOpen(noteOtherCamera(take, rows))}>
          Another camera too
        </Button>
        <FileButton accept="image/*,video/*,.mxf" testId="take-still" onFile={(file) => void bring(file)}>
          {take.photoId ? 'Another still or clip' : 'A still or clip of it'}
        </FileButton>
        <Button disabled={!take.rig || take.focalLengthMm == null || gone.length > 0} onClick={onBench}>
          To the Bench
        </Button>
        <Button onClick={() => setMore(!more)} aria-expanded={more}>
          {more ? 'Less' : 'More'}
        </Button>
        <Button sx={{ ml: 'auto', color: 'warning.main' }} onClick={onDelete}>
          Delete
        </Button>
      </Box>
      {(say || row.refused) && (
        <Typography role="status" sx={{ fontSize: 14, color: row.refused ? 'error.main' : 'text.secondary' }}>
          {row.refused || say}
        </Typography>
      )}
    </Panel>
  );
}
