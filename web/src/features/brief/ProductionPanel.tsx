import { Box, Button, Checkbox, Dialog, DialogActions, DialogContent, DialogTitle, FormControlLabel, Typography } from '@mui/material';
import { useSettings } from '../../app/settings';
import type { Delivery } from '../../core/core';
import { conventionFields } from '../../core/fields';
import { conventionsOf } from '../../gear/tolerances';
import { EntryField } from '../../ui/EntryField';
import { FieldEntry } from '../../ui/FieldEntry';
import { exposureTime, plain, shape, withUnit } from '../../ui/format';
import { Bag } from './Bag';
import { placesOf, shotsOf, useProduction } from './productionStore';
import { changeProduction, removePlace } from './commands';
import { Grid, problemOf, WordsField } from './formParts';
import { entriesOf, rules } from './words';

const tolerances = [
  ['focalLengthShare', 'focalLengthTolerance'],
  ['factorShare', 'factorTolerance'],
  ['tapeMm', 'tapeToleranceMm'],
  ['roomMm', 'roomToleranceMm'],
] as const;

/** What holds for the whole production: delivery, units, gear to choose from. */
export function ProductionPanel({ onClose }: { onClose: () => void }) {
  const document = useProduction((s) => s.document);
  const problems = useProduction((s) => s.problems);
  const feet = useSettings((s) => s.feet);
  const preferConventions = useSettings((s) => s.preferConventions);
  const delivery = document.delivery ?? {};
  const set = (part: Partial<Delivery>) => changeProduction({ delivery: { ...delivery, ...part } });
  const unused = placesOf(document).filter((p) => shotsOf(document).every((s) => s.locationId !== p.id));
  return (
    <Dialog open onClose={onClose} aria-labelledby="production-title" maxWidth="sm" fullWidth>
      <DialogTitle id="production-title">The production</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        <Grid style={{ gridTemplateColumns: 'repeat(4, minmax(0, 1fr))', paddingTop: 4 }}>
          <EntryField
            label="Delivered shape"
            help="Width over height of what is delivered."
            kind="deliveryAspect"
            shown={shape(delivery.aspect ?? 16 / 9)}
            stepFrom={delivery.aspect ?? 16 / 9}
            problem={problemOf(problems, 'delivery.aspect')}
            onValue={(aspect) => set({ aspect })}
          />
          <EntryField
            label="Delivered width"
            help="Pixels across that delivery asks for; empty when it does not say."
            kind="deliveryWidth"
            shown={delivery.widthPx == null ? '' : withUnit(plain(delivery.widthPx), 'px')}
            stepFrom={delivery.widthPx ?? 3840}
            placeholder="does not say"
            problem={problemOf(problems, 'delivery.widthPx')}
            onClear={() => set({ widthPx: null })}
            onValue={(widthPx) => set({ widthPx })}
          />
          <EntryField
            label="Timeline"
            help="Frames a second."
            kind="fps"
            shown={withUnit(plain(delivery.timelineFps ?? 25), 'fps')}
            stepFrom={delivery.timelineFps ?? 25}
            problem={problemOf(problems, 'delivery.timelineFps')}
            onValue={(timelineFps) => set({ timelineFps })}
          />
          <EntryField
            label="Shutter"
            help="Shutter angle, or the exposure time: 180 or 1/50."
            kind="shutterAngle"
            fps={delivery.timelineFps ?? 25}
            shown={`${plain(delivery.shutterAngleDeg ?? 180, 1)}°`}
            stepFrom={delivery.shutterAngleDeg ?? 180}
            problem={problemOf(problems, 'delivery.shutterAngleDeg')}
            onValue={(shutterAngleDeg) => set({ shutterAngleDeg })}
          />
          <EntryField
            label="Shutter time"
            help="Held whatever the frame rate, such as 1/50; empty holds the angle."
            kind="shutterTime"
            shown={delivery.shutterSeconds == null ? '' : exposureTime(delivery.shutterSeconds, 5)}
            stepFrom={delivery.shutterSeconds ?? 0.02}
            placeholder="by the angle"
            problem={problemOf(problems, 'delivery.shutterSeconds')}
            onClear={() => set({ shutterSeconds: null })}
            onValue={(shutterSeconds) => set({ shutterSeconds })}
          />
        </Grid>
        <Box component="section" aria-label="What a proposal must keep">
          <Typography sx={{ fontSize: 13.5 }}>
            What is proposed can be set on that camera, in that mode, with that lens. Turn one off to see what comes.
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '150px 1fr' }, gap: 1, mt: 1 }}>
            <EntryField
              label="Accepted up to"
              help="The highest sensitivity that the crew accepts."
              kind="sensitivity"
              shown={`ISO ${plain(delivery.highestIso ?? 6400, 0)}`}
              stepFrom={delivery.highestIso ?? 6400}
              problem={problemOf(problems, 'delivery.highestIso')}
              onValue={(highestIso) => set({ highestIso })}
            />
            <Box sx={{ display: 'grid' }}>
              {entriesOf(rules).map(([rule, words]) => (
                <FormControlLabel
                  key={rule}
                  label={words}
                  control={
                    <Checkbox
                      size="small"
                      checked={delivery.rules?.[rule] ?? true}
                      onChange={(event) => set({ rules: { ...delivery.rules, [rule]: event.target.checked } })}
                    />
                  }
                  sx={{ '& .MuiFormControlLabel-label': { fontSize: 14 } }}
                />
              ))}
            </Box>
          </Box>
        </Box>
        <Box component="section" aria-label="How sure">
          <Typography sx={{ fontSize: 13.5 }}>
            How far off what nobody measured may be: 95 of 100 are nearer. What fits says how sure it is by these.
          </Typography>
          <Grid style={{ gridTemplateColumns: 'repeat(auto-fit, minmax(110px, 1fr))', paddingTop: 4 }}>
            {tolerances.map(([key, field]) => (
              <FieldEntry
                key={key}
                field={conventionFields[field]}
                value={delivery.tolerances?.[key]}
                feet={feet}
                problem={problemOf(problems, `delivery.tolerances.${key}`)}
                onValue={(value) => set({ tolerances: { ...delivery.tolerances, [key]: value ?? 0 } })}
              />
            ))}
          </Grid>
          <Button
            size="small"
            onClick={() => preferConventions({ ...useSettings.getState().conventions, ...conventionsOf(delivery.tolerances ?? {}) })}
          >
            Use these for all new work
          </Button>
        </Box>
        <WordsField
          label="Units, with commas between them"
          value={(document.units ?? []).join(', ')}
          max={1000}
          placeholder="First unit, second unit"
          onChange={(text) => changeProduction({ units: text.split(/, ?/).map((unit) => unit.slice(0, 60)) })}
        />
        {unused.length > 0 && (
          <Box>
            <Typography sx={{ fontSize: 13.5 }}>Places without a shot:</Typography>
            {unused.map((place) => (
              <Button key={place.id} size="small" onClick={() => removePlace(place.id)}>
                Delete {place.name || 'the nameless one'}
              </Button>
            ))}
          </Box>
        )}
        <Bag />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
