/** A standing figure of unit height 1000, centred on x = 0, crown at y = 0 and soles at y = 1000. */
const half =
  'M0 148 C26 150 30 158 58 166 C98 176 118 190 126 226 C136 276 146 330 150 384 C153 420 156 446 154 474 C153 494 146 508 138 512';
const arm = 'M138 512 C130 508 128 490 128 470 C126 424 112 356 96 262';
const side = 'M96 262 C94 320 88 356 88 398 C88 440 98 470 98 520 C98 610 88 680 84 760 C80 836 70 900 66 958';
const foot = 'M66 958 C84 972 98 984 98 996 L30 998 C24 984 26 970 26 958 C26 880 30 800 26 720 C22 650 12 580 0 540';

/**
 * A person in a work coat and cap, in line. Drawn as a mirrored half with a face, so that close framings have something to
 * look at. The strokes keep their width at every size.
 */
export function Person({ stroke, fill, width = 1.4 }: { stroke: string; fill: string; width?: number }) {
  const line = { fill: 'none', stroke, strokeWidth: width, vectorEffect: 'non-scaling-stroke', strokeLinejoin: 'round' } as const;
  const side2 = (
    <>
      <path d={`${half} ${arm.replace('M138 512', '')} L0 262 Z`} fill={fill} />
      <path d={`M96 250 ${side.slice(8)} ${foot.replace('M66 958', '')} L0 250 Z`} fill={fill} />
      <path d={half} {...line} />
      <path d={arm} {...line} />
      <path d={side} {...line} />
      <path d={foot} {...line} />
      <path d="M0 476 L96 480 M12 176 C30 200 34 230 30 300" {...line} strokeWidth={width * 0.7} />
    </>
  );
  return (
    <g aria-hidden="true">
      {side2}
      <g transform="scale(-1 1)">{side2}</g>
      <path d="M0 190 L0 540" {...line} strokeWidth={width * 0.7} />
      <path d="M-24 116 L-27 156 Q0 178 27 156 L24 116 Z" fill={fill} />
      <path d="M-24 122 L-27 154 M24 122 L27 154 M-27 154 Q0 178 27 154" {...line} />
      <path d="M-47 60 C-50 96 -30 134 0 136 C30 134 50 96 47 60 C48 20 30 6 0 6 C-30 6 -48 20 -47 60 Z" fill={fill} />
      <path d="M-47 60 C-50 96 -30 134 0 136 C30 134 50 96 47 60" {...line} />
      <path d="M-48 62 C-58 58 -58 84 -46 86 M48 62 C58 58 58 84 46 86" {...line} strokeWidth={width * 0.8} />
      <path d="M-50 48 C-52 14 -30 0 0 0 C30 0 52 14 50 48 C30 40 -30 40 -50 48 Z" fill={fill} />
      <path d="M-50 48 C-52 14 -30 0 0 0 C30 0 52 14 50 48 C30 40 -30 40 -50 48 Z" {...line} />
      <path
        d="M-30 66 Q-20 60 -11 66 M11 66 Q20 60 30 66 M-3 66 C-5 82 -9 90 -7 93 Q0 97 7 93 M-17 110 Q0 116 17 110"
        {...line}
        strokeWidth={width * 0.8}
      />
      <circle cx="-20" cy="70" r="3.4" fill={stroke} />
      <circle cx="20" cy="70" r="3.4" fill={stroke} />
    </g>
  );
}
