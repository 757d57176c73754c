import { lazily } from '@/ui/lazily';

/** The bench and its pages, in a file of their own: products and drills are known there alone. */
const load = () => import('./bench-pages');

export const Bench = lazily(load, (pages) => pages.Bench);
export const DrillRoute = lazily(load, (pages) => pages.DrillRoute);
export const MayUse = lazily(load, (pages) => pages.MayUse);
export const Packing = lazily(load, (pages) => pages.Packing);
