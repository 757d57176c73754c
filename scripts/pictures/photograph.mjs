import { writeFileSync } from 'node:fs';
import { anyScene, photograph } from '../../core/src/testing/photograph.ts';

/** Writes a rendered photograph of a bow beside a card, its shades of grey and its true gap. Run with tsx. */
const [file, seed = '2', width = '1280', without] = process.argv.slice(2);
const scene = anyScene(Number(seed), Number(width), (Number(width) * 3) / 4);
if (without === 'no-card') scene.card = null;
const { data } = photograph(scene);
const grey = Buffer.from(data).toString('base64');
writeFileSync(file, JSON.stringify({ width: scene.width, height: scene.height, gap: scene.bow.gap, grey }));
