import { writeFileSync } from 'node:fs';
import { anyScene, photograph } from '../../core/src/testing/photograph.ts';

/** Writes a rendered photograph of a bow beside a card: its shades of grey, 1280 × 960, a byte each. Run with tsx. */
writeFileSync(process.argv[2], photograph(anyScene(2, 1280, 960)).data);
