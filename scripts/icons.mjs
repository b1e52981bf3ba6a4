import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { run, say } from './lib/say.mjs';
import { ROOT } from './lib/shell.mjs';

const PUBLIC = join(ROOT, 'apps', 'web', 'public');
/** Of an icon that a device cuts to its own shape, what is sure to be seen: a circle of 0.4 of its width. */
const SAFE = 0.72;

/** Draws the icons of the installed program from the one in the browser's tab. */
await run(async () => {
  const svg = readFileSync(join(PUBLIC, 'icon.svg'));
  const drawn = (size) => sharp(svg, { density: (72 * size) / 32 }).resize(size, size);
  for (const size of [192, 512]) {
    await drawn(size)
      .png()
      .toFile(join(PUBLIC, `icon-${size}.png`));
  }
  const inside = Math.round(512 * SAFE);
  const ground = { r: 0x1f, g: 0x2b, b: 0x2b, alpha: 1 };
  await sharp({ create: { width: 512, height: 512, channels: 4, background: ground } })
    .composite([{ input: await drawn(inside).png().toBuffer() }])
    .png()
    .toFile(join(PUBLIC, 'icon-maskable.png'));
  say('apps/web/public/icon-*.png');
});
