import { Box, Typography } from '@mui/material';
import type { Diagnostic, GearField, GearItem } from '../../core/core';
import { modesOf, number } from '../../gear/gear';
import { useKinds } from '../../gear/shelfApi';
import { EntryField } from '../../ui/EntryField';
import { plain } from '../../ui/format';
import { Fold } from './Fold';
import { FormField } from './FormField';
import { formGrid } from './formGrid';
import { afterSensor, type Sensor } from './modes';
import { ModesForm } from './ModesForm';
import { hasPapers, Papers } from './Papers';

interface GearFormProps {
  item: GearItem;
  /** It is not on the shelf yet. */
  isNew: boolean;
  errors: Diagnostic[];
  feet: boolean;
  mounts: string[];
  onChange: (item: GearItem) => void;
}

/** A thing with a value changed; what is not known is undefined, and not written. */
const withValue = (item: GearItem, key: string, value: unknown): GearItem => ({ ...item, [key]: value });

const sensorOf = (item: GearItem): Sensor => ({
  widthMm: number(item, 'sensorWidthMm') ?? NaN,
  heightMm: number(item, 'sensorHeightMm') ?? NaN,
});

/** What can be known of a thing: what matters first, the rest folded by subject. */
export function GearForm({ item, isNew, errors, feet, mounts, onChange }: GearFormProps) {
  const kind = useKinds().find((k) => k.key === item.kind)!;
  const problem = (field: GearField) => errors.find((e) => e.about === field.key)?.message;
  const one = (field: GearField) => {
    switch (field.key) {
      case 'modes':
        return (
          <ModesForm
            key={field.key}
            modes={modesOf(item)}
            sensor={sensorOf(item)}
            errors={errors}
            feet={feet}
            onChange={(modes) => onChange(withValue(item, 'modes', modes.length ? modes : undefined))}
          />
        );
      case 'sensorWidthMm':
        return <SensorField key={field.key} item={item} problem={problem(field)} onChange={onChange} />;
      case 'sensorHeightMm':
        return null;
      default:
        return (
          <FormField
            key={field.key}
            kind={item.kind}
            field={field}
            value={item[field.key]}
            problem={problem(field)}
            feet={feet}
            mounts={mounts}
            onChange={(value) => onChange(withValue(item, field.key, value))}
            onOther={(key, value) => onChange(withValue(item, key, value))}
          />
        );
    }
  };
  // What tests found is told apart, and typed by nobody.
  const subjects = [...new Set(kind.fields.filter((f) => !f.fromTest).map((f) => f.subject))].filter((s) => s !== '');
  return (
    <Box sx={formGrid}>
      {isNew && hasPapers(item.kind) && <Papers item={item} mounts={mounts} onChange={onChange} />}
      {kind.fields.filter((f) => f.subject === '').map(one)}
      {subjects.map((subject) => {
        const fields = kind.fields.filter((f) => f.subject === subject);
        return (
          <Fold
            key={subject}
            title={subject}
            known={fields.filter((f) => item[f.key] !== undefined).length}
            hasProblem={fields.some((f) => problem(f) !== undefined)}
          >
            {fields.map(one)}
          </Fold>
        );
      })}
      <Unknown item={item} fields={kind.fields} />
    </Box>
  );
}

/** The whole sensor, by its format or its size. */
function SensorField({ item, problem, onChange }: { item: GearItem; problem: string | undefined; onChange: (item: GearItem) => void }) {
  const before = sensorOf(item);
  const isKnown = !Number.isNaN(before.widthMm) && !Number.isNaN(before.heightMm);
  const set = (widthMm: number, heightMm: number) => {
    const sensor = { widthMm, heightMm };
    onChange({ ...item, sensorWidthMm: widthMm, sensorHeightMm: heightMm, modes: afterSensor(modesOf(item), before, sensor) });
  };
  return (
    <EntryField
      label="Sensor"
      help="The whole sensor: its size, such as 35.9 x 23.9, or its format, such as full frame, APS-C or Super 35."
      kind="sensorArea"
      shown={isKnown ? `${plain(before.widthMm, 3)} × ${plain(before.heightMm, 3)} mm` : ''}
      placeholder="full frame, or 35.9 x 23.9"
      problem={problem}
      onClear={() => onChange({ ...item, sensorWidthMm: undefined, sensorHeightMm: undefined })}
      onValue={(width, height) => height !== null && set(width, height)}
    />
  );
}

/** What is not known, and what that costs; said once, at the end. */
function Unknown({ item, fields }: { item: GearItem; fields: GearField[] }) {
  const missing = fields.filter(
    (f) => f.without !== '' && item[f.key] === undefined && !(f.key === 'madeFor' && item.imageCircleMm !== undefined),
  );
  return (
    missing.length > 0 && (
      <Box
        component="section"
        aria-label="Not known"
        sx={{ gridColumn: '1 / -1', borderTop: 1, borderColor: 'divider', pt: 1, fontSize: 12.5, color: 'text.secondary' }}
      >
        <Typography component="h3" sx={{ fontSize: 12.5, fontWeight: 650 }}>
          Not known, and what that costs
        </Typography>
        {missing.map((f) => (
          <div key={f.key}>
            {f.label}: {f.without}.
          </div>
        ))}
      </Box>
    )
  );
}
