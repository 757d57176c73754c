import { lazily } from '@/ui/lazily';

/** The pages about the air, in one file of their own. */
const load = () => import('./air-pages');

export const AddPlace = lazily(load, (pages) => pages.AddPlace);
export const AirRoute = lazily(load, (pages) => pages.AirRoute);
export const ChangePlace = lazily(load, (pages) => pages.ChangePlace);
export const HygrometerRoute = lazily(load, (pages) => pages.HygrometerRoute);
export const Hygrometers = lazily(load, (pages) => pages.Hygrometers);
export const Keeping = lazily(load, (pages) => pages.Keeping);
export const Moving = lazily(load, (pages) => pages.Moving);
export const SaltCheckRoute = lazily(load, (pages) => pages.SaltCheckRoute);
export const WhatToDo = lazily(load, (pages) => pages.WhatToDo);
export const WoodRoute = lazily(load, (pages) => pages.WoodRoute);
