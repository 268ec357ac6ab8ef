import { IconButton, MenuItem, Tooltip } from '@mui/material';
import type { LocationInput, ShotInput } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { plain } from '../../ui/format';
import { DeleteIcon } from '../../ui/icons';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { LevelChoice } from '../../ui/LevelChoice';
import { addLevel, changeBrightness, changeLevel, changeShot, removeLevel } from './commands';
import { problemOf, WordsField } from './formParts';
import { brightnessFor, levelOf, useProduction } from './productionStore';

const [usual, added] = ['', 'new'];
const most = 24;

const ev = (brightnessEv: number | null | undefined) => (brightnessEv == null ? 'not known' : `EV ${plain(brightnessEv, 1)}`);

/** How bright it is in a shot: as its place usually is, or at a level of its own, of which a place has several. */
export function LightOfShot({ shot, place }: { shot: ShotInput; place: LocationInput }) {
  const problems = useProduction((s) => s.problems);
  const level = levelOf(place, shot);
  const levels = place.levels ?? [];
  const now = brightnessFor(place, shot);
  const at = levels.findIndex((l) => l.id === level?.id);
  return (
    <>
      <LabelledSelect
        label="Lit in this shot"
        help="A place may be bright in more ways than one: in the morning, with the lamps on. Each shot says which."
        value={level?.id ?? usual}
        onChange={(id) =>
          id === added
            ? addLevel(place, shot, { name: `Light ${levels.length + 1}`, brightnessEv: now ?? 8 })
            : changeShot(shot.id, { levelId: id === usual ? null : id })
        }
      >
        <MenuItem value={usual}>
          As usual<small>&nbsp;· {ev(place.brightnessEv)}</small>
        </MenuItem>
        {levels.map(({ id, name, brightnessEv }) => (
          <MenuItem key={id} value={id}>
            {name || 'Nameless'}
            <small>&nbsp;· {ev(brightnessEv)}</small>
          </MenuItem>
        ))}
        {levels.length < most && (
          <MenuItem value={added}>
            <em>At another time…</em>
          </MenuItem>
        )}
      </LabelledSelect>
      <LevelChoice ev={now} onChange={(brightnessEv) => changeBrightness(place, shot, brightnessEv)} />
      <EntryField
        label="or measured"
        help="EV 12 at ISO 100, 500 lx, 40 cd/m², or settings that looked right: ISO 800 ƒ2.8 1/50 ND8. Empty when it is not known."
        kind="brightness"
        shown={now === null ? '' : `EV ${plain(now, 2)}`}
        stepFrom={now ?? 7}
        placeholder="not known"
        problem={problemOf(problems, level ? `location.levels[${at}].brightnessEv` : 'location.brightnessEv')}
        onClear={level ? undefined : () => changeBrightness(place, shot, null)}
        onValue={(brightnessEv) => changeBrightness(place, shot, brightnessEv)}
      />
      {level && (
        <div className="all" style={{ display: 'flex', alignItems: 'end', gap: 6 }}>
          <div style={{ flex: 1 }}>
            <WordsField
              label="This light is called"
              value={level.name}
              max={80}
              problem={problemOf(problems, `location.levels[${at}].name`)}
              onChange={(name) => changeLevel(place, level.id, { name })}
            />
          </div>
          <Tooltip title="Delete this light">
            <IconButton aria-label="Delete this light" onClick={() => removeLevel(place, level.id)}>
              <DeleteIcon fontSize="small" />
            </IconButton>
          </Tooltip>
        </div>
      )}
    </>
  );
}
