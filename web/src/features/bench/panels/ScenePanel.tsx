import { MenuItem, Typography } from '@mui/material';
import { memo } from 'react';
import type { EntryKind, Diagnostic, SceneInput } from '../../../core/core';
import type { Place, Subject } from '../../../picture/view';
import { EntryField } from '../../../ui/EntryField';
import { distanceField, plain, withUnit } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { changeScene } from '../benchStore';
import { PhotoSection } from './PhotoSection';
import { Fields, Section } from './RigPanel';
import { SidePanel } from './SidePanel';

interface ScenePanelProps {
  scene: SceneInput;
  problems: Diagnostic[];
  feet: boolean;
}

type Field = Exclude<keyof SceneInput, 'subjectDistanceMm' | 'place' | 'subject' | 'photo'>;

const places: Record<Place, string> = {
  shed: 'Long shed',
  loft: 'Sail loft',
  benchTop: 'Bending bench',
  slipway: 'Slipway',
  farBank: 'Far bank',
  chart: 'Chart, squares of 100 mm',
  oneLamp: 'One lamp in the dark',
};

const subjects: Record<Subject, string> = {
  standing: 'A person who stands',
  seated: 'A person on a stool',
  two: 'Two people',
  hands: 'Hands and a plane',
  rivet: 'A rivet, 12 mm',
  hull: 'A hull, 9 m',
  none: 'Nobody',
};

const choices = (names: Record<string, string>) =>
  Object.entries(names).map(([key, name]) => (
    <MenuItem key={key} value={key}>
      {name}
    </MenuItem>
  ));

/** Place, light, motion and room: the same for all rigs. */
export const ScenePanel = memo(function ScenePanel({ scene, problems, feet }: ScenePanelProps) {
  const far = (value: number) => distanceField(value, feet);
  const field = (
    label: string,
    help: string,
    kind: EntryKind,
    name: Field,
    usual: number | null,
    shown: (value: number) => string,
    placeholder = '',
  ) => (
    <EntryField
      label={label}
      help={help}
      kind={kind}
      shown={scene[name] == null ? (usual === null ? '' : shown(usual)) : shown(scene[name])}
      stepFrom={scene[name] ?? usual ?? undefined}
      feet={feet}
      placeholder={placeholder}
      problem={problems.find((p) => p.about === `scene.${name}`)?.message}
      onClear={usual === null ? () => changeScene({ [name]: null }) : undefined}
      onValue={(value) => changeScene({ [name]: value })}
    />
  );
  return (
    <SidePanel title="Place, light and motion">
      <Section title="Place">
        <Fields>
          <LabelledSelect
            label="Drawn in"
            help="Where the frames are drawn; no figure goes by it."
            value={scene.place ?? 'shed'}
            onChange={(place) => changeScene({ place })}
          >
            {choices(scene.photo ? { ...places, photo: 'Your photograph' } : places)}
          </LabelledSelect>
          <LabelledSelect
            label="Subject"
            help="What stands where focus is set."
            value={scene.subject ?? 'standing'}
            onChange={(subject) => changeScene({ subject })}
          >
            {choices(subjects)}
          </LabelledSelect>
        </Fields>
      </Section>
      <PhotoSection scene={scene} problems={problems} />
      <Section title="Light">
        <Fields>
          {field(
            'Brightness',
            'Exposure value at ISO 100, such as EV 12, or lux on the subject, such as 500 lx.',
            'brightness',
            'brightnessEv',
            null,
            (v) => `EV ${plain(v, 2)}`,
            'not known',
          )}
          {field('Mains', 'Frequency of the mains that lamps hang on.', 'mains', 'mainsHertz', 50, (v) => withUnit(plain(v), 'Hz'))}
        </Fields>
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          A meter’s reading for ISO 100. Bright sun is about EV 15, shade 12, a lit room 6 to 8, a street at night 2 to 4.
        </Typography>
      </Section>
      <Section title="Motion">
        <Fields>
          {field('Timeline', 'Frames a second of the finished film.', 'fps', 'timelineFps', 25, (v) => withUnit(plain(v), 'fps'))}
          {field(
            'Shutter angle',
            'How much of each frame gathers light; 180° looks natural.',
            'shutterAngle',
            'shutterAngleDeg',
            180,
            (v) => `${plain(v, 2)}°`,
          )}
          {field('Sideways move', 'The move of the camera for which parallax is told.', 'sideways', 'sidewaysMm', 100, far)}
        </Fields>
      </Section>
      <Section title="Room">
        <Fields>
          {field(
            'Camera not nearer',
            'Heat, water, animals: the nearest that the camera may come to the subject.',
            'cameraPlace',
            'nearestCameraMm',
            null,
            far,
            'free',
          )}
          {field(
            'Camera not farther',
            'The farthest that the sensor mark can be from the subject: the room less what stands behind the mark.',
            'cameraPlace',
            'farthestCameraMm',
            null,
            far,
            'open',
          )}
          {field(
            'Microphone',
            'From the microphone to the mouth; empty for one on the camera. Each doubling costs 6 dB in the open.',
            'cameraPlace',
            'microphoneMm',
            null,
            far,
            'on the camera',
          )}
          {field('Standing figure', 'Height of the figures in the frames.', 'lensHeight', 'figureHeightMm', 1750, far)}
        </Fields>
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          “Find” keeps within these. Keep a safe distance from heat, water, tools and animals, and follow local rules.
        </Typography>
      </Section>
    </SidePanel>
  );
});
