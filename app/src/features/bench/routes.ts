import { lazyPage } from '@/ui/lazily';

/** The bench and its pages, in a file of their own: products and drills are known there alone. */
const load = () => import('./bench-pages');

export const Bench = lazyPage(load, (pages) => pages.Bench);
export const DrillRoute = lazyPage(load, (pages) => pages.DrillRoute);
export const MayUse = lazyPage(load, (pages) => pages.MayUse);
export const Packing = lazyPage(load, (pages) => pages.Packing);
