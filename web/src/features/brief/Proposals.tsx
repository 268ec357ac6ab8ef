import { comparison } from '../../documents/kinds';
import { startWork } from '../../documents/outbox';
import { Box, Button, LinearProgress, MenuItem, Tooltip, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useSettings } from '../../app/settings';
import type { Diagnostic, Fit, FitResponse, Miss, Remedy, ShotInput } from '../../core/core';
import { Figure } from '../../ui/Figure';
import { aperture, distance, fixed, plain, withUnit } from '../../ui/format';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { lookAt, pick, shownKey, stopAsking, useAnswers, type Known } from './answers';
import { useProgress } from '../../core/searches';
import { shelfKey } from '../../core/searching';
import { useGear } from './fitting';
import { placeOf, shotsOf, useProduction } from './productionStore';
import { changePlace, changeShot } from './commands';
import { besidesOf, chosenOf, comparisonOf, isChosen } from './rigs';
import { entriesOf, criteria } from './words';

const List = styled('ul')({ listStyle: 'none', margin: 0, padding: 0 });

const Item = styled('li')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: 'auto minmax(0, 1fr)',
  borderBottom: `1px solid ${theme.vars!.palette.divider}`,
  '&.picked': { background: theme.vars!.palette.background.default, boxShadow: `inset 3px 0 0 ${theme.vars!.palette.primary.main}` },
  '& > button': {
    font: 'inherit',
    color: 'inherit',
    textAlign: 'left',
    background: 'none',
    border: 0,
    padding: '6px 6px 6px 0',
    cursor: 'pointer',
    minWidth: 0,
  },
  '& > label': { display: 'grid', placeItems: 'center', width: 40, height: 40 },
  '& input': { width: 20, height: 20, accentColor: theme.vars!.palette.primary.main },
  '& .rig': { fontSize: 14, fontWeight: 600 },
  '& .rig span': { fontWeight: 400, color: theme.vars!.palette.text.secondary },
  '& .set': { fontSize: 13.5, display: 'flex', flexWrap: 'wrap', columnGap: 12 },
  '& .set b': { fontWeight: 600 },
  '& .more': { fontSize: 12.5, color: theme.vars!.palette.text.secondary, display: 'flex', flexWrap: 'wrap', columnGap: 10 },
  '& .warn': { color: theme.vars!.palette.warning.main },
}));

const mostOnBench = 3;

const ownerships = { own: 'ours', borrow: 'borrowed', hire: 'hired' } as const;
const weight = (grams: number) => (grams >= 1000 ? withUnit(fixed(grams / 1000, 2), 'kg') : withUnit(fixed(grams, 0), 'g'));
const shared = (share: number) => withUnit(100 * share < 0.995 ? fixed(100 * share, 2) : fixed(100 * share, 1), '%');

/** What fits, the best first, and what does not, with what would help. */
export function Proposals({ shot }: { shot: ShotInput }) {
  const now = useAnswers((s) => (s.shown?.shot.id === shot.id ? s.shown : null));
  // A hand that moves a wall goes before the list, which follows as fast as it can.
  const shown = useDeferredValue(now);
  const gear = useGear();
  const putTogether = useProgress((s) => s[shelfKey] ?? 0);
  return (
    <Box component="section" aria-label="What fits" sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}>
      {(gear.state === 'away' || (gear.state !== 'ready' && !shown)) && (
        <Box role="status" sx={{ p: 1.5 }}>
          {gear.state === 'away' ? (
            <Typography sx={{ color: 'warning.main' }}>The shelf cannot be read now: {gear.say} It is tried again by itself.</Typography>
          ) : (
            <>
              <Typography sx={{ fontSize: 14, mb: 1 }}>
                {gear.state === 'opening' ? 'Fetching the shelf…' : 'Putting every lens on every camera…'}
              </Typography>
              <LinearProgress variant="determinate" value={100 * putTogether} aria-label="Progress" />
            </>
          )}
        </Box>
      )}
      {shown && <Answer key={shown.shot.id} known={shown} />}
    </Box>
  );
}

const Answer = memo(function Answer({ known }: { known: Known }) {
  const { answer, shot } = known;
  const [ticked, setTicked] = useState<string[]>([]);
  const failing = useAnswers((s) => s.failing);
  const showsMisses = failing || answer.fitCount === 0;
  const keyOf = ({ rig }: Fit) =>
    [rig.body, rig.lens, ...rig.front, rig.punchIn].join(' ') + (rig.front.length > 0 || rig.punchIn > 1 ? rig.links.join() : '');
  // The rig that is chosen goes first where it is not among those that are told, such as one with a tube or punched in.
  const told =
    answer.chosen && !answer.fits.some((fit) => keyOf(fit) === keyOf(answer.chosen!)) ? [answer.chosen, ...answer.fits] : answer.fits;
  const tickedFits = told.filter((fit) => ticked.includes(keyOf(fit)));
  return (
    <>
      <Head shot={shot} known={known} />
      <Box
        sx={{ display: 'flex', alignItems: 'center', gap: 0.5, px: 1, borderBottom: 1, borderColor: 'divider' }}
        role="group"
        aria-label="Which rigs"
      >
        <Button
          size="small"
          aria-pressed={!showsMisses}
          onClick={() => lookAt(false)}
          sx={{ '&[aria-pressed=true]': { bgcolor: 'background.default', fontWeight: 700 } }}
        >
          {answer.fitCount} give it
        </Button>
        <Button
          size="small"
          aria-pressed={showsMisses}
          onClick={() => lookAt(true)}
          sx={{ '&[aria-pressed=true]': { bgcolor: 'background.default', fontWeight: 700 } }}
        >
          {answer.missCount} do not
        </Button>
        <ToBench known={known} fits={tickedFits} />
      </Box>
      <Box sx={{ overflowY: { md: 'auto' }, flex: 1, minHeight: 0 }}>
        {showsMisses ? (
          <Misses shot={shot} answer={answer} />
        ) : (
          <>
            {answer.chosenMiss && (
              <Typography
                role="status"
                sx={{ px: 1.5, py: 1, fontSize: 13.5, color: 'warning.main', borderBottom: 1, borderColor: 'divider' }}
              >
                The rig that is chosen does not give it: {answer.chosenMiss.message} {answer.chosenMiss.fix}{' '}
                <Button size="small" onClick={() => changeShot(shot.id, { chosen: null })}>
                  Let go of it
                </Button>
              </Typography>
            )}
            <List>
              {told.map((fit) => (
                <Proposal
                  key={keyOf(fit)}
                  shot={shot}
                  fit={fit}
                  ticked={ticked.includes(keyOf(fit))}
                  full={tickedFits.length >= mostOnBench}
                  onTick={(on) => setTicked(on ? [...ticked, keyOf(fit)] : ticked.filter((key) => key !== keyOf(fit)))}
                />
              ))}
            </List>
            {answer.fitCount > answer.fits.length && (
              <Typography sx={{ p: 1.5, fontSize: 13, color: 'text.secondary' }}>
                and {answer.fitCount - answer.fits.length} more, farther down by this order
              </Typography>
            )}
          </>
        )}
      </Box>
    </>
  );
});

function Head({ shot, known }: { shot: ShotInput; known: Known }) {
  const { answer, ms } = known;
  const { asking, stopped } = useAnswers();
  const progress = useProgress((s) => s[shownKey] ?? 0);
  return (
    <Box sx={{ p: 1, pb: 0.5, display: 'grid', gap: 0.75 }}>
      <LabelledSelect
        label="Best first by"
        help={answer.order}
        value={shot.criterion ?? 'mostBlur'}
        onChange={(criterion) => changeShot(shot.id, { criterion })}
      >
        {entriesOf(criteria).map(([key, words]) => (
          <MenuItem key={key} value={key}>
            {words}
          </MenuItem>
        ))}
      </LabelledSelect>
      <Typography
        sx={{ fontSize: 12.5, color: 'text.secondary', lineHeight: 1.3 }}
        title={`${answer.looked} settings of rigs in ${fixed(ms, 0)} ms`}
      >
        {answer.order} Sharp is 1/1500 of the diagonal; distances from the sensor mark.
      </Typography>
      {answer.contradictions.map((c) => (
        <Typography key={c.code} role="alert" sx={{ fontSize: 13.5, color: c.severity === 'stops' ? 'error.main' : 'warning.main' }}>
          {c.message} {c.fix}
        </Typography>
      ))}
      {[...answer.cautions.map((c) => c.message), ...(shot.caution ? [shot.caution] : [])].map((caution) => (
        <Caution key={caution} text={caution} />
      ))}
      {asking && progress > 0 && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <LinearProgress variant="determinate" value={100 * progress} aria-label="Progress" sx={{ flex: 1 }} />
          <Button size="small" onClick={stopAsking}>
            Stop
          </Button>
        </Box>
      )}
      {stopped && (
        <Typography role="status" sx={{ fontSize: 13, color: 'warning.main' }}>
          Stopped: these are the answers of before the last change.
        </Typography>
      )}
    </Box>
  );
}

/** A short caution, where the plan brings it up. */
export function Caution({ text }: { text: string }) {
  return (
    <Typography sx={{ fontSize: 12.5, lineHeight: 1.3, color: 'warning.main' }}>
      <b>Mind: </b>
      {text}
    </Typography>
  );
}

interface ProposalProps {
  shot: ShotInput;
  fit: Fit;
  ticked: boolean;
  full: boolean;
  onTick: (on: boolean) => void;
}

function Proposal({ shot, fit, ticked, full, onTick }: ProposalProps) {
  const feet = useSettings((s) => s.feet);
  const picked = useAnswers((s) => s.picked === fit);
  const { rig } = fit;
  const far = (mm: number) => distance(mm, feet);
  const zone = `${far(fit.nearMm)} to ${fit.farMm == null ? '∞' : far(fit.farMm)}`;
  const chosen = isChosen(shot, fit);
  const name = [rig.bodyName, rig.lensName].filter(Boolean).join(', ');
  return (
    <Item className={picked ? 'picked' : ''}>
      <label>
        <input
          type="checkbox"
          checked={ticked}
          disabled={full && !ticked}
          aria-label={`Put ${name} on the Bench`}
          onChange={(event) => onTick(event.target.checked)}
        />
      </label>
      <button type="button" aria-pressed={picked} onClick={() => pick(fit)}>
        <div className="rig">
          {name} <span>{besidesOf(rig)}</span>
        </div>
        <div className="set">
          <b>
            <Figure text={withUnit(fixed(fit.focalLengthMm, fit.focalLengthMm < 100 && fit.focalLengthMm % 1 > 0.05 ? 1 : 0), 'mm')} />
          </b>
          <b>
            <Figure text={aperture(fit.fNumber)} />
          </b>
          <span>
            from <Figure text={far(fit.distanceMm)} />
            {fit.toMm - fit.fromMm > 10 && (
              <>
                {' '}
                (<Figure text={far(fit.fromMm)} />–<Figure text={far(fit.toMm)} />)
              </>
            )}
          </span>
          {fit.roomLeftMm != null && (
            <span>
              <Figure text={far(fit.roomLeftMm)} /> left
            </span>
          )}
        </div>
        <div className="more">
          <span>blur {shared(fit.blurShare)}</span>
          <span>sharp {zone}</span>
          {fit.sensitivityIso != null && <span>{light(fit)}</span>}
          <span>
            {rig.weightUnknown ? 'at least ' : ''}
            {weight(rig.weightG)}
          </span>
          <span>{ownerships[rig.ownership]}</span>
          {fit.irisIsFixed && <span>iris stays open</span>}
          {chosen && <b>chosen</b>}
        </div>
        {!picked && fit.findings[0] && fit.tier > 0 && <div className="more warn">{fit.findings[0].message}</div>}
        {picked && <Details fit={fit} shot={shot} />}
      </button>
      {picked && (
        <Box sx={{ gridColumn: '2', display: 'flex', flexWrap: 'wrap', gap: 0.5, pb: 0.75 }}>
          <Button
            size="small"
            variant={chosen ? 'text' : 'outlined'}
            onClick={() => changeShot(shot.id, { chosen: chosen ? null : chosenOf(fit) })}
          >
            {chosen ? 'Let go of it' : 'Choose for this shot'}
          </Button>
          <BenchButton fits={[fit]} label="To the Bench" />
        </Box>
      )}
    </Item>
  );
}

/** Which filter or sensitivity the light asks for. */
function light({ sensitivityIso, lowestIso, filterStops }: Fit): string {
  const iso = sensitivityIso!;
  if ((filterStops ?? 0) >= 0.15) {
    return `${withUnit(fixed(filterStops!, 1), 'st')} of filter at ISO ${plain(lowestIso ?? 100, 0)}`;
  }
  return `ISO ${plain(Number(iso.toPrecision(2)), 0)}`;
}

function Details({ fit, shot }: { fit: Fit; shot: ShotInput }) {
  const lensHeightMm = useAnswers((s) => s.shown?.answer.frame.lensHeightMm ?? 0);
  const feet = useSettings((s) => s.feet);
  const far = (mm: number) => distance(mm, feet);
  const person = ['standing', 'seated', 'group'].includes(shot.subject.kind);
  return (
    <div className="more">
      <span>{withUnit(fixed(fit.equivalentMm, 0), 'mm')} equivalent on full frame</span>
      {shot.cameraSupport !== 'overhead' && <span>lens {far(lensHeightMm)} high</span>}
      {person && <span>microphone on the camera {far(fit.microphoneMm)} off</span>}
      {person && fit.faceStretch != null && <span>face stretch {fixed(fit.faceStretch, 2)}×</span>}
      <span>{fit.unsteadiness === 0 ? 'does not move' : `unsteadiness ${fixed(fit.unsteadiness, 2)}`}</span>
      {(shot.movesMm ?? 0) > 0 && (fit.sharpToSpareMm ?? 0) >= 5 && <span>{far(fit.sharpToSpareMm!)} of sharpness to spare</span>}
      {fit.ways > 1 && <span>{fit.ways} ways and modes give it</span>}
      {fit.wasteShare > 0.02 && <span>{fixed(100 * fit.wasteShare, 0)} % of the mode trimmed away</span>}
      {fit.findings.map((found) => (
        <Found key={`${found.code}${found.part}`} found={found} />
      ))}
      {fit.cautions.map((caution) => (
        <Caution key={caution.code} text={caution.message} />
      ))}
    </div>
  );
}

/** Something that speaks against a rig, or is to be known of it. */
function Found({ found }: { found: Diagnostic }) {
  return (
    <Typography
      component="span"
      sx={{ fontSize: 12.5, lineHeight: 1.3, flexBasis: '100%', color: found.severity === 'spoils' ? 'warning.main' : 'inherit' }}
    >
      {found.message} {found.fix}
    </Typography>
  );
}

/** One press takes proposals to the Bench, as a comparison of their own. */
function BenchButton({ fits, label }: { fits: Fit[]; label: string }) {
  const navigate = useNavigate();
  const take = () => {
    const known = useAnswers.getState().shown;
    const production = useProduction.getState().name;
    const document = known && comparisonOf(known.place, known.shot, known.delivery, known.answer, fits);
    if (document) {
      const name = `${production}: ${known.shot.name}`.slice(0, 120);
      const { id: productionId } = useProduction.getState();
      const shot = { productionId, shotId: known.shot.id };
      void startWork(comparison, { name, document: { ...document, shot } }).then((id) => {
        changeShot(known.shot.id, { comparisonId: id });
        void navigate(`/bench/${id}`);
      });
    }
  };
  return (
    <Button size="small" variant="contained" onClick={take}>
      {label}
    </Button>
  );
}

function ToBench({ known, fits }: { known: Known; fits: Fit[] }) {
  const count = fits.length;
  if (known.answer.fits.length === 0) {
    return null;
  }
  return (
    <Box sx={{ ml: 'auto', display: 'flex', gap: 0.5 }}>
      {known.shot.comparisonId != null && (
        <Button size="small" component={Link} to={`/bench/${known.shot.comparisonId}`}>
          Its comparison
        </Button>
      )}
      {count > 0 ? (
        <BenchButton fits={fits} label={`${count} to the Bench`} />
      ) : (
        <Tooltip title="Tick up to three to put them side by side">
          <span>
            <BenchButton
              fits={known.answer.fits.slice(0, mostOnBench)}
              label={`Best ${Math.min(mostOnBench, known.answer.fits.length)} to the Bench`}
            />
          </span>
        </Tooltip>
      )}
    </Box>
  );
}

function Misses({ shot, answer }: { shot: ShotInput; answer: FitResponse }) {
  if (answer.misses.length === 0) {
    return (
      <Typography sx={{ p: 1.5, fontSize: 14, color: 'text.secondary' }}>
        {answer.missCount > 0
          ? 'Trying what would help…'
          : answer.fitCount > 0
            ? 'Every rig gives this shot.'
            : 'There is nothing to choose from. See above.'}
      </Typography>
    );
  }
  return (
    <>
      {answer.fitCount === 0 && (
        <Typography role="status" sx={{ px: 1.5, pt: 1, fontSize: 14, fontWeight: 600 }}>
          Nothing gives this shot as it stands. Nearest first; a press makes the change.
        </Typography>
      )}
      <List>
        {answer.misses.map((miss) => (
          <MissItem key={`${miss.rig.body} ${miss.rig.lens} ${miss.why.code}`} shot={shot} miss={miss} />
        ))}
      </List>
      {answer.missCount > answer.misses.length && (
        <Typography sx={{ p: 1.5, fontSize: 13, color: 'text.secondary' }}>
          and {answer.missCount - answer.misses.length} that are farther off
        </Typography>
      )}
    </>
  );
}

function MissItem({ shot, miss }: { shot: ShotInput; miss: Miss }) {
  const name = [miss.rig.bodyName, miss.rig.lensName].filter(Boolean).join(', ');
  return (
    <Item style={{ gridTemplateColumns: 'minmax(0, 1fr)', padding: '6px 10px' }}>
      <div className="rig">
        {name} <span>{besidesOf(miss.rig)}</span>
      </div>
      <div className="set warn">{miss.why.message}</div>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 0.25 }}>
        {miss.remedies.map((remedy) => (
          <Button key={remedy.kind} size="small" variant="outlined" onClick={() => apply(shot, remedy)}>
            {remedy.say}
          </Button>
        ))}
      </Box>
    </Item>
  );
}

/**
 * Makes the change that a remedy proposes: another rig becomes the one that is chosen for the shot, anything else changes the shot. It is a change of this
 * shot alone, and one step of undo.
 */
function apply(shot: ShotInput, { kind, value, cameraSupport, fit }: Remedy): void {
  const { document } = useProduction.getState();
  const now = shotsOf(document).find((s) => s.id === shot.id)!;
  const place = placeOf(document, now);
  const set = (part: Partial<ShotInput>) => changeShot(shot.id, part);
  if (fit) {
    set({ chosen: chosenOf(fit) });
    pick(fit);
    return;
  }
  switch (kind) {
    case 'subjectBack':
    case 'subjectForward':
      set({ behindMm: value });
      break;
    case 'otherAxis':
      set({ along: (now.along ?? place?.along ?? 'length') === 'length' ? 'width' : 'length' });
      break;
    case 'otherFraming':
      set({ framedMm: value, framedAcross: false });
      break;
    case 'movesLess':
      set({ movesMm: value });
      break;
    case 'offeredRate':
      set({ captureFps: value });
      break;
    case 'behindAsItComes':
      set({ behind: 'asItComes' });
      break;
    case 'moreLight':
      if (place) changePlace(place.id, { brightnessEv: value });
      break;
    case 'otherSupport':
      set({ cameraSupport: cameraSupport ?? 'handHeld', rearMm: null });
      break;
  }
}
