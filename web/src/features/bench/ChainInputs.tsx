import { Box, ButtonBase, MenuItem } from '@mui/material';
import { memo, useMemo } from 'react';
import type { Assembled, Chain, Diagnostic, RigInput, SceneInput } from '../../core/core';
import { named, rigFields } from '../../core/fields';
import { fpsOf } from '../../gear/chains';
import { EntryField } from '../../ui/EntryField';
import { plain, withUnit } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { rigLetter } from '../../ui/RigMark';
import { changeChain, changeRig } from './commands';
import { ChainDrawing } from './ChainDrawing';
import { OwnDistance } from './OwnDistance';
import { usePanel } from './panels/panelStore';

interface ChainInputsProps {
  index: number;
  rig: RigInput;
  chain: Chain;
  assembled: Assembled;
  spanMm: { back: number; front: number; high: number };
  problems: Diagnostic[];
  /** Only what a hand moves most. */
  brief: boolean;
  scene: SceneInput;
  /** Some rig does not stand at the scene's distance. */
  spread: boolean;
  feet: boolean;
}

interface NamedMode {
  name: string;
  fps?: number[];
}

/** A rig of parts: the chain to scale, its parts by name, and what can be set on it. */
export const ChainInputs = memo(function ChainInputs({
  index,
  rig,
  chain,
  assembled,
  spanMm,
  problems,
  brief,
  scene,
  spread,
  feet,
}: ChainInputsProps) {
  const open = usePanel((s) => s.open);
  const problem = (field: string) => problems.find((p) => p.about === `rigs[${index}].${field}`)?.message;
  const modes = (chain.parts[0]?.item.modes as NamedMode[] | undefined) ?? [];
  const mode = chain.mode || (modes[0]?.name ?? '');
  const { zoomShortMm, zoomLongMm } = rig.lens ?? {};
  const isZoom = zoomShortMm != null && zoomLongMm != null && zoomLongMm > zoomShortMm;
  const part = (place: number) => open({ kind: 'parts', rig: rig.id!, place, isNew: false });
  const worst = useMemo(() => {
    const order = { stops: 3, spoils: 2, costs: 1, note: 0 };
    const found = new Map<number, keyof typeof order>();
    for (const f of assembled.findings) {
      if (order[f.severity] > order[found.get(f.part) ?? 'note']) found.set(f.part, f.severity);
    }
    return found;
  }, [assembled]);

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: '6px', minWidth: 0 }}>
      <Box sx={{ height: 56, minWidth: 0 }}>
        <ChainDrawing index={index} chain={chain} assembled={assembled} spanMm={spanMm} sensorHeightMm={rig.sensorHeightMm} onPart={part} />
      </Box>
      <Box
        role="group"
        aria-label={`Parts of rig ${rigLetter(index)}`}
        sx={{ display: 'flex', gap: '4px', minWidth: 0, overflowX: 'auto', pb: '1px' }}
      >
        {chain.parts.map(({ item }, place) => {
          const bad = worst.get(place);
          return (
            <ButtonBase
              key={place}
              onClick={() => part(place)}
              aria-haspopup="dialog"
              aria-label={`${item.name}${bad ? `, ${bad === 'costs' ? 'at a cost' : 'at fault'}` : ''}: swap or see what fits`}
              title={item.name}
              sx={{
                flex: '1 1 0',
                minWidth: 62,
                maxWidth: 190,
                height: 40,
                px: 0.5,
                fontFamily: 'inherit',
                fontSize: 12.5,
                lineHeight: 1.15,
                border: 1,
                borderRadius: 1,
                borderColor: bad === 'stops' || bad === 'spoils' ? 'warning.main' : 'divider',
                bgcolor: 'background.default',
                '&:hover': { borderColor: 'primary.main' },
              }}
            >
              <Box
                component="span"
                sx={{
                  display: '-webkit-box',
                  WebkitLineClamp: 2,
                  WebkitBoxOrient: 'vertical',
                  overflow: 'hidden',
                  overflowWrap: 'anywhere',
                }}
              >
                {item.name}
              </Box>
            </ButtonBase>
          );
        })}
        <ButtonBase
          aria-haspopup="dialog"
          aria-label={`Add a part to rig ${rigLetter(index)}`}
          title="Add a part"
          onClick={() => open({ kind: 'parts', rig: rig.id!, place: chain.parts.length, isNew: true })}
          sx={{
            flex: '0 0 40px',
            height: 40,
            border: 1,
            borderRadius: 1,
            borderStyle: 'dashed',
            borderColor: 'primary.main',
            color: 'primary.main',
            fontSize: 18,
          }}
        >
          +
        </ButtonBase>
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: '6px',
          gridTemplateColumns: brief ? `1.6fr 1.1fr ${spread ? '1fr 1.1fr' : '1fr'}` : '2fr 1.2fr 1fr 1fr',
          '& > *': { minWidth: 0 },
          '& > .rate': { display: 'none' },
          '@container (min-width: 430px)': brief ? {} : { gridTemplateColumns: '2fr 1.2fr 1fr 1fr 1fr', '& > .rate': { display: 'block' } },
          '@container (max-width: 290px)': { gridTemplateColumns: '1fr 1fr', '& > .mode': { gridColumn: '1 / -1' } },
        }}
      >
        <div className="mode">
          <LabelledSelect label="Recording mode" value={mode} onChange={(next) => changeChain(rig.id!, { ...chain, mode: next })}>
            {modes.map((m) => (
              <MenuItem key={m.name} value={m.name}>
                {m.name}
                {m.fps && <small>&nbsp;· {m.fps.map((fps) => plain(fps)).join(' ')} fps</small>}
              </MenuItem>
            ))}
          </LabelledSelect>
        </div>
        <EntryField
          label={isZoom ? `Zoom ${plain(zoomShortMm)}–${plain(zoomLongMm)}` : 'Focal length'}
          help={isZoom ? 'Anywhere along the zoom; arrow keys go through it.' : 'A prime: as marked on the lens.'}
          kind="focalLength"
          shown={withUnit(plain(rig.focalLengthMm), 'mm')}
          stepFrom={isZoom ? rig.focalLengthMm : undefined}
          problem={problem('focalLengthMm')}
          onValue={(focalLengthMm) => changeRig(rig.id!, { focalLengthMm })}
        />
        <EntryField
          label="Aperture"
          help="As marked on the lens, within what it has at this focal length."
          kind="fNumber"
          shown={`ƒ${plain(rig.fNumber, 2)}`}
          stepFrom={rig.fNumber}
          problem={problem('fNumber')}
          onValue={(fNumber) => changeRig(rig.id!, { fNumber })}
        />
        {!brief && (
          <>
            <EntryField
              {...named(rigFields.punchIn)}
              shown={`${plain(rig.punchIn ?? rigFields.punchIn.empty)}×`}
              stepFrom={rig.punchIn ?? rigFields.punchIn.empty}
              problem={problem('punchIn')}
              onValue={(punchIn) => changeRig(rig.id!, { punchIn })}
            />
            <div className="rate">
              <Rate rig={rig} chain={chain} scene={scene} problem={problem('captureFps')} />
            </div>
          </>
        )}
        {spread && (
          <OwnDistance index={index} mm={rig.subjectDistanceMm ?? null} sceneMm={scene.subjectDistanceMm} problems={problems} feet={feet} />
        )}
      </Box>
    </Box>
  );
});

interface RateProps {
  rig: RigInput;
  chain: Chain;
  scene: SceneInput;
  problem: string | undefined;
}

/** Captured frames a second: of those that the mode offers, or any where nobody knows them. Empty is as many as the timeline has. */
export function Rate({ rig, chain, scene, problem }: RateProps) {
  const modes = (chain.parts[0]?.item.modes as NamedMode[] | undefined) ?? [];
  const offered = (chain.mode === '' ? modes[0] : modes.find((m) => m.name === chain.mode))?.fps ?? [];
  const set = (captureFps: number | null) => changeRig(rig.id!, { captureFps });
  if (offered.length === 0) {
    return (
      <EntryField
        {...named(rigFields.captureFps)}
        label="Rate"
        shown={rig.captureFps == null ? '' : withUnit(plain(rig.captureFps), 'fps')}
        stepFrom={rig.captureFps ?? fpsOf(scene)}
        placeholder="as timeline"
        problem={problem}
        onClear={() => set(null)}
        onValue={set}
      />
    );
  }
  const captured = rig.captureFps ?? fpsOf(scene);
  const rates = offered.includes(captured) ? offered : [...offered, captured];
  return (
    <LabelledSelect
      label="Rate"
      help="Frames a second that are captured. What the mode offers; more than the timeline plays gives slow motion."
      problem={problem}
      value={String(captured)}
      onChange={(fps) => set(Number(fps) === fpsOf(scene) ? null : Number(fps))}
    >
      {rates.map((fps) => (
        <MenuItem key={fps} value={String(fps)}>
          {plain(fps)} fps{!offered.includes(fps) && ', not offered'}
        </MenuItem>
      ))}
    </LabelledSelect>
  );
}
