import { Box, Button, Typography } from '@mui/material';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { GearItem } from '../../../core/core';
import { fullName } from '../../../gear/gear';
import { askAgain } from '../../../gear/shelfApi';
import { valueText } from '../../../gear/testWords';
import { unitTests, type UnitTest } from '../../../gear/unitTests';
import { moveUnit, type GearUnit } from '../../../gear/units';
import { Panel } from '../../../ui/Panel';
import type { Said } from '../../../ui/SaidBar';

interface UnitsApartProps {
  item: GearItem;
  /** Of the same model; more than one. */
  units: GearUnit[];
  tests: UnitTest[];
  onSaid: (said: Said) => void;
}

/** The units of a model with what tests found of each: one that differs becomes a thing of its own, since searches know models. */
export function UnitsApart({ item, units, tests, onSaid }: UnitsApartProps) {
  const queries = useQueryClient();
  const [busy, setBusy] = useState(false);
  const accepted = tests.filter((t) => t.acceptedAt !== null).sort((a, b) => a.acceptedAt!.localeCompare(b.acceptedAt!));
  const kinds = new Set(accepted.map((t) => t.measured.kind));
  const counts = [...kinds].some((kind) => new Set(accepted.filter((t) => t.measured.kind === kind).map((t) => t.unitId)).size > 1);
  const move = async (unit: GearUnit, gearId: string, said: Said) => {
    setBusy(true);
    await unitTests.flush();
    const failed = await moveUnit(unit.id, gearId);
    setBusy(false);
    onSaid(failed ? { text: failed.say } : said);
    if (failed) return;
    await Promise.all([askAgain(queries), unitTests.refresh()]);
  };
  const ordered = [...units].sort((a, b) => Number(b.id === item.id) - Number(a.id === item.id));
  const nameOf = (unit: GearUnit) => unit.label || `Unit ${ordered.indexOf(unit) + 1}`;
  return (
    <Panel aria-label="Units" sx={{ p: 1, display: 'grid', gap: 0.5, maxWidth: 760 }}>
      <Typography sx={{ fontSize: 13.5, color: counts ? 'warning.main' : 'text.secondary' }}>
        {counts
          ? 'More than one of them was tested for the same: the last result counts for all. Set one apart, and each is found by what it does itself.'
          : `There are ${units.length} of it. What a test finds of one counts for all, until that one is set apart.`}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {ordered.map((unit) => (
          <Box component="li" key={unit.id} sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 44, fontSize: 14 }}>
            <span>{nameOf(unit)}</span>
            <Box component="span" sx={{ flex: 1, color: 'text.secondary', fontSize: 13 }}>
              {lastOf(accepted.filter((t) => t.unitId === unit.id)).join(', ') || 'not tested'}
            </Box>
            {unit.id !== item.id && (
              <Button
                disabled={busy}
                title="It becomes a thing of its own on the shelf, with the same papers and its own tests. Its bookings go with it."
                aria-label={`Set ${nameOf(unit)} apart`}
                onClick={() =>
                  void move(unit, unit.id, {
                    text: `${nameOf(unit)} is a thing of its own on the shelf now, with its tests.`,
                    undo: () => void move(unit, item.id, { text: `${nameOf(unit)} is one of ${fullName(item)} again.` }),
                  })
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

/** What the last tests of each kind found, in short. */
function lastOf(tests: UnitTest[]): string[] {
  const last = new Map(tests.map((t) => [t.measured.kind, t.results[0]]));
  return [...last.values()].flatMap((result) => (result ? [valueText(result.quantity, result.value, result.plusMinus)] : []));
}
