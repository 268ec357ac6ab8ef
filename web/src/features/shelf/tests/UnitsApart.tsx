import { Box, Button, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { GearItem } from '../../../core/core';
import { fullName } from '../../../gear/gear';
import { askAgain } from '../../../gear/shelfApi';
import { valueText } from '../../../gear/testWords';
import { unitTests, type UnitTest } from '../../../gear/unitTests';
import { moveUnit, type NamedUnit, type UnitModel } from '../../../gear/units';
import { Panel } from '../../../ui/Panel';
import type { Said } from '../../../ui/SaidBar';

interface UnitsApartProps {
  item: GearItem;
  /** Of the same model, in their order; more than one. */
  units: NamedUnit[];
  tests: UnitTest[];
  onSaid: (said: Said) => void;
}

/** Moves a unit to another model, goes on from there, and asks anew for what is told of it. */
function useMoving(onSaid: (said: Said) => void) {
  const queries = useQueryClient();
  const [busy, setBusy] = useState(false);
  const move = async (unitId: string, gearId: string, onMoved: () => void): Promise<void> => {
    setBusy(true);
    await unitTests.flush();
    const failed = await moveUnit(unitId, gearId);
    setBusy(false);
    if (failed) {
      onSaid({ text: failed.say });
      return;
    }
    onMoved();
    await Promise.all([askAgain(queries), unitTests.refresh()]);
  };
  return { busy, move };
}

/** The units of a model with what tests found of each: one that differs becomes a thing of its own, since searches know models. */
export function UnitsApart({ item, units, tests, onSaid }: UnitsApartProps) {
  const { busy, move } = useMoving(onSaid);
  const accepted = tests.filter((t) => t.acceptedAt !== null).sort((a, b) => a.acceptedAt!.localeCompare(b.acceptedAt!));
  const kinds = new Set(accepted.map((t) => t.measured.kind));
  const counts = [...kinds].some((kind) => new Set(accepted.filter((t) => t.measured.kind === kind).map((t) => t.unitId)).size > 1);
  return (
    <Panel aria-label="Units" sx={{ p: 1, display: 'grid', gap: 0.5, maxWidth: 760 }}>
      <Typography sx={{ fontSize: 13.5, color: counts ? 'warning.main' : 'text.secondary' }}>
        {counts
          ? 'More than one of them was tested for the same: the last result counts for all. Set one apart, and each is found by what it does itself.'
          : `There are ${units.length} of it. What a test finds of one counts for all, until that one is set apart.`}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {units.map(({ unit, name }) => (
          <Box component="li" key={unit.id} sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 44, fontSize: 14 }}>
            <span>{name}</span>
            <Box component="span" sx={{ flex: 1, color: 'text.secondary', fontSize: 13 }}>
              {lastOf(accepted.filter((t) => t.unitId === unit.id)).join(', ') || 'not tested'}
            </Box>
            {unit.id !== item.id && (
              <Button
                disabled={busy}
                title="It becomes a thing of its own on the shelf, with the same papers and its own tests. Its bookings go with it."
                aria-label={`Set ${name} apart`}
                onClick={() =>
                  void move(unit.id, unit.id, () =>
                    onSaid({
                      text: `${name} is a thing of its own on the shelf now, with its tests.`,
                      undo: () => void move(unit.id, item.id, () => onSaid({ text: `${name} is one of ${fullName(item)} again.` })),
                    }),
                  )
                }
                sx={{ minHeight: 44 }}
              >
                Set apart
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </Panel>
  );
}

/** A thing of which there is one, and the models with the same papers: it may be one of them, as it was before it was set apart. */
export function OneOfThem({ item, models, onSaid }: { item: GearItem; models: UnitModel[]; onSaid: (said: Said) => void }) {
  const { busy, move } = useMoving(onSaid);
  const navigate = useNavigate();
  const own = fullName(item);
  // What it was set apart from comes first: its name begins so. What was set apart from it is put back where that is looked at.
  const ordered = models
    .filter(({ name }) => !name.startsWith(own))
    .sort((a, b) => Number(own.startsWith(b.name)) - Number(own.startsWith(a.name)) || a.name.localeCompare(b.name));
  if (ordered.length === 0) return null;
  return (
    <Panel aria-label="Units" sx={{ p: 1, display: 'grid', gap: 0.5, maxWidth: 760 }}>
      <Typography sx={{ fontSize: 13.5, color: 'text.secondary' }}>
        {ordered.length === 1
          ? 'Another thing on the shelf has the same papers.'
          : `${ordered.length} other things on the shelf have the same papers.`}{' '}
        If this is a unit of it, it can be counted there, with its tests and bookings.
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, maxHeight: 200, overflowY: 'auto' }}>
        {ordered.map(({ gearId, name }) => (
          <Button
            key={gearId}
            disabled={busy}
            title={`${own} is no thing of its own any more then: what tests of it found counts for ${name} too.`}
            onClick={() => void move(item.id, gearId, () => void navigate(`/shelf/${gearId}/tests`, { replace: true }))}
            sx={{ minHeight: 44 }}
          >
            It is one of {name}
          </Button>
        ))}
      </Box>
    </Panel>
  );
}

/** What the last tests of each kind found, in short. */
function lastOf(tests: UnitTest[]): string[] {
  const last = new Map(tests.map((t) => [t.measured.kind, t.results[0]]));
  return [...last.values()].flatMap((result) => (result ? [valueText(result.quantity, result.value, result.plusMinus)] : []));
}
