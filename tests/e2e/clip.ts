/** A QuickTime clip of a second without pictures, made up byte by byte: what a header says, and nothing else. */
export interface MadeClip {
  /** Frames a second at which it plays. */
  fps: number;
  /** When it was taken, UTC. */
  takenAt: Date;
  /** Keys of its metadata, as cameras write them. */
  keys: Record<string, string | number>;
}

const u16 = (n: number) => Buffer.from([n >> 8, n & 255]);
const u32 = (n: number) => {
  const b = Buffer.alloc(4);
  b.writeUInt32BE(n);
  return b;
};
const f32 = (n: number) => {
  const b = Buffer.alloc(4);
  b.writeFloatBE(n);
  return b;
};
const zeros = (n: number) => Buffer.alloc(n);
const text = (s: string) => Buffer.from(s, 'latin1');
const atom = (name: string, ...parts: Buffer[]) => {
  const body = Buffer.concat(parts);
  return Buffer.concat([u32(body.length + 8), text(name), body]);
};
const matrix = Buffer.concat([u32(0x10000), zeros(12), u32(0x10000), zeros(12), u32(0x40000000)]);
const timescale = 1000;

function metaOf(keys: MadeClip['keys']): Buffer {
  const names = Object.keys(keys).map((key) => Buffer.concat([u32(key.length + 8), text('mdta'), text(key)]));
  const values = Object.values(keys).map((value, i) => {
    const [type, bytes] = typeof value === 'number' ? [23, f32(value)] : [1, Buffer.from(value, 'utf8')];
    return Buffer.concat([u32(bytes.length + 24), u32(i + 1), atom('data', u32(type), zeros(4), bytes)]);
  });
  return atom(
    'meta',
    atom('hdlr', zeros(8), text('mdta'), zeros(14)),
    atom('keys', zeros(4), u32(names.length), ...names),
    atom('ilst', ...values),
  );
}

/** The clip's bytes. Its header stands at the end, as cameras write it. */
export function clipOf({ fps, takenAt, keys }: MadeClip): Buffer {
  const at = u32(Math.floor(takenAt.getTime() / 1000) + 2_082_844_800);
  const frames = Math.round(fps);
  const each = Math.round(timescale / fps);
  const payload = zeros(frames * 16);
  const head = atom('ftyp', text('qt  '), zeros(4), text('qt  '));
  const mdat = atom('mdat', payload);
  const entry = atom(
    'avc1',
    zeros(6),
    u16(1),
    zeros(16),
    u16(1920),
    u16(1080),
    u32(0x480000),
    u32(0x480000),
    zeros(4),
    u16(1),
    zeros(32),
    u16(24),
    u16(0xffff),
  );
  const stbl = atom(
    'stbl',
    atom('stsd', zeros(4), u32(1), entry),
    atom('stts', zeros(4), u32(1), u32(frames), u32(each)),
    atom('stsc', zeros(4), u32(1), u32(1), u32(frames), u32(1)),
    atom('stsz', zeros(4), u32(16), u32(frames)),
    atom('stco', zeros(4), u32(1), u32(head.length + 8)),
  );
  const mdia = atom(
    'mdia',
    atom('mdhd', zeros(4), at, at, u32(timescale), u32(frames * each), zeros(4)),
    atom('hdlr', zeros(4), text('mhlr'), text('vide'), zeros(13)),
    atom('minf', atom('vmhd', u32(1), zeros(8)), atom('dinf', atom('dref', zeros(4), u32(1), atom('url ', u32(1)))), stbl),
  );
  const trak = atom(
    'trak',
    atom('tkhd', u32(7), at, at, u32(1), zeros(4), u32(frames * each), zeros(16), matrix, u32(1920 << 16), u32(1080 << 16)),
    mdia,
  );
  const mvhd = atom(
    'mvhd',
    zeros(4),
    at,
    at,
    u32(timescale),
    u32(frames * each),
    u32(0x10000),
    u16(0x100),
    zeros(10),
    matrix,
    zeros(24),
    u32(2),
  );
  return Buffer.concat([head, mdat, atom('moov', mvhd, trak, metaOf(keys))]);
}
