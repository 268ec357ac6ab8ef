import { memo } from 'react';

/** The other half of a drawing that is symmetrical about x = 0. */
const mirrored = (path: string) => path.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => `${-Number(x)} ${y}`);
const both = (path: string) => path + mirrored(path);

/**
 * A standing figure of height 1000, centred on x = 0, crown at y = 0 and soles at y = 1000. Few and long paths, since a drag
 * lays them out anew in every frame.
 */
const silhouette =
  both(
    'M0 148 C26 150 30 158 58 166 C98 176 118 190 126 226 C136 276 146 330 150 384 C153 420 156 446 154 474 C153 494 146 508 138 512 ' +
      'C130 508 128 490 128 470 C126 424 112 356 96 262 C94 320 88 356 88 398 C88 440 98 470 98 520 C98 610 88 680 84 760 ' +
      'C80 836 70 900 66 958 C84 972 98 984 98 996 L30 998 C24 984 26 970 26 958 C26 880 30 800 26 720 C22 650 12 580 0 540 Z',
  ) +
  both('M0 116 L24 116 L27 156 Q10 174 0 167 Z') +
  both('M0 0 C30 0 52 14 50 48 C52 90 30 136 0 136 Z');

const outline =
  both(
    'M27 154 C38 160 46 163 58 166 C98 176 118 190 126 226 C136 276 146 330 150 384 C153 420 156 446 154 474 C153 494 146 508 138 512 ' +
      'C130 508 128 490 128 470 C126 424 112 356 96 262 C94 320 88 356 88 398 C88 440 98 470 98 520 C98 610 88 680 84 760 ' +
      'C80 836 70 900 66 958 C84 972 98 984 98 996 L30 998 C24 984 26 970 26 958 C26 880 30 800 26 720 C22 650 12 580 0 540 ' +
      'M24 122 L27 154 Q10 172 0 167',
  ) + both('M0 0 C30 0 52 14 50 48 Q25 42 0 42 M47 60 C50 96 30 134 0 136');

const detail = both(
  'M0 476 L96 480 M12 176 C30 200 34 230 30 300 M0 190 L0 540 M48 62 C58 58 58 84 46 86 ' +
    'M11 66 Q20 60 30 66 M3 66 C5 82 9 90 7 93 Q3 96 0 96 M17 110 Q8 114 0 114',
);

const eyes = both('M15.5 70 C15.5 65 24.5 65 24.5 70 C24.5 75 15.5 75 15.5 70 Z');

/** A person in a work coat and cap, in line. Strokes keep their width at every size. */
export const Person = memo(function Person({ stroke, fill, width = 1.4 }: { stroke: string; fill: string; width?: number }) {
  const line = { fill: 'none', stroke, vectorEffect: 'non-scaling-stroke', strokeLinejoin: 'round' } as const;
  return (
    <g aria-hidden="true">
      <path d={silhouette} fill={fill} />
      <path d={outline} {...line} strokeWidth={width} />
      <path d={detail} {...line} strokeWidth={width * 0.75} />
      <path d={eyes} fill={stroke} />
    </g>
  );
});
