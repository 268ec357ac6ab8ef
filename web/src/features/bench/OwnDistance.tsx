import type { FieldError } from '../../core/core';
import { EntryField } from '../../ui/EntryField';
import { distanceField } from '../../ui/format';
import { standAt } from './benchStore';

interface OwnDistanceProps {
  index: number;
  mm: number;
  problems: FieldError[];
  feet: boolean;
}

/** The distance of a rig that does not stand where the scene says. */
export function OwnDistance({ index, mm, problems, feet }: OwnDistanceProps) {
  return (
    <EntryField
      label="Stands at"
      help="The rig’s own distance to the subject; emptied, it goes where the scene says."
      kind="subjectDistance"
      shown={distanceField(mm, feet)}
      stepFrom={mm}
      feet={feet}
      problem={problems.find((p) => p.field === `rigs[${index}].subjectDistanceMm`)?.message}
      onClear={() => standAt(index, null)}
      onValue={(value) => standAt(index, value)}
    />
  );
}
