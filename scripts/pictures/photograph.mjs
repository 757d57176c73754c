import { writeFileSync } from 'node:fs';
import { anyBridge, anyScene, photograph } from '../../core/src/testing/photograph.ts';

/** Writes a rendered photograph of a bow, or a bridge, beside a card: its shades of grey and what is true of it. Run with tsx. */
const [file, seed = '2', width = '1280', how] = process.argv.slice(2);
const size = [Number(width), (Number(width) * 3) / 4];
const scene = how === 'bridge' ? anyBridge(Number(seed), true, ...size) : anyScene(Number(seed), ...size);
if (how === 'no-card') scene.card = null;
const { data } = photograph(scene);
const grey = Buffer.from(data).toString('base64');
writeFileSync(
  file,
  JSON.stringify({
    width: scene.width,
    height: scene.height,
    gap: scene.bow?.gap,
    lean: scene.bridge?.angle,
    left: scene.bridge?.mirrored,
    grey,
  }),
);
