import { Box, Button, MenuItem, Typography } from '@mui/material';
import { useRef, useState } from 'react';
import { isWorry, type Diagnostic, type RigReport, type SceneInput } from '../../../core/core';
import { EntryField } from '../../../ui/EntryField';
import { plain, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { rigLetter } from '../../../ui/RigMark';
import { useBench, yardstickOf } from '../benchStore';
import { changeScene } from '../commands';
import { Outline } from '../Outline';
import { bringPhoto, deletePhoto, photoAddress, restorePhoto, type Brought, type Photo } from '../../../picture/photo';
import { Fields, Section } from './RigPanel';

const typed = 'typed';

/** The sensor and the focal length of a rig, turned with the photograph. */
function takenBy(
  rig: number,
  { widthPx, heightPx }: Pick<Photo, 'widthPx' | 'heightPx'>,
): Pick<Photo, 'sensorWidthMm' | 'sensorHeightMm' | 'focalLengthMm'> {
  const { document, reports } = useBench.getState();
  const { sensorWidthMm: a, sensorHeightMm: b } = document.setup.rigs[rig]!;
  const [long, short] = [Math.max(a, b), Math.min(a, b)];
  const upright = heightPx > widthPx;
  return {
    sensorWidthMm: upright ? short : long,
    sensorHeightMm: upright ? long : short,
    focalLengthMm: reports[rig]!.figures.effectiveFocalLengthMm,
  };
}

/** A photograph of the place: brought by a person, with what took it, and every rig's cut drawn on it. */
export function PhotoSection({ scene, problems }: { scene: SceneInput; problems: Diagnostic[] }) {
  const yardstick = useBench((s) => yardstickOf(s.document.setup));
  const rigs = useBench((s) => s.document.setup.rigs);
  const reports = useBench((s) => s.reports);
  const input = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [over, setOver] = useState(false);
  const [place, setPlace] = useState<Brought['place']>(null);
  const photo = scene.photo ?? null;
  const set = (part: Partial<Photo>) => photo && changeScene({ photo: { ...photo, ...part } });
  const problem = (field: string) => problems.find((p) => p.about === `scene.photo.${field}`)?.message;

  const bring = async (file: File | undefined) => {
    if (!file || busy) return;
    setBusy(true);
    setSaid('Reading the picture…');
    const brought = await bringPhoto(file);
    setBusy(false);
    if ('kind' in brought) {
      setSaid(brought.say);
      return;
    }
    const { focalLength } = brought;
    const took =
      focalLength === null
        ? takenBy(yardstick, brought.photo)
        : { ...(!focalLength.isEquivalent && takenBy(yardstick, brought.photo)), focalLengthMm: focalLength.mm };
    changeScene({ photo: { ...brought.photo, ...took }, backdrop: 'photo' });
    setPlace(brought.place);
    setSaid(
      focalLength === null
        ? `The file does not say what took it: rig ${rigLetter(yardstick)} is assumed. Say so below if it was another.`
        : focalLength.isEquivalent
          ? `The file tells ${plain(focalLength.mm)} mm, as on 36 × 24.`
          : `The file tells ${plain(focalLength.mm)} mm, but no sensor: that of rig ${rigLetter(yardstick)} is assumed.`,
    );
  };
  const remove = async () => {
    const failed = photo && (await deletePhoto(photo, useBench.getState().id));
    if (failed) {
      setSaid(failed.say);
    } else {
      changeScene({ photo: null, backdrop: 'shed' });
      setSaid('The photograph is deleted. Undo shows it again where it can still be brought back, for 30 days.');
    }
  };
  const rigOf = photo
    ? rigs.findIndex((_, i) => reports[i] && Object.entries(takenBy(i, photo)).every(([key, value]) => photo[key as keyof Photo] === value))
    : -1;

  return (
    <Section title="Photograph">
      <Box
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void bring(event.dataTransfer.files[0]);
        }}
        sx={{ border: '1px dashed', borderColor: over ? 'primary.main' : 'divider', borderRadius: 1, p: 1, display: 'grid', gap: 1 }}
      >
        {photo && <Cuts key={photo.id} photo={photo} reports={reports} say={setSaid} />}
        <Button disabled={busy} onClick={() => input.current?.click()}>
          {photo ? 'Drop another still here, or choose one' : 'Drop a still from your scout here, or choose one'}
        </Button>
        <input
          ref={input}
          type="file"
          accept="image/*"
          hidden
          aria-label="A still of the place"
          onChange={(event) => {
            void bring(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </Box>
      <Typography role="status" sx={{ fontSize: 12.5, color: 'text.secondary', my: 0.5 }}>
        {said ?? 'Taken from where the camera is to stand. It is stored small, without location or anything but the picture.'}
      </Typography>
      {photo && place && photo.latitudeDeg == null && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 12.5 }}>
          The file says where it was taken. That is not stored.
          <Button size="small" onClick={() => set(place)}>
            Keep the location
          </Button>
        </Box>
      )}
      {photo?.latitudeDeg != null && photo.longitudeDeg != null && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, fontSize: 12.5 }}>
          Taken at {photo.latitudeDeg.toFixed(5)}°, {photo.longitudeDeg.toFixed(5)}°.
          <Button size="small" onClick={() => set({ latitudeDeg: null, longitudeDeg: null })}>
            Forget it
          </Button>
        </Box>
      )}
      {photo && (
        <>
          <Fields>
            <LabelledSelect
              label="Taken with"
              value={rigOf < 0 ? typed : String(rigOf)}
              onChange={(rig) => rig !== typed && set(takenBy(Number(rig), photo))}
            >
              <MenuItem value={typed}>as typed beside</MenuItem>
              {rigs.map((rig, i) => (
                <MenuItem key={i} value={String(i)}>
                  Rig {rigLetter(i)} {rig.name}
                </MenuItem>
              ))}
            </LabelledSelect>
            <EntryField
              label="Its focal length"
              help="What took the photograph; with an empty sensor, as on 36 × 24."
              kind="focalLength"
              shown={withUnit(plain(photo.focalLengthMm, 3), 'mm')}
              stepFrom={photo.focalLengthMm}
              problem={problem('focalLengthMm')}
              onValue={(focalLengthMm) => set({ focalLengthMm })}
            />
            <EntryField
              label="Its sensor, mm"
              help="Width × height, turned with the picture. Empty where only an equivalent focal length is known."
              kind="sensorArea"
              shown={
                photo.sensorWidthMm == null || photo.sensorHeightMm == null
                  ? ''
                  : `${plain(photo.sensorWidthMm)}×${plain(photo.sensorHeightMm)}`
              }
              placeholder="as on 36×24"
              problem={problem('sensorWidthMm') ?? problem('sensorHeightMm')}
              onClear={() => set({ sensorWidthMm: null, sensorHeightMm: null })}
              onValue={(sensorWidthMm, sensorHeightMm) => set({ sensorWidthMm, sensorHeightMm })}
            />
          </Fields>
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Button onClick={() => changeScene({ photo: null, backdrop: 'shed' })}>Take it out</Button>
            <Button onClick={() => void remove()}>Delete it</Button>
          </Box>
        </>
      )}
    </Section>
  );
}

/** The whole photograph with what each rig would take of it. */
function Cuts({ photo, reports, say }: { photo: Photo; reports: RigReport[]; say: (text: string) => void }) {
  const [missing, setMissing] = useState(false);
  const bringBack = async () => {
    const failed = await restorePhoto(photo);
    say(failed ? failed.say : 'The photograph is back.');
    setMissing(failed !== null);
  };
  const wider = reports.flatMap(({ figures: f }, i) =>
    isWorry(f, 'stillShareAcross') || isWorry(f, 'stillShareUp') ? [rigLetter(i)] : [],
  );
  return (
    <Box>
      <Box sx={{ position: 'relative', aspectRatio: photo.widthPx / photo.heightPx, overflow: 'hidden', borderRadius: 0.5 }}>
        <Box
          component="img"
          key={String(missing)}
          src={photoAddress(photo)}
          onError={() => setMissing(true)}
          alt="The photograph, with the cut of each rig"
          sx={{ width: '100%', height: '100%', display: 'block' }}
        />
        {reports.map(
          ({ figures: f }, i) => f.stillShareAcross > 0 && <Outline key={i} index={i} across={f.stillShareAcross} up={f.stillShareUp} />,
        )}
      </Box>
      {missing && (
        <Button variant="outlined" size="small" sx={{ mt: 0.5 }} onClick={() => void bringBack()}>
          Bring the photograph back
        </Button>
      )}
      {wider.length > 0 && (
        <Box sx={{ fontSize: 12.5, mt: 0.5 }}>
          Wider than the photograph: {wider.length === 1 ? 'rig' : 'rigs'} {wider.join(', ')}.
        </Box>
      )}
    </Box>
  );
}
