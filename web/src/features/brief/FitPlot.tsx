import { memo, useMemo } from 'react';
import { useSettings } from '../../app/settings';
import type { ShotInput } from '../../core/core';
import { Plot } from '../../drawing/Plot';
import { useGear } from '../../gear/fitting';
import { keyOf } from '../../gear/setRigs';
import { pick, useAnswers } from './answers';
import { axesOf } from './plotAxes';
import { useProduction } from './productionStore';
import { isChosen } from './rigs';

/** Every rig that gives the shot, on two axes; the one that is reached is drawn in the place. */
export const FitPlot = memo(function FitPlot({ shot }: { shot: ShotInput }) {
  const all = useAnswers((s) => s.all);
  const picked = useAnswers((s) => s.picked);
  const items = useGear((s) => s.items);
  const highestIso = useProduction((s) => s.document.delivery?.highestIso ?? 6400);
  const feet = useSettings((s) => s.feet);
  const { plotAcross, plotUp, choosePlot } = useSettings();
  const axes = useMemo(() => axesOf(highestIso, items, feet), [highestIso, items, feet]);
  return (
    <Plot
      things={all}
      axes={axes}
      across={plotAcross}
      up={plotUp}
      onAxes={({ across, up }) => choosePlot({ ...(across && { plotAcross: across }), ...(up && { plotUp: up }) })}
      keyOf={keyOf}
      nameOf={({ rig }) => [rig.bodyName, rig.lensName].filter(Boolean).join(', ')}
      picked={picked && keyOf(picked)}
      onPick={pick}
      isChosen={(fit) => isChosen(shot, fit)}
      isWarned={(fit) => fit.tier > 0}
      label="Rigs that give it, from left to right"
    />
  );
});
