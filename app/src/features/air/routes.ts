import { lazyPage } from '@/ui/lazily';

/** The pages about the air, in one file of their own. */
const load = () => import('./air-pages');

export const AddPlace = lazyPage(load, (pages) => pages.AddPlace);
export const AirRoute = lazyPage(load, (pages) => pages.AirRoute);
export const ChangePlace = lazyPage(load, (pages) => pages.ChangePlace);
export const HygrometerRoute = lazyPage(load, (pages) => pages.HygrometerRoute);
export const Hygrometers = lazyPage(load, (pages) => pages.Hygrometers);
export const Keeping = lazyPage(load, (pages) => pages.Keeping);
export const Moving = lazyPage(load, (pages) => pages.Moving);
export const SaltCheckRoute = lazyPage(load, (pages) => pages.SaltCheckRoute);
export const WhatToDo = lazyPage(load, (pages) => pages.WhatToDo);
export const WoodRoute = lazyPage(load, (pages) => pages.WoodRoute);
