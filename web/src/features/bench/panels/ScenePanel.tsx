import { MenuItem, Typography } from '@mui/material';
import { memo } from 'react';
import type { Diagnostic, RigInput, SceneInput } from '../../../core/core';
import { sceneFields } from '../../../core/fields';
import type { Backdrop, DrawnSubject } from '../../../picture/view';
import { FieldEntry } from '../../../ui/FieldEntry';
import { LevelChoice } from '../../../ui/LevelChoice';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { changeScene } from '../commands';
import { SafeShutters } from '../light/SafeShutters';
import { PhotoSection } from './PhotoSection';
import { Fields, Section } from './RigPanel';
import { SidePanel } from './SidePanel';

interface ScenePanelProps {
  scene: SceneInput;
  rigs: RigInput[];
  problems: Diagnostic[];
  feet: boolean;
}

type SceneNumber = { [K in keyof SceneInput]-?: NonNullable<SceneInput[K]> extends number ? K : never }[keyof SceneInput];

const backdrops: Record<Backdrop, string> = {
  shed: 'Long shed',
  loft: 'Sail loft',
  benchTop: 'Bending bench',
  slipway: 'Slipway',
  farBank: 'Far bank',
  chart: 'Chart, squares of 100 mm',
  oneLamp: 'One lamp in the dark',
};

const subjects: Record<DrawnSubject, string> = {
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
export const ScenePanel = memo(function ScenePanel({ scene, rigs, problems, feet }: ScenePanelProps) {
  const field = (name: SceneNumber, placeholder?: string) => (
    <FieldEntry
      field={sceneFields[name]}
      value={scene[name]}
      feet={feet}
      fps={scene.timelineFps ?? sceneFields.timelineFps.empty}
      {...(placeholder !== undefined && { placeholder })}
      problem={problems.find((p) => p.about === `scene.${name}`)?.message}
      onValue={(value) => changeScene({ [name]: value })}
    />
  );
  return (
    <SidePanel title="Place, light and motion">
      <Section title="Place">
        <Fields>
          <LabelledSelect
            label={sceneFields.backdrop.label}
            help={sceneFields.backdrop.help}
            value={scene.backdrop ?? sceneFields.backdrop.empty}
            onChange={(backdrop) => changeScene({ backdrop })}
          >
            {choices(scene.photo ? { ...backdrops, photo: 'Your photograph' } : backdrops)}
          </LabelledSelect>
          <LabelledSelect
            label={sceneFields.subject.label}
            help={sceneFields.subject.help}
            value={scene.subject ?? sceneFields.subject.empty}
            onChange={(subject) => changeScene({ subject })}
          >
            {choices(subjects)}
          </LabelledSelect>
        </Fields>
      </Section>
      <PhotoSection scene={scene} problems={problems} />
      <Section title="Light">
        <Fields>
          <LevelChoice ev={scene.brightnessEv ?? null} onChange={(brightnessEv) => changeScene({ brightnessEv })} />
          {field('brightnessEv')}
          {field('mainsHertz')}
        </Fields>
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          By a name; as a meter reads it for ISO 100: an exposure value, lux on the subject, cd/m² off it; or by settings that looked right:
          ISO 800 ƒ2.8 1/50 ND8.
        </Typography>
      </Section>
      <Section title="Motion">
        <Fields>
          {field('timelineFps')}
          {field('shutterAngleDeg')}
          {field('shutterSeconds', 'by the angle')}
          {field('movementSeconds')}
          {field('sidewaysMm')}
        </Fields>
        <SafeShutters scene={scene} rigs={rigs} />
      </Section>
      <Section title="Room">
        <Fields>
          {field('nearestCameraMm', 'free')}
          {field('farthestCameraMm', 'open')}
          {field('microphoneMm', 'on the camera')}
          {field('figureHeightMm')}
        </Fields>
        <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>
          “Find” keeps within these. Keep a safe distance from heat, water, tools and animals, and follow local rules.
        </Typography>
      </Section>
    </SidePanel>
  );
});
