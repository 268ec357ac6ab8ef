import { SvgIcon, type SvgIconProps } from '@mui/material';

/** Line icons of one weight. */
const icon = (path: string) =>
  function Icon(props: SvgIconProps) {
    return (
      <SvgIcon {...props}>
        <path d={path} fill="none" stroke="currentColor" strokeWidth="1.8" strokeLinecap="round" strokeLinejoin="round" />
      </SvgIcon>
    );
  };

export const MoreIcon = icon('M12 5v.01M12 12v.01M12 19v.01');
export const UndoIcon = icon('M9 6 4 11l5 5M4 11h10a5.5 5.5 0 0 1 0 9h-3');
export const RedoIcon = icon('m15 6 5 5-5 5m5-5H10a5.5 5.5 0 0 0 0 9h3');
export const ShareIcon = icon('M10 14a4 4 0 0 0 6 .4l3-3a4 4 0 0 0-5.700-5.700l-1 1M14 10a4 4 0 0 0-6-.4l-3 3a4 4 0 0 0 5.700 5.700l1-1');
export const BenchIcon = icon('M3 6h8v9H3zM13 4h8v11h-8zM2 20h20M7 15v5M17 15v5');
export const ListIcon = icon('M4 5h16v4H4zM4 11h16v4H4zM4 17h16v3H4z');
export const ShelfIcon = icon('M3 11h18M3 20h18M5 11V5h4v6M12 11V7h3v4M17 20v-6h3v6M6 20v-5h7v5');
export const LightIcon = icon(
  'M12 4V2m0 20v-2m8-8h2M2 12h2m13.700-5.700 1.400-1.400M4.900 19.100l1.400-1.400m0-11.400L4.900 4.900m14.200 14.200-1.400-1.400M12 7.500a4.500 4.500 0 1 1 0 9 4.500 4.500 0 0 1 0-9z',
);
export const KeysIcon = icon('M3 7h18v11H3zM6.500 10.500h.01M10 10.500h.01M14 10.500h.01M17.500 10.500h.01M7.500 14.500h9');
export const DuplicateIcon = icon('M8 8h12v12H8zM16 8V4H4v12h4');
export const DeleteIcon = icon('M4 7h16M9 7V4h6v3M6 7l1 13h10l1-13M10 11v5M14 11v5');
export const RenameIcon = icon('M4 20h4L19 9l-4-4L4 16zM13 7l4 4');
export const RestoreIcon = icon('M4 5v5h5M4.500 10A8 8 0 1 1 4 14');
export const CloseIcon = icon('M6 6l12 12M18 6 6 18');
export const LensIcon = icon('M4 7h5v10H4zM9 5h8v14H9zM17 7c3 1 4 3 4 5s-1 4-4 5M12 5v14');
export const RulerIcon = icon('M3 15 15 3l6 6L9 21zM7 11l2 2M10 8l3 3M13 5l2 2');
export const PreviousIcon = icon('M15 5 8 12l7 7');
export const NextIcon = icon('m9 5 7 7-7 7');
export const UpIcon = icon('m5 15 7-7 7 7');
export const DownIcon = icon('m5 9 7 7 7-7');
export const BriefIcon = icon(
  'M4 8V5h3M17 5h3v3M20 16v3h-3M7 19H4v-3M8.500 18a3.500 3.500 0 0 1 7 0M12 12.500a2.200 2.200 0 1 0 0-4.400 2.200 2.200 0 0 0 0 4.400z',
);
export const FindIcon = icon('M10.500 17a6.500 6.500 0 1 1 0-13 6.500 6.500 0 0 1 0 13zM15.500 15.500 20.500 20.500');
