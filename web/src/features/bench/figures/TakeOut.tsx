import { IconButton, Menu, MenuItem } from '@mui/material';
import { useState } from 'react';
import { useSettings } from '../../../app/settings';
import { type RigInput, type RigReport, type SceneInput } from '../../../core/core';
import { usePictures } from '../../../picture/pictures';
import { MoreIcon } from '../../../ui/icons';
import { rigLetter } from '../../../ui/RigMark';
import { SaidBar, type Said } from '../../../ui/SaidBar';
import { type FigureGroup } from '../figureRows';
import { captionOf } from '../../../picture/frameView';
import { usePanel } from '../panels/panelStore';
import { copyTable, saveCsv, savePng } from '../takeOut';

export interface FiguresProps {
  /** Of the comparison, for files that are saved of it. */
  name: string;
  rigs: RigInput[];
  scene: SceneInput;
  reports: RigReport[];
  yardstick: number;
  feet: boolean;
  /** The conventions in words: printed with the figures, always. */
  conventions: string[];
}

interface TakeOutProps extends Omit<FiguresProps, 'conventions'> {
  topic: string;
  groups: FigureGroup[];
}

/** Figures and frames, to be used elsewhere. */
export function TakeOut({ name, rigs, scene, reports, yardstick, feet, topic, groups }: TakeOutProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const failed = usePictures((s) => s.failed);
  const showMargins = useSettings((s) => s.showMargins);
  const names = reports.map((_, i) => `${rigLetter(i)} ${rigs[i]?.name ?? ''}`.trim());
  const item = (label: string, act: () => void | Promise<void>, disabled = false) => (
    <MenuItem
      key={label}
      disabled={disabled}
      onClick={() => {
        setAnchor(null);
        void act();
      }}
    >
      {label}
    </MenuItem>
  );
  const copy = () =>
    copyTable(topic, groups, names, reports, yardstick, feet).then(
      () => setSaid({ text: 'The figures are copied. Paste them into a document or a sheet.' }),
      () => setSaid({ text: 'This browser does not let the page copy. Save them as CSV instead.' }),
    );
  const frames = async () => {
    const captioned = reports.flatMap((report, i) => {
      const canvas = document.querySelector<HTMLCanvasElement>(`main canvas[data-rig="${i}"][data-samples]`);
      return canvas && rigs[i] ? [{ canvas, lines: captionOf(i, rigs[i], report, scene, feet) }] : [];
    });
    if (captioned.length === 0) {
      setSaid({ text: 'No frame is rendered yet. Bring the frames into sight and wait a moment.' });
    } else {
      await savePng(name, captioned);
    }
  };
  return (
    <>
      <IconButton
        aria-label="Take figures and frames out"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ color: 'text.secondary', minWidth: 32 }}
      >
        <MoreIcon />
      </IconButton>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {item('Copy the figures as a table', copy)}
        {item(showMargins ? 'Do not say how far off they may be' : 'Say how far off they may be', useSettings.getState().toggleMargins)}
        {item('Choose rows of your own', () => usePanel.getState().open({ kind: 'rows' }))}
        {item('Save the figures as CSV', () => saveCsv(name, topic, groups, names, reports, yardstick, feet))}
        {item('Save the frames as PNG', frames, failed !== null)}
      </Menu>
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </>
  );
}
