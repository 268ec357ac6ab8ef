import { Box, Button, MenuItem, Select, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { newId } from '../documents/unique';
import { LabelledInput } from '../ui/LabelledInput';
import { oneLine } from '../ui/format';
import { conditions, giveAway, named, readUnits, saveUnit, useUnits, type GearUnit, type NamedUnit } from './units';

/** The physical units of a model: what each is called, whose it is, where it is, in what state. Each change is saved as it is made. */
export function UnitsOf({ gearId }: { gearId: string }) {
  const units = useUnits((s) => s.units).filter((unit) => unit.gearId === gearId);
  const bookings = useUnits((s) => s.bookings);
  const state = useUnits((s) => s.state);
  const [problem, setProblem] = useState('');
  useEffect(() => void readUnits(), [gearId]);
  if (state === 'opening' || units.length === 0) {
    return null;
  }
  const told = (failed: { say: string } | null) => setProblem(failed?.say ?? '');
  return (
    <Box component="section" aria-label="Units" sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Typography sx={{ fontSize: 13, fontWeight: 650 }}>{units.length === 1 ? 'There is one' : `There are ${units.length}`}</Typography>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>Each is in one bag at a time, and is booked by itself.</Typography>
      {named(units).map(({ unit, name }) => (
        <Unit
          key={unit.id}
          unit={unit}
          name={name}
          booked={bookings.filter((b) => b.unitId === unit.id).length}
          isLast={units.length === 1}
          onSaved={told}
        />
      ))}
      <Button
        size="small"
        onClick={() =>
          void saveUnit(newId(), { gearId, label: '', owner: '', place: '', condition: 'good', conditionNote: '' }, null).then(told)
        }
      >
        One more
      </Button>
      {problem && (
        <Typography role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          {problem}
        </Typography>
      )}
    </Box>
  );
}

interface UnitProps extends NamedUnit {
  booked: number;
  isLast: boolean;
  onSaved: (failed: { say: string } | null) => void;
}

function Unit({ unit, name, booked, isLast, onSaved }: UnitProps) {
  const { id, revision, ...known } = unit;
  const save = (part: Partial<GearUnit>) => void saveUnit(id, { ...known, ...part }, revision).then(onSaved);
  return (
    <Box
      role="group"
      aria-label={name}
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
        gap: '2px 8px',
        py: 0.75,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Text label="Serial or tag" value={unit.label} max={80} onSave={(label) => save({ label })} />
      <Text label="Whose, if not as above" value={unit.owner} max={120} onSave={(owner) => save({ owner })} />
      <Text label="Where it is" value={unit.place} max={120} onSave={(place) => save({ place })} />
      <Box sx={{ '& label': { display: 'block', fontSize: 12, color: 'text.secondary' } }}>
        <label>State</label>
        <State unit={unit} onSave={save} name={name} />
      </Box>
      {unit.condition !== 'good' && (
        <Box sx={{ gridColumn: '1 / -1' }}>
          <Text label="What is wrong" value={unit.conditionNote} max={500} onSave={(conditionNote) => save({ conditionNote })} />
        </Box>
      )}
      <Box sx={{ gridColumn: '1 / -1', display: 'flex', alignItems: 'center', fontSize: 12.5, color: 'text.secondary' }}>
        <span style={{ flex: 1 }}>{booked > 0 && `booked ${booked === 1 ? 'once' : `${booked} times`}`}</span>
        {!isLast && (
          <Button size="small" color="inherit" onClick={() => void giveAway(id).then(onSaved)}>
            Give away
          </Button>
        )}
      </Box>
    </Box>
  );
}

/** The state of a unit; one that works has nothing wrong. */
export function State({ unit, name, onSave }: { unit: GearUnit; name: string; onSave: (part: Partial<GearUnit>) => void }) {
  return (
    <Select
      size="small"
      fullWidth
      value={unit.condition}
      onChange={(event) => onSave({ condition: event.target.value, ...(event.target.value === 'good' && { conditionNote: '' }) })}
      inputProps={{ 'aria-label': `State of ${name}` }}
      sx={{ fontSize: 13.5, height: 40, color: unit.condition === 'good' ? undefined : 'warning.main' }}
    >
      {Object.entries(conditions).map(([condition, words]) => (
        <MenuItem key={condition} value={condition}>
          {words}
        </MenuItem>
      ))}
    </Select>
  );
}

interface TextProps {
  label: string;
  value: string;
  max: number;
  placeholder?: string;
  /** The identity of a list of what may be typed. */
  list?: string;
  onSave: (text: string) => void;
}

/** A text that is saved when one leaves it. */
export function Text({ label, value, max, placeholder = '', list, onSave }: TextProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const save = () => {
    if (typed !== null && typed.trim() !== value) {
      onSave(typed.trim());
    }
    setTyped(null);
  };
  return (
    <LabelledInput
      label={label}
      value={typed ?? value}
      placeholder={placeholder}
      onChange={(event) => setTyped(oneLine(event.target.value))}
      onBlur={save}
      onKeyDown={(event) => event.key === 'Enter' && save()}
      inputProps={{ maxLength: max, list }}
    />
  );
}
