import { Box, Button, FormControlLabel, MenuItem, Radio, RadioGroup, Typography } from '@mui/material';
import { useEffect, useId, useMemo, useState } from 'react';
import { useSettings } from '../../../app/settings';
import { core, type Conventions, type Diagnostic, type Question, type Setup } from '../../../core/core';
import { searches } from '../../../core/searches';
import { conventionFields, conventionNumber } from '../../../core/fields';
import { EntryField } from '../../../ui/EntryField';
import { FieldEntry } from '../../../ui/FieldEntry';
import { figureText } from '../../../ui/figureText';
import { plain } from '../../../ui/format';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { useCalm } from '../../../ui/useCalm';
import { rigLetter } from '../../../ui/RigMark';
import { changeConventions } from '../commands';
import { topics } from '../figureRows';
import { Fields } from './RigPanel';
import { SidePanel } from './SidePanel';

interface ConventionsPanelProps {
  /** The setup that the figures on the page are of. */
  setup: Setup;
  conventions: Conventions;
  problems: Diagnostic[];
  feet: boolean;
}

/** The choices on which people differ: what each means, and what it would change in the figures on the screen. */
export function ConventionsPanel({ setup, conventions, problems, feet }: ConventionsPanelProps) {
  const { conventions: preferred, preferConventions } = useSettings();
  const questions = useQuestions(setup, conventions, feet);
  const isDefault = JSON.stringify(preferred) === JSON.stringify(conventions);
  return (
    <SidePanel title="Conventions">
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        People differ in these, and figures with them. They are saved with the comparison and printed with every figure.
      </Typography>
      {questions.map((question) => (
        <Choice key={question.school} question={question} feet={feet} />
      ))}
      <Sizes conventions={conventions} problems={problems} feet={feet} />
      <Tolerances conventions={conventions} problems={problems} feet={feet} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
        <Button variant="outlined" disabled={isDefault} onClick={() => preferConventions(conventions)}>
          {isDefault ? 'New comparisons go by these' : 'Use these for new comparisons'}
        </Button>
        <Button onClick={() => changeConventions({})}>Back to the usual ones</Button>
      </Box>
    </SidePanel>
  );
}

const calmMs = 250;

/** A choice of one's own is answered at once; what others change, such as a hand that drags, a moment later. */
function useQuestions(setup: Setup, conventions: Conventions, feet: boolean): Question[] {
  const calm = useCalm(setup, calmMs);
  const asked = useMemo(() => ({ ...calm, conventions }), [calm, conventions]);
  const [questions, setQuestions] = useState<Question[]>([]);
  useEffect(() => {
    void searches()
      .questions(asked, conventions, feet)
      .then((answered) => answered && setQuestions(answered));
  }, [asked, conventions, feet]);
  return questions;
}

function Choice({ question, feet }: { question: Question; feet: boolean }) {
  const id = useId();
  // A choice shows at once; what it changes is told a moment later.
  const [picked, setPicked] = useState<{ of: Question; option: number } | null>(null);
  const chosen = picked?.of === question ? picked.option : question.options.findIndex((o) => o.isChosen);
  const pick = (option: number) => {
    setPicked({ of: question, option });
    changeConventions(question.options[option]!.conventions);
  };
  // Of the many formats by name only the two that most people compare with stand open.
  const open = question.school === 'reference' ? commonFormats : question.options.length;
  const others = question.options.slice(open);
  return (
    <Box component="section" sx={{ mt: 1.5 }}>
      <Typography component="h3" id={id} sx={{ fontSize: 14, fontWeight: 650 }}>
        {question.title}
      </Typography>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary' }}>{question.sentence}</Typography>
      <RadioGroup aria-labelledby={id} value={chosen} onChange={(event) => pick(Number(event.target.value))}>
        {question.options.slice(0, open).map((option, i) => (
          <FormControlLabel
            key={option.name}
            value={i}
            control={<Radio size="small" />}
            sx={{ alignItems: 'flex-start', m: 0, minHeight: 40, '& .MuiRadio-root': { p: '6px', ml: '-6px' } }}
            label={
              <Box sx={{ pt: '4px', fontSize: 13.5, lineHeight: 1.3 }}>
                {option.name}
                <Box sx={{ fontSize: 12, color: 'text.secondary' }}>{option.sentence}</Box>
                {!option.isChosen && <Box sx={{ fontSize: 12, color: 'primary.main' }}>{wouldChange(option.changes, feet)}</Box>}
              </Box>
            }
          />
        ))}
      </RadioGroup>
      {others.length > 0 && (
        <LabelledSelect
          label="Another format"
          value={chosen >= open ? String(chosen) : ''}
          onChange={(i) => changeConventions(question.options[Number(i)]!.conventions)}
        >
          {others.map((option, i) => (
            <MenuItem key={option.name} value={String(open + i)}>
              {option.name}
            </MenuItem>
          ))}
        </LabelledSelect>
      )}
    </Box>
  );
}

const commonFormats = 2;
const most = 2;

/** The figures most people look at come first; of each, the rig whose figure changes most. */
function wouldChange(changes: Question['options'][number]['changes'], feet: boolean): string {
  if (changes.length === 0) {
    return 'Changes nothing here.';
  }
  const first = [...topics['Essentials']!, ...topics['Focus, depth']!].flatMap((group) => group.rows.map((row) => row.figure));
  const place = (figure: (typeof first)[number]) => (first.includes(figure) ? first.indexOf(figure) : first.length);
  const sorted = [...changes].sort((a, b) => place(a.figure) - place(b.figure));
  const told = sorted.slice(0, most).map(({ figure, now, then }) => {
    const by = now.map((value, i) => (value === null || then[i] == null || value === 0 ? -1 : Math.abs(then[i] / value - 1)));
    const rig = Math.max(0, by.indexOf(Math.max(...by)));
    const info = core().figures[figure];
    const say = (value: number | null | undefined) => (value == null ? '—' : figureText(info, value, feet));
    return `${rigLetter(rig)}: ${info.name} ${say(now[rig])} → ${say(then[rig])}`;
  });
  return `${told.join('; ')}${changes.length > most ? `; and ${changes.length - most} more` : ''}`;
}

const tolerances = ['focalLengthTolerance', 'factorTolerance', 'tapeToleranceMm', 'roomToleranceMm'] as const;

/** How far off what nobody measured may be: figures do not change by it. */
function Tolerances({ conventions, problems, feet }: { conventions: Conventions; problems: Diagnostic[]; feet: boolean }) {
  return (
    <Box component="section" aria-label="How sure" sx={{ mt: 1.5 }}>
      <Typography component="h3" sx={{ fontSize: 14, fontWeight: 650 }}>
        How sure
      </Typography>
      <Typography sx={{ fontSize: 12.5, color: 'text.secondary', mb: 0.5 }}>
        How far off what nobody measured may be. No figure changes by it; it says how sure each is.
      </Typography>
      <Fields>
        {tolerances.map((name) => (
          <FieldEntry
            key={name}
            field={conventionFields[name]}
            value={conventions[name]}
            feet={feet}
            placeholder="none"
            problem={problems.find((p) => p.about === `conventions.${name}`)?.message}
            onValue={(value) => changeConventions({ ...conventions, [name]: value })}
          />
        ))}
      </Fields>
    </Box>
  );
}

/** The sizes that each way of telling what is sharp goes by. */
const ofCircle = {
  shareOfDiagonal: ['cocDivisor'],
  fixedSize: ['cocFixedMm'],
  deliveredPixels: ['cocPx'],
  acuity: ['screenWidthMm', 'viewingDistanceMm'],
} as const;

/** Sizes that belong to a choice. */
function Sizes({ conventions, problems, feet }: { conventions: Conventions; problems: Diagnostic[]; feet: boolean }) {
  const problem = (field: string) => problems.find((p) => p.about === `conventions.${field}`)?.message;
  const set = (part: Conventions) => changeConventions({ ...conventions, ...part });
  const circle = conventions.circle ?? conventionFields.circle.empty;
  return (
    <Box component="section" sx={{ mt: 1.5 }}>
      <Typography component="h3" sx={{ fontSize: 14, fontWeight: 650, mb: 0.5 }}>
        Sizes
      </Typography>
      <Fields>
        <EntryField
          label="Reference format, mm"
          help="Width × height of the format that equivalents refer to."
          kind="sensorArea"
          shown={`${plain(conventionNumber(conventions, 'referenceWidthMm'))}×${plain(conventionNumber(conventions, 'referenceHeightMm'))}`}
          problem={problem('referenceWidthMm') ?? problem('referenceHeightMm')}
          onValue={(referenceWidthMm, height) => set({ referenceWidthMm, referenceHeightMm: height! })}
        />
        {ofCircle[circle].map((name) => (
          <FieldEntry
            key={name}
            field={conventionFields[name]}
            value={conventions[name]}
            feet={feet}
            placeholder="by format"
            problem={problem(name)}
            onValue={(value) => set({ [name]: value })}
          />
        ))}
      </Fields>
    </Box>
  );
}
