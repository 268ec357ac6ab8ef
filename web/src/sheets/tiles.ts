import type { TileFact } from './facts';
import { step, type Layout } from './layout';
import { mmPerPoint } from './marks';

/** Large figures over small pictures, to be read from two metres. */
export function putTiles(on: Layout, tiles: TileFact[]): void {
  const gap = 4;
  const across = on.sheet.paper === 'a5' ? (on.sheet.isLandscape ? 3 : 2) : on.sheet.isLandscape ? 4 : 3;
  const width = (on.inner - (across - 1) * gap) / across;
  const big = on.sheet.paper === 'a5' ? 20 : 26;
  for (let i = 0; i < tiles.length; i += across) {
    const row = tiles.slice(i, i + across).map((tile) => ({
      tile,
      lines: tile.lines.flatMap((text) => on.lines(text, width, 8, 'sans', 2)),
      small: on.lines(tile.small, width, 11, 'bold', 2),
      high: Math.min(width / tile.picture.aspect, 70),
    }));
    const high = Math.max(...row.map((r) => r.high));
    const height = big * mmPerPoint + 1.5 + high + 2 + Math.max(...row.map((r) => r.small.length * step(11) + r.lines.length * step(8)));
    on.reserve(height);
    const top = on.y;
    row.forEach(({ tile, lines, small, high: own }, c) => {
      const x = on.margin + c * (width + gap);
      on.text(tile.big, x, top + big * mmPerPoint * 0.8, big, 'bold');
      const y = top + big * mmPerPoint + 1;
      const shown = Math.min(width, own * tile.picture.aspect);
      on.picture(tile.picture, x, y, shown, own);
      on.y = y + high + 1.5;
      on.write(small, x, 11, 'bold', 'ink');
      on.write(lines, x, 8, 'sans', 'soft');
    });
    on.y = top + height + 4;
  }
}
