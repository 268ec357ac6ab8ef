import { Box, Button, Typography } from '@mui/material';
import type { FitResponse, Miss, Remedy, ShotInput } from '../../core/core';
import { pick, useAnswers } from './answers';
import { placeOf, shotsOf, useProduction } from './productionStore';
import { changeShot, lightUp } from './commands';
import { besidesOf, chosenOfSetting } from '../../gear/setRigs';
import { List } from './Proposals';
import { Item } from './Proposal';

export function Misses({ shot, answer }: { shot: ShotInput; answer: FitResponse }) {
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
  const { nearest } = miss;
  const isPicked = useAnswers((s) => nearest != null && s.picked === nearest);
  return (
    <Item style={{ gridTemplateColumns: 'minmax(0, 1fr)', padding: '6px 10px' }} className={isPicked ? 'picked' : ''}>
      <div className="rig" style={{ whiteSpace: 'normal' }}>
        {name} <span>{besidesOf(miss.rig)}</span>
      </div>
      <div className="set warn">{miss.why.message}</div>
      {miss.margin && (
        <div className="set">
          It may give it all the same: {miss.margin.say}. {miss.margin.fix}
        </div>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 0.25 }}>
        {nearest && !isPicked && (
          <Button size="small" onClick={() => pick(nearest)}>
            Draw it
          </Button>
        )}
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
function apply(shot: ShotInput, { kind, value, cameraSupport, support, fit }: Remedy): void {
  const { document } = useProduction.getState();
  const now = shotsOf(document).find((s) => s.id === shot.id)!;
  const place = placeOf(document, now);
  const set = (part: Partial<ShotInput>) => changeShot(shot.id, part);
  if (fit) {
    set({ chosen: chosenOfSetting(fit) });
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
      if (place) lightUp(place, now, value);
      break;
    case 'strongerSupport':
      set({ support });
      break;
    case 'otherSupport':
      set({ cameraSupport: cameraSupport ?? 'handHeld', rearMm: null, support: null });
      break;
  }
}
