import { MenuItem } from '@mui/material';
import { core } from '../core/core';
import { plain } from './format';
import { LabelledSelect } from './LabelledSelect';

const typed = '';

/** How bright it is by a name; the range that is called so stands beside it. */
export function LevelChoice({ ev, onChange }: { ev: number | null; onChange: (ev: number | null) => void }) {
  const { levels } = core();
  const named = levels.find((level) => level.usualEv === ev)?.name ?? typed;
  const alike =
    ev === null ? [] : levels.filter((level) => level.fromEv <= ev && ev <= level.toEv).map((level) => level.name.toLowerCase());
  return (
    <LabelledSelect
      label="Light"
      help={`How bright it is, by a name. Takes what is usual of its range.${alike.length > 0 ? ` Now like ${alike.join(', ')}.` : ''}`}
      value={named}
      onChange={(name) => onChange(levels.find((level) => level.name === name)?.usualEv ?? null)}
    >
      <MenuItem value={typed}>
        {/* While a name is chosen, taking this one takes the brightness away, and so it says. */}
        <em>{ev === null || named !== typed ? 'Not known' : alike.length > 0 ? `Like ${alike[0]}` : 'As typed'}</em>
      </MenuItem>
      {levels.map(({ name, fromEv, toEv }) => (
        <MenuItem key={name} value={name}>
          {name}
          <small>
            &nbsp;· EV {plain(fromEv)} to {plain(toEv)}
          </small>
        </MenuItem>
      ))}
    </LabelledSelect>
  );
}
