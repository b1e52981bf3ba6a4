/** Bytes of the head of the packed file and of an entry of its directory; the same of the plain one. */
const [HEAD, ENTRY] = [44, 20];
const [PLAIN_HEAD, PLAIN_ENTRY] = [12, 16];

const inflated = async (packed: Uint8Array<ArrayBuffer>): Promise<Uint8Array> =>
  new Uint8Array(
    await new Response(
      new Blob([packed]).stream().pipeThrough(new DecompressionStream('deflate')),
    ).arrayBuffer(),
  );

/**
 * A font as it is without packing: what reads fonts for paper would unpack a table anew for every letter. See W3C, WOFF
 * File Format 1.0, and OpenType, organization of an OpenType font.
 *
 * @param packed a WOFF 1.0 file
 */
export async function unpackedFont(packed: ArrayBuffer): Promise<ArrayBuffer> {
  const from = new DataView(packed);
  const count = from.getUint16(12);
  const tables = await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const at = HEAD + i * ENTRY;
      const [offset, short, long] = [4, 8, 12].map((k) => from.getUint32(at + k));
      const bytes = new Uint8Array(packed, offset, short);
      return {
        tag: from.getUint32(at),
        sum: from.getUint32(at + 16),
        bytes: short! < long! ? await inflated(bytes) : bytes,
      };
    }),
  );
  const padded = (length: number): number => Math.ceil(length / 4) * 4;
  const room = tables.reduce(
    (sum, { bytes }) => sum + padded(bytes.length),
    PLAIN_HEAD + count * PLAIN_ENTRY,
  );
  const plain = new ArrayBuffer(room);
  const to = new DataView(plain);
  to.setUint32(0, from.getUint32(4));
  to.setUint16(4, count);
  const power = 2 ** Math.floor(Math.log2(count));
  to.setUint16(6, power * 16);
  to.setUint16(8, Math.log2(power));
  to.setUint16(10, count * 16 - power * 16);
  let end = PLAIN_HEAD + count * PLAIN_ENTRY;
  tables.forEach(({ tag, sum, bytes }, i) => {
    const at = PLAIN_HEAD + i * PLAIN_ENTRY;
    to.setUint32(at, tag);
    to.setUint32(at + 4, sum);
    to.setUint32(at + 8, end);
    to.setUint32(at + 12, bytes.length);
    new Uint8Array(plain).set(bytes, end);
    end += padded(bytes.length);
  });
  return plain;
}
