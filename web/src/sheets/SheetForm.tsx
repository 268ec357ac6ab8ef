import { Box, Button, Checkbox, FormControlLabel, MenuItem, Typography } from '@mui/material';
import { useMemo, useState, type ReactNode } from 'react';
import { useSettings } from '../app/settings';
import type { Question } from '../core/core';
import { EntryField } from '../ui/EntryField';
import { distanceField, plain } from '../ui/format';
import { LabelledChoice } from '../ui/LabelledChoice';
import { LabelledSelect } from '../ui/LabelledSelect';
import { columnsOf, itemOf, withItem, type ColumnChoice, type Sheet } from './facts';
import { freeze } from './frozen';
import { usualDistancesMm } from './make/lens';
import { usualRowMm } from './make/row';
import { printable, saveCsv, savePdf, savePng, type Saved } from './out';
import { useMaking } from './printed';

/** What of a sheet's settings depends on the work. */
export interface FormChoices {
  /** The questions of conventions; none where nothing depends on them. */
  questions: (sheet: Sheet) => Question[];
  units: string[];
  bags: { id: string; name: string }[];
  hasShots: boolean;
}

interface SheetFormProps {
  sheet: Sheet;
  /** What leaves when it is pressed. */
  saved: () => Saved;
  choices: ColumnChoice[];
  things: { id: string; name: string }[];
  put: (sheet: Sheet) => void;
  work: { id: string; revision: number };
  form: FormChoices;
  onSaid: (say: string) => void;
  onFrozen: (id: string) => void;
  onRemove: () => void;
}

/** What is set of a sheet: how it leaves, its paper, its numbers, what stands on it. */
export function SheetForm({ sheet, saved, choices, things, put, work, form, onSaid, onFrozen, onRemove }: SheetFormProps) {
  const making = useMaking((s) => s.what !== null);
  const left = things.filter((t) => itemOf(sheet, t.id)?.leftOut);
  const all = things.map((t) => t.id);
  return (
    <>
      <TakeOut saved={saved} onSaid={onSaid}>
        <Button
          variant="outlined"
          disabled={making}
          title="Keeps what it shows now, whatever changes afterwards. A frames sheet can then be sent by a link."
          onClick={() =>
            void freeze(saved(), work).then((made) => ('kind' in made && 'say' in made ? onSaid(made.say) : onFrozen(made.id)))
          }
        >
          Freeze
        </Button>
      </TakeOut>
      <Row>
        <LabelledSelect label="Paper" value={sheet.paper ?? 'a4'} onChange={(paper) => put({ ...sheet, paper })}>
          <MenuItem value="a4">A4</MenuItem>
          <MenuItem value="a5">A5</MenuItem>
          <MenuItem value="letter">Letter</MenuItem>
        </LabelledSelect>
        <LabelledSelect
          label="It lies"
          value={sheet.isLandscape ? 'across' : 'upright'}
          onChange={(lies) => put({ ...sheet, isLandscape: lies === 'across' })}
        >
          <MenuItem value="upright">upright</MenuItem>
          <MenuItem value="across">across</MenuItem>
        </LabelledSelect>
      </Row>
      <Row>
        <LabelledSelect
          label="Distances in"
          value={sheet.feet == null ? 'own' : sheet.feet ? 'feet' : 'metres'}
          onChange={(unit) => put({ ...sheet, feet: unit === 'own' ? null : unit === 'feet' })}
        >
          <MenuItem value="own">as each reads them</MenuItem>
          <MenuItem value="metres">metres</MenuItem>
          <MenuItem value="feet">feet, inches</MenuItem>
        </LabelledSelect>
        <LabelledSelect label="Decimals" value={sheet.decimalSign ?? 'point'} onChange={(decimalSign) => put({ ...sheet, decimalSign })}>
          <MenuItem value="point">3.2</MenuItem>
          <MenuItem value="comma">3,2</MenuItem>
        </LabelledSelect>
      </Row>
      {form.hasShots && (sheet.kind === 'shots' || sheet.kind === 'frames') && (
        <Row>
          <LabelledSelect label="Shots by" value={sheet.order ?? 'shooting'} onChange={(order) => put({ ...sheet, order })}>
            <MenuItem value="shooting">order</MenuItem>
            <MenuItem value="location">place</MenuItem>
            <MenuItem value="unit">unit</MenuItem>
          </LabelledSelect>
          <LabelledSelect label="Of" value={sheet.unit ?? ''} onChange={(unit) => put({ ...sheet, unit })}>
            <MenuItem value="">all units</MenuItem>
            {form.units.map((unit) => (
              <MenuItem key={unit} value={unit}>
                {unit}
              </MenuItem>
            ))}
          </LabelledSelect>
        </Row>
      )}
      {sheet.kind === 'pack' && form.bags.length > 0 && (
        <LabelledSelect
          label="Bag"
          value={form.bags.some((b) => b.id === sheet.bagId) ? sheet.bagId! : form.bags[0]!.id}
          onChange={(bagId) => put({ ...sheet, bagId })}
        >
          {form.bags.map((bag) => (
            <MenuItem key={bag.id} value={bag.id}>
              {bag.name}
            </MenuItem>
          ))}
        </LabelledSelect>
      )}
      <Series sheet={sheet} put={put} />
      {choices.length > 0 && (
        <Group title="Shows">
          {choices.map((choice) => {
            const shown = columnsOf(choices, sheet.columns ?? []).map((c) => c.key);
            const on = shown.includes(choice.key);
            return (
              <FormControlLabel
                key={choice.key}
                label={choice.label}
                control={
                  <Checkbox
                    size="small"
                    checked={on}
                    disabled={on && shown.length === 1}
                    onChange={() => put({ ...sheet, columns: on ? shown.filter((key) => key !== choice.key) : [...shown, choice.key] })}
                  />
                }
                sx={check}
              />
            );
          })}
        </Group>
      )}
      {hasRigs(sheet) && things.length > 0 ? (
        <Group title={sheet.kind === 'row' ? 'Rigs, the first two of them' : 'Rigs'}>
          {things.map(({ id, name }) => (
            <FormControlLabel
              key={id}
              label={name}
              control={
                <Checkbox
                  size="small"
                  checked={!itemOf(sheet, id)?.leftOut}
                  onChange={(event) => put(withItem(sheet, id, { leftOut: !event.target.checked }, all))}
                />
              }
              sx={check}
            />
          ))}
        </Group>
      ) : (
        left.length > 0 && (
          <Group title="Left out">
            {left.map(({ id, name }) => (
              <Box key={id} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
                <Typography sx={{ fontSize: 13.5, flex: 1, overflowWrap: 'anywhere' }}>{itemOf(sheet, id)?.title || name}</Typography>
                <Button onClick={() => put(withItem(sheet, id, { leftOut: false }, all))}>Put back</Button>
              </Box>
            ))}
          </Group>
        )
      )}
      <OwnConventions sheet={sheet} put={put} questions={form.questions} />
      <Box>
        <Button color="inherit" onClick={onRemove} sx={{ color: 'text.secondary' }}>
          Remove this sheet
        </Button>
      </Box>
    </>
  );
}

const check = { m: 0, '& .MuiTypography-root': { fontSize: 13.5, overflowWrap: 'anywhere' }, '& .MuiCheckbox-root': { p: 0.5 } };

/** Rigs are ticked where there is no card or row on the page to take hold of. */
const hasRigs = ({ kind }: Sheet): boolean => kind === 'row' || kind === 'lens' || kind === 'scales';

/** How a sheet leaves: as a file, on paper. */
export function TakeOut({ saved, onSaid, children }: { saved: () => Saved; onSaid: (say: string) => void; children?: ReactNode }) {
  const making = useMaking((s) => s.what !== null);
  const print = async () => {
    const { addresses, say } = await printable(saved());
    onSaid(say);
    if (say !== '') return;
    await printWith(addresses);
    addresses.forEach((address) => URL.revokeObjectURL(address));
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
      <Button variant="contained" disabled={making} onClick={() => void savePdf(saved()).then(onSaid)}>
        PDF
      </Button>
      <Button
        variant="outlined"
        disabled={making}
        onClick={() => void savePng(saved()).then(onSaid)}
        title="A picture of each page, for a chat"
      >
        PNG
      </Button>
      <Button variant="outlined" disabled={making} onClick={() => saveCsv(saved())} title="What stands in tables, for a spreadsheet">
        CSV
      </Button>
      <Button variant="outlined" disabled={making} onClick={() => void print()}>
        Print
      </Button>
      {children}
    </Box>
  );
}

/** Prints the page with its pictures as fine as paper shows them: they lie over those of the screen until the dialog is closed. */
async function printWith(addresses: Map<string, string>): Promise<void> {
  const laid: HTMLImageElement[] = [];
  for (const box of document.querySelectorAll<HTMLElement>('article[data-page] [data-picture]')) {
    const address = addresses.get(box.dataset['picture'] ?? '');
    if (address === undefined) continue;
    const image = new Image();
    image.src = address;
    Object.assign(image.style, { position: 'absolute', inset: '0', width: '100%', height: '100%' });
    laid.push(image);
    await image.decode().catch(() => undefined);
    box.append(image);
  }
  window.print();
  laid.forEach((image) => image.remove());
}

const Row = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>{children}</Box>
);

const Group = ({ title, children }: { title: string; children: ReactNode }) => (
  <Box component="section" sx={{ display: 'grid' }}>
    <Typography component="h2" sx={{ fontSize: 13, fontWeight: 650 }}>
      {title}
    </Typography>
    {children}
  </Box>
);

/** Rows of numbers that tables go by; what is emptied goes back to the usual ones. */
function Series({ sheet, put }: { sheet: Sheet; put: (sheet: Sheet) => void }) {
  const personFeet = useSettings((s) => s.feet);
  const feet = sheet.feet ?? personFeet;
  const hasDistances = sheet.kind === 'lens' || sheet.kind === 'scales';
  return (
    <>
      {sheet.kind === 'row' && (
        <EntryField
          label="Focal lengths"
          help="The row, in millimetres; empty for the usual one."
          kind="focalLength"
          shown={(sheet.focalLengthsMm ?? []).map((mm) => plain(mm)).join(' ')}
          placeholder={usualRowMm.join(' ')}
          onClear={() => put({ ...sheet, focalLengthsMm: [] })}
          onValue={(_, __, all) => put({ ...sheet, focalLengthsMm: all.slice(0, 24) })}
        />
      )}
      {hasDistances && (
        <>
          <EntryField
            label="Distances"
            help="From the sensor mark; empty for the usual ones."
            kind="subjectDistance"
            feet={feet}
            shown={(sheet.distancesMm ?? []).map((mm) => distanceField(mm, feet)).join('; ')}
            placeholder={usualDistancesMm(feet)
              .slice(0, 4)
              .map((mm) => distanceField(mm, feet))
              .join('; ')}
            onClear={() => put({ ...sheet, distancesMm: [] })}
            onValue={(_, __, all) => put({ ...sheet, distancesMm: all.slice(0, 24) })}
          />
          <EntryField
            label="Apertures"
            help="The columns of the table; empty for those of each lens."
            kind="fNumber"
            shown={(sheet.fNumbers ?? []).map((f) => plain(f)).join(' ')}
            placeholder="those of each lens"
            onClear={() => put({ ...sheet, fNumbers: [] })}
            onValue={(_, __, all) => put({ ...sheet, fNumbers: all.slice(0, 24) })}
          />
        </>
      )}
      {sheet.kind === 'scales' && (
        <EntryField
          label="Length of the strips, mm"
          help="From the nearest mark to the far end, as long as the turn of the ring."
          kind="partLength"
          shown={plain(sheet.stripLengthMm ?? 170)}
          stepFrom={sheet.stripLengthMm ?? 170}
          onValue={(value) => put({ ...sheet, stripLengthMm: Math.min(1000, Math.max(50, value)) })}
        />
      )}
    </>
  );
}

/** Conventions of this sheet, where they are others than those of the work. */
function OwnConventions({ sheet, put, questions }: { sheet: Sheet; put: (sheet: Sheet) => void; questions: FormChoices['questions'] }) {
  const [open, setOpen] = useState(false);
  const asked = useMemo(() => (open ? questions(sheet) : []), [open, questions, sheet]);
  if (sheet.kind === 'pack' || sheet.kind === 'test') {
    return null;
  }
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <LabelledChoice
        label="Conventions"
        value={sheet.conventions == null ? 'work' : 'own'}
        choices={[
          ['work', 'Usual conventions'],
          ['own', 'Of this sheet'],
        ]}
        onChange={(which) => {
          setOpen(which === 'own');
          put({ ...sheet, conventions: which === 'own' ? (sheet.conventions ?? {}) : null });
        }}
      />
      {sheet.conventions != null && !open && <Button onClick={() => setOpen(true)}>Choose them</Button>}
      {sheet.conventions != null &&
        asked.map((question) => (
          <LabelledSelect
            key={question.school}
            label={question.title}
            help={question.sentence}
            value={question.options.find((o) => o.isChosen)?.name ?? ''}
            onChange={(name) => put({ ...sheet, conventions: question.options.find((o) => o.name === name)!.conventions })}
          >
            {question.options.map((option) => (
              <MenuItem key={option.name} value={option.name}>
                {option.name}
              </MenuItem>
            ))}
          </LabelledSelect>
        ))}
    </Box>
  );
}
