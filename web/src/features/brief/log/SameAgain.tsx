import { Alert, Box, Button, MenuItem } from '@mui/material';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { productions, type ProductionDocument } from '../../../api/client';
import { LabelledSelect } from '../../../ui/LabelledSelect';
import { changeProduction } from '../commands';
import { intoNew, intoOther, pickUpOf, withPickUp } from './sameAgain';
import { goneOf } from './takeRigs';
import type { Take } from './takes';

interface SameAgainProps {
  take: Take;
  /** Of the production that is open. */
  name: string;
  document: ProductionDocument;
  feet: boolean;
}

/** A take's set-up as a shot to be taken again: in this production, in another day's, or in a new one. */
export function SameAgain({ take, name, document, feet }: SameAgainProps) {
  const [others, setOthers] = useState<{ id: string; name: string }[]>([]);
  const [said, setSaid] = useState<{ text: string; to: string | null } | null>(null);
  useEffect(() => {
    void productions
      .list(false, 0)
      .then((found) => Array.isArray(found) && setOthers(found.filter((work) => work.id !== take.productionId)));
  }, [take.productionId]);
  const pick = async (where: string) => {
    const pickUp = pickUpOf(take, document, feet);
    const gone = take.rig ? goneOf(take.rig) : [];
    const missing = gone.length > 0 ? ` Not on the shelf any more: ${gone.join(', ')}; what fits in its place is asked there.` : '';
    if (where === 'this') {
      const { locations, shots } = withPickUp(document, pickUp);
      changeProduction({ locations: locations ?? [], shots: shots ?? [] });
      setSaid({ text: `It is the last shot, “${pickUp.shot.name}”.${missing}`, to: `/brief/${take.productionId}?shot=${pickUp.shot.id}` });
    } else if (where === 'new') {
      const id = await intoNew(pickUp, name, document);
      setSaid({ text: `A production of its own has it.${missing}`, to: `/brief/${id}?shot=${pickUp.shot.id}` });
    } else if (where !== '') {
      const failed = await intoOther(where, pickUp);
      const other = others.find((o) => o.id === where)?.name ?? '';
      setSaid(
        failed
          ? { text: failed, to: null }
          : { text: `${other} has it as its last shot.${missing}`, to: `/brief/${where}?shot=${pickUp.shot.id}` },
      );
    }
  };
  return (
    <Box sx={{ gridColumn: '1 / -1', display: 'grid', gap: 1 }}>
      <LabelledSelect
        label="The same again"
        help="As a shot of its own with this rig and this picture: a pick-up on another day."
        value=""
        onChange={(where) => void pick(where)}
      >
        <MenuItem value="">choose where</MenuItem>
        <MenuItem value="this" sx={{ minHeight: 48 }}>
          In this production
        </MenuItem>
        <MenuItem value="new" sx={{ minHeight: 48 }}>
          In a new one
        </MenuItem>
        {others.map((other) => (
          <MenuItem key={other.id} value={other.id} sx={{ minHeight: 48 }}>
            In {other.name || 'one without a name'}
          </MenuItem>
        ))}
      </LabelledSelect>
      {said && (
        <Alert
          severity={said.to ? 'success' : 'error'}
          variant="outlined"
          action={
            said.to && (
              <Button component={Link} to={said.to} sx={{ minHeight: 44 }}>
                Open it
              </Button>
            )
          }
        >
          {said.text}
        </Alert>
      )}
    </Box>
  );
}
