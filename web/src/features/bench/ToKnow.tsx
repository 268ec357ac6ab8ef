import { Box, ButtonBase } from '@mui/material';
import { memo } from 'react';
import { type Assembled, type Diagnostic } from '../../core/core';
import { rigLetter } from '../../ui/RigMark';
import { idAt } from './benchStore';
import { usePanel } from './panels/panelStore';

interface Known {
  message: string;
  weight: number;
  /** Told by the parts, not by the evaluation. */
  ofParts: boolean;
}

const weights = { stops: 0, spoils: 1, costs: 2, note: 3 };

/** What the parts tell better, since they know which of them is at fault and what would cure it. */
const toldByParts: readonly string[] = ['openingTooSmall'];

/** What is to be known of a rig, the weightiest first: of the evaluation, and of its parts where it has some. */
export function toKnow(reasons: Diagnostic[], parts: Assembled | null): Known[] {
  const ofRig = reasons
    .filter((r) => !parts || !(toldByParts.includes(r.code) || parts.findings.some((f) => f.code === r.code)))
    .map((r) => ({ message: r.message, weight: weights[r.severity], ofParts: false }));
  const ofParts = parts?.findings.map((f) => ({ message: f.message, weight: weights[f.severity], ofParts: true })) ?? [];
  return [...ofRig, ...ofParts].sort((a, b) => a.weight - b.weight);
}

/** The weightiest thing to know of a rig in one line; a press opens all of them. */
export const ToKnow = memo(function ToKnow({ index, known }: { index: number; known: Known[] }) {
  const open = usePanel((s) => s.open);
  const [first, ...others] = known;
  if (!first) {
    return null;
  }
  const quiet = first.weight >= weights.costs;
  return (
    <ButtonBase
      onClick={() => open({ kind: first.ofParts ? 'chain' : 'reasons', rig: idAt(index) })}
      aria-label={`Rig ${rigLetter(index)}, what to know: ${first.message}`}
      sx={{
        minHeight: 40,
        gap: 0.75,
        px: 0.75,
        justifyContent: 'flex-start',
        textAlign: 'left',
        fontFamily: 'inherit',
        fontSize: 12.5,
        lineHeight: 1.25,
        border: 1,
        borderRadius: 1,
        borderColor: quiet ? 'divider' : 'warning.main',
        color: quiet ? 'text.secondary' : 'warning.main',
      }}
    >
      <Box component="span" sx={{ flex: 1, display: '-webkit-box', overflow: 'hidden', WebkitBoxOrient: 'vertical', WebkitLineClamp: 2 }}>
        {first.message}
      </Box>
      {others.length > 0 && <span>+{others.length}</span>}
    </ButtonBase>
  );
});
