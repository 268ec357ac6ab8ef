import { Button } from '@mui/material';
import { Link } from 'react-router';
import { create } from 'zustand';
import { changeStored } from '../../documents/changeStored';
import { production } from '../../documents/kinds';
import { SaidBar, type Said } from '../../ui/SaidBar';
import { chosenOf } from '../../gear/chains';
import { useBench } from './benchStore';
import type { ChosenRig } from '../../core/core';

const useSaid = create<{ said: Said | null }>()(() => ({ said: null }));

/** The way back to the shot that the comparison was made for. */
export function ShotLink() {
  const shot = useBench((s) => s.document.shot ?? null);
  const said = useSaid((s) => s.said);
  return (
    <>
      {shot && (
        <Button component={Link} to={`/brief/${shot.productionId}?shot=${shot.shotId}`} sx={{ whiteSpace: 'nowrap' }}>
          To its shot
        </Button>
      )}
      <SaidBar said={said} onDone={() => useSaid.setState({ said: null })} />
    </>
  );
}

/** Makes a rig what its shot has chosen; whoever has the production open sees it as a step that can be taken back. What came of it, in words. */
export async function choose(chosen: ChosenRig): Promise<string> {
  const { shot } = useBench.getState().document;
  if (!shot) {
    return '';
  }
  let name = '';
  const failed = await changeStored(production, shot.productionId, (document) => {
    const shots = document.shots ?? [];
    const its = shots.find((s) => s.id === shot.shotId);
    name = its?.name ?? '';
    return its ? { ...document, shots: shots.map((s) => (s === its ? { ...s, chosen } : s)) } : null;
  });
  return failed ? `${failed.say} The shot keeps what it had.` : `“${name}” is done with ${chosen.name}.`;
}

/** Makes a rig of the Bench what its shot has chosen. */
export async function chooseForShot(id: string): Promise<void> {
  const rig = useBench.getState().document.setup.rigs.find((r) => r.id === id);
  const chosen = rig && chosenOf(rig);
  if (chosen) {
    useSaid.setState({ said: { text: await choose(chosen) } });
  }
}

/** True when a rig can become the choice of a shot. */
export const useCanBeChosen = (id: string): boolean =>
  useBench((s) => s.document.shot != null && s.document.setup.rigs.some((rig) => rig.id === id && chosenOf(rig) !== null));
