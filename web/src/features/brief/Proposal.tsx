import { Box, Button, Typography } from '@mui/material';
import { styled } from '@mui/material/styles';
import { hidden } from '../../ui/hidden';
import { useSettings } from '../../app/settings';
import type { Diagnostic, Fit, ShotInput, Spare } from '../../core/core';
import { Figure } from '../../ui/Figure';
import { weight } from '../../ui/figureText';
import { about, sourceOf } from '../../ui/margins';
import { aperture, distance, fixed, plain, withUnit } from '../../ui/format';
import { pick, useAnswers } from './answers';
import { changeShot } from './commands';
import { addedTo, besidesOf, chosenOfSetting, modeOf } from '../../gear/setRigs';
import { isChosen } from './rigs';
import { BenchButton } from './ToBench';
import { IntoBag } from './bags/IntoBag';
import { Caution } from './Caution';

const columns = {
  narrow: '40px minmax(0, 1fr) 58px 46px 60px 56px',
  wide: '40px minmax(0, 1fr) 58px 46px 60px 56px 66px 74px',
};

export const Item = styled('li')(({ theme }) => ({
  display: 'grid',
  gridTemplateColumns: '40px minmax(0, 1fr)',
  borderBottom: `1px solid ${theme.vars!.palette.divider}`,
  '&.picked': { background: theme.vars!.palette.background.default, boxShadow: `inset 3px 0 0 ${theme.vars!.palette.primary.main}` },
  '& > button': {
    gridColumn: '2 / -1',
    font: 'inherit',
    color: 'inherit',
    textAlign: 'left',
    background: 'none',
    border: 0,
    padding: '0 6px 0 0',
    cursor: 'pointer',
    minWidth: 0,
  },
  '& > label': { display: 'grid', placeItems: 'center', width: 40, height: 40 },
  '& input': { width: 20, height: 20, accentColor: theme.vars!.palette.primary.main },
  '& .line': { display: 'grid', alignItems: 'center', columnGap: 6, minHeight: 40, fontSize: 13.5 },
  '& .line .end': { textAlign: 'right', whiteSpace: 'nowrap' },
  '& .rig': { fontSize: 13.5, fontWeight: 600, lineHeight: 1.2, minWidth: 0 },
  '& .rig div': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '& .rig .mark': { color: theme.vars!.palette.primary.main },
  '& .rig span': { fontWeight: 400, color: theme.vars!.palette.text.secondary },
  // What is picked is told in full, over its figures.
  '&.picked .rig': { gridColumn: '1 / -1', paddingTop: 6 },
  '&.picked .rig div': { whiteSpace: 'normal' },
  '&.picked .rig + .end': { gridColumn: 2 },
  '& .set': { fontSize: 13.5, display: 'flex', flexWrap: 'wrap', columnGap: 12 },
  '& .more': {
    fontSize: 12.5,
    color: theme.vars!.palette.text.secondary,
    display: 'flex',
    flexWrap: 'wrap',
    columnGap: 10,
    paddingBottom: 4,
  },
  '& .warn': { color: theme.vars!.palette.warning.main },
}));

const Line = styled('div')({
  gridTemplateColumns: columns.narrow.slice(5),
  '& .wide': { display: 'none' },
  '@container (min-width: 520px)': { gridTemplateColumns: columns.wide.slice(5), '& .wide': { display: 'block' } },
});

const Head = styled('div')(({ theme }) => ({
  display: 'grid',
  position: 'sticky',
  top: 0,
  zIndex: 1,
  columnGap: 6,
  padding: '2px 6px 2px 0',
  fontSize: 12,
  color: theme.vars!.palette.text.secondary,
  background: theme.vars!.palette.background.paper,
  borderBottom: `1px solid ${theme.vars!.palette.divider}`,
  gridTemplateColumns: columns.narrow,
  '& span': { textAlign: 'right' },
  '& span:nth-of-type(2)': { textAlign: 'left' },
  '& .wide': { display: 'none' },
  '@container (min-width: 520px)': { gridTemplateColumns: columns.wide, '& .wide': { display: 'block' } },
}));

/** What stands in each column of the list. */
export function Headings() {
  return (
    <Head aria-hidden>
      <span />
      <span>rig</span>
      <span>focal</span>
      <span>set to</span>
      <span>from</span>
      <span>blur</span>
      <span className="wide">sharp</span>
      <span className="wide">weight</span>
    </Head>
  );
}

const ownerships = { own: 'ours', borrow: 'borrowed', hire: 'hired', wish: 'wished for' } as const;

const mm = (value: number) => withUnit(fixed(value, 0), 'mm');

const shared = (share: number) => withUnit(100 * share < 0.995 ? fixed(100 * share, 2) : fixed(100 * share, 1), '%');

interface ProposalProps {
  shot: ShotInput;
  fit: Fit;
  ticked: boolean;
  full: boolean;
  onTick: (on: boolean) => void;
}

export function Proposal({ shot, fit, ticked, full, onTick }: ProposalProps) {
  const feet = useSettings((s) => s.feet);
  const picked = useAnswers((s) => s.picked === fit);
  const { rig } = fit;
  const { closest, spares, surer } = fit.margin ?? { spares: [] };
  const close = closest == null ? undefined : spares[closest];
  const roomSpare = fit.toMm - fit.fromMm > 10 ? undefined : spares.find((s) => s.kind === 'room');
  const far = (mm: number) => distance(mm, feet);
  const sure = (spare: Spare | undefined) => (spare?.plusMinusMm ? `, ± ${about(spare.plusMinusMm, feet)}` : '');
  const zone = `${far(fit.nearMm)} to ${fit.farMm == null ? '∞' : far(fit.farMm)}`;
  const chosen = isChosen(shot, fit);
  const name = [rig.bodyName, rig.lensName].filter(Boolean).join(', ');
  return (
    <Item className={picked ? 'picked' : ''} data-tier={fit.tier}>
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
        <Line className="line">
          <div className="rig" title={`${name} · ${besidesOf(rig)}`}>
            <div>
              {chosen && <b className="mark">chosen</b>} {rig.bodyName} <span>{modeOf(rig)}</span>
            </div>
            <div>
              {rig.lensName} <span>{addedTo(rig)}</span>
            </div>
          </div>
          <div className="end">
            <Figure text={withUnit(fixed(fit.focalLengthMm, fit.focalLengthMm < 100 && fit.focalLengthMm % 1 > 0.05 ? 1 : 0), 'mm')} />
          </div>
          <div className="end">
            <Figure text={aperture(fit.fNumber)} />
          </div>
          <div className="end">
            <Box component="span" sx={hidden}>
              from{' '}
            </Box>
            <Figure text={far(fit.distanceMm)} />
          </div>
          <div className="end">
            <Box component="span" sx={hidden}>
              blur{' '}
            </Box>
            <Figure text={shared(fit.blurShare)} />
          </div>
          <div className="end wide">
            <Box component="span" sx={hidden}>
              sharp over{' '}
            </Box>
            <Figure text={fit.farMm == null ? '∞' : far(fit.farMm - fit.nearMm)} />
          </div>
          <div className="end wide">
            {rig.weightUnknown ? '≥ ' : ''}
            {weight(rig.weightG)}
          </div>
        </Line>
        {close && !picked && <div className="more warn">{close.say}</div>}
        {picked && (
          <div className="more">
            {fit.toMm - fit.fromMm > 10 && (
              <span>
                from {far(fit.fromMm)} to {far(fit.toMm)}
                {Math.abs(fit.toFocalMm - fit.fromFocalMm) > 0.5 && `, zoomed from ${mm(fit.fromFocalMm)} to ${mm(fit.toFocalMm)}`}
              </span>
            )}
            {fit.roomLeftMm != null && (
              <span>
                {far(fit.roomLeftMm)} of room left{sure(roomSpare)}
              </span>
            )}
            <span>sharp {zone}</span>
            {fit.sensitivityIso != null && <span>{light(fit)}</span>}
            <span>{rig.weightUnknown ? 'weight not wholly known' : weight(rig.weightG)}</span>
            <span>{ownerships[rig.ownership]}</span>
            {fit.irisIsFixed && <span>iris stays open</span>}
          </div>
        )}
        {picked && <Details fit={fit} shot={shot} />}
        {picked && fit.margin && <Sureness margin={fit.margin} feet={feet} />}
      </button>
      {picked && (
        <Box sx={{ gridColumn: '2', display: 'flex', flexWrap: 'wrap', gap: 0.5, pb: 0.75 }}>
          <Button
            size="small"
            variant={chosen ? 'text' : 'outlined'}
            onClick={() => changeShot(shot.id, { chosen: chosen ? null : chosenOfSetting(fit) })}
          >
            {chosen ? 'Let go of it' : 'Choose for this shot'}
          </Button>
          <IntoBag
            things={[...new Set([rig.body, rig.lens, ...rig.links, ...rig.front, ...(shot.support ? [shot.support] : [])])]}
            name={name}
          />
          <BenchButton fits={[fit]} label="To the Bench" />
          {surer?.fit && (
            <Button size="small" variant="outlined" onClick={() => takeInstead(shot, surer.fit!)}>
              {surer.say}
            </Button>
          )}
        </Box>
      )}
    </Item>
  );
}

/** Another rig in place of one that is not sure. */
function takeInstead(shot: ShotInput, fit: Fit): void {
  changeShot(shot.id, { chosen: chosenOfSetting(fit) });
  pick(fit);
}

/** How sure a proposal is: what it may run out of, and what makes that unsure. */
function Sureness({ margin, feet }: { margin: NonNullable<Fit['margin']>; feet: boolean }) {
  const close = margin.closest == null ? undefined : margin.spares[margin.closest];
  const told = close ?? margin.spares.find((s) => s.kind === 'room') ?? margin.spares[0];
  return (
    <div className="more">
      {close && (
        <span className="warn" style={{ flexBasis: '100%' }}>
          {close.say}. {close.fix}
        </span>
      )}
      {margin.standPlusMinusMm != null && <span>stands there ± {about(margin.standPlusMinusMm, feet)}</span>}
      {told && told.parts.length > 0 && (
        <span>
          by{' '}
          {told.parts
            .map((part) => sourceOf(part, feet))
            .map((words) => words[0]!.toLowerCase() + words.slice(1))
            .join('; ')}
        </span>
      )}
    </div>
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
